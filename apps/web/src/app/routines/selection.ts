import { Injectable, computed, inject, signal } from '@angular/core';
import {
  dissolveRound,
  groupAsRound,
  insertSegment,
  lengthened,
  mirrorSegments,
  moveSegments,
  pasteSegments,
  removeSegments,
  repeatRound,
  replaceSegment,
  shiftSegments,
  splitSegment,
  type Segment,
} from '@pomek/core';
import type { Picked } from '../ui/thread';
import { RoutineClipboard } from './routine-clipboard';
import { Workbench } from './workbench';

/** What is selected on the thread, and what can be done with it. */
@Injectable()
export class Selection {
  private readonly bench = inject(Workbench);
  private readonly clipboard = inject(RoutineClipboard);
  private readonly wanted = signal<readonly string[]>([]);
  readonly active = signal<string | null>(null);
  private anchor: string | null = null;

  private readonly order = computed(() => (this.bench.routine()?.segments ?? []).map((segment) => segment.id));
  /** In the order of the routine; what is gone is selected no more. */
  readonly segments = computed(() => {
    const wanted = new Set(this.wanted());
    return (this.bench.routine()?.segments ?? []).filter((segment) => wanted.has(segment.id));
  });
  readonly ids = computed(() => new Set(this.segments().map((segment) => segment.id)));
  readonly canPaste = computed(() => this.clipboard.segments().length > 0);
  /** The round all of them belong to; null when there is none. */
  readonly round = computed(() => {
    const [first, ...others] = this.segments();
    const id = first?.roundId ?? null;
    if (id === null || others.some((segment) => segment.roundId !== id)) return null;
    return this.bench.routine()?.rounds.find((round) => round.id === id) ?? null;
  });
  private readonly words = computed(() => {
    const [first] = this.segments();
    return this.segments().length === 1 && first !== undefined
      ? this.bench.nameOf(first)
      : `${this.segments().length} segments`;
  });

  pick({ id, how }: Picked): void {
    if (how === 'alone') {
      this.wanted.set([id]);
      this.anchor = id;
    } else if (how === 'also') {
      this.wanted.update((old) => (old.includes(id) ? old.filter((entry) => entry !== id) : [...old, id]));
      this.anchor = id;
    } else {
      const order = this.order();
      const [from, to] = [order.indexOf(this.anchor ?? id), order.indexOf(id)].toSorted((a, b) => a - b);
      this.wanted.set(order.slice(Math.max(0, from!), to! + 1));
    }
    this.active.set(id);
  }

  clear(): void {
    this.wanted.set([]);
    this.active.set(null);
  }

  /** Goes along the thread; with `more`, the selection grows. */
  go(by: number, more: boolean): void {
    const order = this.order();
    if (order.length === 0) return;
    const here = this.active() === null ? -1 : order.indexOf(this.active()!);
    const to = Math.max(0, Math.min(order.length - 1, here === -1 && by < 0 ? order.length - 1 : here + by));
    this.pick({ id: order[to]!, how: more ? 'through' : 'alone' });
  }

  goTo(end: 'first' | 'last'): void {
    const id = end === 'first' ? this.order()[0] : this.order().at(-1);
    if (id !== undefined) this.pick({ id, how: 'alone' });
  }

  /** Moves what is selected earlier or later by one. */
  shift(by: 1 | -1): void {
    const ids = this.ids();
    // From where it is stored then, not from where it is seen now: keys may come faster than the page.
    if (ids.size > 0) this.bench.change(`Move ${this.words()}`, (routine) => shiftSegments(routine, ids, by));
  }

  /** Moves what is selected to stand before the segment that is at `index` now. */
  drop(index: number): void {
    const ids = this.ids();
    this.moveTo(
      this.order()
        .slice(0, index)
        .filter((id) => !ids.has(id)).length,
    );
  }

  private moveTo(place: number): void {
    const ids = this.ids();
    const rest = this.order().filter((id) => !ids.has(id));
    if (ids.size === 0 || place < 0 || place > rest.length) return;
    this.bench.change(`Move ${this.words()}`, (routine) => moveSegments(routine, ids, place));
  }

  lengthen(id: string, steps: number): void {
    const school = this.bench.school();
    const segment = this.bench.routine()?.segments.find((entry) => entry.id === id);
    if (segment === undefined) return;
    const label = `${steps > 0 ? 'Lengthen' : 'Shorten'} ${this.bench.nameOf(segment)}`;
    this.bench.change(
      label,
      (routine) =>
        replaceSegment(
          routine,
          lengthened(
            routine.segments.find((entry) => entry.id === id)!,
            steps,
            school,
          ),
        ),
      `length ${id}`,
    );
  }

  lengthenAll(steps: number): void {
    const ids = this.ids();
    const school = this.bench.school();
    if (ids.size === 0) return;
    this.bench.change(
      `${steps > 0 ? 'Lengthen' : 'Shorten'} ${this.words()}`,
      (routine) => ({
        ...routine,
        segments: routine.segments.map((entry) => (ids.has(entry.id) ? lengthened(entry, steps, school) : entry)),
      }),
      `length ${[...ids].join()}`,
    );
  }

  copy(): number {
    if (this.segments().length > 0) this.clipboard.segments.set(this.segments());
    return this.segments().length;
  }

  cut(): void {
    if (this.copy() > 0) this.remove();
  }

  /** After what is selected, or at the end. */
  paste(): void {
    const copied = this.clipboard.segments();
    if (copied.length > 0) this.put(copied, `Paste ${copied.length === 1 ? 'a segment' : `${copied.length} segments`}`);
  }

  duplicate(): void {
    if (this.segments().length > 0) this.put(this.segments(), `Duplicate ${this.words()}`);
  }

  private put(segments: readonly Segment[], label: string): void {
    const last = this.segments().at(-1);
    const index = last === undefined ? this.order().length : this.order().indexOf(last.id) + 1;
    const ids = segments.map(() => this.bench.newId());
    this.bench.change(label, (routine) => {
      const left = [...ids];
      return pasteSegments(routine, segments, () => left.shift()!, Math.min(index, routine.segments.length));
    });
    this.wanted.set(ids);
    this.active.set(ids[0] ?? null);
  }

  remove(): void {
    const ids = this.ids();
    if (ids.size === 0) return;
    const order = this.order();
    const next = order.slice(order.findIndex((id) => ids.has(id))).find((id) => !ids.has(id));
    this.bench.change(`Remove ${this.words()}`, (routine) => removeSegments(routine, ids));
    if (next === undefined) this.clear();
    else this.pick({ id: next, how: 'alone' });
  }

  mirror(): void {
    const ids = this.ids();
    if (ids.size > 0) this.bench.change(`Mirror ${this.words()}`, (routine) => mirrorSegments(routine, ids));
  }

  split(): void {
    const [segment] = this.segments();
    if (segment === undefined) return;
    const id = this.bench.newId();
    this.bench.change(`Split ${this.words()}`, (routine) => splitSegment(routine, segment.id, id));
  }

  group(): void {
    const ids = this.ids();
    const id = this.bench.newId();
    if (ids.size > 0) this.bench.change('Make it a round', (routine) => groupAsRound(routine, ids, id, 2));
  }

  repeat(times: number | null): void {
    const round = this.round();
    if (round === null || times === null) return;
    this.bench.change('Repeat the round', (routine) => repeatRound(routine, round.id, times), `round ${round.id}`);
  }

  dissolve(): void {
    const round = this.round();
    if (round !== null) this.bench.change('Ungroup', (routine) => dissolveRound(routine, round.id));
  }

  /** Puts a segment after what is selected, or at the end. */
  insert(segment: Segment, label: string): void {
    const last = this.segments().at(-1);
    const index = last === undefined ? undefined : this.order().indexOf(last.id) + 1;
    this.bench.change(label, (routine) => insertSegment(routine, segment, index));
    this.wanted.set([segment.id]);
    this.active.set(segment.id);
  }

  /** What a key does on the thread; false when it is none of its keys. */
  key(event: KeyboardEvent): boolean {
    const command = event.ctrlKey || event.metaKey;
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    const deeds: Record<string, () => void> = command
      ? {
          c: () => this.copy(),
          x: () => this.cut(),
          v: () => this.paste(),
          d: () => this.duplicate(),
          a: () => this.all(),
        }
      : event.altKey
        ? { ArrowLeft: () => this.shift(-1), ArrowRight: () => this.shift(1) }
        : {
            ArrowLeft: () => this.go(-1, event.shiftKey),
            ArrowRight: () => this.go(1, event.shiftKey),
            Home: () => this.goTo('first'),
            End: () => this.goTo('last'),
            Delete: () => this.remove(),
            Backspace: () => this.remove(),
            Escape: () => this.clear(),
            m: () => this.mirror(),
            s: () => this.split(),
            g: () => (this.round() === null ? this.group() : this.dissolve()),
            '[': () => this.lengthenAll(-1),
            ']': () => this.lengthenAll(1),
          };
    const deed = deeds[key];
    if (deed === undefined) return false;
    event.preventDefault();
    deed();
    return true;
  }

  private all(): void {
    this.wanted.set(this.order());
  }
}
