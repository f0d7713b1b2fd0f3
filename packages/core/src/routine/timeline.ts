import type { Direction, Side } from '../library/dose';
import { rounds } from './rounds';
import { laps } from './laps';
import type { ExerciseSegment, Routine } from './routine';

export type SpanKind = 'settle' | 'hold' | 'cycle' | 'breath' | 'change' | 'rest' | 'talk';

/** One stretch of a routine in time; all lengths in whole milliseconds. */
export interface Span {
  readonly index: number;
  readonly kind: SpanKind;
  readonly segmentId: string;
  readonly segmentIndex: number;
  readonly side: Side;
  readonly direction: Direction;
  /** Repetitions or breaths; 1 for a hold, 0 where nothing is counted. */
  readonly amount: number;
  /** It goes on until the cue; its length is what is planned. */
  readonly byCue: boolean;
  /** It is one of the turns that sides take as long as it feels right: going on ends all of them. */
  readonly turnsByFeel: boolean;
  /** Each repetition is this many times as long as the one before. */
  readonly slowing: number;
  /** Where sides take turns by repetition: the how manieth of them this is; 1 of 1 elsewhere. */
  readonly turn: number;
  readonly turns: number;
  readonly set: number;
  readonly sets: number;
  /** Which time through the round of how many; 1 of 1 where nothing is repeated. */
  readonly lap: number;
  readonly laps: number;
  readonly startMs: number;
  readonly durationMs: number;
}

export interface Timeline {
  readonly spans: readonly Span[];
  readonly totalMs: number;
  readonly workMs: number;
  readonly changeMs: number;
  readonly restMs: number;
  readonly talkMs: number;
}

type Draft = Omit<Span, 'index' | 'startMs' | 'segmentIndex' | 'segmentId' | 'lap' | 'laps'>;

const plain = {
  side: 'both',
  direction: 'none',
  amount: 0,
  byCue: false,
  turnsByFeel: false,
  slowing: 1,
  turn: 1,
  turns: 1,
  set: 1,
  sets: 1,
} as const;
const toMs = (seconds: number): number => Math.round(seconds * 1000);

/** Once one knows how to stand on a side, coming back to it takes half as long. Our own value. */
const KNOWN = 0.5;

/** How long a change of side takes, s: as the segment has it where one is new there. */
function changeSeconds(segment: ExerciseSegment, routine: Routine, known: boolean): number {
  if (segment.changeSeconds === null) return routine.changeSeconds;
  return known ? Math.max(routine.changeSeconds, segment.changeSeconds * KNOWN) : segment.changeSeconds;
}

function exerciseSpans(segment: ExerciseSegment, routine: Routine): Draft[] {
  const drafts: Draft[] = [];
  const work = rounds(segment.dose, segment.sideOrder);
  work.forEach((round, index) => {
    const before = work[index - 1];
    const same = round.turn === 1 && before?.side === round.side && before.direction === round.direction;
    if (before === undefined) {
      const settle = { ...plain, side: round.side, kind: 'settle' as const, byCue: segment.startsOnCue };
      // What waits for a cue needs a moment in which it waits.
      const least = segment.startsOnCue ? 1 : 0;
      drafts.push({ ...settle, durationMs: toMs(Math.max(least, routine.settleSeconds)) });
    } else if (same) {
      drafts.push({ ...plain, side: round.side, kind: 'rest', durationMs: toMs(segment.dose.restSeconds) });
    } else if (round.turn === 1) {
      // Where sides take turns by repetition there is no stop between them.
      const { side, direction } = round;
      const elsewhere = before.side !== side;
      const known = work.slice(0, index).some((done) => done.side === side);
      const seconds = elsewhere ? changeSeconds(segment, routine, known) : routine.changeSeconds;
      drafts.push({ ...plain, side, direction, kind: 'change', durationMs: toMs(seconds) });
    }
    drafts.push({ ...round, kind: segment.dose.kind, durationMs: toMs(round.seconds) });
  });
  return drafts.filter((draft) => draft.durationMs > 0);
}

/**
 * The routine as spans of time, one after the other: taking up an exercise, its rounds, the rests
 * between rounds of the same side and the changes of side or direction. Total = work + changes +
 * rests + talk, exact to the millisecond (sources: Time of a routine).
 */
export function timeline(routine: Routine): Timeline {
  const spans: Span[] = [];
  let startMs = 0;
  for (const { segment, segmentIndex, lap, of } of laps(routine)) {
    const drafts =
      segment.type === 'exercise'
        ? exerciseSpans(segment, routine)
        : [{ ...plain, kind: segment.type, durationMs: toMs(segment.seconds) }];
    for (const draft of drafts) {
      spans.push({
        index: spans.length,
        kind: draft.kind,
        side: draft.side,
        direction: draft.direction,
        amount: draft.amount,
        byCue: draft.byCue,
        turnsByFeel: draft.turnsByFeel,
        slowing: draft.slowing,
        turn: draft.turn,
        turns: draft.turns,
        set: draft.set,
        sets: draft.sets,
        durationMs: draft.durationMs,
        lap,
        laps: of,
        segmentId: segment.id,
        segmentIndex,
        startMs,
      });
      startMs += draft.durationMs;
    }
  }
  const sum = (...kinds: SpanKind[]): number =>
    spans.reduce((total, span) => (kinds.includes(span.kind) ? total + span.durationMs : total), 0);
  return {
    spans,
    totalMs: startMs,
    workMs: sum('hold', 'cycle', 'breath'),
    changeMs: sum('settle', 'change'),
    restMs: sum('rest'),
    talkMs: sum('talk'),
  };
}
