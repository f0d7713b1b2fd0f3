import type { Candidate, LayAsk } from './candidates';
import type { LayWish } from './wish';

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

const mostFor = (of: readonly Candidate[], wish: LayWish): number =>
  of.reduce((sum, one) => sum + (one.part === 'middle' && one.answers.has(wish) ? one.extent.most : 0), 0);

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
