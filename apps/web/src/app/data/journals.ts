import { Injectable, inject } from '@angular/core';
import { JournalSchema, type Journal } from '@pomek/core';
import { Database } from './database';

/** Practices under way. They are no part of undo: what happened, happened. */
@Injectable({ providedIn: 'root' })
export class Journals {
  private readonly database = inject(Database);

  async read(id: string): Promise<Journal | null> {
    const parsed = JournalSchema.safeParse(await this.database.of('journals').get(id));
    return parsed.success ? parsed.data : null;
  }

  async put(journal: Journal): Promise<void> {
    await this.database.of('journals').put(journal);
  }

  async drop(id: string): Promise<void> {
    await this.database.of('journals').delete(id);
  }
}
