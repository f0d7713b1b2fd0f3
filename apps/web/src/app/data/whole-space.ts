import { Injectable, inject } from '@angular/core';
import { bundleKinds, emptyContents, type BundleContents, type BundleKind, type PreviewRow } from '@pomek/core';
import { Clock } from './clock';
import { Database } from './database';
import { forgetDrafts } from './kept-draft';
import { KeptStandings } from './kept-standings';
import { Repository } from './repository';
import { SPACE } from './space';
import { Store, type Incoming } from './store';

/** Reading and replacing everything at once: export, import, the demo. */
@Injectable({ providedIn: 'root' })
export class WholeSpace {
  private readonly clock = inject(Clock);
  private readonly database = inject(Database);
  private readonly repository = inject(Repository);
  private readonly store = inject(Store);
  private readonly space = inject(SPACE);

  /** @param kinds left out those that need not be read */
  async read(kinds: readonly BundleKind[] = bundleKinds): Promise<BundleContents> {
    const contents = emptyContents();
    for (const kind of kinds) {
      Object.assign(contents, { [kind]: await this.repository.read(kind) });
    }
    return contents;
  }

  /** Keeps the chosen rows of a file, in one undoable step. */
  async import(contents: BundleContents, rows: readonly PreviewRow[], label: string): Promise<void> {
    const wanted = new Set(rows.map((row) => `${row.kind} ${row.id}`));
    const incoming = bundleKinds.flatMap((kind) =>
      contents[kind]
        .filter((item) => wanted.has(`${kind} ${item.id}`))
        .map((record) => ({ table: kind, record }) as Incoming),
    );
    await this.store.takeOver(label, incoming);
  }

  /** Empties the space and fills it anew; cannot be undone. */
  async replace(contents: BundleContents): Promise<void> {
    await this.database.transaction('rw', [...bundleKinds, 'journals', 'reels', 'standings'], async () => {
      await this.database.of('journals').clear();
      await this.database.table('reels').clear();
      await new KeptStandings(this.database).forgetAll(() => this.clock.newId());
      for (const kind of bundleKinds) {
        const table = this.database.table(kind);
        await table.clear();
        await table.bulkPut(contents[kind]);
      }
    });
    forgetDrafts(this.space);
    this.store.forget();
  }

  /** Adds records without a step that could be undone. */
  async add(contents: BundleContents): Promise<void> {
    await this.database.transaction('rw', [...bundleKinds], async () => {
      for (const kind of bundleKinds) await this.database.table(kind).bulkPut(contents[kind]);
    });
  }

  async isEmpty(): Promise<boolean> {
    const counts = await Promise.all(bundleKinds.map((kind) => this.database.table(kind).count()));
    return counts.every((count) => count === 0);
  }
}
