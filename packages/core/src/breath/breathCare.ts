import { forbidsHeldBreath, type Condition } from '../screening/conditions';
import type { BreathPattern } from './breathPattern';
import { breathRate } from './breathRate';

export interface BreathCare {
  readonly grade: 'fine' | 'caution' | 'refused';
  readonly reasons: readonly string[];
}

/** The longest pause of a pattern, s. */
const longestPause = (pattern: BreathPattern): number => Math.max(pattern.fullPauseSeconds, pattern.emptyPauseSeconds);

/**
 * From which share of the rate at rest on a pattern is slow enough for a word. House value: slow practice lies near six a minute
 * and staged drills under four, so half of an ordinary fourteen would doubt them all.
 */
export const SLOW_SHARE = 1 / 4;
/** With a breathing condition the breath is not slowed below this share of its rate at rest (house value). */
export const LEFT_ALONE_SHARE = 2 / 3;
/** Breaths a minute at rest where they were not counted: the middle of the ordinary 12 to 20 (nursing handbooks; from memory). */
const ORDINARY_REST = 14;

/** The slowest rate that needs no word, breaths a minute; null where nothing is known of it. */
export const slowestRate = (resting: number | null, noted: readonly Condition[]): number | null =>
  noted.includes('breathing condition')
    ? (resting ?? ORDINARY_REST) * LEFT_ALONE_SHARE
    : resting === null
      ? null
      : resting * SLOW_SHARE;

/** How a pattern is after so many rounds, each this much longer than the one before. */
export const slowedPattern = (pattern: BreathPattern, slowing: number, rounds: number): BreathPattern => {
  const longer = slowing ** Math.max(0, rounds - 1);
  return {
    inSeconds: pattern.inSeconds * longer,
    fullPauseSeconds: pattern.fullPauseSeconds * longer,
    outSeconds: pattern.outSeconds * longer,
    emptyPauseSeconds: pattern.emptyPauseSeconds * longer,
  };
};

const rounded = (seconds: number): string => String(Math.round(seconds * 10) / 10);

/**
 * Whether a pattern suits a person: a caution when it is much slower than at rest or pauses longer than the school's limit, a
 * refusal when a noted condition forbids a held breath, or leaves the breath to itself (model §6, §11). Of a slowing drill
 * its slowest round is asked for; see `slowedPattern`.
 * @param resting breaths a minute at rest; null when not taken
 * @param pauseLimit s; null when the school has none
 */
export function breathCare(
  pattern: BreathPattern,
  resting: number | null,
  pauseLimit: number | null,
  noted: readonly Condition[],
): BreathCare {
  const rate = breathRate(pattern);
  const pause = longestPause(pattern);
  const condition = pause > 0 ? forbidsHeldBreath(noted) : null;
  if (condition !== null) {
    return {
      grade: 'refused',
      reasons: [`A pause of ${rounded(pause)} s is a held breath; with ${condition} not without medical advice.`],
    };
  }
  const slowest = slowestRate(resting, noted);
  const slow = slowest !== null && rate < slowest - 1e-9;
  if (slow && noted.includes('breathing condition')) {
    return {
      grade: 'refused',
      reasons: [
        `${rate.toFixed(1)} breaths a minute is slowed; with a breathing condition the breath is left to itself.`,
      ],
    };
  }
  const reasons = [
    ...(slow
      ? [`${rate.toFixed(1)} breaths a minute is slower than a quarter of the ${resting!.toFixed(0)} at rest.`]
      : []),
    ...(pauseLimit !== null && pause > pauseLimit
      ? [`A pause of ${rounded(pause)} s is longer than the school’s ${pauseLimit} s.`]
      : []),
  ];
  return { grade: reasons.length > 0 ? 'caution' : 'fine', reasons };
}
