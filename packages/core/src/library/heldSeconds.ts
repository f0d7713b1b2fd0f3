import { breathsWithin } from '../breath/breathsWithin';
import { firstSeconds, workSeconds } from './repetitions';
import type { BreathDose, Dose } from './dose';
import type { Exercise } from './exercise';

/**
 * Whether a dose holds a posture still: given in seconds, or in breaths of a drill that has no movement of its own, as a school
 * that counts in breaths gives its stands. Breathing drills move with the breath.
 */
export const isHeld = (
  { phases, family, swaySeconds }: Pick<Exercise, 'phases' | 'family' | 'swaySeconds'>,
  { kind }: Pick<Dose, 'kind'>,
): boolean =>
  kind === 'hold' || (kind === 'breath' && (phases.length === 0 || swaySeconds !== null) && family !== 'breathing');

/** How long one stays in one place without a break, s: a hold, or the breaths of a side; 0 for repetitions. */
export function stillSeconds(dose: Dose): number {
  if (dose.kind === 'hold') return dose.holdSeconds;
  return dose.kind === 'breath' ? workSeconds(dose, Math.max(...dose.amounts.map(({ amount }) => amount))) : 0;
}

/** The dose cut to a time in one place, s: a shorter hold, or fewer breaths, at least one; repetitions stay as they are. */
export function withStillSeconds(dose: Dose, seconds: number): Dose {
  if (dose.kind === 'hold') return { ...dose, holdSeconds: seconds, least: lesser(dose.least, seconds) };
  if (dose.kind !== 'breath') return dose;
  const breaths = breathsIn(dose, seconds);
  return {
    ...dose,
    amounts: dose.amounts.map((row) => ({ ...row, amount: Math.min(row.amount, breaths) })),
    least: lesser(dose.least, breaths),
  };
}

const lesser = (least: number | null, most: number): number | null => (least === null ? null : Math.min(least, most));

/** How many breaths of a dose go into a time, at least one; each is longer than the one before where the dose slows down. */
export const breathsIn = (dose: BreathDose, seconds: number): number =>
  Math.max(1, breathsWithin(seconds + 1e-6, firstSeconds(dose), dose.slowing));
