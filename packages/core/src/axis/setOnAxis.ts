import { changeExercise } from '../routine/commands';
import type { Routine } from '../routine/routine';
import type { Axis } from './axis';
import { withSegmentValue } from './segmentAxis';

/** Gives the exercise segment `id` another value on an axis, in its dose or its posture. */
export function setOnAxis(routine: Routine, id: string, axis: Axis, value: number): Routine {
  return changeExercise(routine, id, (segment) => withSegmentValue(segment, axis, value));
}
