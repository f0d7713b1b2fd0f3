import type { Direction, Side } from '../library/dose';
import type { Exercise } from '../library/exercise';
import { spanRepetition } from '../routine/spanRepetition';
import type { ExerciseSegment, Routine } from '../routine/routine';
import type { Span, Timeline } from '../routine/timeline';
import type { FigurePose } from '../figure/pose';
import { bellyWidth, seenSide, type SeenAs } from '../figure/seenAs';
import { shownPose, type ShownDrill } from '../figure/shownDrill';
import type { School } from '../schools/school';
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

/**
 * How far the figure is that does it: where repetitions are counted by hand, and in a hold, it stands still.
 * @param swaySeconds of a hold that is not still: how long its parts take to go round once
 */
export function doingOf(span: Span, state: ConductState, swaySeconds: number | null = null): Doing {
  const { side, direction } = span;
  const seconds = state.offsetMs / 1000;
  const running = state.running && !state.loosening;
  if (span.amount > 0 && span.kind !== 'cycle' && swaySeconds !== null) {
    const lengthMs = swaySeconds * 1000;
    const done = Math.floor(state.offsetMs / lengthMs);
    return { side, direction, done, into: state.offsetMs / lengthMs - done, lengthMs, seconds, running };
  }
  const working = span.amount > 0 && span.kind !== 'hold' && state.taps === null;
  if (!working) return { side, direction, done: 0, into: 0, lengthMs: 0, seconds, running: false };
  return { side, direction, ...spanRepetition(span, state.offsetMs), seconds, running };
}

/** An exercise that is being done, with where it is. */
export interface ShownNow {
  readonly segment: ExerciseSegment;
  readonly exercise: Exercise;
  /** It is what comes next, as it begins. */
  readonly comes: boolean;
  readonly doing: Doing;
}

/** What is shown being done: in a rest the exercise that comes, as it begins; null where none does. */
export function shownNow(
  { segments }: Routine,
  line: Timeline,
  state: ConductState,
  shelf: ReadonlyMap<string, Exercise>,
): ShownNow | null {
  const ofExercise = ({ segmentIndex, kind }: Span): boolean =>
    kind !== 'rest' && segments[segmentIndex]?.type === 'exercise';
  const span = line.spans.slice(state.spanIndex).find(ofExercise);
  const segment = span === undefined ? undefined : segments[span.segmentIndex];
  if (span === undefined || segment?.type !== 'exercise') return null;
  const exercise = shelf.get(segment.exerciseId);
  if (exercise === undefined) return null;
  const comes = span.index !== state.spanIndex;
  const doing = doingOf(span, comes ? { ...state, offsetMs: 0, running: false } : state, exercise.swaySeconds);
  return { segment, exercise, comes, doing };
}

/**
 * How the body stands that does it.
 * @param sinceMs since it was said where one is
 * @param square as the outline draws it from the side: square to the working foot; in space it is seen as it is
 */
export function doingPose(
  shown: ShownDrill,
  { side, direction, done, into, lengthMs, running }: Doing,
  sinceMs: number,
  as: SeenAs,
  square: boolean,
): FigurePose {
  const gone = running && lengthMs > 0 ? into + sinceMs / lengthMs : into;
  // A sway goes round and round; a repetition waits for the count.
  const on = shown.drill.swaySeconds === null ? Math.min(1, gone) : gone % 1;
  const drawn: ShownDrill = square ? shown : { ...shown, view: 'front' };
  return shownPose(drawn, on, done, seenSide(side, as), direction);
}

/**
 * How wide the belly of the body is that does it, 0–1.
 * @param fullness how full the breath is that paces it, so many seconds into the span; null where it is left alone
 */
export function doingBelly(
  school: Pick<School, 'belly'>,
  { seconds, running }: Doing,
  sinceMs: number,
  fullness: ((seconds: number) => number) | null,
): number | null {
  if (fullness === null) return null;
  return bellyWidth(school, fullness(seconds + (running ? sinceMs / 1000 : 0)));
}
