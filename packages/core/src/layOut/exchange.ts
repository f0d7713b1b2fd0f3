import type { ExerciseSegment, Routine } from '../routine/routine';
import { candidatesOf, type Candidate, type LayAsk } from './candidates';
import { firstSound, proposalOf, type LayNames, type Proposal } from './layOut';
import { inOrder } from './search';
import { hasRoom, isEnough, isWhole, mayFollow, termsOf, worthOf, type Terms } from './sequence';

/** Whether a row could have been laid out as it is. */
function isRow(row: readonly Candidate[], candidates: readonly Candidate[], terms: Terms): boolean {
  const steps = row.every((next, at) => {
    const before = row.slice(0, at);
    return inOrder(before, next, candidates, terms) && mayFollow(before, next, terms);
  });
  return steps && hasRoom(row, terms) && isEnough(row, 'closing', terms) && isWhole(row, terms);
}

/** The candidates that stand in a routine, in its order, without its rests; null where one of its exercises is none. */
function rowOf(exercises: readonly ExerciseSegment[], candidates: readonly Candidate[]): Candidate[] | null {
  const row = exercises.map((segment) => candidates.find(({ exercise }) => exercise.id === segment.exerciseId));
  return row.every((one) => one !== undefined) ? row : null;
}

/**
 * A routine that was laid out with another exercise in one of its places, the best there is with all else as it stands; the
 * doses are fitted anew, so that it takes as long as is asked. Null where nothing else fits there.
 * @param segmentId what is exchanged
 * @param tried exercises that stood there before, by id: they do not come again
 */
export function exchanged(
  routine: Routine,
  segmentId: string,
  tried: ReadonlySet<string>,
  ask: LayAsk,
  names: LayNames,
): Proposal | null {
  const candidates = candidatesOf(ask);
  const terms = termsOf(ask, candidates);
  const exercises = routine.segments.filter((segment) => segment.type === 'exercise');
  const row = rowOf(exercises, candidates);
  const at = exercises.findIndex(({ id }) => id === segmentId);
  const gone = row?.[at];
  if (row === null || gone === undefined) return null;
  const rows = candidates
    .filter((other) => other.part === gone.part && other !== gone && !tried.has(other.exercise.id))
    .map((other) => row.with(at, other))
    .filter((made) => isRow(made, candidates, terms))
    .map((items) => ({ items, worth: worthOf(items, terms) }))
    .toSorted((a, b) => b.worth - a.worth);
  const found = firstSound(rows, ask, names);
  return found === null ? null : proposalOf(found, ask, terms, true);
}
