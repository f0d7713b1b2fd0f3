import type { BreathPattern } from './breathPattern';
import { breathPeriod } from './breathPeriod';

/**
 * Breaths a minute of a pattern: 60 / period (sources: Breath).
 * @example breathRate({ inSeconds: 4, fullPauseSeconds: 4, outSeconds: 6, emptyPauseSeconds: 2 }) // 3.75
 * @throws RangeError when the pattern has no length.
 */
export function breathRate(pattern: BreathPattern): number {
  const period = breathPeriod(pattern);
  if (!(period > 0)) throw new RangeError('pattern: the breath must be longer than 0 s');
  return 60 / period;
}
