import * as z from 'zod';
import type { Exercise } from '../library/exercise';
import type { Routine } from '../routine/routine';
import { lowerFirst } from '../words/firstLetter';

/** How somebody's hands test a stand (common practice). */
export const handsTests = ['push', 'lift', 'let fall'] as const;
export type HandsTest = (typeof handsTests)[number];
/** What came of it, the best first. */
export const handsOutcomes = ['good', 'partly', 'not yet'] as const;
export type HandsOutcome = (typeof handsOutcomes)[number];

/** One test and its outcome. */
export const HandsTestedSchema = z.object({
  test: z.enum(handsTests),
  outcome: z.enum(handsOutcomes),
  /** In which exercise; null where it was not said. */
  exerciseId: z.string().min(1).max(80).nullable(),
});
export type HandsTested = z.infer<typeof HandsTestedSchema>;
/** Outcomes of one practice: each test once in each exercise. */
export const MOST_HANDS = 60;

/** What is done in a test, and what each outcome looks like. */
export const handsTestWords: Readonly<
  Record<HandsTest, { readonly name: string; readonly how: string } & Readonly<Record<HandsOutcome, string>>>
> = {
  push: {
    name: 'A slow push',
    how: 'A flat hand on the hip, the chest or the forearm leans in slowly and comes away slowly.',
    good: 'it goes into the floor',
    partly: 'the body gives way and comes back',
    'not yet': 'the body stiffens, leans or steps',
  },
  lift: {
    name: 'An arm is lifted',
    how: 'A hand under the elbow takes the weight of the arm and lifts it a little.',
    good: 'the arm is heavy and loose',
    partly: 'the arm helps a little',
    'not yet': 'the arm is stiff, or lifts itself',
  },
  'let fall': {
    name: 'The arm is let fall',
    how: 'The arm that was lifted is let go without a word, a hand’s breadth high.',
    good: 'the arm falls at once',
    partly: 'the arm hangs for a moment',
    'not yet': 'the arm stays up',
  },
};

/** Before somebody is touched or pushed. */
export const handsCaution =
  'Ask first. Lean, never shove; no hand on a joint that hurts, and no push without a chair or the wall within reach where balance is poor.';

/** The tests with an outcome in its place; none where it is null. */
export function handsSet(
  hands: readonly HandsTested[],
  test: HandsTest,
  exerciseId: string | null,
  outcome: HandsOutcome | null,
): HandsTested[] {
  const others = hands.filter((entry) => entry.test !== test || entry.exerciseId !== exerciseId);
  const all = outcome === null ? others : [...others, { test, outcome, exerciseId }];
  return all.toSorted((a, b) => handsTests.indexOf(a.test) - handsTests.indexOf(b.test));
}

/** One outcome in words: `a slow push: it goes into the floor`. */
export const handsTestedWords = ({ test, outcome }: Pick<HandsTested, 'test' | 'outcome'>): string => {
  const words = handsTestWords[test];
  return `${lowerFirst(words.name)}: ${words[outcome]}`;
};

/** All outcomes of a practice in one line, each with the exercise in which it was; empty where nobody tested it. */
export const handsLine = (hands: readonly HandsTested[], nameOf: (exerciseId: string) => string | undefined): string =>
  hands
    .map((tested) => {
      const name = tested.exerciseId === null ? undefined : nameOf(tested.exerciseId);
      return `${handsTestedWords(tested)}${name === undefined ? '' : ` (${name})`}`;
    })
    .join('; ');

/** What hands found of one test lately. */
export interface HandsLately {
  readonly tested: HandsTested;
  readonly day: string;
  /** The outcome before, in the same exercise; null where there was none. */
  readonly before: HandsOutcome | null;
}

/**
 * The last outcome of each test in each exercise, the latest first; with what it was before.
 * @param logs practices in any order
 */
export function handsLately(
  logs: readonly { readonly day: string; readonly startedAt: string; readonly hands: readonly HandsTested[] }[],
): HandsLately[] {
  const all = logs
    .toSorted((a, b) => b.startedAt.localeCompare(a.startedAt))
    .flatMap(({ day, hands }) => hands.map((tested) => ({ tested, day })));
  const alike = (a: HandsTested, b: HandsTested): boolean => a.test === b.test && a.exerciseId === b.exerciseId;
  return all.flatMap(({ tested, day }, at) => {
    if (all.slice(0, at).some((entry) => alike(entry.tested, tested))) return [];
    const before = all.slice(at + 1).find((entry) => alike(entry.tested, tested));
    return [{ tested, day, before: before?.tested.outcome ?? null }];
  });
}

/** What is to be tested again: what was not good the last time. */
export const handsAgain = (lately: readonly HandsLately[]): HandsLately[] =>
  lately.filter(({ tested }) => tested.outcome !== 'good');

/**
 * Exercises of a routine in which somebody stands and can be tested, those that are held first, then in their order; each once.
 * @param shelf exercises by id
 */
export function testedStands(
  { segments }: Routine,
  shelf: ReadonlyMap<string, Exercise>,
): { readonly exerciseId: string; readonly name: string }[] {
  const all = segments.flatMap((segment) => {
    const exercise = segment.type === 'exercise' ? shelf.get(segment.exerciseId) : undefined;
    if (segment.type !== 'exercise' || exercise === undefined || exercise.posture.seated) return [];
    return [{ exerciseId: exercise.id, name: exercise.name, held: segment.dose.kind === 'hold' }];
  });
  const once = [...new Map(all.map((one) => [one.exerciseId, one])).values()];
  return [...once.filter(({ held }) => held), ...once.filter(({ held }) => !held)].map(({ exerciseId, name }) => ({
    exerciseId,
    name,
  }));
}
