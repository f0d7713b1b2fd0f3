import { checkRange } from '../words/checkRange';

/** Mean one-leg stand, eyes open, in s, by age (Springer et al. 2007; from memory). */
const oneLegBands: readonly (readonly [fromAge: number, seconds: number])[] = [
  [80, 6],
  [70, 15],
  [60, 27],
  [50, 37],
  [40, 40],
  [18, 43],
];

/** The mean one-leg stand for an age, in s; null below 18 years. */
export function oneLegNorm(age: number): number | null {
  checkRange('age', age, 0, 120);
  return oneLegBands.find(([fromAge]) => age >= fromAge)?.[1] ?? null;
}

/** Thirty-second chair stand: a count below this is below average (CDC STEADI; from memory). */
const chairBands: readonly (readonly [fromAge: number, women: number, men: number])[] = [
  [90, 4, 7],
  [85, 8, 8],
  [80, 9, 10],
  [75, 10, 11],
  [70, 10, 12],
  [65, 11, 12],
  [60, 12, 14],
];

/** The chair-stand count below which a result is below average; null under 60 and over 94 years. */
export function chairStandNorm(age: number, sex: 'female' | 'male'): number | null {
  checkRange('age', age, 0, 120);
  if (age >= 95) return null;
  const band = chairBands.find(([fromAge]) => age >= fromAge);
  return band === undefined ? null : band[sex === 'female' ? 1 : 2];
}

/** Holding a tandem stand for less than this, in s, means a raised risk of falling (CDC STEADI; from memory). */
export const TANDEM_SECONDS = 10;

/** A one-leg stand under half of what is usual at an age asks for a chair within reach; null norms compare nothing. House value. */
export const isShortOneLeg = (seconds: number, age: number | null): boolean => {
  const norm = age === null ? null : oneLegNorm(age);
  return norm !== null && seconds < norm / 2;
};
