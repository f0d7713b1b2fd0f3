import { curveLinear, curveMonotoneX, line } from 'd3-shape';
import {
  axesOf,
  axisValue,
  holdParts,
  limbs,
  type Limb,
  type ReservePoint,
  type Routine,
  type Segment,
  type Timeline,
} from '@pomek/core';
import type { ThreadView } from './thread-view';

export interface ThreadBlock {
  readonly key: string;
  readonly segmentId: string;
  readonly kind: 'work' | 'settle' | 'change' | 'rest' | 'talk';
  readonly side: 'both' | 'left' | 'right';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Which set of how many, when there is room for it. */
  readonly mark: string;
  /** Where within it the attention moves on, and from where on it is enough; px from its left edge. */
  readonly notches: readonly ThreadNotch[];
}
export interface ThreadNotch {
  readonly kind: 'part' | 'enough';
  readonly x: number;
}
/** One segment from its first to its last moment; once for each time through a round. */
export interface ThreadSegment {
  readonly key: string;
  readonly segmentId: string;
  readonly index: number;
  readonly x: number;
  readonly width: number;
  readonly name: string;
  /** As much of the name as there is room for. */
  readonly label: string;
  readonly startMs: number;
  readonly endMs: number;
}
export interface ThreadRound {
  readonly id: string;
  readonly x: number;
  readonly width: number;
  readonly words: string;
}
export interface ThreadReserve {
  readonly limb: Limb;
  readonly path: string;
}
export interface ThreadLayout {
  readonly height: number;
  readonly middle: number;
  readonly blocks: readonly ThreadBlock[];
  readonly segments: readonly ThreadSegment[];
  readonly rounds: readonly ThreadRound[];
  /** The thread itself, rising with the breath in and sinking with the breath out. */
  readonly wave: string;
  readonly ticks: readonly { readonly x: number; readonly words: string }[];
  readonly reserves: readonly ThreadReserve[];
  readonly reserveTop: number;
  readonly reserveBottom: number;
  /** Where a limb gives out. */
  readonly failure: ThreadFailure | null;
}

/** Where on the drawing what lies, px. */
const rows = {
  axis: 16,
  middle: 106,
  reach: 42,
  gap: 5,
  both: 26,
  reserveTop: 170,
  reserveBottom: 222,
  height: 226,
} as const;

/** From here on the breath is drawn, px a second. */
const BREATH_FROM = 3;
/** Smaller than this a stretch is not worth a shape, px. */
const LEAST = 1;
/** Width of a letter of a name, and what is left free beside it, px. */
const LETTER = 5.9;
const LABEL_EDGE = 6;
const FEWEST_LETTERS = 4;
const AMPLITUDE = 16;
/** Seconds between the marks of the axis; the first that leaves this much room is taken. */
const LONGEST_TICK = 6 * 3600;
const tickSteps = [5, 10, 30, 60, 120, 300, 600, 1200, 1800, 3600, 2 * 3600, LONGEST_TICK] as const;
const TICK_ROOM = 70;

/** How full the breath is at a moment of a span, 0–1; null where it is not known. */
export type BreathAt = (span: Timeline['spans'][number], secondsIntoSpan: number) => number | null;

/** Where a limb gives out, and where the words of it stand: inside the drawing, and clear of the name of the reserve. */
export interface ThreadFailure {
  readonly x: number;
  readonly wordsX: number;
  readonly wordsY: number;
  readonly anchor: 'start' | 'end';
}
/** What the words “gives out” and “reserve” take, px. */
const FAILURE_WORDS = 64;
const RESERVE_WORDS = 56;

function failureAt(x: number, widthPx: number): ThreadFailure {
  const atEnd = x + FAILURE_WORDS > widthPx;
  const clear = x > RESERVE_WORDS && !(atEnd && x - FAILURE_WORDS < RESERVE_WORDS);
  return {
    x,
    wordsX: atEnd ? x - 4 : x + 4,
    wordsY: clear ? rows.reserveTop + 13 : rows.reserveBottom - 5,
    anchor: atEnd ? 'end' : 'start',
  };
}

export interface ThreadInput {
  readonly routine: Routine;
  readonly line: Timeline;
  readonly names: ReadonlyMap<string, string>;
  readonly breathAt: BreathAt;
  readonly course: readonly ReservePoint[];
  readonly failureSeconds: number | null;
}

const kindOf = (kind: string): ThreadBlock['kind'] =>
  kind === 'settle' || kind === 'change' || kind === 'rest' || kind === 'talk' ? kind : 'work';

const clockWords = (seconds: number): string => {
  const minutes = Math.floor(seconds / 60);
  const rest = Math.round(seconds % 60);
  return `${minutes}:${String(rest).padStart(2, '0')}`;
};

function band(side: ThreadBlock['side'], kind: ThreadBlock['kind']): { y: number; height: number } {
  const { middle, reach, gap, both } = rows;
  if (kind === 'settle' || kind === 'change') return { y: middle - 5, height: 10 };
  if (kind === 'rest') return { y: middle - 9, height: 18 };
  if (kind === 'talk' || side === 'both') return { y: middle - both, height: 2 * both };
  return side === 'left' ? { y: middle - gap - reach, height: reach } : { y: middle + gap, height: reach };
}

/** Narrower than this a block has no marks inside, px. */
const NOTCHED_FROM = 24;

function notchesOf(span: Timeline['spans'][number], segment: Segment | undefined, width: number): ThreadNotch[] {
  if (segment?.type !== 'exercise' || span.amount === 0 || span.turns > 1) return [];
  const { dose } = segment;
  const notches: ThreadNotch[] = [];
  if (dose.kind === 'hold') {
    let share = 0;
    for (const part of holdParts(dose, { attention: [] })) {
      share += part.share;
      if (share < 1 - 1e-6) notches.push({ kind: 'part', x: share * width });
    }
  }
  const whole = axisValue(dose, axesOf(dose)[0]!);
  if (dose.least !== null && dose.least > 0 && dose.least < whole)
    notches.push({ kind: 'enough', x: (dose.least / whole) * width });
  return notches;
}

function blocksOf({ line, routine }: ThreadInput, view: ThreadView): ThreadBlock[] {
  const segments = new Map(routine.segments.map((segment) => [segment.id, segment]));
  const { fromSeconds, pxPerSecond, widthPx } = view;
  const blocks: ThreadBlock[] = [];
  for (const span of line.spans) {
    const x = (span.startMs / 1000 - fromSeconds) * pxPerSecond;
    const width = (span.durationMs / 1000) * pxPerSecond;
    if (x > widthPx) break;
    if (x + width < 0 || width < LEAST) continue;
    const kind = kindOf(span.kind);
    const last = blocks.at(-1);
    // From afar the sets of one side are one block.
    const joins =
      last?.segmentId === span.segmentId &&
      last.kind === kind &&
      last.side === span.side &&
      last.x + last.width > x - LEAST;
    if (joins && width < 3) {
      blocks[blocks.length - 1] = { ...last, width: x + width - last.x };
      continue;
    }
    blocks.push({
      key: `${span.index}`,
      segmentId: span.segmentId,
      kind,
      side: span.side,
      x,
      width: Math.max(LEAST, width - (width > 4 ? 1 : 0)),
      ...band(span.side, kind),
      mark: markOf(span, width),
      notches: width < NOTCHED_FROM ? [] : notchesOf(span, segments.get(span.segmentId), width),
    });
  }
  return blocks;
}

function markOf(span: Timeline['spans'][number], width: number): string {
  if (span.amount === 0 || width < 26) return '';
  if (span.kind === 'hold') return span.sets > 1 ? `${span.set}/${span.sets}` : '';
  const count = Math.round(span.amount);
  return span.direction === 'reversed' ? `${count} ↺` : String(count);
}

/** A name cut to its room, with dots where something is missing; nothing where hardly a word fits. */
function labelOf(name: string, width: number): string {
  const room = Math.floor((width - LABEL_EDGE) / LETTER);
  if (room >= name.length) return name;
  return room < FEWEST_LETTERS ? '' : `${name.slice(0, room - 1).trimEnd()}…`;
}

function segmentsOf({ line, names }: ThreadInput, view: ThreadView): ThreadSegment[] {
  const { fromSeconds, pxPerSecond } = view;
  const found: ThreadSegment[] = [];
  for (const span of line.spans) {
    const last = found.at(-1);
    const endMs = span.startMs + span.durationMs;
    const key = `${span.segmentId} ${span.lap}`;
    if (last?.key === key) {
      found[found.length - 1] = { ...last, endMs };
      continue;
    }
    const name = names.get(span.segmentId) ?? '';
    found.push({
      key,
      segmentId: span.segmentId,
      index: span.segmentIndex,
      x: 0,
      width: 0,
      name,
      label: '',
      startMs: span.startMs,
      endMs,
    });
  }
  return found
    .map((segment) => {
      const width = ((segment.endMs - segment.startMs) / 1000) * pxPerSecond;
      const x = (segment.startMs / 1000 - fromSeconds) * pxPerSecond;
      return { ...segment, x, width, label: labelOf(segment.name, width) };
    })
    .filter((segment) => segment.x < view.widthPx && segment.x + segment.width > 0);
}

function roundsOf({ line, routine }: ThreadInput, view: ThreadView): ThreadRound[] {
  const x = (ms: number): number => (ms / 1000 - view.fromSeconds) * view.pxPerSecond;
  return routine.rounds.flatMap((round) => {
    const ids = new Set(
      routine.segments.filter((segment) => segment.roundId === round.id).map((segment) => segment.id),
    );
    const spans = line.spans.filter((span) => ids.has(span.segmentId));
    const [first, last] = [spans[0], spans.at(-1)];
    if (first === undefined || last === undefined) return [];
    const left = x(first.startMs);
    return [{ id: round.id, x: left, width: x(last.startMs + last.durationMs) - left, words: `${round.times} times` }];
  });
}

/** Room between two points of a reserve line, px. */
const RESERVE_PX = 3;

const drawn = line<readonly [number, number]>()
  .x(([x]) => Math.round(x * 10) / 10)
  .y(([, y]) => Math.round(y * 10) / 10);

function waveOf({ line: time, breathAt }: ThreadInput, view: ThreadView): string {
  const { fromSeconds, pxPerSecond, widthPx } = view;
  const points: [number, number][] = [];
  const stepSeconds = 4 / pxPerSecond;
  for (const span of time.spans) {
    const start = span.startMs / 1000;
    const end = start + span.durationMs / 1000;
    const from = Math.max(start, fromSeconds);
    const to = Math.min(end, fromSeconds + widthPx / pxPerSecond);
    if (from >= to) continue;
    const level = (seconds: number): number => {
      const full = pxPerSecond < BREATH_FROM ? null : breathAt(span, seconds - start);
      return rows.middle + (full === null ? 0 : AMPLITUDE * (0.5 - full) * 2);
    };
    if (pxPerSecond < BREATH_FROM) {
      points.push([(from - fromSeconds) * pxPerSecond, rows.middle], [(to - fromSeconds) * pxPerSecond, rows.middle]);
      continue;
    }
    for (let at = from; at < to; at += stepSeconds) points.push([(at - fromSeconds) * pxPerSecond, level(at)]);
  }
  return drawn.curve(pxPerSecond < BREATH_FROM ? curveLinear : curveMonotoneX)(points) ?? '';
}

function ticksOf({ line: time }: ThreadInput, view: ThreadView): ThreadLayout['ticks'] {
  const step = tickSteps.find((seconds) => seconds * view.pxPerSecond >= TICK_ROOM) ?? LONGEST_TICK;
  const end = Math.min(time.totalMs / 1000, view.fromSeconds + view.widthPx / view.pxPerSecond);
  const first = Math.ceil(Math.max(0, view.fromSeconds) / step) * step;
  const ticks = [];
  for (let at = first; at <= end + 1e-6; at += step) {
    ticks.push({ x: (at - view.fromSeconds) * view.pxPerSecond, words: clockWords(at) });
  }
  return ticks;
}

const worst = (a: ReservePoint['reserve'], b: ReservePoint['reserve']): ReservePoint['reserve'] =>
  Object.fromEntries(limbs.map((limb) => [limb, Math.min(a[limb], b[limb])])) as ReservePoint['reserve'];

function reservesOf({ course }: ThreadInput, view: ThreadView): ThreadReserve[] {
  if (course.length < 2) return [];
  const y = (share: number): number =>
    rows.reserveBottom - Math.max(0, Math.min(1, share)) * (rows.reserveBottom - rows.reserveTop);
  const margin = 50;
  const xs = course.map((point) => (point.atSeconds - view.fromSeconds) * view.pxPerSecond);
  // One point beyond either edge, so that the line leaves the picture instead of ending in it.
  // Points this near to the one before them would hardly be seen: the next one shows the lowest of them.
  let shown = Number.NEGATIVE_INFINITY;
  let lowest: ReservePoint['reserve'] | null = null;
  const seen = course.flatMap((point, index): ReservePoint[] => {
    const inside = (xs[index + 1] ?? xs[index]!) > -margin && (xs[index - 1] ?? xs[index]!) < view.widthPx + margin;
    if (!inside) return [];
    const before = lowest;
    lowest = before === null ? point.reserve : worst(before, point.reserve);
    if (xs[index]! - shown < RESERVE_PX && index < course.length - 1) return [];
    shown = xs[index]!;
    const drawn = { ...point, reserve: lowest };
    lowest = null;
    return [drawn];
  });
  return limbs.map((limb) => ({
    limb,
    path:
      drawn.curve(curveMonotoneX)(
        seen.map((point): [number, number] => [
          (point.atSeconds - view.fromSeconds) * view.pxPerSecond,
          y(point.reserve[limb]),
        ]),
      ) ?? '',
  }));
}

/**
 * A routine as a thread of time: left work hangs above it, right work below, what both sides do lies
 * across it; above it the names and the rounds, below it the reserve of legs and arms. Pure.
 */
export function layoutThread(input: ThreadInput, view: ThreadView): ThreadLayout {
  const failure = input.failureSeconds;
  return {
    height: rows.height,
    middle: rows.middle,
    blocks: blocksOf(input, view),
    segments: segmentsOf(input, view),
    rounds: roundsOf(input, view),
    wave: waveOf(input, view),
    ticks: ticksOf(input, view),
    reserves: reservesOf(input, view),
    reserveTop: rows.reserveTop,
    reserveBottom: rows.reserveBottom,
    failure: failure === null ? null : failureAt((failure - view.fromSeconds) * view.pxPerSecond, view.widthPx),
  };
}

/** The segment before which something dropped at a moment would go. */
export function dropIndex(
  segments: readonly Pick<ThreadSegment, 'index' | 'startMs' | 'endMs'>[],
  seconds: number,
): number {
  for (const { index, startMs, endMs } of segments) if (seconds * 1000 < (startMs + endMs) / 2) return index;
  return (segments.at(-1)?.index ?? -1) + 1;
}
