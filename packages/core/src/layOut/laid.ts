import { layParts, type Candidate, type LayPart } from './candidates';
import { NO_EXTENT, sumOf, type Extent } from './extent';
import type { Terms } from './terms';

/**
 * What the search asks of exercises in a row, added up as the row grows: a search asks a million rows, and going through each
 * of them anew would take most of its time.
 */
export interface Sums {
  readonly length: number;
  readonly last: Candidate | null;
  /** Which exercises are in it, in whatever order, and which of them loosen; a bit each. */
  readonly set: bigint;
  readonly loosening: bigint;
  readonly whole: Extent;
  readonly parts: Readonly<Record<LayPart, Extent>>;
  /** What of the middle answers each wish, in the order of the wishes. */
  readonly answers: readonly Extent[];
  /** What was in the last routines. */
  readonly again: Extent;
  /** How many exercises are goals of the plan, and at how many something is being corrected. */
  readonly goals: number;
  readonly corrected: number;
  /** How often the stance changes. */
  readonly changes: number;
}

/** Exercises in a row. */
export interface Laid {
  readonly items: readonly Candidate[];
  readonly sums: Sums;
}

/** A row with nothing in it. */
export const nothingLaid = ({ wishes }: Pick<Terms, 'wishes'>): Laid => ({
  items: [],
  sums: {
    length: 0,
    last: null,
    set: 0n,
    loosening: 0n,
    whole: NO_EXTENT,
    parts: { loosening: NO_EXTENT, middle: NO_EXTENT, closing: NO_EXTENT },
    answers: wishes.map(() => NO_EXTENT),
    again: NO_EXTENT,
    goals: 0,
    corrected: 0,
    changes: 0,
  },
});

/** What a row comes to with one more exercise at its end. */
export function sumsWith(row: Sums, next: Candidate, { wishes, lately, goals, corrected }: Terms): Sums {
  const { extent, part, bit } = next;
  const { id } = next.exercise;
  const isMiddle = part === 'middle';
  return {
    length: row.length + 1,
    last: next,
    set: row.set | bit,
    loosening: part === 'loosening' ? row.loosening | bit : row.loosening,
    whole: sumOf(row.whole, extent),
    parts: {
      loosening: part === 'loosening' ? sumOf(row.parts.loosening, extent) : row.parts.loosening,
      middle: part === 'middle' ? sumOf(row.parts.middle, extent) : row.parts.middle,
      closing: part === 'closing' ? sumOf(row.parts.closing, extent) : row.parts.closing,
    },
    answers: isMiddle
      ? row.answers.map((given, at) => (next.answers.has(wishes[at]!) ? sumOf(given, extent) : given))
      : row.answers,
    again: lately.has(id) ? sumOf(row.again, extent) : row.again,
    goals: row.goals + (goals.has(id) ? 1 : 0),
    corrected: row.corrected + (corrected.has(id) ? 1 : 0),
    changes: row.changes + (row.last !== null && row.last.stance !== next.stance ? 1 : 0),
  };
}

/** A row with one more exercise at its end. */
export const withNext = ({ items, sums }: Laid, next: Candidate, terms: Terms): Laid => ({
  items: [...items, next],
  sums: sumsWith(sums, next, terms),
});

/** Exercises as a row. */
export const laidOf = (items: readonly Candidate[], terms: Terms): Laid =>
  items.reduce((row, next) => withNext(row, next, terms), nothingLaid(terms));

/** Whether each part of a row is something. */
export const everyPart = (row: Sums, is: (part: LayPart, extent: Extent) => boolean): boolean =>
  layParts.every((part) => is(part, row.parts[part]));
