import type { Exercise } from '../library/exercise';
import type { ExerciseSegment, Routine } from '../routine/routine';
import type { School } from '../schools/school';
import { careFor, type Care, type CaredPerson } from './care';

/** What was done otherwise for a person in one segment. */
export interface Changed extends Care {
  readonly exerciseName: string;
}

/** As often as this a segment is looked at again: what one limit changes may still be beyond another. */
const ROUNDS = 8;

const INSTEAD = '-instead';
/** The identity of what is practised in place of a segment, and back: another drill is no practice of the first. */
export const insteadOf = (segmentId: string): string => `${segmentId}${INSTEAD}`;
export const isInsteadOf = (id: string, segmentId: string): boolean => id === insteadOf(segmentId);

/** A segment as it stays for a person, with what was changed, in order. */
export function caredSegment(
  segment: ExerciseSegment,
  person: CaredPerson,
  exercises: ReadonlyMap<string, Exercise>,
  school: School,
): { readonly segment: ExerciseSegment; readonly changed: readonly Changed[] } {
  const changed: Changed[] = [];
  let now = segment;
  for (let round = 0; round < ROUNDS; round += 1) {
    const exercise = exercises.get(now.exerciseId);
    if (exercise === undefined) break;
    const [care] = careFor({ segment: now, exercise, school }, person, [...exercises.values()]);
    if (care === undefined) break;
    const swapped = care.segment.exerciseId !== now.exerciseId && now.exerciseId === segment.exerciseId;
    now = swapped ? { ...care.segment, id: insteadOf(segment.id) } : { ...care.segment, id: now.id };
    changed.push({ ...care, segment: now, exerciseName: exercise.name });
  }
  return { segment: now, changed };
}

/**
 * A routine as it stays for a person of whom something is noted: everything that goes beyond a limit is turned, shortened or
 * replaced by the nearest drill that does not; with what was changed, in order, to be told.
 */
export function caredRoutine(
  routine: Routine,
  person: CaredPerson,
  exercises: ReadonlyMap<string, Exercise>,
  school: School,
): { readonly routine: Routine; readonly changed: readonly Changed[] } {
  if (person.noted.length === 0) return { routine, changed: [] };
  const changed: Changed[] = [];
  const segments = routine.segments.map((segment) => {
    if (segment.type !== 'exercise') return segment;
    const cared = caredSegment(segment, person, exercises, school);
    changed.push(...cared.changed);
    return cared.segment;
  });
  return { routine: { ...routine, segments }, changed };
}

/** What was changed and why, in a teacher's words. */
export const changedWords = ({ exerciseName, asks, instead, limit }: Changed): string =>
  `${exerciseName}: ${instead} instead of ${asks} (${limit.because}).`;
