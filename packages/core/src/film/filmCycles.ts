import { middle } from './scene';
import { medianOf, type Motion } from './motion';
import { isSideView, type FilmFrom, type FilmSide, type FilmSpot, type MarkName } from './still';

/** What went to and fro. */
export interface FilmCycles {
  /** What they were counted by. */
  readonly by: 'wrist' | 'hips';
  readonly side: FilmSide | 'both';
  /** Moments at which a cycle is half way up, s of the film. */
  readonly starts: readonly number[];
  /** Whole cycles: as often as it went there and came back. */
  readonly count: number;
  /** How long each was from one start to the next, s. */
  readonly lengths: readonly number[];
  /** Their mean, s; null of fewer than two starts. */
  readonly mean: number | null;
  /** How far they spread about it, a share (standard deviation over mean); null of fewer than three. */
  readonly spread: number | null;
  /** From end to end, cm; null where nothing tells the size. */
  readonly rangeCm: number | null;
  /** Where it stood still within, s of the film and for how long. */
  readonly pauses: readonly { readonly at: number; readonly seconds: number }[];
}

/** It has gone over when it is so far beyond the middle, a share of the whole way: what trembles there is not counted. House value. */
const OVER = 0.2;
/** What moves less than this is taken to stand, cm, or px where the size is not known. House values. */
const LEAST = { cm: 4, px: 12 };
/** It stands still where it is slower than this share of its usual speed, for so long, s. House values. */
const STILL = { share: 0.12, seconds: 0.6 };

/** Where something is along the line in which it moves most, px; and how far it goes. */
function alongMost(spots: readonly (FilmSpot | null)[]): { readonly along: (number | null)[]; readonly range: number } {
  const known = spots.filter((spot) => spot !== null);
  if (known.length < 8) return { along: spots.map(() => null), range: 0 };
  const mean = (of: (spot: FilmSpot) => number): number =>
    known.reduce((sum, spot) => sum + of(spot), 0) / known.length;
  const [mx, my] = [mean(({ x }) => x), mean(({ y }) => y)];
  const [xx, yy, xy] = [
    mean(({ x }) => (x - mx) ** 2),
    mean(({ y }) => (y - my) ** 2),
    mean(({ x, y }) => (x - mx) * (y - my)),
  ];
  const turn = Math.atan2(2 * xy, xx - yy) / 2;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const along = spots.map((spot) => (spot === null ? null : (spot.x - mx) * cos + (spot.y - my) * sin));
  const sorted = along.filter((value) => value !== null).toSorted((a, b) => a - b);
  const at = (share: number): number => sorted[Math.round(share * (sorted.length - 1))]!;
  return {
    along: along.map((value) => (value === null ? null : value - (at(0.02) + at(0.98)) / 2)),
    range: at(0.98) - at(0.02),
  };
}

/** It need not come back to the hair: so much of a cycle may be wanting. House value. */
const WANTING = 0.15;

/** Crossings of the middle, upwards and downwards, in frames and between them, and how many whole cycles it went. */
function crossings(along: readonly (number | null)[], range: number) {
  const found = { up: [] as number[], down: [] as number[] };
  // Each end that it turned at.
  const ends: number[] = [];
  const known = along.filter((value) => value !== null);
  let side = 0;
  let middleAt = 0;
  let last: { value: number; frame: number } | null = null;
  for (const [frame, value] of along.entries()) {
    if (value === null) continue;
    if (last !== null && last.value <= 0 !== value <= 0) {
      middleAt = last.frame + (last.value / (last.value - value)) * (frame - last.frame);
    }
    const now = value > OVER * range ? 1 : value < -OVER * range ? -1 : side;
    if (now !== side) {
      if (side !== 0) found[now === 1 ? 'up' : 'down'].push(middleAt);
      side = now;
      ends.push(value);
    } else if (side !== 0 && value * side > ends.at(-1)! * side) ends[ends.length - 1] = value;
    last = { value, frame };
  }
  // From end to end is half a cycle, however far it went; before the first and behind the last as much as there is.
  const part = (from: number, to: number): number => Math.min(0.5, Math.abs(to - from) / range / 2);
  const cycles =
    ends.length === 0 ? 0 : (ends.length - 1) / 2 + part(known[0]!, ends[0]!) + part(known.at(-1)!, ends.at(-1)!);
  return { ...found, count: Math.floor(cycles + WANTING) };
}

/** Where something stood still between its first and its last crossing. */
function pausesOf(spots: readonly (FilmSpot | null)[], seconds: readonly number[], from: number, to: number) {
  const speeds = spots.map((spot, at) => {
    const before = spots[at - 1];
    return spot === null || before == null ? null : Math.hypot(spot.x - before.x, spot.y - before.y);
  });
  const usual = medianOf(speeds.flatMap((speed) => (speed === null ? [] : [speed]))) ?? 0;
  const found: { at: number; seconds: number }[] = [];
  let start: number | null = null;
  for (let frame = Math.ceil(from); frame <= Math.floor(to) + 1; frame += 1) {
    const speed = frame > to ? null : (speeds[frame] ?? null);
    if (speed !== null && speed < STILL.share * usual) start ??= frame;
    else if (start !== null) {
      const long = seconds[frame - 1]! - seconds[start]!;
      if (long >= STILL.seconds) found.push({ at: seconds[start]!, seconds: long });
      start = null;
    }
  }
  return found;
}

/** What went to and fro of one part of the body; null where it did not. */
function cyclesOf(
  { marks, seconds, cmPerPx }: Pick<Motion, 'marks' | 'seconds' | 'cmPerPx'>,
  by: FilmCycles['by'],
  side: FilmCycles['side'],
  names: readonly MarkName[],
): FilmCycles | null {
  const spots = marks.map((here): FilmSpot | null => {
    const found = names.map((name) => here[name]);
    if (found.some((spot) => spot === undefined)) return null;
    const { right, up } = (found as FilmSpot[]).map(({ x, y }) => ({ right: x, up: y })).reduce((a, b) => middle(a, b));
    return { x: right, y: up };
  });
  const { along, range } = alongMost(spots);
  if (range < (cmPerPx === null ? LEAST.px : LEAST.cm / cmPerPx)) return null;
  const { up, down, count } = crossings(along, range);
  const [step, first] = [(seconds.at(-1)! - seconds[0]!) / Math.max(1, seconds.length - 1), seconds[0]!];
  const starts = (up[0] ?? Infinity) <= (down[0] ?? Infinity) ? up : down;
  const lengths = starts.slice(1).map((frame, at) => (frame - starts[at]!) * step);
  const mean = lengths.length === 0 ? null : lengths.reduce((sum, length) => sum + length, 0) / lengths.length;
  const spread =
    mean === null || lengths.length < 2
      ? null
      : Math.sqrt(lengths.reduce((sum, length) => sum + (length - mean) ** 2, 0) / (lengths.length - 1)) / mean;
  const all = [...up, ...down];
  return {
    by,
    side,
    starts: starts.map((frame) => first + frame * step),
    count,
    lengths,
    mean,
    spread,
    rangeCm: cmPerPx === null ? null : range * cmPerPx,
    pauses: all.length < 2 ? [] : pausesOf(spots, seconds, Math.min(...all), Math.max(...all)),
  };
}

/** What went to and fro in a film, that which goes furthest first: of each hand that is seen, and of the hips. */
export function filmCycles(motion: Pick<Motion, 'marks' | 'seconds' | 'cmPerPx'>, from: FilmFrom): FilmCycles[] {
  const sides: readonly FilmSide[] = isSideView(from) ? [from] : ['left', 'right'];
  const hips = sides.map((side): MarkName => `hip ${side}`);
  return [
    ...sides.map((side) => cyclesOf(motion, 'wrist', side, [`wrist ${side}`])),
    cyclesOf(motion, 'hips', isSideView(from) ? from : 'both', hips),
  ]
    .filter((cycles) => cycles !== null)
    .toSorted((a, b) => (b.rangeCm ?? 0) - (a.rangeCm ?? 0));
}
