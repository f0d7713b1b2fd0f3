import type { Injector } from '@angular/core';
import { DemoSpace } from './demo-space';
import { Edits } from './edits';
import { Store } from './store';

/** What begins with the storage: the steps kept of today, what closed pages left behind, and the demo where it is empty. */
export async function begin(injector: Injector): Promise<void> {
  injector.get(Store);
  injector.get(Edits);
  await injector.get(DemoSpace).fillWhenEmpty();
}
