import { DestroyRef, Injectable, computed, inject } from '@angular/core';
import Dexie, { type ObservabilitySet } from 'dexie';
import { bundleKinds } from '@pomek/core';
import { Clock } from './clock';
import { Database } from './database';
import { remembered } from './remembered';
import { momentIn } from './remembered-days';
import { SPACE } from './space';

/** When the records of this space changed last, as this browser knows: in this tab, in another one, or beside the page. */
@Injectable({ providedIn: 'root' })
export class LastChange {
  private readonly clock = inject(Clock);
  private readonly kept = remembered(`${inject(SPACE)}.changed-at`);
  /** A moment (ISO 8601, UTC); null where nothing changed since Pomek notes it. */
  readonly at = computed(() => momentIn(this.kept.value()));

  constructor() {
    const { name } = inject(Database);
    const tables = bundleKinds.map((kind) => `idb://${name}/${kind}/`);
    const changed = (parts: ObservabilitySet): void => {
      // All tables at once are told where they have just been set up; no change of a record touches this one.
      if (`idb://${name}/folders/` in parts) return;
      const ours = Object.keys(parts).some((part) => tables.some((table) => part.startsWith(table)));
      if (ours) this.kept.set(this.clock.now().toISOString());
    };
    Dexie.on('storagemutated', changed);
    inject(DestroyRef).onDestroy(() => {
      Dexie.on('storagemutated').unsubscribe(changed);
    });
  }
}
