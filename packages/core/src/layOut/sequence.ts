import type { Candidate, LayPart } from './candidates';
import { LEAST_STRETCH, lengthOf, MOST_STRETCH, stretchOf } from './extent';
import { everyPart, type Laid, type Sums } from './laid';
import type { Terms } from './terms';

/** Shares of the whole that loosening and closing take (common practice), with a little room for what does not come out even. */
const SHARES: Readonly<Record<LayPart, readonly [least: number, most: number]>> = {
  loosening: [0.08, 0.22],
  middle: [0.6, 1],
  closing: [0.03, 0.13],
};
/** How much of the whole is loosening where there is a choice (common practice). */
const LOOSENING = 0.15;
/** And how much is its middle. Our own value. */
const MIDDLE = 0.75;
/** A part may always have one exercise of this length, s. Our own value. */
const LEAST_PART = 120;
/** Under this length loosening or closing may be left out, s (common practice). */
const SHORT = 600;
/** From this effort on an exercise is hard, and up to that one it is soft. Model of laying out. */
export const HARD = 7;
export const SOFT = 4;
/** Where the effort is highest, as a share of the time. */
const PEAK = 2 / 3;

/** What counts for a routine, the first far more than the next. Our own values. */
const WEIGHTS = {
  wishes: 1000,
  goals: 300,
  corrected: 150,
  unlike: 80,
  arc: 20,
  stances: 6,
  many: 5,
  doses: 3,
} as const;
/** A routine has about so many exercises, and one more with every so many seconds (common practice). */
const FEWEST = 4;
const ONE_MORE = 300;

/** Whether an exercise may come after a row: what it asks for is there, hard is followed by soft, nothing comes twice. */
export function mayFollow(row: readonly Candidate[], next: Candidate, { known, shelf }: Terms): boolean {
  if (row.includes(next)) return false;
  const before = row.at(-1);
  if (before !== undefined && before.effort >= HARD && next.effort > SOFT) return false;
  return next.exercise.prerequisites.every(
    (id) => known.has(id) || !shelf.has(id) || row.some(({ exercise }) => exercise.id === id),
  );
}

/** Whether one more exercise leaves a row no longer than is asked, as a whole and in its loosening and its closing. */
export function hasRoom({ whole, parts }: Sums, { part, extent }: Candidate, { seconds }: Terms): boolean {
  if (whole.least + extent.least > seconds) return false;
  return seconds < SHORT || part === 'middle' || parts[part].least + extent.least <= SHARES[part][1] * seconds;
}

/** Whether a row is a whole routine: its length can be had, and each part has its share. */
export function isWhole(row: Sums, { seconds }: Terms): boolean {
  const stretch = stretchOf(row.whole, seconds);
  if (!(stretch >= LEAST_STRETCH && stretch <= MOST_STRETCH)) return false;
  if (row.whole.most < seconds || row.whole.least > seconds) return false;
  return everyPart(row, (part, extent) => {
    const share = lengthOf(extent, stretch) / seconds;
    const [least, most] = SHARES[part];
    if (seconds < SHORT) return part !== 'closing' || share > 0;
    return share >= least && share <= most;
  });
}

/**
 * How near the middle comes to what is wished: each wish has its equal share of it.
 * @param open seconds of the middle that are not laid out yet: each wish may still have of them what there is for it on the shelf
 */
export function wishesMet(row: Sums, stretch: number, { wishes, most, seconds }: Terms, open = 0): number {
  if (wishes.length === 0) return 1;
  const laid = open + lengthOf(row.parts.middle, stretch);
  // Time that loosening takes away makes no wish come nearer.
  const whole = open === 0 ? laid : Math.max(laid, MIDDLE * seconds);
  if (whole <= 0) return 0;
  const share = 1 / wishes.length;
  return wishes.reduce((met, wish, at) => {
    const given = row.answers[at]!;
    const left = open === 0 ? 0 : Math.min(open, most.get(wish)! - given.most);
    return met + Math.min(share, (left + lengthOf(given, stretch)) / whole);
  }, 0);
}

const shareIn = (many: number, wanted: ReadonlySet<string>): number => (wanted.size === 0 ? 1 : many / wanted.size);

/** How near the effort comes to rising to two thirds of the time and falling from there, 0–1. */
function arcOf(items: readonly Candidate[], stretch: number, seconds: number): number {
  const highest = items.reduce((most, { effort }) => Math.max(most, effort), 1);
  let at = 0;
  let off = 0;
  for (const one of items) {
    const long = lengthOf(one.extent, stretch);
    const middle = (at + long / 2) / seconds;
    const wanted = highest * (middle < PEAK ? middle / PEAK : (1 - middle) / (1 - PEAK));
    off += (Math.abs(one.effort - wanted) / 10) * (long / seconds);
    at += long;
  }
  return 1 - off;
}

/** Whether a part of a row can be long enough as it is, so that the next part may begin. */
export const isEnough = ({ parts }: Sums, part: LayPart, { seconds }: Terms): boolean =>
  (seconds < SHORT && part === 'loosening') || parts[part].most >= SHARES[part][0] * seconds;

/** What is against a row of so many exercises in so many stances. */
function unrest({ length, changes }: Sums, seconds: number): number {
  const many = Math.max(0, length - FEWEST - seconds / ONE_MORE);
  return (WEIGHTS.stances * changes) / Math.max(1, length - 1) + WEIGHTS.many * many;
}

/** Whether loosening and closing have no more than their share as they are: then there is room for a middle. */
export const isProportioned = (row: Sums, { seconds }: Terms): boolean =>
  seconds < SHORT ||
  everyPart(
    row,
    (part, extent) => part === 'middle' || extent.seconds <= Math.max(SHARES[part][1] * seconds, LEAST_PART),
  );

/** How good a row can come to be at most of which this is the beginning, as far as it is known; more is better. */
export function promiseOf(row: Sums, terms: Terms): number {
  const { seconds, lately, alike, goals, corrected } = terms;
  const used = row.whole.seconds;
  // Once the closing has begun nothing more of what is wished can come.
  const open = row.last?.part === 'closing' ? 0 : Math.max(0, seconds - used);
  const again = row.again.seconds / seconds;
  const loosening = row.parts.loosening.seconds / seconds;
  return (
    WEIGHTS.wishes * wishesMet(row, 1, terms, open) -
    WEIGHTS.arc * Math.abs(loosening - LOOSENING) +
    // What is in it already goes before what may still come.
    WEIGHTS.arc * (used / seconds) +
    WEIGHTS.goals * shareIn(row.goals, goals) +
    WEIGHTS.corrected * shareIn(row.corrected, corrected) +
    WEIGHTS.unlike * (lately.size === 0 ? 1 : alike ? again + open / seconds : 1 - again) -
    unrest(row, seconds)
  );
}

/** How good a whole row is by all but how its effort rises and falls, which adds `MOST_FOR_ARC` at most. */
export function worthWithoutArc(row: Sums, terms: Terms): number {
  const { seconds, lately, alike, goals, corrected } = terms;
  const stretch = stretchOf(row.whole, seconds);
  const again = lengthOf(row.again, stretch) / seconds;
  return (
    WEIGHTS.wishes * wishesMet(row, stretch, terms) +
    WEIGHTS.goals * shareIn(row.goals, goals) +
    WEIGHTS.corrected * shareIn(row.corrected, corrected) +
    WEIGHTS.unlike * (lately.size === 0 ? 1 : alike ? again : 1 - again) -
    unrest(row, seconds) -
    WEIGHTS.doses * (stretch - 1) ** 2
  );
}
export const MOST_FOR_ARC = WEIGHTS.arc;

/** How good a whole row is; more is better. */
export const worthOf = ({ items, sums }: Laid, terms: Terms): number =>
  worthWithoutArc(sums, terms) + WEIGHTS.arc * arcOf(items, stretchOf(sums.whole, terms.seconds), terms.seconds);
