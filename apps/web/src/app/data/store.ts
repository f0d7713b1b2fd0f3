import { Injectable, computed, inject, signal } from '@angular/core';
import equal from 'fast-deep-equal';
import { Clock } from './clock';
import { Database, type Records, type TableName } from './database';
import { Notices } from './notices';

/** One record to put, to take away, or to change from what is stored at that moment (or from `orElse`). */
export type Write = {
  [N in TableName]:
    | { readonly table: N; readonly put: Records[N] }
    | { readonly table: N; readonly remove: string }
    | {
        readonly table: N;
        readonly id: string;
        readonly change: (stored: Records[N]) => Records[N];
        readonly orElse?: Records[N];
      };
}[TableName];

interface Change {
  readonly table: TableName;
  readonly id: string;
  readonly before: unknown;
  readonly after: unknown;
}

interface Step {
  readonly label: string;
  readonly changes: readonly Change[];
  readonly mergeKey: string | null;
  readonly at: number;
}

/** Changes to the same thing within this time are undone together. */
const MERGE_MS = 1500;
const MOST_STEPS = 500;
/** Records that are read and written at once. */
const BATCH = 500;

function afterOf(write: Write, before: unknown): unknown {
  if ('put' in write) return write.put;
  if ('remove' in write) return undefined;
  const stored = before ?? write.orElse;
  if (stored === undefined) throw new ConflictError('It was removed elsewhere meanwhile.');
  return (write.change as (stored: unknown) => unknown)(stored);
}

const idOf = (write: Write): string => ('put' in write ? write.put.id : 'remove' in write ? write.remove : write.id);

/** A change was made elsewhere since, so going back would lose it. */
export class ConflictError extends Error {}

/**
 * Every change to the stored data goes through here: written in one transaction, remembered with
 * what was there before, so that it can be undone and done again.
 */
@Injectable({ providedIn: 'root' })
export class Store {
  private readonly database = inject(Database);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  private readonly done = signal<readonly Step[]>([]);
  private readonly undone = signal<readonly Step[]>([]);
  private queue: Promise<unknown> = Promise.resolve();

  readonly undoLabel = computed(() => this.done().at(-1)?.label ?? null);
  readonly redoLabel = computed(() => this.undone().at(-1)?.label ?? null);

  /**
   * Writes records as one undoable step. Steps with the same `mergeKey` in quick succession become
   * one. Rejects, and changes nothing, when the storage refuses.
   * @param progress is told which share of many records is written
   */
  write(
    label: string,
    writes: readonly Write[],
    mergeKey: string | null = null,
    progress: (share: number) => void = () => undefined,
  ): Promise<void> {
    return this.inTurn(async () => {
      const changes = await this.apply(writes, progress);
      if (changes.length === 0) return;
      this.undone.set([]);
      this.push({ label, changes, mergeKey, at: this.clock.now().getTime() });
    });
  }

  undo(): Promise<string | null> {
    return this.inTurn(async () => {
      const step = this.done().at(-1);
      if (step === undefined) return null;
      await this.restore(step, 'after', 'before');
      this.done.update((steps) => steps.slice(0, -1));
      this.undone.update((steps) => [...steps, step]);
      return step.label;
    });
  }

  redo(): Promise<string | null> {
    return this.inTurn(async () => {
      const step = this.undone().at(-1);
      if (step === undefined) return null;
      await this.restore(step, 'before', 'after');
      this.undone.update((steps) => steps.slice(0, -1));
      this.done.update((steps) => [...steps, step]);
      return step.label;
    });
  }

  /** Forgets all steps: after the whole space was replaced. */
  forget(): void {
    this.done.set([]);
    this.undone.set([]);
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const result = this.queue.then(work);
    this.queue = result.catch(() => undefined);
    return result.catch((error: unknown) => {
      this.notices.failure('Not saved', error);
      throw error;
    });
  }

  private push(step: Step): void {
    this.done.update((steps) => {
      const last = steps.at(-1);
      const merges =
        last !== undefined && step.mergeKey !== null && last.mergeKey === step.mergeKey && step.at - last.at < MERGE_MS;
      if (!merges) return [...steps, step].slice(-MOST_STEPS);
      const changes = step.changes.map((change) => {
        const old = last.changes.find((entry) => entry.table === change.table && entry.id === change.id);
        return { ...change, before: old === undefined ? change.before : old.before };
      });
      return [...steps.slice(0, -1), { ...step, changes }];
    });
  }

  private apply(writes: readonly Write[], progress: (share: number) => void): Promise<Change[]> {
    const tables = [...new Set(writes.map((write) => write.table))];
    return this.database.transaction('rw', tables, async () => {
      const changes: Change[] = [];
      for (let from = 0; from < writes.length; from += BATCH) {
        const batch = writes.slice(from, from + BATCH);
        for (const name of tables) {
          changes.push(
            ...(await this.applyTo(
              name,
              batch.filter((write) => write.table === name),
            )),
          );
        }
        progress(Math.min(1, (from + BATCH) / writes.length));
      }
      return changes;
    });
  }

  /** Writes to one table, read and written at once; a later write to the same record sees the earlier. */
  private async applyTo(name: TableName, writes: readonly Write[]): Promise<Change[]> {
    const table = this.database.table<unknown, string>(name);
    const ids = [...new Set(writes.map(idOf))];
    const stored = new Map((await table.bulkGet(ids)).map((value, index) => [ids[index]!, value]));
    const after = new Map(stored);
    for (const write of writes) after.set(idOf(write), afterOf(write, after.get(idOf(write))));
    const changes = ids
      .map((id): Change => ({ table: name, id, before: stored.get(id), after: after.get(id) }))
      .filter((change) => !equal(change.before, change.after));
    await this.put(name, changes, 'after');
    return changes;
  }

  /** Brings the records of one table to one end of their changes. */
  private async put(name: TableName, changes: readonly Change[], to: 'before' | 'after'): Promise<void> {
    const table = this.database.table<unknown, string>(name);
    await table.bulkPut(changes.map((change) => change[to]).filter((value) => value !== undefined));
    await table.bulkDelete(changes.filter((change) => change[to] === undefined).map((change) => change.id));
  }

  private restore(step: Step, from: 'before' | 'after', to: 'before' | 'after'): Promise<void> {
    const tables = [...new Set(step.changes.map((change) => change.table))];
    return this.database.transaction('rw', tables, async () => {
      for (const name of tables) {
        const changes = step.changes.filter((change) => change.table === name);
        const stored = await this.database.table<unknown, string>(name).bulkGet(changes.map((change) => change.id));
        if (changes.some((change, index) => !equal(stored[index], change[from]))) {
          throw new ConflictError(`“${step.label}” was changed elsewhere since, so it stays as it is.`);
        }
        await this.put(name, changes, to);
      }
    });
  }
}
