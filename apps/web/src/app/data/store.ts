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

function afterOf(write: Write, before: unknown): unknown {
  if ('put' in write) return write.put;
  if ('remove' in write) return undefined;
  const stored = before ?? write.orElse;
  if (stored === undefined) throw new ConflictError('It was removed elsewhere meanwhile.');
  return (write.change as (stored: unknown) => unknown)(stored);
}

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
   */
  write(label: string, writes: readonly Write[], mergeKey: string | null = null): Promise<void> {
    return this.inTurn(async () => {
      const changes = await this.apply(writes);
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

  private apply(writes: readonly Write[]): Promise<Change[]> {
    const tables = [...new Set(writes.map((write) => write.table))];
    return this.database.transaction('rw', tables, async () => {
      const changes: Change[] = [];
      for (const write of writes) {
        const table = this.database.table(write.table);
        const id = 'put' in write ? write.put.id : 'remove' in write ? write.remove : write.id;
        const before: unknown = await table.get(id);
        const after = afterOf(write, before);
        if (equal(before, after)) continue;
        await (after === undefined ? table.delete(id) : table.put(after));
        changes.push({ table: write.table, id, before, after });
      }
      return changes;
    });
  }

  private restore(step: Step, from: 'before' | 'after', to: 'before' | 'after'): Promise<void> {
    const tables = [...new Set(step.changes.map((change) => change.table))];
    return this.database.transaction('rw', tables, async () => {
      for (const change of step.changes) {
        const table = this.database.table(change.table);
        if (!equal(await table.get(change.id), change[from])) {
          throw new ConflictError(`“${step.label}” was changed elsewhere since, so it stays as it is.`);
        }
        await (change[to] === undefined ? table.delete(change.id) : table.put(change[to]));
      }
    });
  }
}
