import type { ExerciseSegment, Routine } from '../routine/routine';
import { candidatesOf, type Candidate, type LayAsk } from './candidates';
import { firstSound, proposalOf, type LayNames, type Proposal } from './layOut';
import { nothingLaid, withNext, type Laid } from './laid';
import { goesOnWith } from './search';
import { isEnough, isWhole, worthOf } from './sequence';
import { termsOf, type Terms } from './terms';

/** Exercises as a row; null where it could not have been laid out as it is. */
function laidAs(items: readonly Candidate[], terms: Terms): Laid | null {
  let row = nothingLaid(terms);
  for (const next of items) {
    if (!goesOnWith(row, next, terms)) return null;
    row = withNext(row, next, terms);
  }
  return isEnough(row.sums, 'closing', terms) && isWhole(row.sums, terms) ? row : null;
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
    .map((other) => laidAs(row.with(at, other), terms))
    .filter((laid) => laid !== null)
    .map((laid) => ({ laid, worth: worthOf(laid, terms) }))
    .toSorted((a, b) => b.worth - a.worth);
  const found = firstSound(rows, ask, names);
  return found === null ? null : proposalOf(found, ask, terms, true);
}
