import type { Span, Timeline } from '../routine/timeline';
import type { ConductState } from './conduct';

export type BellSound = 'begin' | 'turn' | 'change' | 'rest' | 'soon' | 'end';

export interface Bell {
  /** Milliseconds from now. */
  readonly inMs: number;
  readonly sound: BellSound;
  /** Which of the practice it is: the same from moment to moment, while nothing is pressed. */
  readonly key: string;
}

/** A quiet warning this long before a hold ends, when the hold is long enough for it. */
const SOON_MS = 10_000;
const SOON_FROM_MS = 45_000;

function opening(span: Span | undefined): BellSound {
  if (span === undefined) return 'end';
  if (span.amount > 0) return span.turn > 1 ? 'turn' : 'begin';
  return span.kind === 'change' ? 'change' : 'rest';
}

/**
 * The bells from the state on to the end of the routine, in milliseconds from now, so that they can
 * be laid on the audio clock ahead of time. None while paused. While repetitions are tapped by hand the
 * next change is not known, so there is none either; nor is it in a hold that lasts until the cue.
 */
export function bells(line: Timeline, state: ConductState): Bell[] {
  if (!state.running || state.taps !== null) return [];
  const result: Bell[] = [];
  let inMs = -state.offsetMs;
  for (const span of line.spans.slice(state.spanIndex)) {
    // Where a hold ends is the teacher's to say: nothing after it is known.
    if (span.byCue) break;
    const soon = inMs + span.durationMs - SOON_MS;
    if (span.kind === 'hold' && span.durationMs >= SOON_FROM_MS && soon > 0) {
      result.push({ inMs: soon, sound: 'soon', key: `${span.index} soon` });
    }
    inMs += span.durationMs;
    result.push({ inMs, sound: opening(line.spans[span.index + 1]), key: `${span.index} over` });
  }
  return result;
}
