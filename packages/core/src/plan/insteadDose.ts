import { axesOf } from '../axis/doseAxis';
import { isPostureAxis } from '../axis/axis';
import { withSegmentValue } from '../axis/segmentAxis';
import type { Strand } from '../goals/plan';
import type { ExerciseSegment } from '../routine/routine';

/** What is done instead of a drill with the dose of its strand; null where it has no such dose. */
export function insteadDose(
  segment: ExerciseSegment,
  { axis }: Pick<Strand, 'axis'>,
  dose: number,
): ExerciseSegment | null {
  if (isPostureAxis(axis) || !axesOf(segment.dose).includes(axis)) return null;
  return withSegmentValue(segment, axis, dose);
}
