import type { BreathPattern } from './breathPattern';
import { breathPeriod } from './breathPeriod';

export type BreathPhase = 'in' | 'full' | 'out' | 'empty';

export interface BreathMoment {
  readonly phase: BreathPhase;
  /** 0 = empty, 1 = full: the height of the breath line. */
  readonly fullness: number;
  /** Seconds left in this phase. */
  readonly leftSeconds: number;
}

const ease = (share: number): number => (1 - Math.cos(Math.PI * share)) / 2;

/** Where in the breath one is, `seconds` after its start; repeats with the pattern's period. */
export function breathPhaseAt(pattern: BreathPattern, seconds: number): BreathMoment {
  const period = breathPeriod(pattern);
  let rest = ((seconds % period) + period) % period;
  if (rest < pattern.inSeconds) {
    return { phase: 'in', fullness: ease(rest / pattern.inSeconds), leftSeconds: pattern.inSeconds - rest };
  }
  rest -= pattern.inSeconds;
  if (rest < pattern.fullPauseSeconds) {
    return { phase: 'full', fullness: 1, leftSeconds: pattern.fullPauseSeconds - rest };
  }
  rest -= pattern.fullPauseSeconds;
  if (rest < pattern.outSeconds) {
    return { phase: 'out', fullness: 1 - ease(rest / pattern.outSeconds), leftSeconds: pattern.outSeconds - rest };
  }
  rest -= pattern.outSeconds;
  return { phase: 'empty', fullness: 0, leftSeconds: pattern.emptyPauseSeconds - rest };
}
