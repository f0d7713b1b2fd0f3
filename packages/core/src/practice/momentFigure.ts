import type { BreathPattern } from '../breath/breathPattern';
import { breathPeriod } from '../breath/breathPeriod';
import { breathPhaseAt, type BreathPhase } from '../breath/breathPhaseAt';
import { fullnessAt, patternKnots, phaseKnots } from '../library/breathCurve';
import { cycleParts } from '../library/cycleParts';
import { isTimed, type Dose, type HoldDose } from '../library/dose';
import { counted } from '../words/counted';
import type { Exercise } from '../library/exercise';
import { holdPartAt, holdParts } from '../library/holdParts';
import type { ExerciseSegment } from '../routine/routine';
import { spanRepetition } from '../routine/spanRepetition';
import type { Span } from '../routine/timeline';
import { turnedWords } from '../routine/turnedWords';
import { pacesBreath } from '../schools/breathTold';
import type { School } from '../schools/school';
import { toldPart } from '../schools/toldPart';
import { clock, durationWords } from '../words/durationWords';
import type { ConductState } from './conduct';
import { halfNow } from './halfWay';

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

/** Time left of a span, whole seconds. */
const timeLeft = (span: Span, { offsetMs }: ConductState): string =>
  clock(Math.max(0, Math.ceil((span.durationMs - offsetMs) / 1000 - 1e-6)));

const joined = (words: readonly string[]): string => words.filter((part) => part !== '').join(' · ');

/** How many are left; of what is given as time, how long, and how many were done; of sides in turn, of both together. */
function countOfCycle(span: Span, state: ConductState, done: number, dose: Dose): Pick<MomentFigure, 'big' | 'unit'> {
  const timed = isTimed(dose);
  if (span.byCue) {
    const planned = counted(span.amount, 'repetition');
    return timed
      ? { big: clock(Math.floor(state.offsetMs / 1000)), unit: `${counted(done, 'repetition')} done` }
      : { big: `${done}`, unit: `done, ${planned} planned` };
  }
  if (timed && span.turns === 1) {
    return { big: timeLeft(span, state), unit: `${counted(done, 'repetition')} done` };
  }
  const [all, gone] = span.turns > 1 ? [span.turns, span.turn - 1] : [span.amount, done];
  return { big: `${all - gone}`, unit: `of ${all} to go${span.turns > 1 ? ', sides in turn' : ''}` };
}

/** Which of the breaths is on for which a part stays. */
const heldWords = (breaths: number, within: number): string =>
  `breath ${Math.min(breaths, Math.floor(within * breaths + 1e-6) + 1)} of ${breaths}`;

function cycleFigure(
  span: Span,
  state: ConductState,
  drill: ExerciseSegment,
  exercise: Exercise | undefined,
  school: School,
): MomentFigure {
  const { done: paced, into } = spanRepetition(span, state.offsetMs);
  const done = state.taps ?? (span.byCue ? paced : Math.min(span.amount, paced));
  const phases = exercise === undefined ? [] : cycleParts(exercise, span.direction);
  let reached = 0;
  const phase = phases.find((entry) => (reached += entry.share) > into + 1e-9);
  const within = phase === undefined ? 0 : 1 - (reached - into) / phase.share;
  const knots = phaseKnots(phases, 1);
  const byPace = state.taps === null;
  return {
    ...countOfCycle(span, state, done, drill.dose),
    detail: joined([
      exercise === undefined ? '' : halfNow(span, exercise, done),
      !byPace
        ? 'You count: tap at each repetition. The clock is stopped.'
        : phase === undefined
          ? ''
          : toldPart(phase, school),
      byPace && phase !== undefined && phase.heldBreaths > 0 ? heldWords(phase.heldBreaths, within) : '',
    ]),
    fullness:
      knots === null || !byPace || !pacesBreath(school)
        ? null
        : (seconds) => fullnessAt(knots, spanRepetition(span, seconds * 1000).into),
  };
}

/** Where the attention is in a hold, by time or counted in breaths: one part after the other. */
function attentionOf(
  span: Span,
  state: ConductState,
  parts: HoldDose['parts'],
  exercise: Exercise | undefined,
): string {
  if (exercise === undefined) return '';
  const part = holdPartAt(holdParts({ parts }, exercise), state.offsetMs / span.durationMs);
  return part === undefined ? '' : `attention: ${part.words}`;
}

function breathFigure(
  span: Span,
  state: ConductState,
  pattern: BreathPattern,
  exercise: Exercise | undefined,
): MomentFigure {
  const period = breathPeriod(pattern);
  const { done, into } = spanRepetition(span, state.offsetMs);
  const knots = patternKnots(pattern);
  const [all, gone] = span.turns > 1 ? [span.turns, span.turn - 1] : [span.amount, done];
  return {
    big: span.byCue ? `${done}` : `${Math.max(0, all - gone)}`,
    unit: span.byCue ? `breaths done, ${all} planned` : `of ${all} breaths to go`,
    detail: joined([
      breathWords[breathPhaseAt(pattern, Math.min(into, 1 - 1e-9) * period).phase],
      attentionOf(span, state, [], exercise),
    ]),
    fullness: (at) => fullnessAt(knots, spanRepetition(span, at * 1000).into * period),
  };
}

/**
 * The count, the time or the breath of a span at a moment, in figures and words.
 * @param drill the exercise the span belongs to, as the routine has it; null in a pause
 * @param exercise as it is done and said there
 */
export function momentFigure(
  span: Span,
  state: ConductState,
  drill: ExerciseSegment | null,
  exercise: Exercise | undefined,
  school: School,
): MomentFigure {
  const plain = { unit: '', detail: '', fullness: null };
  if (drill === null || span.kind === 'rest') return { ...plain, big: timeLeft(span, state) };
  const { dose } = drill;
  const working = span.kind === dose.kind;
  if (working && dose.kind === 'cycle') return cycleFigure(span, state, drill, exercise, school);
  if (working && dose.kind === 'breath') return breathFigure(span, state, dose.pattern, exercise);
  // How it is stood in matters while it is taken up and held.
  const stood = turnedWords({ ...drill.turned, stage: null });
  const gone = clock(Math.floor(state.offsetMs / 1000));
  if (!working) {
    if (!span.byCue) return { ...plain, big: timeLeft(span, state), detail: stood };
    return { ...plain, big: gone, detail: joined([stood, 'it begins on the cue: Next']) };
  }
  const detail = joined([
    span.sets > 1 ? `Hold ${span.set} of ${span.sets}` : '',
    stood,
    attentionOf(span, state, dose.kind === 'hold' ? dose.parts : [], exercise),
    span.byCue && dose.least !== 0 ? 'until the cue: Next ends it' : '',
  ]);
  if (!span.byCue) return { ...plain, big: timeLeft(span, state), detail };
  const over = state.offsetMs - span.durationMs;
  const unit = over < 0 ? `of about ${durationWords(span.durationMs / 1000)}` : `${durationWords(over / 1000)} over`;
  return { ...plain, big: gone, unit, detail };
}
