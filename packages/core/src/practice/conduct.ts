import { spanRepetition } from '../routine/spanRepetition';
import type { Span, Timeline } from '../routine/timeline';
import { msOfDone } from './calls';
import type { JournalEvent } from './journal';

/** What has been done of one span. */
export interface SpanRecord {
  readonly spentMs: number;
  /** Share of the span gone through, 0–1. */
  readonly share: number;
  /** The most that was done of it at one go: whole repetitions or breaths, of a hold its share. */
  readonly done: number;
}

export interface AlignmentLoss {
  readonly spanIndex: number;
  readonly share: number;
}

export interface ConductState {
  readonly spanIndex: number;
  readonly offsetMs: number;
  /** Repetitions tapped in this span; null while the pace counts. */
  readonly taps: number | null;
  readonly running: boolean;
  /** Stopped to loosen: the time held so far still counts. */
  readonly loosening: boolean;
  readonly finished: boolean;
  readonly records: readonly (SpanRecord | undefined)[];
  readonly losses: readonly AlignmentLoss[];
}

/** Pressing back within this time goes to the span before, later to the start of this one. */
const BACK_GRACE_MS = 3000;

const initial: ConductState = {
  spanIndex: 0,
  offsetMs: 0,
  taps: null,
  running: false,
  loosening: false,
  finished: false,
  records: [],
  losses: [],
};

/** A practice that runs and stands at the beginning of a span. */
export const conductAt = (spanIndex: number): ConductState => ({ ...initial, spanIndex, running: true });

function share(state: ConductState, span: Span): number {
  if (state.taps !== null) return Math.min(1, state.taps / Math.max(1, span.amount));
  return Math.min(1, state.offsetMs / span.durationMs);
}

/** What is done of a span: by hand as it was counted, by the pace as far as it has come. */
function doneOf(state: ConductState, span: Span): number {
  const part = share(state, span);
  if (span.kind === 'hold' || span.amount === 0) return part;
  if (state.taps !== null) return Math.min(span.amount, state.taps);
  return part >= 1 ? span.amount : Math.min(span.amount, spanRepetition(span, state.offsetMs).done);
}

function recorded(state: ConductState, span: Span): ConductState {
  // What was ended is recorded already.
  if (state.finished || (state.offsetMs === 0 && state.taps === null)) return state;
  const before = state.records[span.index];
  const records = [...state.records];
  records[span.index] = {
    spentMs: (before?.spentMs ?? 0) + state.offsetMs,
    share: Math.max(before?.share ?? 0, share(state, span)),
    done: Math.max(before?.done ?? 0, doneOf(state, span)),
  };
  return { ...state, records };
}

function enter(state: ConductState, line: Timeline, spanIndex: number): ConductState {
  const finished = spanIndex >= line.spans.length;
  return {
    ...state,
    spanIndex: Math.max(0, Math.min(spanIndex, line.spans.length)),
    offsetMs: 0,
    taps: null,
    finished,
    running: state.running && !finished,
  };
}

function advance(from: ConductState, line: Timeline, elapsedMs: number): ConductState {
  let state = from;
  let left = Math.max(0, elapsedMs);
  while (state.running && left > 0) {
    const span = line.spans[state.spanIndex];
    if (span === undefined) return enter(state, line, line.spans.length);
    const remaining = span.durationMs - state.offsetMs;
    if (state.taps !== null || span.byCue || left < remaining) return { ...state, offsetMs: state.offsetMs + left };
    state = enter(recorded({ ...state, offsetMs: span.durationMs }, span), line, state.spanIndex + 1);
    left -= remaining;
  }
  return state;
}

function tap(state: ConductState, line: Timeline): ConductState {
  const span = line.spans[state.spanIndex];
  if (span?.kind !== 'cycle' || !state.running) return state;
  const next = { ...state, taps: (state.taps ?? spanRepetition(span, state.offsetMs).done) + 1 };
  if (next.taps < span.amount) return next;
  const entered = enter(recorded(next, span), line, span.index + 1);
  // Where sides take turns, who counts by hand goes on doing so.
  return span.turn < span.turns ? { ...entered, taps: 0 } : entered;
}

/** The pace counts again, from the repetitions that were counted by hand; the time they took stays what it was. */
function pace(state: ConductState, line: Timeline): ConductState {
  const span = line.spans[state.spanIndex];
  if (span === undefined || state.taps === null) return state;
  const offsetMs = msOfDone(span, state.taps);
  const before = state.records[span.index];
  const records = [...state.records];
  records[span.index] = {
    spentMs: (before?.spentMs ?? 0) + state.offsetMs - offsetMs,
    share: before?.share ?? 0,
    done: before?.done ?? 0,
  };
  return { ...state, offsetMs, taps: null, records };
}

/** What comes after a span for who goes on: where sides take turns by feel, what comes after all of the turns. */
function after(span: Span, { spans }: Timeline): number {
  if (!span.turnsByFeel) return span.index + 1;
  const next = spans.find(
    ({ index, turn, segmentId }) => index > span.index && (turn === 1 || segmentId !== span.segmentId),
  );
  return next?.index ?? spans.length;
}

function back(state: ConductState, line: Timeline): ConductState {
  const target = state.offsetMs > BACK_GRACE_MS ? state.spanIndex : state.spanIndex - 1;
  return enter(state, line, Math.max(0, target));
}

function apply(state: ConductState, line: Timeline, action: JournalEvent['action']): ConductState {
  const span = line.spans[state.spanIndex];
  switch (action) {
    case 'start':
    case 'resume':
      return { ...state, running: !state.finished, loosening: false };
    case 'pause':
      return { ...state, running: false };
    case 'loosen':
      return (span?.kind === 'hold' || span?.kind === 'breath') && state.running
        ? { ...state, running: false, loosening: true }
        : state;
    case 'tap':
      return tap(state, line);
    case 'pace':
      return pace(state, line);
    case 'lost':
      return span !== undefined && span.amount > 0
        ? { ...state, losses: [...state.losses, { spanIndex: span.index, share: share(state, span) }] }
        : state;
    case 'next':
      return span === undefined
        ? state
        : { ...enter(recorded(state, span), line, after(span, line)), loosening: false };
    case 'back':
      return { ...back(span === undefined ? state : recorded(state, span), line), loosening: false };
    case 'end':
      return { ...(span === undefined ? state : recorded(state, span)), finished: true, running: false };
  }
}

/**
 * The state of a practice at `now`, computed from everything that was pressed. Pure: the same
 * events give the same state, so a practice survives a reload and a sleeping tab.
 * @param events in order of time
 * @param now epoch milliseconds, not before the last event
 */
export function conduct(line: Timeline, events: readonly JournalEvent[], now: number): ConductState {
  let state = initial;
  // Before the first press nothing runs.
  let at = 0;
  for (const event of events) {
    if (state.finished && event.action !== 'back') continue;
    state = apply(advance(state, line, event.at - at), line, event.action);
    at = event.at;
  }
  return advance(state, line, now - at);
}
