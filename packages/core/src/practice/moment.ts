import type { Checkpoint } from '../alignment/checkpoint';
import { axesOf, axisValue } from '../axis/doseAxis';
import { stopCaution } from '../library/cautions';
import { isTimed, type Dose, type Side } from '../library/dose';
import type { Exercise } from '../library/exercise';
import { signLine, stageLine } from '../library/teaching';
import { firmnessWords } from '../library/firmness';
import { wayWords } from '../library/wayWords';
import { durationWords } from '../words/durationWords';
import { upperFirst } from '../words/firstLetter';
import type { ExerciseSegment, Routine, Segment } from '../routine/routine';
import type { Span, Timeline } from '../routine/timeline';
import { spanRepetition } from '../routine/spanRepetition';
import { drillName, segmentDrill, stageOf } from '../routine/turned';
import { wayInOfSide } from '../schools/changeOfSide';
import type { School } from '../schools/school';
import { spokenExercise } from '../schools/spokenLine';
import type { ConductState } from './conduct';
import { cueAt, type CuePlan } from './cuePlan';
import { firmnessNow } from './firmnessCalls';
import { momentFigure, type MomentFigure } from './momentFigure';
import { sideOfWords } from './sideOfWords';

/** What the hall sees at one moment. */
export interface Moment extends MomentFigure {
  readonly kind: Span['kind'] | 'done';
  readonly title: string;
  readonly side: Side;
  readonly direction: string;
  readonly next: string;
  readonly checkpoint: Checkpoint | null;
  /** While it is taken up: the way in, and the signs that one may begin. */
  readonly wayIn: readonly string[];
  readonly mayBegin: string;
  /** What to mind of the exercise, while it is taken up. */
  readonly cautions: readonly string[];
}

const pauseTitles = { rest: 'Rest', talk: 'Listen' } as const;

type Shelf = ReadonlyMap<string, Exercise>;

/** What a segment is called in the hall: its drill, and the stage of it that is practised. */
export function nameOf(segment: Segment, shelf: Shelf): string {
  if (segment.type !== 'exercise') return segment.label === '' ? pauseTitles[segment.type] : segment.label;
  const exercise = shelf.get(segment.exerciseId);
  return exercise === undefined ? 'Exercise' : drillName(segment, exercise);
}

function titleOf(span: Span, segment: Segment, shelf: Shelf): string {
  const name = nameOf(segment, shelf);
  switch (span.kind) {
    case 'settle':
      return `Get ready: ${name}`;
    case 'change':
      return `Change: ${wayWords(span, ', ')}`;
    case 'rest':
      return segment.type === 'exercise' ? `Rest, then again: ${name}` : name;
    default:
      return name;
  }
}

function nextWords(routine: Routine, line: Timeline, at: number, shelf: Shelf): string {
  const here = line.spans[at]!;
  const next = line.spans.slice(at + 1).find((span) => span.amount > 0 || span.kind === 'rest' || span.kind === 'talk');
  if (next === undefined) return 'the end';
  const name = nameOf(routine.segments[next.segmentIndex]!, shelf);
  const side = wayWords(next, ', ');
  if (next.kind === 'rest' && next.segmentId === here.segmentId) return 'a rest';
  return side === '' ? name : `${name}, ${side}`;
}

/**
 * What is told on a change: the lines of the way in that are others than on the side before. The other way round is done from
 * the same stand.
 */
function wayInOfChange(
  span: Span,
  before: Span | undefined,
  exercise: Exercise | undefined,
  school: School,
): readonly string[] {
  if (exercise === undefined || before === undefined || before.side === span.side) return [];
  return wayInOfSide(exercise, school, before.side, span.side);
}

/** What is told while an exercise is taken up, and on a change of side. */
function takingUp(
  span: Span,
  drill: ExerciseSegment | null,
  exercise: Exercise | undefined,
  otherWayIn: readonly string[],
): Pick<Moment, 'wayIn' | 'mayBegin' | 'cautions'> {
  const none = { wayIn: [], mayBegin: '', cautions: [] };
  if (drill === null || exercise === undefined) return none;
  if (span.kind === 'change') return { ...none, wayIn: otherWayIn };
  if (span.kind !== 'settle') return none;
  const { signs } = exercise;
  const stage = stageOf(drill, exercise);
  const wayIn = [
    ...exercise.wayIn,
    ...(stage === null ? [] : [stageLine(stage)]),
    ...(drill.firmness === null ? [] : [`${upperFirst(firmnessWords(drill.firmness))}.`]),
  ];
  return {
    wayIn,
    mayBegin: signs.begin.map((sign) => signLine('begin', sign)).join(' '),
    // When to stop is said to everybody on the way in.
    cautions: exercise.cautions.filter((caution) => caution !== stopCaution),
  };
}

/** From where on it is enough, where a dose is a range or by feel; that it is, once it is. */
function enoughOf(span: Span, state: ConductState, dose: Dose): string {
  const { least } = dose;
  if (least === null || span.kind !== dose.kind) return '';
  if (least === 0) {
    return span.turnsByFeel
      ? 'as long as it feels right, up to that many: Next ends it'
      : 'as long as it feels right: Next ends it';
  }
  const inTime = dose.kind === 'hold' || isTimed(dose);
  const whole = axisValue(dose, axesOf(dose)[0]!);
  if (least >= whole) return '';
  const here = state.taps === null ? state.offsetMs / span.durationMs : state.taps / span.amount;
  const done = (span.turn - 1 + here) / span.turns;
  if (done >= least / whole - 1e-9) return 'enough now: Next ends it';
  return `enough from ${inTime ? durationWords(least) : `${least}`}`;
}

/** How firm hands or steps are to be now; empty where nothing is said of it. */
function firmNow(span: Span, state: ConductState, drill: ExerciseSegment | null): string {
  if (drill === null) return '';
  const done = state.taps ?? spanRepetition(span, state.offsetMs).done;
  const now = firmnessNow(drill, span, done, state.offsetMs);
  return now === null ? '' : firmnessWords({ of: now.of, from: now.level, to: now.level });
}

/**
 * What the hall sees, from the state of the practice: pure, so it can be tested without a clock.
 * @param cues which checkpoint is up when
 */
export function momentOf(
  routine: Routine,
  line: Timeline,
  state: ConductState,
  shelf: Shelf,
  school: School,
  cues: CuePlan,
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
  const segment = routine.segments[span.segmentIndex]!;
  const drill = segment.type === 'exercise' ? segment : null;
  const written = drill === null ? undefined : shelf.get(drill.exerciseId);
  const done = drill === null || written === undefined ? undefined : segmentDrill(drill, written);
  const exercise =
    done === undefined ? undefined : spokenExercise(done, school, sideOfWords(span, done, state.offsetMs));
  const point = cueAt(cues, span, state.offsetMs);
  const figure = momentFigure(span, state, drill, exercise, school);
  const enough = drill === null ? '' : enoughOf(span, state, drill.dose);
  return {
    kind: span.kind,
    title: titleOf(span, segment, shelf),
    side: span.side,
    direction: span.direction === 'none' ? '' : span.direction,
    next: nextWords(routine, line, span.index, shelf),
    checkpoint: exercise?.checkpoints.find(({ id }) => id === point) ?? null,
    ...takingUp(span, drill, exercise, wayInOfChange(span, line.spans[span.index - 1], done, school)),
    ...figure,
    unit: [figure.unit, firmNow(span, state, drill), enough].filter((words) => words !== '').join(' · '),
  };
}

/** What is left of a practice, ms: a hold or tapped round that goes on past its length takes nothing off what follows. */
export function leftOf(line: Timeline, { spanIndex, offsetMs }: Pick<ConductState, 'spanIndex' | 'offsetMs'>): number {
  const span = line.spans[spanIndex];
  return span === undefined ? 0 : line.totalMs - span.startMs - Math.min(offsetMs, span.durationMs);
}
