import { counted } from '../words/counted';
import { mirroredValue, opposite } from './comparedFigures';
import type { FilmCycles } from './filmCycles';
import type { FilmReading } from './filmReading';
import { evenSaid, secondsSaid, whoGoes } from './filmSaid';
import { figureName, figureSpan, inUnit } from './filmWords';
import { boundsOf, type Curve } from './motion';

/** Moments of two films that belong together. */
export interface InStep {
  /** How far both go together: cycles, or seconds. */
  readonly length: number;
  /** The moments of a place in step, s of each film. */
  readonly moments: (place: number) => readonly [number, number];
  /** The place in step of a moment of the first film. */
  readonly placeOf: (seconds: number) => number;
}

/** A stretch of a film, s of it. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** Two films second by second, each from where it begins. */
export function secondsInStep(first: Stretch, second: Stretch): InStep {
  const length = Math.max(0, Math.min(first.to - first.from, second.to - second.from));
  const within = (place: number): number => Math.max(0, Math.min(length, place));
  return {
    length,
    moments: (place) => [first.from + within(place), second.from + within(place)],
    placeOf: (seconds) => within(seconds - first.from),
  };
}

const beside = (side: Curve['side'], mirrored: boolean): Curve['side'] => (mirrored ? opposite(side) : side);

/** A curve as it is in a mirror. */
const inMirror = (curve: Curve): Curve => {
  const { id } = curve;
  if (id === 'head height') return curve;
  return { ...curve, values: curve.values.map((value) => (value === null ? null : mirroredValue(id, value))) };
};

/** What goes to and fro in both films. */
const cyclePairs = (
  { cycles }: FilmReading,
  other: FilmReading,
  mirrored: boolean,
): (readonly [FilmCycles, FilmCycles])[] =>
  cycles.flatMap((mine) => {
    const theirs = other.cycles.find(({ by, side }) => by === mine.by && side === beside(mine.side, mirrored));
    return theirs === undefined ? [] : [[mine, theirs] as const];
  });

/** Curves of two films that show the same; of one in a mirror its left beside the other’s right. */
export function curvePairs(
  { curves }: Pick<FilmReading, 'curves'>,
  other: Pick<FilmReading, 'curves'>,
  mirrored: boolean,
): (readonly [Curve, Curve])[] {
  return curves.flatMap((curve) => {
    const found = other.curves.find(({ id, side }) => id === curve.id && side === beside(curve.side, mirrored));
    return found === undefined ? [] : [[curve, mirrored ? inMirror(found) : found] as const];
  });
}

/** The moments of the cycles of a film, by places: whole ones at its starts; before the first and behind the last it goes on as long as the film does. */
function placesOfCycles(starts: readonly number[], { from, to }: Stretch) {
  const last = starts.length - 1;
  const long = (cycle: number): number => starts[cycle + 1]! - starts[cycle]!;
  const cycleOf = (place: number): number => Math.max(0, Math.min(last - 1, Math.floor(place)));
  return {
    from: (from - starts[0]!) / long(0),
    to: last + (to - starts[last]!) / long(last - 1),
    moment: (place: number): number => starts[cycleOf(place)]! + (place - cycleOf(place)) * long(cycleOf(place)),
    place: (moment: number): number => {
      const next = starts.findIndex((start) => start > moment);
      const cycle = next < 0 ? last - 1 : Math.max(0, next - 1);
      return cycle + (moment - starts[cycle]!) / long(cycle);
    },
  };
}
type Places = ReturnType<typeof placesOfCycles>;

/** What a curve shows at a moment, between two frames as far between; null where it is not known there. */
export function valueAt({ values }: Pick<Curve, 'values'>, seconds: readonly number[], moment: number): number | null {
  const step = (seconds.at(-1)! - seconds[0]!) / Math.max(1, seconds.length - 1);
  const place = step === 0 ? 0 : (moment - seconds[0]!) / step;
  const [before, after] = [values[Math.floor(place)] ?? null, values[Math.ceil(place)] ?? null];
  if (before === null || after === null) return null;
  return before + (place - Math.floor(place)) * (after - before);
}

/** Shares of a cycle at which two films are held against each other, and by which the second may be ahead. House values. */
const [SHARES, AHEAD] = [24, 48];

/** How unlike two films are with the second so much of a cycle ahead: squares of what their curves differ by, each by its own range. */
function unlike(
  pairs: readonly (readonly [Curve, Curve])[],
  films: readonly [FilmReading, FilmReading],
  [mine, theirs]: readonly [Places, Places],
  ahead: number,
): number {
  let [sum, many] = [0, 0];
  const [from, to] = [Math.max(mine.from, theirs.from - ahead), Math.min(mine.to, theirs.to - ahead)];
  for (const [a, b] of pairs) {
    const [least, most] = boundsOf([...a.values, ...b.values]) ?? [0, 0];
    const range = most - least;
    if (range === 0) continue;
    for (let place = from; place <= to; place += 1 / SHARES) {
      const here = valueAt(a, films[0].seconds, mine.moment(place));
      const there = valueAt(b, films[1].seconds, theirs.moment(place + ahead));
      if (here === null || there === null) continue;
      sum += ((here - there) / range) ** 2;
      many += 1;
    }
  }
  return many === 0 ? Infinity : sum / many;
}

/**
 * Two films cycle by cycle: each place is the same share of the same cycle, however quickly either goes. The second is
 * taken so much of a cycle on or back as makes their figures most alike, for it may begin on the way back. Null where one
 * of them does not go to and fro at least twice, or not with the same hand.
 */
export function cyclesInStep(first: FilmReading, second: FilmReading, mirrored: boolean): InStep | null {
  const found = cyclePairs(first, second, mirrored).find((pair) => pair.every(({ starts }) => starts.length > 1));
  if (found === undefined) return null;
  const whole = ({ seconds }: FilmReading): Stretch => ({ from: seconds[0]!, to: seconds.at(-1)! });
  const mine = placesOfCycles(found[0].starts, whole(first));
  const theirs = placesOfCycles(found[1].starts, whole(second));
  const pairs = curvePairs(first, second, mirrored);
  const ways = Array.from({ length: AHEAD }, (_, at) => (at - AHEAD / 2 + 1) / AHEAD);
  const apart = ways.map((ahead) => unlike(pairs, [first, second], [mine, theirs], ahead));
  const ahead = ways[apart.indexOf(Math.min(...apart))]!;
  const [from, to] = [Math.max(mine.from, theirs.from - ahead), Math.min(mine.to, theirs.to - ahead)];
  const length = Math.max(0, to - from);
  const within = (place: number): number => from + Math.max(0, Math.min(length, place));
  return {
    length,
    moments: (place) => [mine.moment(within(place)), theirs.moment(within(place) + ahead)],
    placeOf: (seconds) => within(mine.place(seconds) - from) - from,
  };
}

/** One line of two films beside each other, in words; empty where nothing can be said. */
export interface FilmRow {
  readonly name: string;
  readonly first: string;
  readonly second: string;
}

function span({ id, unit, values }: Curve): string {
  const bounds = boundsOf(values);
  if (bounds === null) return '';
  const [least, most] = bounds;
  return id === 'head height'
    ? `${inUnit(least, unit)} to ${inUnit(most, unit)}`
    : figureSpan({ id, unit }, least, most);
}

const known = (value: number | null, said: (value: number) => string): string => (value === null ? '' : said(value));
const farSaid = (range: number): string => inUnit(range, 'cm');

/** What was counted and what each figure goes through, of two films beside each other. */
export function filmRows(first: FilmReading, second: FilmReading, mirrored: boolean): FilmRow[] {
  const cycles = cyclePairs(first, second, mirrored).flatMap(([mine, theirs]): FilmRow[] => {
    const who = whoGoes(mine);
    return [
      { name: `${who}: counted`, first: counted(mine.count, 'cycle'), second: counted(theirs.count, 'cycle') },
      { name: `${who}: each`, first: known(mine.mean, secondsSaid), second: known(theirs.mean, secondsSaid) },
      { name: `${who}: even`, first: known(mine.spread, evenSaid), second: known(theirs.spread, evenSaid) },
      { name: `${who}: from end to end`, first: known(mine.rangeCm, farSaid), second: known(theirs.rangeCm, farSaid) },
    ];
  });
  const curves = curvePairs(first, second, mirrored).map(([a, b]) => ({
    name: a.id === 'head height' ? a.name : figureName({ id: a.id, side: a.side }),
    first: span(a),
    second: span(b),
  }));
  return [...cycles, ...curves].filter((row) => row.first !== '' || row.second !== '');
}

/** The checkpoints that both films judge, each where it is worst, in words. */
export const worstRows = (first: FilmReading, second: FilmReading): FilmRow[] =>
  first.worst.flatMap(({ point }) => {
    const other = second.worst.find((entry) => entry.point.checkpoint.id === point.checkpoint.id);
    return other === undefined ? [] : [{ name: point.checkpoint.region, first: point.said, second: other.point.said }];
  });
