import { flippedSide, type FootSide } from '../figure/pose';
import type { Side } from '../library/dose';
import type { Exercise } from '../library/exercise';
import { spanRepetition } from '../routine/spanRepetition';
import type { Span } from '../routine/timeline';

/**
 * The side in whose words a drill is told at a moment of a span: its own, but in a walk each second step is told for the other
 * foot.
 */
export function sideOfWords(span: Span, { phasesSwap }: Pick<Exercise, 'phasesSwap'>, offsetMs: number): Side {
  if (!phasesSwap || span.kind !== 'cycle') return span.side;
  const first: FootSide = span.side === 'left' ? 'left' : 'right';
  return spanRepetition(span, offsetMs).done % 2 === 0 ? first : flippedSide(first);
}
