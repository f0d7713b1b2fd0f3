import { breathPeriod } from '../breath/breathPeriod';
import { breathPhaseAt, type BreathPhase } from '../breath/breathPhaseAt';
import { fullnessAt, patternKnots, phaseKnots } from '../library/breathCurve';
import { cycleParts } from '../library/cycleParts';
import { isTimed } from '../library/dose';
import { counted } from '../library/doseWords';
import type { Exercise } from '../library/exercise';
import { holdPartAt, holdParts } from '../library/holdParts';
import { stayingDrill } from '../library/staying';
import type { Segment } from '../routine/routine';
import { spanRepetition } from '../routine/spanRepetition';
import type { Span } from '../routine/timeline';
import { stageOf } from '../routine/turned';
import { turnedWords } from '../routine/turnedWords';
import { pacesBreath } from '../schools/breathTold';
import type { School } from '../schools/school';
import { toldPart } from '../schools/toldPart';
import { clock, durationWords } from '../words/durationWords';
import type { ConductState } from './conduct';

/** The big figure of the hall, and what stands beside it. */
export interface MomentFigure {
  /** Time left, or the count. */
  readonly big: string;
  readonly unit: string;
  /** Beside the big figure: which hold, which phase. */
  readonly detail: string;
  /** How full the breath is that paces it, 0–1, so many seconds into the span; null where no breath does. */
  readonly fullness: ((seconds: number) => number) | null;
}

const breathWords: Record<BreathPhase, string> = {
  in: 'Breathe in',
  full: 'Rest, full',
  out: 'Breathe out',
  empty: 'Rest, empty',
};

/** How many are left; of what is given as time, how long, and how many were done; of sides in turn, of both together. */
function countOfCycle(
  span: Span,
  state: ConductState,
  done: number,
  segment: Segment | undefined,
): Pick<MomentFigure, 'big' | 'unit'> {
  const timed = segment?.type === 'exercise' && isTimed(segment.dose);
  if (span.byCue) {
    const planned = counted(span.amount, 'repetition');
    return timed
      ? { big: clock(Math.floor(state.offsetMs / 1000)), unit: `${counted(done, 'repetition')} done` }
      : { big: `${done}`, unit: `done, ${planned} planned` };
  }
  if (timed && span.turns === 1) {
    const left = Math.ceil((span.durationMs - state.offsetMs) / 1000 - 1e-6);
    return { big: clock(Math.max(0, left)), unit: `${counted(done, 'repetition')} done` };
  }
  const [all, gone] = span.turns > 1 ? [span.turns, span.turn - 1 + Math.floor(done)] : [span.amount, done];
  return { big: `${all - gone}`, unit: `of ${all} to go${span.turns > 1 ? ', sides in turn' : ''}` };
}

/** Which of the breaths is on for which a part stays. */
const heldWords = (breaths: number, within: number): string =>
  `breath ${Math.min(breaths, Math.floor(within * breaths + 1e-6) + 1)} of ${breaths}`;

/** Which stage of a drill is on; empty where it is the whole of it. */
function stagedWords(segment: Segment | undefined, exercise: Exercise | undefined): string {
  if (segment?.type !== 'exercise' || exercise === undefined) return '';
  const stage = stageOf(segment, exercise);
  return stage === null ? '' : `Stage ${segment.turned!.stage!}: ${stage.name}`;
}

function cycleFigure(
  span: Span,
  state: ConductState,
  exercise: Exercise | undefined,
  segment: Segment | undefined,
  school: School,
): MomentFigure {
  const { done: paced, into } = spanRepetition(span, state.offsetMs);
  const done = state.taps ?? (span.byCue ? paced : Math.min(span.amount, paced));
  const dose = segment?.type === 'exercise' ? segment.dose : exercise?.defaultDose;
  const phases =
    exercise === undefined || dose === undefined ? [] : cycleParts(stayingDrill(exercise, dose), span.direction);
  let reached = 0;
  const phase = phases.find((entry) => (reached += entry.share) > into + 1e-9);
  const within = phase === undefined ? 0 : 1 - (reached - into) / phase.share;
  const knots = phaseKnots(phases, 1);
  const byPace = state.taps === null;
  return {
    ...countOfCycle(span, state, done, segment),
    detail: [
      stagedWords(segment, exercise),
      !byPace ? 'Counting your taps' : phase === undefined ? '' : toldPart(phase, school),
      byPace && phase !== undefined && phase.heldBreaths > 0 ? heldWords(phase.heldBreaths, within) : '',
    ]
      .filter((words) => words !== '')
      .join(' · '),
    fullness:
      knots === null || !byPace || !pacesBreath(school)
        ? null
        : (seconds) => fullnessAt(knots, spanRepetition(span, seconds * 1000).into % 1),
  };
}

function breathFigure(span: Span, state: ConductState, segment: Segment | undefined): MomentFigure {
  if (segment?.type !== 'exercise' || segment.dose.kind !== 'breath')
    return { big: '', unit: '', detail: '', fullness: null };
  const { dose } = segment;
  const period = breathPeriod(dose.pattern);
  const { done, into } = spanRepetition(span, state.offsetMs);
  const knots = patternKnots(dose.pattern);
  const [all, gone] = span.turns > 1 ? [span.turns, span.turn - 1 + done] : [span.amount, done];
  return {
    big: span.byCue ? `${done}` : `${Math.max(0, all - gone)}`,
    unit: span.byCue ? `breaths done, ${all} planned` : `of ${all} breaths to go`,
    detail: breathWords[breathPhaseAt(dose.pattern, Math.min(into, 1 - 1e-9) * period).phase],
    fullness: (at) => fullnessAt(knots, (spanRepetition(span, at * 1000).into % 1) * period),
  };
}

/** The count, the time or the breath of a span at a moment, in figures and words. */
export function momentFigure(
  span: Span,
  state: ConductState,
  segment: Segment | undefined,
  exercise: Exercise | undefined,
  school: School,
): MomentFigure {
  if (span.kind === 'cycle') return cycleFigure(span, state, exercise, segment, school);
  if (span.kind === 'breath') return breathFigure(span, state, segment);
  const set = span.kind === 'hold' && span.sets > 1 ? `Hold ${span.set} of ${span.sets}` : '';
  const attention = span.kind === 'hold' ? attentionOf(span, state, exercise, segment) : '';
  // How it is stood in matters while it is taken up and held.
  const stood = segment?.type === 'exercise' && span.kind !== 'rest' ? turnedWords(segment.turned ?? {}) : '';
  const byFeel = segment?.type === 'exercise' && segment.dose.least === 0;
  const detail = [set, stood, attention, span.byCue && !byFeel ? 'until the cue: Next ends it' : '']
    .filter((words) => words !== '')
    .join(' · ');
  if (span.byCue && span.kind === 'settle') {
    const words = [stood, 'it begins on the cue: Next'].filter((part) => part !== '').join(' · ');
    return { big: clock(Math.floor(state.offsetMs / 1000)), unit: '', detail: words, fullness: null };
  }
  if (!span.byCue) {
    const left = Math.ceil((span.durationMs - state.offsetMs) / 1000 - 1e-6);
    return { big: clock(left), unit: '', detail, fullness: null };
  }
  const over = state.offsetMs - span.durationMs;
  return {
    big: clock(Math.floor(state.offsetMs / 1000)),
    unit: over < 0 ? `of about ${durationWords(span.durationMs / 1000)}` : `${durationWords(over / 1000)} over`,
    detail,
    fullness: null,
  };
}

/** Where the attention is in a hold: one part after the other. */
function attentionOf(
  span: Span,
  state: ConductState,
  exercise: Exercise | undefined,
  segment: Segment | undefined,
): string {
  if (segment?.type !== 'exercise' || segment.dose.kind !== 'hold' || exercise === undefined) return '';
  const part = holdPartAt(holdParts(segment.dose, exercise), state.offsetMs / span.durationMs);
  return part === undefined ? '' : `attention: ${part.words}`;
}
