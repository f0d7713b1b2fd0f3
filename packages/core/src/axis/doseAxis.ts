import { breathPeriod } from '../breath/breathPeriod';
import { isTimed, MOST_STAY, type Dose } from '../library/dose';
import { firstSeconds } from '../library/repetitions';
import type { DoseAxis } from './axis';

/** The least stay inside a repetition, s: there is nothing to grow from nought. House value. */
const LEAST_STAY = 1;

/** The axes along which a dose can be raised, the usual one first. */
export function axesOf(dose: Dose): DoseAxis[] {
  if (dose.kind === 'hold') return ['time', 'repetitions'];
  if (dose.kind === 'breath') return ['breaths', 'pace'];
  return isTimed(dose) ? ['time', 'pace', 'stay'] : ['repetitions', 'pace', 'stay'];
}

/**
 * The value of a dose on an axis: seconds a hold, seconds a repetition moves or a breath takes, seconds a repetition stays still,
 * or the largest amount of any side.
 */
export function axisValue(dose: Dose, axis: DoseAxis): number {
  if (axis === 'time') return dose.kind === 'hold' ? dose.holdSeconds : isTimed(dose) ? dose.roundSeconds : 0;
  if (axis === 'stay') return dose.kind === 'cycle' ? Math.max(LEAST_STAY, dose.staySeconds) : 0;
  if (axis !== 'pace') return Math.max(...dose.amounts.map((row) => row.amount));
  if (dose.kind === 'hold') return 0;
  return dose.kind === 'cycle' ? dose.cycleSeconds : firstSeconds(dose);
}

function atPace(dose: Dose, seconds: number): Dose {
  if (dose.kind === 'hold') return dose;
  if (dose.kind === 'cycle') return { ...dose, cycleSeconds: seconds };
  const { pattern } = dose;
  const slower = seconds / breathPeriod(pattern);
  return {
    ...dose,
    pattern: {
      inSeconds: pattern.inSeconds * slower,
      fullPauseSeconds: pattern.fullPauseSeconds * slower,
      outSeconds: pattern.outSeconds * slower,
      emptyPauseSeconds: pattern.emptyPauseSeconds * slower,
    },
  };
}

/** The dose with the value of one axis replaced, the same on every side; a breath keeps the shares of its parts. */
export function withAxisValue(dose: Dose, axis: DoseAxis, value: number): Dose {
  // What is enough stays, and is never more than what is asked for.
  const least = (most: number): number | null => (dose.least === null ? null : Math.min(dose.least, most));
  if (axis === 'time') {
    if (dose.kind === 'hold') return { ...dose, holdSeconds: value, least: least(value) };
    return isTimed(dose) ? { ...dose, roundSeconds: value, least: least(value) } : dose;
  }
  if (axis === 'pace') return atPace(dose, value);
  if (axis === 'stay') return dose.kind === 'cycle' ? { ...dose, staySeconds: Math.min(MOST_STAY, value) } : dose;
  const amount = Math.round(value);
  const amounts = dose.amounts.map((row) => (row.amount === 0 ? row : { ...row, amount }));
  return dose.kind === 'hold' || isTimed(dose) ? { ...dose, amounts } : { ...dose, amounts, least: least(amount) };
}
