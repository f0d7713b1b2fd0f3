import type { BreathPattern } from './breathPattern';
import { breathRate } from './breathRate';

/** The longest pause of a pattern, s. */
export const longestPause = (pattern: BreathPattern): number =>
  Math.max(pattern.fullPauseSeconds, pattern.emptyPauseSeconds);

/**
 * From which share of the rate at rest on a pattern is slow enough for a word. House value: slow practice lies near six a minute
 * and staged drills under four, so half of an ordinary fourteen would doubt them all.
 */
export const SLOW_SHARE = 1 / 4;
/** Breaths a minute at rest where they were not counted: within the ordinary 12 to 20, at its quieter end. House value. */
export const USUAL_REST = 14;

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

/** The same pattern at a quicker rate, in half seconds; never under a second in and a second out. */
export function quickenedPattern(pattern: BreathPattern, perMinute: number): BreathPattern {
  const scale = breathRate(pattern) / perMinute;
  const part = (seconds: number): number => Math.max(0, Math.floor(seconds * scale * 2) / 2);
  return {
    inSeconds: Math.max(1, part(pattern.inSeconds)),
    fullPauseSeconds: part(pattern.fullPauseSeconds),
    outSeconds: Math.max(1, part(pattern.outSeconds)),
    emptyPauseSeconds: part(pattern.emptyPauseSeconds),
  };
}

const rounded = (seconds: number): string => String(Math.round(seconds * 10) / 10);

/**
 * Why a pattern wants a word to an ordinary person: it is much slower than at rest, or pauses longer than the school's limit;
 * empty where it suits. Of a slowing drill its slowest round is asked for; see `slowedPattern`.
 * @param resting breaths a minute at rest; null when not taken
 * @param pauseLimit s; null when the school has none
 */
export function breathDoubts(pattern: BreathPattern, resting: number | null, pauseLimit: number | null): string[] {
  const rate = breathRate(pattern);
  const pause = longestPause(pattern);
  return [
    ...(resting !== null && rate < resting * SLOW_SHARE - 1e-9
      ? [`${rate.toFixed(1)} breaths a minute is slower than a quarter of the ${resting.toFixed(0)} at rest.`]
      : []),
    ...(pauseLimit !== null && pause > pauseLimit
      ? [`A pause of ${rounded(pause)} s is longer than the school’s ${pauseLimit} s.`]
      : []),
  ];
}
