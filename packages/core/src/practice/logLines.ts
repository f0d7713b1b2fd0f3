import type { Exercise } from '../library/exercise';
import { groupBy } from '../words/groupBy';
import { axesOf, axisValue } from '../axis/doseAxis';
import type { ExerciseSegment, Routine } from '../routine/routine';
import type { Span, Timeline } from '../routine/timeline';
import type { ConductState } from './conduct';
import { MOST_AMOUNT } from '../library/dose';
import { MOST_PRACTISED, type LogLine } from './log';

type Amount = LogLine['done'];

function doneInSpan(span: Span, state: ConductState): Amount {
  const record = state.records[span.index];
  if (record === undefined) return { amount: 0, seconds: 0 };
  return { amount: record.done, seconds: record.spentMs / 1000 };
}

/** All of it, and no more than a practice can have. */
const sum = (parts: readonly Amount[]): Amount => ({
  amount: Math.min(
    MOST_AMOUNT,
    parts.reduce((total, part) => total + part.amount, 0),
  ),
  seconds: Math.min(
    MOST_PRACTISED,
    parts.reduce((total, part) => total + part.seconds, 0),
  ),
});

/** What of a line is enough, where its dose is a range or by feel. */
function enoughOf({ dose }: ExerciseSegment, asked: Amount): Amount | null {
  if (dose.least === null) return null;
  const whole = Math.max(1, axisValue(dose, axesOf(dose)[0]!));
  const share = Math.min(1, dose.least / whole);
  return { amount: asked.amount * share, seconds: asked.seconds * share };
}

function lineOf(segment: ExerciseSegment, name: string, spans: readonly Span[], state: ConductState): LogLine {
  const first = spans[0]!;
  const asked = sum(spans.map((span) => ({ amount: span.amount, seconds: span.durationMs / 1000 })));
  const kept = state.losses
    .filter((loss) => spans.some((span) => span.index === loss.spanIndex))
    .map((loss) => loss.share);
  return {
    segmentId: segment.id,
    exerciseId: segment.exerciseId,
    exerciseName: name,
    kind: segment.dose.kind,
    side: first.side,
    direction: first.direction,
    asked,
    done: sum(spans.map((span) => doneInSpan(span, state))),
    alignmentKept: kept.length === 0 ? null : Math.min(...kept),
    effort: null,
    turned: segment.turned,
    staySeconds: segment.dose.kind === 'cycle' ? segment.dose.staySeconds : null,
    firmness: segment.firmness === null ? null : { ...segment.firmness, felt: null },
    gaveOut: null,
    enough: enoughOf(segment, asked),
  };
}

/** What was asked and really done, a line for each exercise, side and direction, in their order. */
export function logLines(
  routine: Routine,
  line: Timeline,
  state: ConductState,
  exercises: ReadonlyMap<string, Pick<Exercise, 'name'>>,
): LogLine[] {
  return routine.segments.flatMap((segment) => {
    if (segment.type !== 'exercise') return [];
    const work = line.spans.filter((span) => span.segmentId === segment.id && span.amount > 0);
    const groups = groupBy(work, (span) => `${span.side} ${span.direction}`);
    const name = exercises.get(segment.exerciseId)?.name ?? segment.exerciseId;
    return [...groups.values()].map((spans) => lineOf(segment, name, spans, state));
  });
}
