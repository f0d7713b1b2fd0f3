import { Injectable, inject, signal } from '@angular/core';
import { JournalSchema, type Journal } from '@pomek/core';
import { Database } from './database';
import { reasonOf } from './notices';
import { SPACE } from './space';

/** The later of two states of one practice. */
const later = (a: Journal | null, b: Journal | null): Journal | null =>
  a === null || (b !== null && b.events.length >= a.events.length && b.seenAt >= a.seenAt) ? b : a;

function parsed(value: unknown): Journal | null {
  const result = JournalSchema.safeParse(value);
  return result.success ? result.data : null;
}

/**
 * Practices under way. They are no part of undo: what happened, happened. Where the database has no
 * room for one, it is kept beside it, and whoever conducts is told.
 */
@Injectable({ providedIn: 'root' })
export class Journals {
  private readonly database = inject(Database);
  private readonly space = inject(SPACE);
  private readonly state = signal('');
  private newest: Journal | null = null;
  private busy: Promise<void> | null = null;

  /** Why the practice under way is not where it should be; empty when it is. */
  readonly trouble = this.state.asReadonly();

  async read(id: string): Promise<Journal | null> {
    const stored = parsed(await this.database.of('journals').get(id));
    return later(stored, this.beside(id));
  }

  /** Keeps a practice as it stands; of several in quick succession the newest. Never rejects. */
  put(journal: Journal): Promise<void> {
    this.newest = journal;
    this.busy ??= this.putNewest().finally(() => (this.busy = null));
    return this.busy;
  }

  async drop(id: string): Promise<void> {
    this.newest = null;
    await this.busy;
    localStorage.removeItem(this.keyOf(id));
    this.state.set('');
    await this.database.of('journals').delete(id);
  }

  private async putNewest(): Promise<void> {
    while (this.newest !== null) {
      const journal = this.newest;
      try {
        await this.database.of('journals').put(journal);
        localStorage.removeItem(this.keyOf(journal.id));
        this.state.set('');
      } catch (error) {
        this.putBeside(journal, reasonOf(error));
      }
      if (this.newest === journal) this.newest = null;
    }
  }

  private putBeside(journal: Journal, reason: string): void {
    try {
      localStorage.setItem(this.keyOf(journal.id), JSON.stringify(journal));
      this.state.set(`${reason} This practice is kept beside your data for now.`);
    } catch {
      this.state.set(`${reason} This practice is kept nowhere: end it before you close this page.`);
    }
  }

  private beside(id: string): Journal | null {
    try {
      return parsed(JSON.parse(localStorage.getItem(this.keyOf(id)) ?? 'null'));
    } catch {
      return null;
    }
  }

  private keyOf(id: string): string {
    return `pomek.journal.${this.space}.${id}`;
  }
}
