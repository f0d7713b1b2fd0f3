import type { Candidate, LayAsk, LayPart } from './candidates';
import type { LayWish } from './wish';

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
/** Doses are no less and no more than these shares of what they are. Our own values. */
const LEAST = 0.6;
const MOST = 2;
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

/** What is asked of a row of exercises, worked out once. */
export interface Terms {
  readonly seconds: number;
  readonly wishes: readonly LayWish[];
  readonly goals: ReadonlySet<string>;
  readonly corrected: ReadonlySet<string>;
  readonly known: ReadonlySet<string>;
  /** The exercises of the last routines, and of the last one alone. */
  readonly lately: ReadonlySet<string>;
  readonly alike: boolean;
  /** Exercises that are there to be learned first, by id: others may ask for no more. */
  readonly shelf: ReadonlySet<string>;
  /** How long all exercises of the middle that answer a wish can take together, s. */
  readonly most: ReadonlyMap<LayWish, number>;
}

/** What an ask comes to for those of the shelf that everybody can do. */
export const termsOf = (ask: LayAsk, candidates: readonly Candidate[]): Terms => {
  const shelf = new Set(candidates.map(({ exercise }) => exercise.id));
  const there = (ids: Iterable<string>): Set<string> => new Set([...ids].filter((id) => shelf.has(id)));
  return {
    seconds: ask.seconds,
    wishes: ask.wishes,
    goals: there(ask.doses.keys()),
    corrected: there(ask.corrected),
    known: ask.known,
    lately: new Set(ask.last.slice(0, ask.alike ? 1 : 2).flatMap((ids) => [...ids])),
    alike: ask.alike,
    shelf,
    most: new Map(ask.wishes.map((wish) => [wish, mostFor(candidates, wish)])),
  };
};

const mostFor = (of: readonly Candidate[], wish: LayWish): number =>
  of.reduce((sum, one) => sum + (one.part === 'middle' && one.answers.has(wish) ? mostOf(one) : 0), 0);

/** Whether an exercise may come after a row: what it asks for is there, hard is followed by soft, nothing comes twice. */
export function mayFollow(row: readonly Candidate[], next: Candidate, { known, shelf }: Terms): boolean {
  if (row.includes(next)) return false;
  const before = row.at(-1);
  if (before !== undefined && before.effort >= HARD && next.effort > SOFT) return false;
  return next.exercise.prerequisites.every(
    (id) => known.has(id) || !shelf.has(id) || row.some(({ exercise }) => exercise.id === id),
  );
}

/** By how much all work has to be more or less so that a row takes as long as is asked; not a number where nothing may change. */
export function stretchOf(row: readonly Candidate[], seconds: number): number {
  const work = row.reduce((sum, one) => sum + one.work, 0);
  const whole = row.reduce((sum, one) => sum + one.seconds, 0);
  return (seconds - (whole - work)) / work;
}

/** How long an exercise takes in a row whose work is stretched. */
const lengthOf = ({ seconds, work }: Candidate, stretch: number): number => seconds + (stretch - 1) * work;

/** The least that an exercise can take, s. */
const leastOf = ({ seconds, work, leastWork }: Candidate): number => seconds - work + Math.max(LEAST * work, leastWork);

/** Whether a row is not too long already, as a whole and in its loosening and its closing. */
export function hasRoom(row: readonly Candidate[], { seconds }: Terms): boolean {
  const least = (of: readonly Candidate[]): number => of.reduce((sum, one) => sum + leastOf(one), 0);
  return (
    least(row) <= seconds &&
    (['loosening', 'closing'] as const).every(
      (part) => seconds < SHORT || least(row.filter((one) => one.part === part)) <= SHARES[part][1] * seconds,
    )
  );
}

/** Whether a row is a whole routine: its length can be had, and each part has its share. */
export function isWhole(row: readonly Candidate[], { seconds }: Terms): boolean {
  const stretch = stretchOf(row, seconds);
  if (!(stretch >= LEAST && stretch <= MOST)) return false;
  if (row.reduce((sum, one) => sum + mostOf(one), 0) < seconds) return false;
  if (row.reduce((sum, one) => sum + leastOf(one), 0) > seconds) return false;
  return (['loosening', 'middle', 'closing'] as const).every((part) => {
    const share = row.reduce((sum, one) => sum + (one.part === part ? lengthOf(one, stretch) : 0), 0) / seconds;
    const [least, most] = SHARES[part];
    if (seconds < SHORT) return part !== 'closing' || share > 0;
    return share >= least && share <= most;
  });
}

/**
 * How near the middle comes to what is wished: each wish has its equal share of it.
 * @param open seconds of the middle that are not laid out yet: each wish may still have of them what there is for it on the shelf
 */
export function wishesMet(
  row: readonly Candidate[],
  stretch: number,
  { wishes, most, seconds }: Terms,
  open = 0,
): number {
  if (wishes.length === 0) return 1;
  const middle = row.filter(({ part }) => part === 'middle');
  const laid = middle.reduce((sum, one) => sum + lengthOf(one, stretch), open);
  // Time that loosening takes away makes no wish come nearer.
  const whole = open === 0 ? laid : Math.max(laid, MIDDLE * seconds);
  if (whole <= 0) return 0;
  const share = 1 / wishes.length;
  return wishes.reduce((met, wish) => {
    const left = open === 0 ? 0 : Math.min(open, most.get(wish)! - mostFor(middle, wish));
    const given = middle.reduce((sum, one) => sum + (one.answers.has(wish) ? lengthOf(one, stretch) : 0), left);
    return met + Math.min(share, given / whole);
  }, 0);
}

const shareIn = (row: readonly Candidate[], wanted: ReadonlySet<string>): number =>
  wanted.size === 0 ? 1 : row.filter(({ exercise }) => wanted.has(exercise.id)).length / wanted.size;

/** How near the effort comes to rising to two thirds of the time and falling from there, 0–1. */
function arcOf(row: readonly Candidate[], stretch: number, seconds: number): number {
  const highest = Math.max(1, ...row.map(({ effort }) => effort));
  let at = 0;
  let off = 0;
  for (const one of row) {
    const long = lengthOf(one, stretch);
    const middle = (at + long / 2) / seconds;
    const wanted = highest * (middle < PEAK ? middle / PEAK : (1 - middle) / (1 - PEAK));
    off += (Math.abs(one.effort - wanted) / 10) * (long / seconds);
    at += long;
  }
  return 1 - off;
}

/** The most that an exercise can take, s. */
const mostOf = ({ seconds, work, mostWork }: Candidate): number =>
  seconds - work + (work === 0 ? 0 : Math.min(MOST * work, mostWork));

/** Whether a part of a row can be long enough as it is, so that the next part may begin. */
export function isEnough(row: readonly Candidate[], part: LayPart, { seconds }: Terms): boolean {
  const most = row.reduce((sum, one) => sum + (one.part === part ? mostOf(one) : 0), 0);
  return (seconds < SHORT && part === 'loosening') || most >= SHARES[part][0] * seconds;
}

/** What is against a row of so many exercises in so many stances. */
function unrest(row: readonly Candidate[], seconds: number): number {
  const changes = row.filter(({ stance }, at) => at > 0 && row[at - 1]!.stance !== stance).length;
  const many = Math.max(0, row.length - FEWEST - seconds / ONE_MORE);
  return (WEIGHTS.stances * changes) / Math.max(1, row.length - 1) + WEIGHTS.many * many;
}

/** Whether loosening and closing have no more than their share as they are: then there is room for a middle. */
export const isProportioned = (row: readonly Candidate[], { seconds }: Terms): boolean =>
  seconds < SHORT ||
  (['loosening', 'closing'] as const).every(
    (part) =>
      row.reduce((sum, one) => sum + (one.part === part ? one.seconds : 0), 0) <=
      Math.max(SHARES[part][1] * seconds, LEAST_PART),
  );

/** How good a row can come to be at most of which this is the beginning, as far as it is known; more is better. */
export function promiseOf(row: readonly Candidate[], terms: Terms): number {
  const { seconds, lately, alike, goals, corrected } = terms;
  const used = row.reduce((sum, one) => sum + one.seconds, 0);
  // Once the closing has begun nothing more of what is wished can come.
  const open = row.at(-1)?.part === 'closing' ? 0 : Math.max(0, seconds - used);
  const again = row.reduce((sum, one) => sum + (lately.has(one.exercise.id) ? one.seconds : 0), 0) / seconds;
  const loosening = row.reduce((sum, one) => sum + (one.part === 'loosening' ? one.seconds : 0), 0) / seconds;
  return (
    WEIGHTS.wishes * wishesMet(row, 1, terms, open) -
    WEIGHTS.arc * Math.abs(loosening - LOOSENING) +
    // What is in it already goes before what may still come.
    WEIGHTS.arc * (used / seconds) +
    WEIGHTS.goals * shareIn(row, goals) +
    WEIGHTS.corrected * shareIn(row, corrected) +
    WEIGHTS.unlike * (lately.size === 0 ? 1 : alike ? again + open / seconds : 1 - again) -
    unrest(row, seconds)
  );
}

/** How good a whole row is; more is better. */
export function worthOf(row: readonly Candidate[], terms: Terms): number {
  const { seconds, lately, alike, goals, corrected } = terms;
  const stretch = stretchOf(row, seconds);
  const again = row.reduce((sum, one) => sum + (lately.has(one.exercise.id) ? lengthOf(one, stretch) : 0), 0) / seconds;
  return (
    WEIGHTS.wishes * wishesMet(row, stretch, terms) +
    WEIGHTS.goals * shareIn(row, goals) +
    WEIGHTS.corrected * shareIn(row, corrected) +
    WEIGHTS.unlike * (lately.size === 0 ? 1 : alike ? again : 1 - again) +
    WEIGHTS.arc * arcOf(row, stretch, seconds) -
    unrest(row, seconds) -
    WEIGHTS.doses * (stretch - 1) ** 2
  );
}
