import type { Exercise, Posture } from '../library/exercise';
import { stagedDrill, stagedPosture } from '../library/stagedDrill';
import { stayingDrill } from '../library/staying';
import type { SetPosture } from '../schools/conventions';
import type { Stage } from '../library/teaching';
import { lowerFirst } from '../words/firstLetter';
import { asItIs, type ExerciseSegment, type Turned } from './routine';

/** A posture left as the exercise has it. */
export const unturned: Turned = {
  kneeBendDeg: null,
  weightShare: null,
  shoulderRaiseDeg: null,
  ahead: null,
  stanceWidth: null,
  stage: null,
  handOn: null,
};

/** The segment with its posture turned in part; a turn that leaves everything is taken away. */
export function turnedBy(segment: ExerciseSegment, part: Partial<Turned>): ExerciseSegment {
  return { ...segment, turned: asItIs({ ...(segment.turned ?? unturned), ...part }) };
}

/** What of a drill is practised: one of its stages, from 1; null the whole of it. */
export const stageOf = (
  { turned }: Pick<ExerciseSegment, 'turned'>,
  { stages }: Pick<Exercise, 'stages'>,
): Stage | null => {
  return stages[(turned?.stage ?? 0) - 1] ?? null;
};

/** A posture turned in part; what is null or left out stays as it is. */
export function turnedPosture<P extends Posture>(posture: P, turned: Partial<Turned>): P & { widthSet?: true } {
  const weightShare = turned.weightShare ?? posture.weightShare;
  return {
    ...posture,
    kneeBendDeg: turned.kneeBendDeg ?? posture.kneeBendDeg,
    shoulderRaiseDeg: turned.shoulderRaiseDeg ?? posture.shoulderRaiseDeg,
    ahead: turned.ahead ?? posture.ahead,
    stanceWidth: turned.stanceWidth ?? posture.stanceWidth,
    // What is set is meant, also where it is one shoulder breadth and the school stands otherwise.
    ...(turned.stanceWidth == null ? {} : { widthSet: true as const }),
    weightShare,
    otherLifted: posture.otherLifted && weightShare === 1,
  };
}

/** What a segment is called: its drill, and the stage of it that is practised. */
export function drillName(
  segment: Pick<ExerciseSegment, 'turned'>,
  exercise: Pick<Exercise, 'name' | 'stages'>,
): string {
  const stage = stageOf(segment, exercise);
  return stage === null ? exercise.name : `${exercise.name}: ${lowerFirst(stage.name)}`;
}

/** What the posture of a segment is made of. */
export type Staged = Pick<Exercise, 'posture' | 'phases' | 'stages'>;

/** The posture in which a segment is done: the exercise's, in the stage that is practised, with what the segment turns of it. */
export const segmentPosture = (segment: ExerciseSegment, exercise: Staged): SetPosture =>
  turnedPosture(stagedPosture(exercise, stageOf(segment, exercise)), segment.turned ?? unturned);

/**
 * The exercise as a segment has it done: in its stage, its posture and with the stay of its dose. What is shown, said, counted and
 * calculated of a segment begins with this.
 */
export function segmentDrill(
  segment: ExerciseSegment,
  exercise: Exercise,
): Exercise & { readonly posture: SetPosture } {
  const staged = stagedDrill(exercise, stageOf(segment, exercise));
  return stayingDrill({ ...staged, posture: segmentPosture(segment, exercise) }, segment.dose);
}
