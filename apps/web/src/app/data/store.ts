import { Injectable, computed, inject, signal, type WritableSignal } from '@angular/core';
import equal from 'fast-deep-equal';
import { Clock } from './clock';
import { Database, type Records, type TableName } from './database';
import { Notices } from './notices';
import { PlaceGone } from './patch';
import { writers, type Reader } from './schemas';

/**
 * One record to add, to take away, or to change from what is stored at that moment (or from `orElse`).
 * There is no way to put a whole record over another: what was read a moment ago may no longer be so.
 */
export type Write = {
  [N in TableName]:
    | { readonly table: N; readonly add: Records[N] }
    | { readonly table: N; readonly remove: string }
    | {
        readonly table: N;
        readonly id: string;
        readonly change: (stored: Records[N]) => Records[N];
        readonly orElse?: Records[N];
      };
}[TableName];

/** Records that come in whole from a file that was read and parsed. */
export type Incoming = { [N in TableName]: { readonly table: N; readonly record: Records[N] } }[TableName];

interface Change {
  readonly table: TableName;
  readonly id: string;
  readonly before: unknown;
  readonly after: unknown;
}

type End = 'before' | 'after';

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

function afterOf(write: Write | Incoming, before: unknown): unknown {
  if ('record' in write) return write.record;
  if ('remove' in write) return undefined;
  const writer: Reader<unknown> = writers[write.table];
  if ('add' in write) {
    if (before !== undefined) throw new AlreadyThere();
    return writer.parse(write.add);
  }
  const stored = before ?? write.orElse;
  if (stored === undefined) throw new PlaceGone();
  const after = (write.change as (stored: unknown) => unknown)(stored);
  return after === stored && before !== undefined ? before : writer.parse(after);
}

const idOf = (write: Write | Incoming): string => {
  if ('record' in write) return write.record.id;
  if ('add' in write) return write.add.id;
  return 'remove' in write ? write.remove : write.id;
};

/** A new record has the identity of one that is there already. */
export class AlreadyThere extends Error {
  constructor() {
    super('It is kept already.');
  }
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
  /**
   * Set by `Edits`: what is typed and not written yet goes first, gives way when a step is taken back,
   * and ends when the whole space is replaced.
   */
  typing = { first: (): void => undefined, giveWay: (): void => undefined, end: (): void => undefined };
  /** How often something was undone or done again: what is shown in a field then follows what is stored. */
  readonly turns = signal(0);

  readonly undoLabel = computed(() => this.done().at(-1)?.label ?? null);
  readonly redoLabel = computed(() => this.undone().at(-1)?.label ?? null);

  /**
   * Writes records as one undoable step. Steps with the same `mergeKey` in quick succession become
   * one. Rejects, and changes nothing, when the storage refuses.
   */
  write(label: string, writes: readonly Write[], mergeKey: string | null = null): Promise<void> {
    this.typing.first();
    return this.told(this.step(label, writes, mergeKey));
  }

  /** The same for what was typed; the one who asks tells what went wrong. */
  writeTyped(label: string, write: Write, mergeKey: string): Promise<void> {
    return this.step(label, [write], mergeKey);
  }

  /**
   * Records of a file that was parsed, new ones and over those of the same identity, as one undoable step.
   * @param progress is told which share of many records is written
   */
  takeOver(
    label: string,
    incoming: readonly Incoming[],
    progress: (share: number) => void = () => undefined,
  ): Promise<void> {
    this.typing.first();
    return this.told(this.step(label, incoming, null, progress));
  }

  private step(
    label: string,
    writes: readonly (Write | Incoming)[],
    mergeKey: string | null,
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
    return this.turn(this.done, this.undone, 'after', 'before');
  }

  redo(): Promise<string | null> {
    return this.turn(this.undone, this.done, 'before', 'after');
  }

  /** Takes the last step of one list to its other end, and puts it on the other list. */
  private turn(
    from: WritableSignal<readonly Step[]>,
    to: WritableSignal<readonly Step[]>,
    now: End,
    then: End,
  ): Promise<string | null> {
    this.typing.first();
    return this.told(
      this.inTurn(async () => {
        const step = from().at(-1);
        if (step === undefined) return null;
        await this.restore(step, now, then);
        from.update((steps) => steps.slice(0, -1));
        to.update((steps) => [...steps, step]);
        this.typing.giveWay();
        this.turns.update((turns) => turns + 1);
        return step.label;
      }),
    );
  }

  /** Forgets all steps: after the whole space was replaced. */
  forget(): void {
    this.typing.end();
    this.done.set([]);
    this.undone.set([]);
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const result = this.queue.then(work);
    this.queue = result.catch(() => undefined);
    return result;
  }

  /** Says what went wrong where nobody else does. */
  private async told<T>(work: Promise<T>): Promise<T> {
    try {
      return await work;
    } catch (error) {
      this.notices.failure('Not saved', error);
      throw error;
    }
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

  private apply(writes: readonly (Write | Incoming)[], progress: (share: number) => void): Promise<Change[]> {
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
  private async applyTo(name: TableName, writes: readonly (Write | Incoming)[]): Promise<Change[]> {
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
  private async put(name: TableName, changes: readonly Change[], to: End): Promise<void> {
    const table = this.database.table<unknown, string>(name);
    await table.bulkPut(changes.map((change) => change[to]).filter((value) => value !== undefined));
    await table.bulkDelete(changes.filter((change) => change[to] === undefined).map((change) => change.id));
  }

  private restore(step: Step, from: End, to: End): Promise<void> {
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
