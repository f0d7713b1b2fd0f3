import type { Exercise } from '../library/exercise';
import { canStay } from '../library/staying';
import { segmentPosture, turnedBy, type Staged } from '../routine/turned';
import type { ExerciseSegment } from '../routine/routine';
import { inPosture, isPostureAxis, type Axis, type PostureAxis } from './axis';
import { axesOf, axisValue, withAxisValue } from './doseAxis';

/** The least with which a posture axis begins: there is nothing to grow from nought. House values. */
export const LEAST_OF_POSTURE: Readonly<Record<PostureAxis, number>> = {
  bend: 5,
  share: 50,
  arms: 5,
  width: 0.1,
  length: 0.1,
  stage: 1,
};
/** No posture goes beyond these; see `PostureSchema`. */
export const MOST_OF_POSTURE: Readonly<Record<PostureAxis, number>> = {
  bend: 120,
  share: 100,
  arms: 180,
  width: 4,
  length: 6,
  stage: 12,
};

type Drill = Pick<Exercise, 'posture' | 'twoSided' | 'stages' | 'phases'>;

/**
 * The axes along which a segment can be raised: its dose, then its posture where there is something to change. What moves
 * changes its height and width; weight, arms and length of a step are its own.
 */
export function axesOfSegment(segment: ExerciseSegment, exercise: Drill): Axis[] {
  const posture = segmentPosture(segment, exercise);
  const still = segment.dose.kind === 'hold';
  const has: Readonly<Record<PostureAxis, boolean>> = {
    bend: !posture.seated,
    share: still && !posture.seated && exercise.twoSided && posture.weightShare < 1,
    arms: still,
    width: !posture.seated && !posture.otherLifted && posture.stanceWidth > 0,
    length: still && !posture.seated && posture.ahead > 0,
    stage: exercise.stages.length > 1,
  };
  const order = Object.keys(has) as PostureAxis[];
  const ofDose = axesOf(segment.dose).filter((axis) => axis !== 'stay' || canStay(exercise));
  return [...ofDose, ...order.filter((axis) => has[axis])];
}

/** Where a segment stands on an axis: s, breaths, repetitions, s each, degrees, percent, shoulder breadths, foot lengths. */
export function segmentValue(segment: ExerciseSegment, exercise: Staged, axis: Axis): number {
  if (!isPostureAxis(axis)) return axisValue(segment.dose, axis);
  if (axis === 'stage') return segment.turned?.stage ?? LEAST_OF_POSTURE.stage;
  const { key, units } = inPosture[axis];
  const value = key === 'stage' ? 0 : segmentPosture(segment, exercise)[key];
  return Math.max(LEAST_OF_POSTURE[axis], Math.round(value * units * 100) / 100);
}

/** The segment with its value on one axis replaced, in the dose or in the posture. */
export function withSegmentValue(segment: ExerciseSegment, axis: Axis, value: number): ExerciseSegment {
  if (!isPostureAxis(axis)) return { ...segment, dose: withAxisValue(segment.dose, axis, value) };
  const { key, units } = inPosture[axis];
  const inside = Math.min(MOST_OF_POSTURE[axis], value);
  return turnedBy(segment, { [key]: Math.round((inside / units) * 1000) / 1000 });
}
