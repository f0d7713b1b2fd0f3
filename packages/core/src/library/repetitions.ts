import { breathPeriod } from '../breath/breathPeriod';
import { breathsWithin } from '../breath/breathsWithin';
import { slowingTotal } from '../breath/slowingTotal';
import { isTimed, type BreathDose, type CycleDose, type Dose } from './dose';

/** Seconds of the first repetition, with its stay, or breath of a dose; of a hold, all of it. */
export function firstSeconds(dose: Dose): number {
  if (dose.kind === 'hold') return dose.holdSeconds;
  return dose.kind === 'cycle' ? dose.cycleSeconds + dose.staySeconds : breathPeriod(dose.pattern);
}

/**
 * Seconds of `count` repetitions, each `slowing` times the one before; what is over whole ones goes by its share.
 * @example repetitionsTotal(10, 1.5, 2.5) // 36.25
 */
export function repetitionsTotal(first: number, slowing: number, count: number): number {
  const whole = Math.floor(count);
  return slowingTotal(first, slowing, whole) + (count - whole) * first * slowing ** whole;
}

/** Where one is in a row of repetitions. */
export interface InRepetition {
  /** Whole ones gone before. */
  readonly done: number;
  /** Seconds into the one that is on, and how long it is. */
  readonly seconds: number;
  readonly of: number;
}

/** Which repetition is on after `seconds`, when the first takes `first` and each is `slowing` times the one before. */
export function repetitionAt(first: number, slowing: number, seconds: number): InRepetition {
  const done = breathsWithin(seconds, first, slowing);
  return { done, seconds: Math.max(0, seconds - slowingTotal(first, slowing, done)), of: first * slowing ** done };
}

/**
 * How many repetitions fill `seconds`, the last by its share; the inverse of {@link repetitionsTotal}.
 * @example repetitionsIn(12, 1, 180) // 15
 */
export function repetitionsIn(first: number, slowing: number, seconds: number): number {
  const at = repetitionAt(first, slowing, seconds);
  return at.done + at.seconds / at.of;
}

/** Seconds that `amount` repetitions, breaths, holds or timed rounds of a dose take, without rests. */
export function workSeconds(dose: Dose, amount: number): number {
  if (dose.kind === 'hold') return dose.holdSeconds * amount;
  if (isTimed(dose)) return dose.roundSeconds * amount;
  return repetitionsTotal(firstSeconds(dose), dose.slowing, amount);
}

/** Repetitions or breaths that an amount of a dose comes to; of what is given as time, those that fill it. */
export const countOf = (dose: CycleDose | BreathDose, amount: number): number =>
  isTimed(dose) ? amount * repetitionsIn(firstSeconds(dose), dose.slowing, dose.roundSeconds) : amount;
