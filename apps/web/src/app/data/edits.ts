import { DestroyRef, Injectable, inject, signal } from '@angular/core';
import equal from 'fast-deep-equal';
import { builtInSchools } from '@pomek/core';
import { Database, type TableName } from './database';
import { Notices } from './notices';
import { PlaceGone, patched, valueAt, type Patch } from './patch';
import { writers, type Reader } from './schemas';
import { copyInPlaceOf } from './school-copy';
import { Store, type Write } from './store';
import { TypedJournal } from './typed-journal';

/** The record that is edited. */
export interface Target<N extends TableName = TableName> {
  readonly table: N;
  readonly id: string;
}

/** One value that was typed: waiting to be written, being written, or written and not yet seen to come back. */
interface Entry extends Patch {
  readonly place: string;
  readonly label: string;
  readonly copyOf: string | undefined;
  readonly state: 'waiting' | 'writing' | 'written';
}
interface Typing extends Target {
  readonly entries: readonly Entry[];
}

/** Letters that follow each other within this time are written together. */
const LETTERS_MS = 300;
/** After this time a written value is no longer laid over what is stored, whatever came back. */
const SEEN_MS = 1000;
/** When it is tried again after the storage had no room. */
const AGAIN_MS = 5000;

const keyOf = ({ table, id }: Target): string => `${table} ${id}`;

/** As much of what was typed as makes a whole record: all of it, or what does so one by one. */
function accept(stored: unknown, entries: readonly Entry[], writer: Reader<unknown>): [unknown, Entry[]] {
  const standing = entries.filter((entry) => {
    try {
      patched(stored, entry);
      return true;
    } catch {
      return false;
    }
  });
  const whole = standing.reduce((record, entry) => patched(record, entry), stored);
  if (writer.safeParse(whole).success) return [whole, [...entries]];
  let record = stored;
  const accepted = entries.filter((entry) => !standing.includes(entry));
  for (const entry of standing) {
    const next = patched(record, entry);
    if (!writer.safeParse(next).success) continue;
    record = next;
    accepted.push(entry);
  }
  return [record, accepted];
}

/**
 * What is typed into fields, on its way into the database: kept at each key in the journal of typed
 * values, written as one value into what is stored at that moment, and laid over what is stored until
 * it comes back from there. What is not whole yet waits, here and over a reload.
 */
@Injectable({ providedIn: 'root' })
export class Edits {
  private readonly store = inject(Store);
  private readonly database = inject(Database);
  private readonly notices = inject(Notices);
  private readonly journal = inject(TypedJournal);
  private readonly all = new Map<string, Typing>();
  /** Moves on when what is laid over the stored changes; single letters do not move it, so that typing stays light. */
  private readonly changed = signal(0);
  private readonly seen = new Map<string, unknown>();
  private readonly timers = new Map<string, ReturnType<typeof setTimeout>>();
  /** The notice that says that something could not be kept. */
  private told: number | null = null;
  /** How often what was typed was given up: fields then show what is stored. */
  readonly forgotten = signal(0);

  constructor() {
    this.store.typing = { first: () => this.flush(), giveWay: () => this.giveWay(), end: () => this.end() };
    const ended = new AbortController();
    const { signal: until } = ended;
    for (const event of ['pagehide', 'focusout'] as const)
      addEventListener(event, () => this.flush(), { signal: until });
    document.addEventListener('visibilitychange', () => this.flush(), { signal: until });
    inject(DestroyRef).onDestroy(() => {
      ended.abort();
      for (const timer of this.timers.values()) clearTimeout(timer);
    });
    this.journal.leftBehind((list) => {
      for (const { table, id, label, copyOf, ...patch } of list) this.enter({ table, id }, label, patch, copyOf);
      this.flush();
    });
  }

  /** Values of a record that are typed and not yet seen to be stored. */
  of(target: Target): readonly Patch[] {
    this.changed();
    return this.entriesOf(target);
  }

  /**
   * Takes a value that was typed or chosen.
   * @param copyOf of a school that is not stored yet: the one it is a copy of, and whose place it takes
   */
  type(target: Target, label: string, patch: Patch, copyOf?: string): void {
    this.enter(target, label, patch, copyOf);
    if (patch.letters === true) this.later(target, LETTERS_MS);
    else this.write(target);
  }

  /** Writes everything that waits. */
  flush(): void {
    for (const typing of [...this.all.values()]) this.write(typing);
  }

  /** Gives up what is typed into a record and could not be kept. */
  forget(target: Target): void {
    this.set(target, () => []);
    this.forgotten.update((times) => times + 1);
  }

  /** What is typed into a record and is not whole yet. */
  waiting(target: Target): readonly Patch[] {
    return this.entriesOf(target).filter((entry) => entry.state === 'waiting');
  }

  /** Told that values that waited were written together with something else. */
  takenIn(target: Target, which: readonly Patch[]): void {
    this.set(target, (entries) => entries.filter((entry) => !which.includes(entry)));
  }

  /** Told by whoever watches a record: what is stored of it now. */
  saw(target: Target, stored: unknown): void {
    this.seen.set(keyOf(target), stored);
    this.settle(target);
  }

  /** Values that were written and have not come back: what is stored was changed by hand of undo. */
  private giveWay(): void {
    for (const typing of [...this.all.values()]) {
      this.drop(
        typing,
        typing.entries.filter((entry) => entry.state === 'written'),
      );
    }
  }

  /** Nothing that is typed belongs to what is there now. */
  private end(): void {
    for (const typing of [...this.all.values()]) this.forget(typing);
  }

  private enter(target: Target, label: string, patch: Patch, copyOf: string | undefined): void {
    const place = JSON.stringify(patch.at);
    const entry: Entry = { ...patch, place, label, copyOf, state: 'waiting' };
    const letters = patch.letters === true;
    this.set(target, (entries) => [...entries.filter((other) => other.place !== place), entry], letters);
  }

  private later(target: Target, ms: number): void {
    const key = keyOf(target);
    clearTimeout(this.timers.get(key));
    this.timers.set(
      key,
      setTimeout(() => this.write(target), ms),
    );
  }

  private write(target: Target): void {
    clearTimeout(this.timers.get(keyOf(target)));
    const waiting = this.entriesOf(target).filter((entry) => entry.state === 'waiting');
    if (waiting.length === 0) return;
    const taken = this.turn(target, waiting, 'writing');
    let accepted: readonly Entry[] = [];
    const change = (stored: unknown): unknown => {
      const [record, fits] = accept(stored, taken, writers[target.table]);
      accepted = fits;
      return fits.length === 0 ? stored : record;
    };
    const key = `${keyOf(target)} ${taken.map((entry) => entry.place).join(' ')}`;
    this.store
      .writeTyped(taken.at(-1)!.label, () => this.writesOf(target, taken, change), key)
      .then(
        () => {
          this.turn(
            target,
            taken.filter((entry) => !accepted.includes(entry)),
            'waiting',
          );
          const written = this.turn(target, accepted, 'written');
          this.settle(target);
          setTimeout(() => this.drop(target, written), SEEN_MS);
          if (this.told !== null) this.notices.close(this.told);
          this.told = null;
        },
        (error: unknown) => {
          if (error instanceof PlaceGone) {
            this.drop(target, taken);
            return;
          }
          this.turn(target, taken, 'waiting');
          this.later(target, AGAIN_MS);
          this.told = this.notices.failure('Not saved yet; it is tried again', error);
        },
      );
  }

  /** The change of a record, and what goes with it: a copy of a school takes the place of that school. */
  private async writesOf(
    target: Target,
    entries: readonly Entry[],
    change: (stored: unknown) => unknown,
  ): Promise<readonly Write[]> {
    const write = { ...target, change };
    if (target.table !== 'schools') return [write as unknown as Write];
    const copyOf = entries.find((entry) => entry.copyOf !== undefined)?.copyOf;
    if (copyOf !== undefined) {
      const { copy, followers } = await copyInPlaceOf(this.database, copyOf, target.id);
      return [{ ...write, orElse: copy } as unknown as Write, ...followers];
    }
    // A school that comes along is stored from its first change on.
    return [{ ...write, orElse: builtInSchools.find(({ id }) => id === target.id) } as unknown as Write];
  }

  /** Takes away what was written and has come back. */
  private settle(target: Target): void {
    const stored = this.seen.get(keyOf(target));
    const back = this.entriesOf(target).filter(
      (entry) => entry.state === 'written' && equal(valueAt(stored, entry.at), entry.value),
    );
    this.drop(target, back);
  }

  private entriesOf(target: Target): readonly Entry[] {
    return this.all.get(keyOf(target))?.entries ?? [];
  }

  /** Brings entries that still stand to another state; what was typed over meanwhile stays as it is. */
  private turn(target: Target, which: readonly Entry[], state: Entry['state']): Entry[] {
    const turned = new Map(which.map((entry) => [entry, { ...entry, state }]));
    if (turned.size > 0) this.set(target, (entries) => entries.map((entry) => turned.get(entry) ?? entry));
    return [...turned.values()];
  }

  private drop(target: Target, which: readonly Entry[]): void {
    if (which.length > 0) this.set(target, (entries) => entries.filter((entry) => !which.includes(entry)));
  }

  private set(target: Target, change: (entries: readonly Entry[]) => readonly Entry[], quietly = false): void {
    const key = keyOf(target);
    const entries = change(this.entriesOf(target));
    if (entries.length === 0) this.all.delete(key);
    else this.all.set(key, { table: target.table, id: target.id, entries });
    if (!quietly) this.changed.update((times) => times + 1);
    this.journal.keep(
      [...this.all.values()].flatMap(({ table, id, entries: own }) =>
        own
          .filter((entry) => entry.state !== 'written')
          .map(({ at, value, create, label, copyOf }) => ({ table, id, label, copyOf, at: [...at], value, create })),
      ),
    );
  }
}

/** A record with everything that is typed into it. */
export function withTyped<T>(record: T, typed: readonly Patch[]): T {
  return typed.reduce((whole, patch) => {
    try {
      return patched(whole, patch);
    } catch {
      return whole;
    }
  }, record);
}
