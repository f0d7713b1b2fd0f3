import { bootstrapApplication } from '@angular/platform-browser';
import { appConfig } from './app/app.config';
import { chooseSpaceFromAddress } from './app/data/space';
import { Shell } from './app/shell/shell';
import { applyStoredLight } from './app/shell/light';

applyStoredLight();
const space = chooseSpaceFromAddress();
bootstrapApplication(Shell, appConfig(space)).catch((error: unknown) => {
  document.body.textContent = `Pomek could not start: ${error instanceof Error ? error.message : String(error)}`;
});
