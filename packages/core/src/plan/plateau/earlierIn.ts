import type { Exercise } from '../../library/exercise';
import type { ExerciseSegment, Routine, Segment } from '../../routine/routine';
import { loadsJoints } from '../loadsPlace';

/** A routine in which a segment comes earlier. */
export interface Earlier {
  readonly routine: Routine;
  /** The exercise that it now comes before. */
  readonly before: string;
}

/** Loosening and preparing stay in front of what they prepare. */
const first: ReadonlySet<Exercise['family']> = new Set(['warm-up', 'breathing']);

/**
 * The routine with a segment moved in front of the first other one that loads joints, so that nothing has tired it before; null where nothing
 * does, where it is gone, or where it belongs to a round.
 */
export function earlierIn(
  routine: Routine,
  segmentId: string,
  exercises: ReadonlyMap<string, Pick<Exercise, 'name' | 'posture' | 'family' | 'movements'>>,
): Earlier | null {
  const { segments } = routine;
  const at = segments.findIndex(({ id }) => id === segmentId);
  const own = segments[at];
  if (own?.type !== 'exercise' || own.roundId !== null) return null;
  const tires = (segment: Segment): segment is ExerciseSegment => {
    if (segment.type !== 'exercise') return false;
    const exercise = exercises.get(segment.exerciseId);
    return exercise !== undefined && !first.has(exercise.family) && loadsJoints(exercise);
  };
  const tiring = segments.slice(0, at).find(tires);
  if (tiring === undefined) return null;
  // Never into the middle of a round.
  const to = segments.findIndex(({ id, roundId }) =>
    tiring.roundId === null ? id === tiring.id : roundId === tiring.roundId,
  );
  const rest = segments.filter(({ id }) => id !== segmentId);
  return {
    routine: { ...routine, segments: [...rest.slice(0, to), own, ...rest.slice(to)] },
    before: exercises.get(tiring.exerciseId)!.name,
  };
}
