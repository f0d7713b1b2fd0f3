import type { Exercise } from '../library/exercise';
import type { ExerciseSegment, Routine } from '../routine/routine';
import type { School } from '../schools/school';
import { careFor, type Care, type CaredPerson } from './care';

/** What was done otherwise for a person in one segment. */
export interface Changed extends Care {
  readonly exerciseName: string;
}

/** How hard a segment is for the person, 10 is all there is; null where it is not known. */
export type EffortOf = (segment: ExerciseSegment) => number | null;

/** As often as this a segment is looked at again: what one limit changes may still be beyond another. */
const ROUNDS = 6;

/**
 * A routine as it stays for a person of whom something is noted: everything that goes beyond a limit is turned, shortened or
 * replaced by the nearest drill that does not; with what was changed, in order, to be told.
 */
export function caredRoutine(
  routine: Routine,
  person: CaredPerson,
  exercises: ReadonlyMap<string, Exercise>,
  school: School,
  effortOf: EffortOf = () => null,
): { readonly routine: Routine; readonly changed: readonly Changed[] } {
  if (person.noted.length === 0) return { routine, changed: [] };
  const shelf = [...exercises.values()];
  const changed: Changed[] = [];
  const segments = routine.segments.map((segment) => {
    let now = segment;
    for (let round = 0; round < ROUNDS && now.type === 'exercise'; round += 1) {
      const exercise = exercises.get(now.exerciseId);
      const [care] = exercise === undefined ? [] : careFor(now, exercise, person, shelf, school, effortOf(now));
      if (care === undefined || exercise === undefined) break;
      // Another drill is no practice of the strand that it stands for.
      const swapped = care.segment.exerciseId !== now.exerciseId;
      now = swapped ? { ...care.segment, id: `${now.id}-instead` } : care.segment;
      changed.push({ ...care, segment: now, exerciseName: exercise.name });
    }
    return now;
  });
  return { routine: { ...routine, segments }, changed };
}

/** What was changed and why, in a teacher's words. */
export const changedWords = ({ exerciseName, asks, instead, limit }: Changed): string =>
  `${exerciseName}: ${instead} instead of ${asks} (${limit.because}).`;
