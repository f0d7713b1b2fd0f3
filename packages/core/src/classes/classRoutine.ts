import { axesOf, axisValue, withAxisValue } from '../axis/doseAxis';
import type { OwnRung } from '../practice/classJournal';
import type { ExerciseSegment, Routine, Segment } from '../routine/routine';
import type { TaughtClass } from './taughtClass';

/** What somebody has of the first figure of a segment's dose; null where it is another drill, left out, or given otherwise. */
export function ownValue(segment: ExerciseSegment, rungs: readonly OwnRung[]): number | null {
  const own = rungs.find(({ segmentId }) => segmentId === segment.id)?.own ?? null;
  const [axis] = axesOf(segment.dose);
  if (axis === undefined || own?.exerciseId !== segment.exerciseId || axesOf(own.dose)[0] !== axis) return null;
  return axisValue(own.dose, axis);
}

/** The least that anybody has of the first figure of a dose; the dose itself where nobody has less. */
function leastOf(segment: Segment, rungs: readonly (readonly OwnRung[])[]): Segment {
  if (segment.type !== 'exercise') return segment;
  const [axis] = axesOf(segment.dose);
  if (axis === undefined) return segment;
  const values = rungs.flatMap((own) => ownValue(segment, own) ?? []);
  const least = Math.min(axisValue(segment.dose, axis), ...values);
  return { ...segment, dose: withAxisValue(segment.dose, axis, least) };
}

/**
 * The routine that a class is conducted through: as it is written, or in each exercise no more than the least that anybody
 * here has of it.
 * @param rungs of those who are here
 */
export const classRoutine = (
  routine: Routine,
  rungs: readonly (readonly OwnRung[])[],
  doses: TaughtClass['doses'],
): Routine =>
  doses === 'routine' ? routine : { ...routine, segments: routine.segments.map((segment) => leastOf(segment, rungs)) };
