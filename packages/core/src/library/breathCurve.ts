import type { Phase } from './exercise';
import type { BreathPattern } from '../breath/breathPattern';
import { breathPeriod } from '../breath/breathPeriod';

/** How full the breath is, 0 empty to 1 full, at a moment of one period. */
export interface Knot {
  readonly at: number;
  readonly fullness: number;
}

/** The corners of the breath line over one breath of a pattern. */
export function patternKnots(pattern: BreathPattern): Knot[] {
  const { inSeconds, fullPauseSeconds, outSeconds } = pattern;
  return [
    { at: 0, fullness: 0 },
    { at: inSeconds, fullness: 1 },
    { at: inSeconds + fullPauseSeconds, fullness: 1 },
    { at: inSeconds + fullPauseSeconds + outSeconds, fullness: 0 },
    { at: breathPeriod(pattern), fullness: 0 },
  ];
}

/** The corners over one cycle whose phases carry a breath; null when all of them are free. */
export function phaseKnots(phases: readonly Phase[], cycleSeconds: number): Knot[] | null {
  const last = phases.findLast((phase) => phase.breath !== 'free');
  if (last === undefined) return null;
  let fullness = last.breath === 'in' ? 1 : 0;
  let at = 0;
  const knots: Knot[] = [{ at, fullness }];
  phases.forEach((phase, index) => {
    at += phase.share * cycleSeconds;
    const continues = phases[index + 1]?.breath === phase.breath;
    if (phase.breath !== 'free' && !continues) fullness = phase.breath === 'in' ? 1 : 0;
    if (!continues) knots.push({ at, fullness });
  });
  return knots;
}

/** How full the breath is `seconds` into a repeating line, eased between its corners. */
export function fullnessAt(knots: readonly Knot[], seconds: number): number {
  const period = knots.at(-1)!.at;
  const time = ((seconds % period) + period) % period;
  const next = knots.findIndex((knot) => knot.at > time);
  const to = knots[next]!;
  const from = knots[next - 1]!;
  const share = (time - from.at) / (to.at - from.at);
  return from.fullness + ((to.fullness - from.fullness) * (1 - Math.cos(Math.PI * share))) / 2;
}
