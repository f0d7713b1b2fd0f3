import type { Exercise } from '../library/exercise';
import type { Span } from '../routine/timeline';
import { msOfDone, type Call } from './calls';

/** Fewer repetitions have no half that is worth a change. */
const FEWEST = 2;

/**
 * After how many repetitions the half is done at which something changes; null where nothing does, where sides take turns, and
 * where nobody knows how many there will be.
 */
export function halfDone(span: Span, { halfWay }: Pick<Exercise, 'halfWay'>): number | null {
  if (halfWay === '' || span.kind !== 'cycle' || span.byCue || span.turns > 1 || span.amount < FEWEST) return null;
  return Math.ceil(span.amount / 2 - 1e-9);
}

/** What is called at the half of a round. */
export function halfCall(span: Span, drill: Pick<Exercise, 'halfWay'>): Omit<Call, 'spanIndex'> | null {
  const done = halfDone(span, drill);
  return done === null ? null : { offsetMs: msOfDone(span, done), text: drill.halfWay };
}

/** What is shown while the first repetition after the half is on; empty at every other time. */
export const halfNow = (span: Span, drill: Pick<Exercise, 'halfWay'>, done: number): string =>
  halfDone(span, drill) === done ? drill.halfWay : '';
