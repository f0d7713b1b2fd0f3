import type { School } from '../schools/school';
import { isPostureAxis, type Axis } from './axis';

/**
 * The step in which a value of an axis is sensibly raised: 5, 10 or 30 s for holds, one breath, and for repetitions
 * the multiple in which the school counts, once there are so many; half a second of a repetition, then whole ones; what a
 * teacher can see of a posture. House values.
 */
export function defaultStep(axis: Axis, value: number, { countsOf }: Pick<School, 'countsOf'>): number {
  if (axis === 'repetitions') return value < countsOf ? 1 : countsOf;
  if (axis === 'breaths') return 1;
  if (axis === 'pace') return value < 10 ? 0.5 : 1;
  if (axis === 'stage' || axis === 'stay') return 1;
  if (isPostureAxis(axis)) return axis === 'width' || axis === 'length' ? 0.1 : 5;
  if (value < 60) return 5;
  return value < 300 ? 10 : 30;
}
