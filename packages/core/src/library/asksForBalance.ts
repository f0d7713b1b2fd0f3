import type { Exercise } from './exercise';

/** From this share of the weight on one leg on, the other one hardly helps to stand. House value. */
const ON_ONE_LEG = 0.9;

/**
 * Whether an exercise asks for balance (common practice): it is done standing and a foot leaves the
 * floor, one steps, or nearly all of the weight comes onto one leg. Sitting and even stands do not.
 */
export function asksForBalance({ posture, phases, family }: Pick<Exercise, 'posture' | 'phases' | 'family'>): boolean {
  if (posture.seated) return false;
  if (family === 'stepping' || posture.otherLifted || posture.weightShare >= ON_ONE_LEG) return true;
  return phases.some(({ end }) => {
    if (end === null) return false;
    const share = typeof end.weight === 'number' ? Math.max(end.weight, 1 - end.weight) : 0;
    return end.lifted !== 'none' || share >= ON_ONE_LEG;
  });
}
