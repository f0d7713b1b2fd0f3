import type { Injector } from '@angular/core';
import { CopyFolder } from './copy-folder';
import { DemoSpace } from './demo-space';
import { DurableStorage } from './durable-storage';
import { Edits } from './edits';
import { Store } from './store';

/** What begins with the storage: the steps kept of today, what closed pages left behind, copies, and the demo where it is empty. */
export async function begin(injector: Injector): Promise<void> {
  injector.get(Store);
  injector.get(Edits);
  injector.get(DurableStorage);
  injector.get(CopyFolder);
  await injector.get(DemoSpace).fillWhenEmpty();
}
