import { Injectable, inject, signal } from '@angular/core';
import { JournalSchema, type Journal } from '@pomek/core';
import { Database } from './database';
import { Notices, reasonOf } from './notices';
import { SPACE } from './space';
import { local } from './small-storage';

const KEPT_BESIDE = 'This practice is saved beside your data for now.';
const KEPT_NOWHERE = 'This practice is not saved anywhere: end it before you close this page.';

/** The later of two states of one practice. */
const later = (a: Journal | null, b: Journal | null): Journal | null =>
  a === null || (b !== null && b.events.length >= a.events.length && b.seenAt >= a.seenAt) ? b : a;

function parsed(value: unknown): Journal | null {
  const result = JournalSchema.safeParse(value);
  return result.success ? result.data : null;
}

/**
 * Practices under way. They are no part of undo: what happened, happened. Each state is kept beside the
 * database before it is given to it, for a page can go while the database still writes; it is let go once
 * the database has it. Where the database has no room, it stays beside, and whoever conducts is told.
 */
@Injectable({ providedIn: 'root' })
export class Journals {
  private readonly database = inject(Database);
  private readonly notices = inject(Notices);
  private readonly space = inject(SPACE);
  private readonly state = signal('');
  private newest: Journal | null = null;
  private busy: Promise<void> | null = null;
  private isBeside = false;

  /** Why the practice under way is not where it should be; empty when it is. */
  readonly trouble = this.state.asReadonly();

  async read(id: string): Promise<Journal | null> {
    const stored = parsed(await this.database.of('journals').get(id));
    return later(stored, this.beside(id));
  }

  /** Keeps a practice as it stands; of several in quick succession the newest. Never rejects. */
  put(journal: Journal): Promise<void> {
    this.newest = journal;
    this.putBeside(journal);
    this.busy ??= this.putNewest().finally(() => (this.busy = null));
    return this.busy;
  }

  /** Throws a practice away, and offers to take that back. @param name what is said to be discarded */
  async discard(journal: Journal, name: string): Promise<void> {
    const stored = (await this.read(journal.id)) ?? journal;
    await this.drop(journal.id);
    this.notices.done(`${name} discarded`, {
      detail: 'Taken back, it stands among the unfinished practices.',
      takeBack: () => void this.put(stored),
    });
  }

  /** Lets go of a practice that is over: logged, or of nobody. */
  async drop(id: string): Promise<void> {
    this.newest = null;
    await this.busy;
    local.removeItem(this.keyOf(id));
    this.state.set('');
    await this.database.of('journals').delete(id);
  }

  private async putNewest(): Promise<void> {
    while (this.newest !== null) {
      const journal = this.newest;
      try {
        await this.database.of('journals').put(journal);
        if (this.newest === journal) local.removeItem(this.keyOf(journal.id));
        this.state.set('');
      } catch (error) {
        this.state.set(`${reasonOf(error)} ${this.isBeside ? KEPT_BESIDE : KEPT_NOWHERE}`);
      }
      if (this.newest === journal) this.newest = null;
    }
  }

  private putBeside(journal: Journal): void {
    this.isBeside = local.setItem(this.keyOf(journal.id), JSON.stringify(journal));
  }

  private beside(id: string): Journal | null {
    try {
      return parsed(JSON.parse(local.getItem(this.keyOf(id)) ?? 'null'));
    } catch {
      return null;
    }
  }

  private keyOf(id: string): string {
    return `pomek.journal.${this.space}.${id}`;
  }
}
