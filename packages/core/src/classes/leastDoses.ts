import { axesOf, axisValue } from '../axis/doseAxis';
import type { OwnRung } from '../practice/classJournal';
import type { ExerciseSegment, Routine } from '../routine/routine';
import { classRoutine, ownValue } from './classRoutine';

/** An exercise in which somebody of a class has less than the routine asks for. */
export interface LeastDose {
  readonly segment: ExerciseSegment;
  /** The same with the least that anybody has. */
  readonly least: ExerciseSegment;
  /** Who has that least, by id. */
  readonly who: readonly string[];
}

/**
 * Where a routine asks a class for more than somebody in it has, in the order of the routine.
 * @param people ids with their own rungs
 */
export function leastDoses(
  routine: Routine,
  people: readonly { readonly studentId: string; readonly rungs: readonly OwnRung[] }[],
): LeastDose[] {
  const lowered = classRoutine(
    routine,
    people.map(({ rungs }) => rungs),
    'everybody',
  );
  return routine.segments.flatMap((segment, index): LeastDose[] => {
    const lower = lowered.segments[index];
    if (segment.type !== 'exercise' || lower?.type !== 'exercise') return [];
    const [axis] = axesOf(segment.dose);
    if (axis === undefined || axisValue(lower.dose, axis) >= axisValue(segment.dose, axis)) return [];
    const least = axisValue(lower.dose, axis);
    const who = people.filter(({ rungs }) => ownValue(segment, rungs) === least).map((one) => one.studentId);
    return [{ segment, least: lower, who }];
  });
}
