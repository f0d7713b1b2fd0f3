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
 * Whether a pattern suits a person: a caution when it is slower than half the resting rate or pauses
 * longer than the school's limit, a refusal when a noted condition forbids a held breath (model §6).
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
      reasons: [`A pause of ${pause} s is a held breath; with ${condition} not without medical advice.`],
    };
  }
  const reasons = [
    ...(resting !== null && rate < resting / 2
      ? [`${rate.toFixed(1)} breaths a minute is slower than half the ${resting.toFixed(0)} at rest.`]
      : []),
    ...(pauseLimit !== null && pause > pauseLimit
      ? [`A pause of ${pause} s is longer than the school’s ${pauseLimit} s.`]
      : []),
  ];
  return { grade: reasons.length > 0 ? 'caution' : 'fine', reasons };
}
