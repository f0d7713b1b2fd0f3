import type { Direction, Side } from '../library/dose';
import { spanRepetition } from '../routine/spanRepetition';
import type { Span } from '../routine/timeline';
import type { ConductState } from './conduct';

/** Where one is in what is shown. */
export interface Doing {
  readonly side: Side;
  readonly direction: Direction;
  /** Whole repetitions gone before, how far the one that is on is, 0–1, and its length, ms. */
  readonly done: number;
  readonly into: number;
  readonly lengthMs: number;
  /** Into the span, s. */
  readonly seconds: number;
  /** It goes on by itself; else it stands still. */
  readonly running: boolean;
}

/**
 * How far the figure is that does it: where repetitions are counted by hand, and in a hold, it stands still.
 * @param swaySeconds of a hold that is not still: how long its parts take to go round once
 */
export function doingOf(span: Span, state: ConductState, swaySeconds: number | null = null): Doing {
  const { side, direction } = span;
  const seconds = state.offsetMs / 1000;
  const running = state.running && !state.loosening;
  if (span.amount > 0 && span.kind !== 'cycle' && swaySeconds !== null) {
    const lengthMs = swaySeconds * 1000;
    const done = Math.floor(state.offsetMs / lengthMs);
    return { side, direction, done, into: state.offsetMs / lengthMs - done, lengthMs, seconds, running };
  }
  const working = span.amount > 0 && span.kind !== 'hold' && state.taps === null;
  if (!working) return { side, direction, done: 0, into: 0, lengthMs: 0, seconds, running: false };
  return { side, direction, ...spanRepetition(span, state.offsetMs), seconds, running };
}
