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

/** How far the figure is that does it: where repetitions are counted by hand, and in a hold, it stands still. */
export function doingOf(span: Span, state: ConductState): Doing {
  const { side, direction } = span;
  const working = span.amount > 0 && span.kind !== 'hold' && state.taps === null;
  const seconds = state.offsetMs / 1000;
  if (!working) return { side, direction, done: 0, into: 0, lengthMs: 0, seconds, running: false };
  const running = state.running && !state.loosening;
  return { side, direction, ...spanRepetition(span, state.offsetMs), seconds, running };
}
