import {
  breathPhaseAt,
  breathPeriod,
  cycleParts,
  holdPartAt,
  holdParts,
  spanRepetition,
  stageOf,
  stayingDrill,
  cueOrder,
  pacesBreath,
  pointsIn,
  toldPart,
  signLine,
  spokenExercise,
  stopCaution,
  axesOf,
  axisValue,
  clock,
  counted,
  isTimed,
  durationWords,
  turnedWords,
  fullnessAt,
  patternKnots,
  phaseKnots,
  type BreathPhase,
  type Checkpoint,
  type ConductState,
  type Exercise,
  type Routine,
  type School,
  type Segment,
  type Side,
  type Span,
  type Timeline,
} from '@pomek/core';

/** What the hall sees at one moment. */
export interface Moment {
  readonly kind: Span['kind'] | 'done';
  readonly title: string;
  readonly side: Side;
  readonly direction: string;
  /** The big figure: time left, or the count. */
  readonly big: string;
  readonly unit: string;
  /** Beside the big figure: which hold, which phase. */
  readonly detail: string;
  readonly next: string;
  readonly checkpoint: Checkpoint | null;
  /** While it is taken up: the way in, and the signs that one may begin. */
  readonly wayIn: readonly string[];
  readonly mayBegin: string;
  /** What to mind of the exercise, while it is taken up. */
  readonly cautions: readonly string[];
  /** How full the breath is that paces it, 0–1, so many seconds into the span; null where no breath does. */
  readonly fullness: ((seconds: number) => number) | null;
}

const breathWords: Record<BreathPhase, string> = {
  in: 'Breathe in',
  full: 'Rest, full',
  out: 'Breathe out',
  empty: 'Rest, empty',
};
const pauseTitles = { rest: 'Rest', talk: 'Listen' } as const;

/** How long one checkpoint stays up. */
const CHECKPOINT_SECONDS = 20;

type Shelf = ReadonlyMap<string, Exercise>;

/** What a segment is called in the hall. */
export function nameOf(segment: Segment | undefined, shelf: Shelf): string {
  if (segment === undefined) return '';
  if (segment.type !== 'exercise') return segment.label === '' ? pauseTitles[segment.type] : segment.label;
  return shelf.get(segment.exerciseId)?.name ?? 'Exercise';
}

function sideWords(span: Span): string {
  return [span.side === 'both' ? '' : span.side, span.direction === 'none' ? '' : span.direction]
    .filter((word) => word !== '')
    .join(', ');
}

function titleOf(span: Span, segment: Segment | undefined, shelf: Shelf): string {
  const name = nameOf(segment, shelf);
  switch (span.kind) {
    case 'settle':
      return `Take up: ${name}`;
    case 'change':
      return `Change: ${sideWords(span)}`;
    case 'rest':
      return segment?.type === 'exercise' ? `Rest, then again: ${name}` : name;
    default:
      return name;
  }
}

function nextWords(routine: Routine, line: Timeline, at: number, shelf: Shelf): string {
  const here = line.spans[at];
  const next = line.spans.slice(at + 1).find((span) => span.amount > 0 || span.kind === 'rest' || span.kind === 'talk');
  if (next === undefined) return 'the end';
  const name = nameOf(routine.segments[next.segmentIndex], shelf);
  const side = sideWords(next);
  if (next.kind === 'rest' && next.segmentId === here?.segmentId) return 'a rest';
  return side === '' ? name : `${name}, ${side}`;
}

type Figure = Pick<Moment, 'big' | 'unit' | 'detail' | 'fullness'>;

/** How many are left; of what is given as time, how long, and how many were done; of sides in turn, of both together. */
function countOfCycle(
  span: Span,
  state: ConductState,
  done: number,
  segment: Segment | undefined,
): Pick<Figure, 'big' | 'unit'> {
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
): Figure {
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

function breathFigure(span: Span, state: ConductState, segment: Segment | undefined): Figure {
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

function figureOf(
  span: Span,
  state: ConductState,
  segment: Segment | undefined,
  exercise: Exercise | undefined,
  school: School,
): Figure {
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

/** What is told while an exercise is taken up. */
function takingUp(
  span: Span,
  exercise: Exercise | undefined,
  segment: Segment | undefined,
): Pick<Moment, 'wayIn' | 'mayBegin' | 'cautions'> {
  if (span.kind !== 'settle' || exercise === undefined) return { wayIn: [], mayBegin: '', cautions: [] };
  const { signs } = exercise;
  const stage = segment?.type === 'exercise' ? stageOf(segment, exercise) : null;
  const wayIn = stage === null ? exercise.wayIn : [...exercise.wayIn, `${stage.name}. ${stage.words}`];
  return {
    wayIn,
    mayBegin: signs.begin.map((sign) => signLine('begin', sign)).join(' '),
    // When to stop is said to everybody on the way in.
    cautions: exercise.cautions.filter((caution) => caution !== stopCaution),
  };
}

const work: ReadonlySet<Span['kind']> = new Set(['hold', 'cycle', 'breath']);

/** From where on it is enough, where a dose is a range or by feel; that it is, once it is. */
function enoughOf(span: Span, state: ConductState, segment: Segment | undefined): string {
  if (segment?.type !== 'exercise' || segment.dose.least === null || !work.has(span.kind)) return '';
  const { dose } = segment;
  const { least } = segment.dose;
  if (least === 0) return 'as long as it feels right: Next ends it';
  const inTime = dose.kind === 'hold' || isTimed(dose);
  const whole = axisValue(dose, axesOf(dose)[0]!);
  const here = state.taps === null ? state.offsetMs / span.durationMs : state.taps / span.amount;
  const done = span.turns > 1 ? (span.turn - 1 + here) / span.turns : here;
  if (done >= least / whole - 1e-9) return 'enough now: Next ends it';
  return `enough from ${inTime ? durationWords(least) : `${least}`}`;
}

/** Where sides take turns: how long they have done so, ms; a point stays up as long as elsewhere. */
const beforeInTurns = ({ turn, durationMs }: Span): number => (turn - 1) * durationMs;

/** The checkpoint that is up: what the student is being corrected for and what can hurt first, then the drill’s own in turn, as many as the school looks at. */
function checkpointOf(
  span: Span,
  state: Pick<ConductState, 'offsetMs'>,
  exercise: Exercise | undefined,
  school: School,
  inWork: ReadonlySet<string>,
): Checkpoint | null {
  const points = cueOrder(pointsIn(exercise?.checkpoints ?? [], school), inWork, span.index - span.turn);
  if (points.length === 0 || span.kind === 'rest' || span.kind === 'talk') return null;
  const turn = Math.floor((state.offsetMs + beforeInTurns(span)) / 1000 / CHECKPOINT_SECONDS);
  return points[turn % points.length] ?? null;
}

/** The first cue of a round, in the words of the school and the side; null where there is none. */
export function firstCue(
  span: Span,
  exercise: Exercise | undefined,
  school: School,
  inWork: ReadonlySet<string>,
): Checkpoint | null {
  const spoken = exercise === undefined ? undefined : spokenExercise(exercise, school, span.side);
  return checkpointOf(span, { offsetMs: 0 }, spoken, school, inWork);
}

/**
 * What the hall sees, from the state of the practice: pure, so it can be tested without a clock.
 * @param inWork ids of checkpoints that the student is being corrected for
 */
export function momentOf(
  routine: Routine,
  line: Timeline,
  state: ConductState,
  shelf: Shelf,
  school: School,
  inWork: ReadonlySet<string> = new Set(),
): Moment {
  const span = line.spans[state.spanIndex];
  if (span === undefined || state.finished) {
    return {
      kind: 'done',
      title: 'Done',
      side: 'both',
      direction: '',
      big: '',
      unit: '',
      detail: '',
      next: '',
      checkpoint: null,
      wayIn: [],
      mayBegin: '',
      cautions: [],
      fullness: null,
    };
  }
  const segment = routine.segments[span.segmentIndex];
  const written = segment?.type === 'exercise' ? shelf.get(segment.exerciseId) : undefined;
  const exercise = written === undefined ? undefined : spokenExercise(written, school, span.side);
  const figure = figureOf(span, state, segment, exercise, school);
  const enough = enoughOf(span, state, segment);
  return {
    kind: span.kind,
    title: titleOf(span, segment, shelf),
    side: span.side,
    direction: span.direction === 'none' ? '' : span.direction,
    next: nextWords(routine, line, span.index, shelf),
    checkpoint: checkpointOf(span, state, exercise, school, inWork),
    ...takingUp(span, exercise, segment),
    ...figure,
    unit: [figure.unit, enough].filter((words) => words !== '').join(' · '),
  };
}

/** What is left of a practice, ms: a hold or tapped round that goes on past its length takes nothing off what follows. */
export function leftOf(line: Timeline, { spanIndex, offsetMs }: Pick<ConductState, 'spanIndex' | 'offsetMs'>): number {
  const span = line.spans[spanIndex];
  return span === undefined ? 0 : line.totalMs - span.startMs - Math.min(offsetMs, span.durationMs);
}
