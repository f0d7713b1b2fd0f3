import type { BreathPattern } from './breathPattern';

/** Length of one whole breath in seconds: the sum of its four parts (sources: Breath). */
export function breathPeriod(pattern: BreathPattern): number {
  return pattern.inSeconds + pattern.fullPauseSeconds + pattern.outSeconds + pattern.emptyPauseSeconds;
}
