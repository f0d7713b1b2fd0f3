import { checkRange } from '../words/checkRange';

export type Sex = 'female' | 'male' | 'unknown';
export type Habit = 'seldom active' | 'active' | 'trained';

/** Capacity per kg of body mass at 20–40 years, active; house values, only a place to start from. */
const perKilogram = { legs: 1.6, arms: 0.6 } as const;
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

export interface CapacityGuess {
  readonly kneeNm: number;
  readonly shoulderNm: number;
}

/**
 * A starting estimate of the capacity of one knee and one shoulder where no test hold was taken, by
 * age band, sex and habit. A guess: house values, to be replaced by a baseline hold.
 * @param mass kg; @param age years
 */
export function capacityGuess(mass: number, age: number, sex: Sex = 'unknown', habit: Habit = 'active'): CapacityGuess {
  checkRange('mass', mass, 20, 300);
  checkRange('age', age, 0, 120);
  const band = ageFactors.find(([fromAge]) => age >= fromAge)![1];
  const factor = mass * band * sexFactor[sex] * habitFactor[habit];
  return { kneeNm: perKilogram.legs * factor, shoulderNm: perKilogram.arms * factor };
}
