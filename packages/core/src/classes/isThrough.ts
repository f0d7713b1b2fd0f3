import type { ConductState } from '../practice/conduct';
import type { ExerciseSegment } from '../routine/routine';
import { spanRepetition } from '../routine/spanRepetition';
import type { Span } from '../routine/timeline';

/**
 * Whether somebody has done the own dose in the span that the class is in, and rests until the others have: the own time of
 * a hold, or the own count of that side.
 */
export function isThrough(own: ExerciseSegment, span: Span, state: Pick<ConductState, 'offsetMs' | 'taps'>): boolean {
  const { dose } = own;
  if (span.amount === 0 || dose.kind !== span.kind) return false;
  if (dose.kind === 'hold') {
    return dose.holdSeconds * 1000 < span.durationMs && state.offsetMs >= dose.holdSeconds * 1000;
  }
  const row = dose.amounts.find(({ side, direction }) => side === span.side && direction === span.direction);
  const done = state.taps ?? spanRepetition(span, state.offsetMs).done;
  // Where sides take turns the spans before this one were repetitions too.
  const before = span.turns > 1 ? span.turn - 1 : 0;
  const all = span.turns > 1 ? span.turns : span.amount;
  return row !== undefined && row.amount < all && before + done >= row.amount;
}
