import { Injectable, computed, inject, signal } from '@angular/core';
import equal from 'fast-deep-equal';
import { Clock } from './clock';
import { Database, type Records, type TableName } from './database';
import { KeptStandings } from './kept-standings';
import { KeptSteps, type Change, type Step } from './kept-steps';
import { Notices } from './notices';
import { PlaceGone } from './patch';
import { writers, type Reader } from './schemas';
import { Steps, type StepsOfStore } from './steps';
import { turnedChange } from './turned-change';

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

type End = 'before' | 'after';
type Way = 'undo' | 'redo';
/** From which end of a step to which. */
const ends: Readonly<Record<Way, readonly [End, End]>> = { undo: ['after', 'before'], redo: ['before', 'after'] };
/** Steps to be taken back, or done again, together. */
interface Turn {
  readonly way: Way;
  times: number;
  readonly result: Promise<string | null>;
}
/** A step that was asked for. */
interface Asked {
  readonly label: string;
  readonly writes: readonly (Write | Incoming)[];
  readonly mergeKey: string | null;
  /** What it means; see `writeOnce`. */
  readonly means: string | null;
  /** When it was asked for, ms. */
  readonly at: number;
}
/** The same in the queue, with how whoever asked learns what became of it. */
interface Waited extends Asked {
  readonly result: Promise<void>;
  readonly settle: { readonly done: () => void; readonly failed: (reason: unknown) => void };
}
/** What has not begun; more of its kind may join it as long as its place is the last of the queue. */
type Waiting = (
  { readonly kind: 'turn'; readonly turn: Turn } | { readonly kind: 'steps'; readonly steps: Waited[] }
) & {
  readonly place: Promise<unknown>;
};

/** So long after a press another one of the same meaning is the same press, ms: nothing may have been seen of the first. */
const SAME_PRESS_MS = 5000;
/** Changes to the same thing within this time are undone together. */
const MERGE_MS = 1500;
const MOST_STEPS = 500;
/** Writing longer than this, the page is not left without a question. */
const GUARDED_MS = 250;
/** Records that are read and written at once. */
const BATCH = 250;

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
    super('It is saved already.');
  }
}

/** A change was made elsewhere since, so going back would lose it. */
export class ConflictError extends Error {}

/** Steps with one more: by itself, or together with the last. */
function joined(steps: readonly Step[], step: Step): readonly Step[] {
  const last = steps.at(-1);
  const merges =
    last !== undefined && step.mergeKey !== null && last.mergeKey === step.mergeKey && step.at - last.at < MERGE_MS;
  if (!merges) return [...steps, step];
  const same =
    (one: Change) =>
    (other: Change): boolean =>
      one.table === other.table && one.id === other.id;
  const changes = step.changes.map((change) => {
    const old = last.changes.find(same(change));
    return { ...change, before: old === undefined ? change.before : old.before };
  });
  const untouched = last.changes.filter((change) => !step.changes.some(same(change)));
  return [...steps.slice(0, -1), { ...step, id: last.id, changes: [...untouched, ...changes] }];
}

/**
 * Every change to the stored data goes through here: written in one transaction, remembered with
 * what was there before, so that it can be undone and done again.
 */
@Injectable({ providedIn: 'root' })
export class Store implements StepsOfStore {
  private readonly database = inject(Database);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  private readonly kept = inject(KeptSteps);
  private readonly standings = new KeptStandings(this.database);
  private readonly done = signal<readonly Step[]>([]);
  private readonly undone = signal<readonly Step[]>([]);
  private queue: Promise<unknown> = Promise.resolve();
  private waiting: Waiting | null = null;
  /** How much is being written, and since when, ms; a file that comes in counts from its beginning. */
  private readonly pending = signal(0);
  private since = 0;
  private steps = 0;
  /**
   * Set by `Edits`: what is typed and not written yet goes first, gives way when a step is taken back,
   * and ends when the whole space is replaced.
   */
  typing = { first: (): void => undefined, giveWay: (): void => undefined, end: (): void => undefined };
  /** How often something was undone or done again: what is shown in a field then follows what is stored. */
  readonly turns = signal(0);

  readonly writing = computed(() => this.pending() > 0);
  readonly undoLabel = computed(() => this.done().at(-1)?.label ?? null);
  readonly redoLabel = computed(() => this.undone().at(-1)?.label ?? null);

  constructor() {
    inject(Steps).connect(this);
    void this.open();
    // To leave now would give up what is on its way; a moment of writing is over before anybody could answer.
    addEventListener('beforeunload', (event) => {
      if (this.writing() && this.now() - this.since > GUARDED_MS) event.preventDefault();
    });
  }

  /** Takes up the steps of today that an earlier page has left; later steps stand on them. */
  private open(): Promise<void> {
    // What is only read is given up without harm: the page may be left meanwhile.
    return this.afterOthers(async () => {
      const steps = await this.kept.read();
      const standing = steps.filter(({ undoneAt }) => undoneAt === null);
      const known = new Set(this.done().map(({ id }) => id));
      this.done.update((own) => [...standing.filter(({ id }) => !known.has(id)), ...own].slice(-MOST_STEPS));
      if (this.undone().length > 0) return;
      const back = steps.filter(({ undoneAt }) => undoneAt !== null);
      this.undone.set(back.toSorted((a, b) => b.undoneAt! - a.undoneAt!).toReversed());
    });
  }

  /**
   * Writes records as one undoable step. Steps with the same `mergeKey` in quick succession become
   * one. Rejects, and changes nothing, when the storage refuses.
   */
  write(label: string, writes: readonly Write[], mergeKey: string | null = null): Promise<void> {
    this.typing.first();
    return this.told(this.step(label, writes, mergeKey, null));
  }

  /**
   * The same for what two presses do not mean twice: where a step of that meaning was asked for a moment ago and stands, nothing
   * is written.
   * @param meaning what is done to what, without identities that are new each time
   */
  writeOnce(label: string, writes: readonly Write[], meaning: readonly unknown[]): Promise<void> {
    this.typing.first();
    return this.told(this.step(label, writes, null, JSON.stringify(meaning)));
  }

  /**
   * The same for what was typed; the one who asks tells what went wrong.
   * @param writes is asked when its turn has come
   */
  writeTyped(label: string, writes: () => Promise<readonly Write[]>, mergeKey: string): Promise<void> {
    // What comes next may depend on what became of it, so nothing joins it.
    return this.alone({ label, writes, mergeKey, means: null, at: this.now() });
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
    return this.told(this.alone({ label, writes: incoming, mergeKey: null, means: null, at: this.now() }, progress));
  }

  /** Steps that come while others of them wait are written together: keys may come faster than the page. */
  private step(label: string, writes: readonly Write[], mergeKey: string | null, means: string | null): Promise<void> {
    const last = this.lastWaiting();
    const waiting = last?.kind === 'steps' ? last.steps : [];
    const same = waiting.find((step) => means !== null && step.means === means);
    if (same !== undefined) return same.result;
    let settle!: Waited['settle'];
    const result = new Promise<void>((done, failed) => {
      settle = { done, failed };
    });
    const asked = { label, writes, mergeKey, means, at: this.now(), settle, result };
    if (last?.kind === 'steps') {
      last.steps.push(asked);
      return result;
    }
    const steps = [asked];
    void this.inTurn(() => {
      if (this.waiting?.kind === 'steps' && this.waiting.steps === steps) this.waiting = null;
      const open = steps.filter((step) => !this.isDone(step));
      for (const step of steps) if (!open.includes(step)) step.settle.done();
      return this.writeSteps(open);
    });
    this.waiting = { kind: 'steps', steps, place: this.queue };
    return result;
  }

  /** Whether a step of the same meaning was asked for a moment ago, and stands. */
  private isDone({ means, at }: Asked): boolean {
    return means !== null && this.done().some((step) => step.means === means && at - step.at <= SAME_PRESS_MS);
  }

  /** One step by itself. */
  private alone(
    step: Omit<Asked, 'writes'> & { readonly writes: Asked['writes'] | (() => Promise<Asked['writes']>) },
    progress: (share: number) => void = () => undefined,
  ): Promise<void> {
    return this.inTurn(async () => {
      const writes = typeof step.writes === 'function' ? await step.writes() : step.writes;
      const [changes] = await this.inTransaction([{ ...step, writes }], progress);
      await this.remember([{ ...step, changes: changes! }]);
    });
  }

  /** Writes steps in one transaction or, where one of them can't be written, each in its own. */
  private async writeSteps(asked: readonly Waited[]): Promise<void> {
    if (asked.length === 0) return;
    try {
      const changes = await this.inTransaction(asked);
      await this.remember(asked.map((step, index) => ({ ...step, changes: changes[index]! })));
      for (const { settle } of asked) settle.done();
    } catch (error) {
      if (asked.length === 1) asked[0]!.settle.failed(error);
      else for (const step of asked) await this.writeSteps([step]);
    }
  }

  /** Puts what was done on the list of steps; what changed nothing is none. */
  private async remember(
    done: readonly (Omit<Asked, 'writes'> & { readonly changes: readonly Change[] })[],
  ): Promise<void> {
    const made = done.filter(({ changes }) => changes.length > 0);
    if (made.length === 0) return;
    const gone = this.undone();
    this.undone.set([]);
    await this.kept.drop(gone.map(({ id }) => id));
    let steps = this.done();
    const fresh = new Map<string, Step>();
    for (const { label, mergeKey, means, at, changes } of made) {
      const step = { id: this.stepId(at), label, changes: [...changes], mergeKey, means, at, undoneAt: null };
      steps = joined(steps, step);
      fresh.set(steps.at(-1)!.id, steps.at(-1)!);
    }
    // Only what is kept is shown as a step that can be taken back: the page may be left at once.
    await this.kept.keep(...fresh.values());
    this.done.set(steps.slice(-MOST_STEPS));
  }

  /** Whether the last step does nothing but make that record. */
  lastMade(table: TableName, id: string): boolean {
    const [only, ...more] = this.done().at(-1)?.changes ?? [];
    return more.length === 0 && only?.table === table && only.id === id && only.before === undefined;
  }

  undo(): Promise<string | null> {
    return this.turn('undo');
  }

  redo(): Promise<string | null> {
    return this.turn('redo');
  }

  /** Takes the last step back, or does it again; presses that come while one of the same kind waits are done together with it. */
  private turn(way: Way): Promise<string | null> {
    this.typing.first();
    const last = this.lastWaiting();
    if (last?.kind === 'turn' && last.turn.way === way) {
      last.turn.times += 1;
      return last.turn.result;
    }
    const result = this.told(
      this.inTurn(() => {
        if (this.waiting?.kind === 'turn' && this.waiting.turn === turn) this.waiting = null;
        return this.turnSteps(turn);
      }),
    );
    const turn: Turn = { way, times: 1, result };
    this.waiting = { kind: 'turn', turn, place: this.queue };
    return result;
  }

  /** What may still be joined: it has not begun, and nothing else was asked for since. */
  private lastWaiting(): Waiting | null {
    return this.waiting?.place === this.queue ? this.waiting : null;
  }

  /**
   * Takes the last steps of one list to their other end, and puts them on the other list; those before a conflict too. A step that
   * was changed elsewhere is said once and put aside, so that the next press goes on.
   */
  private async turnSteps({ way, times }: Turn): Promise<string | null> {
    const [from, to] = way === 'undo' ? [this.done, this.undone] : [this.undone, this.done];
    const wanted = from().slice(-times).toReversed();
    if (wanted.length === 0) return null;
    const { restored, conflict } = await this.restore(wanted, ...ends[way]);
    const undoneAt = way === 'undo' ? this.now() : null;
    const turned = restored.map((step): Step => ({ ...step, undoneAt }));
    await this.kept.keep(...turned);
    if (conflict !== null) await this.kept.drop([conflict.id]);
    from.update((steps) => steps.filter((step) => step !== conflict));
    if (turned.length > 0) {
      from.update((steps) => steps.slice(0, -turned.length));
      to.update((steps) => [...steps, ...turned]);
      this.typing.giveWay();
      this.turns.update((turns) => turns + 1);
    }
    if (conflict === null) return turned.at(-1)!.label;
    const more = from().length === 0 ? '' : ` Press again to ${way} the ${way === 'undo' ? 'previous' : 'next'} one.`;
    throw new ConflictError(`“${conflict.label}” was changed elsewhere since, so it stays as it is.${more}`);
  }

  /** Forgets all steps: after the whole space was replaced. */
  forget(): void {
    this.typing.end();
    const none = (): void => {
      this.done.set([]);
      this.undone.set([]);
    };
    none();
    // What was under way meanwhile is forgotten too.
    void this.inTurn(async () => {
      none();
      await this.kept.clear();
    });
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    if (this.pending() === 0) this.since = this.now();
    this.pending.update((count) => count + 1);
    return this.afterOthers(work, () => this.pending.update((count) => count - 1));
  }

  private afterOthers<T>(work: () => Promise<T>, over: () => void = () => undefined): Promise<T> {
    const result = this.queue.then(work);
    this.queue = result.catch(() => undefined).finally(over);
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

  private now(): number {
    return this.clock.now().getTime();
  }

  /** Later steps have later ids, also within a millisecond. */
  private stepId(at: number): string {
    const number = (this.steps += 1);
    return `${String(at).padStart(15, '0')}-${String(number).padStart(6, '0')}-${this.clock.newId().slice(0, 8)}`;
  }

  /** The changes of steps that are written one after the other, all or none. */
  private inTransaction(
    steps: readonly Asked[],
    progress: (share: number) => void = () => undefined,
  ): Promise<Change[][]> {
    const tables = [...new Set(steps.flatMap(({ writes }) => writes.map(({ table }) => table)))];
    return this.database.transaction('rw', [...tables, 'standings'], async () => {
      const all: Change[][] = [];
      for (const { writes } of steps) all.push(await this.apply(writes, progress));
      return all;
    });
  }

  private async apply(writes: readonly (Write | Incoming)[], progress: (share: number) => void): Promise<Change[]> {
    const tables = [...new Set(writes.map((write) => write.table))];
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
    await this.standings.forget(changes, () => this.clock.newId());
    return changes;
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

  /** Brings steps, the last first, to one of their ends, up to the first that was changed elsewhere. */
  private restore(
    steps: readonly Step[],
    from: End,
    to: End,
  ): Promise<{ readonly restored: readonly Step[]; readonly conflict: Step | null }> {
    const tables = [...new Set(steps.flatMap(({ changes }) => changes.map(({ table }) => table)))];
    return this.database.transaction('rw', [...tables, 'standings'], async () => {
      const restored: Step[] = [];
      for (const step of steps) {
        const turned = await this.turned(step, from, to);
        if (turned === null) return { restored, conflict: step };
        for (const name of new Set(turned.map(({ table }) => table))) {
          await this.put(
            name,
            turned.filter(({ table }) => table === name),
            'after',
          );
        }
        await this.standings.forget(turned, () => this.clock.newId());
        restored.push(step);
      }
      return { restored, conflict: null };
    });
  }

  /** What bringing a step to one of its ends changes in what is stored; null where it was changed elsewhere. */
  private async turned({ changes }: Step, from: End, to: End): Promise<Change[] | null> {
    const all: Change[] = [];
    for (const name of new Set(changes.map(({ table }) => table))) {
      const own = changes.filter(({ table }) => table === name);
      const stored = await this.database.table<unknown, string>(name).bulkGet(own.map(({ id }) => id));
      for (const [index, change] of own.entries()) {
        const turned = turnedChange(change, stored[index], from, to, writers[name]);
        if (turned === 'conflict') return null;
        all.push({ table: name, id: change.id, before: stored[index], after: turned.to });
      }
    }
    return all;
  }
}
