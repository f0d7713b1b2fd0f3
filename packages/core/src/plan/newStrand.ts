import type { Exercise } from '../library/exercise';
import type { ExerciseSegment } from '../routine/routine';
import type { School } from '../schools/school';
import { isPostureAxis, type Axis } from './axis';
import type { Strand } from './plan';
import { segmentValue } from './segmentAxis';

/**
 * The step in which a value of an axis is sensibly raised: 5, 10 or 30 s for holds, one breath, and for repetitions
 * the multiple in which the school counts, once there are so many; half a second of a repetition, then whole ones; what a
 * teacher can see of a posture. House values.
 */
export function defaultStep(axis: Axis, value: number, { countsOf }: Pick<School, 'countsOf'>): number {
  if (axis === 'repetitions') return value < countsOf ? 1 : countsOf;
  if (axis === 'breaths') return 1;
  if (axis === 'pace') return value < 10 ? 0.5 : 1;
  if (isPostureAxis(axis)) return axis === 'width' || axis === 'length' ? 0.1 : 5;
  if (value < 60) return 5;
  return value < 300 ? 10 : 30;
}

/**
 * A strand of a segment that starts at the segment's own dose and is to reach `target` by `targetDay`.
 * The safety points of its exercise hold it.
 */
export function newStrand(
  id: string,
  segment: ExerciseSegment,
  exercise: Pick<Exercise, 'name' | 'family' | 'checkpoints' | 'posture'>,
  axis: Axis,
  target: number,
  targetDay: string,
  school: Pick<School, 'countsOf'>,
): Strand {
  const start = segmentValue(segment, exercise, axis);
  return {
    id,
    segmentId: segment.id,
    exerciseId: segment.exerciseId,
    exerciseName: exercise.name,
    family: exercise.family,
    axis,
    step: defaultStep(axis, start, school),
    start,
    level: start,
    target,
    targetDay,
    raisedOn: null,
    raisedFrom: null,
    easedOn: null,
    lost: [],
    openedOn: null,
    rows: segment.dose.amounts.filter((row) => row.amount > 0).map(({ side, direction }) => ({ side, direction })),
    changedAt: null,
    overrules: [],
    gate: null,
    heldBy: exercise.checkpoints.filter((point) => point.safety).map((point) => point.id),
    clearedAt: null,
  };
}
