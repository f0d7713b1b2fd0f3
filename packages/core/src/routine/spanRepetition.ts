import { repetitionAt, repetitionsTotal } from '../library/repetitions';
import type { Span } from './timeline';

/** Where one is in the repetitions or breaths of a span. */
export interface SpanRepetition {
  /** Whole ones gone before. */
  readonly done: number;
  /** How far the one that is on is, 0–1, and its length in ms. */
  readonly into: number;
  readonly lengthMs: number;
}

type Repeated = Pick<Span, 'durationMs' | 'amount' | 'slowing'>;

/**
 * Which repetition of a span is on, `offsetMs` after its beginning; with a slowing dose every one is longer than the one
 * before. Beyond its end it goes on as it would.
 */
export function spanRepetition({ durationMs, amount, slowing }: Repeated, offsetMs: number): SpanRepetition {
  const first = durationMs / repetitionsTotal(1, slowing, amount);
  const { done, seconds, of } = repetitionAt(first / 1000, slowing, offsetMs / 1000);
  return { done, into: Math.min(1, seconds / of), lengthMs: of * 1000 };
}
