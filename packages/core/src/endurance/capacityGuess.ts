import { checkRange } from '../words/checkRange';
import { peakPerKilogram, type Strength } from './strength';

export type Sex = 'female' | 'male' | 'unknown';
export type Habit = 'seldom active' | 'active' | 'trained';

const sexFactor: Record<Sex, number> = { female: 0.85, male: 1.05, unknown: 0.95 };
const habitFactor: Record<Habit, number> = { 'seldom active': 0.8, active: 1, trained: 1.3 };
const ageFactors: readonly (readonly [fromAge: number, factor: number])[] = [
  [80, 0.55],
  [70, 0.65],
  [60, 0.75],
  [50, 0.85],
  [40, 0.93],
  [0, 1],
];

/**
 * A starting estimate of the strength of legs and arms where no test hold was taken, by
 * age band, sex and habit. A guess: house values, to be replaced by a baseline hold.
 * @param mass kg; @param age years
 */
export function capacityGuess(mass: number, age: number, sex: Sex = 'unknown', habit: Habit = 'active'): Strength {
  checkRange('mass', mass, 20, 300);
  checkRange('age', age, 0, 120);
  const band = ageFactors.find(([fromAge]) => age >= fromAge)![1];
  const factor = mass * band * sexFactor[sex] * habitFactor[habit];
  return { kneeNm: peakPerKilogram.knee * factor, shoulderNm: peakPerKilogram.shoulder * factor };
}
