import type { Body } from '../body/body';
import type { Direction, Side } from '../library/dose';
import type { Exercise } from '../library/exercise';
import type { ExerciseSegment } from '../routine/routine';
import { segmentDrill } from '../routine/turned';
import { settlePosture, type SettledPosture } from '../schools/conventions';
import type { School } from '../schools/school';
import { bestView } from './bestView';
import { cycleMoment, isPlayable } from './cycleMoment';
import { figurePose, stillPose } from './figurePose';
import { flippedSide, type FigurePose, type FootSide } from './pose';

/** An exercise of a routine as it is shown being done on a body. */
export interface ShownDrill {
  readonly body: Body;
  readonly school: School;
  /** In the posture and with the stay of its segment. */
  readonly drill: Exercise;
  readonly settled: SettledPosture;
  readonly view: 'side' | 'front';
  /** Whether it is shown moving; else its stand. */
  readonly moves: boolean;
  /** How high a hand goes in it, m, so that its floor stays where it is. */
  readonly highest: number;
  /** How far from its middle line a hand, an elbow or a foot goes in it, m, so that all of it is seen from everywhere. */
  readonly reach: number;
}

/** Moments of a cycle in which the hands are looked at. */
const MOMENTS = 16;

/** What is shown of a segment: from where its drill is seen best, moving where its movement is known and it is not held. */
export function shownDrill(segment: ExerciseSegment, exercise: Exercise, body: Body, school: School): ShownDrill {
  const drill = segmentDrill(segment, exercise);
  const shown = {
    body,
    school,
    drill,
    settled: settlePosture(drill.posture, school),
    view: bestView(drill, body, school),
    moves: (segment.dose.kind !== 'hold' || drill.swaySeconds !== null) && isPlayable(drill),
    highest: 0,
    reach: 0,
  };
  const poses = shown.moves
    ? Array.from({ length: MOMENTS }, (_, at) => shownPose(shown, at / MOMENTS, 0, 'right', 'forward'))
    : [shownPose(shown, 0, 0, 'right', 'forward')];
  return {
    ...shown,
    highest: Math.max(...poses.flatMap(({ arms }) => [arms.left.hand.y, arms.right.hand.y])),
    reach: Math.max(...poses.map(reachOf)),
  };
}

/** How far from the line through the middle of the floor a pose goes to any side, m. */
export function reachOf({ arms, feet, pelvis }: Pick<FigurePose, 'arms' | 'feet' | 'pelvis'>): number {
  const ends = (['left', 'right'] as const).flatMap((side) => {
    const { elbow, hand } = arms[side];
    const { heel, toe } = feet[side];
    return [elbow, hand, heel, toe];
  });
  return Math.max(...[pelvis, ...ends].map(({ x, z }) => Math.hypot(x, z)));
}

/**
 * How the body stands at a moment of a shown drill.
 * @param into how far the repetition that is on is, 0–1
 * @param done whole repetitions before it: a walk changes its side with each
 * @param side as it is to be drawn; both together is drawn as the right
 */
export function shownPose(
  { body, school, drill, settled, view, moves }: Omit<ShownDrill, 'highest' | 'reach'>,
  into: number,
  done: number,
  side: Side,
  direction: Direction,
): FigurePose {
  const working: FootSide = side === 'left' ? 'left' : 'right';
  const square = view === 'side';
  if (!moves) return stillPose(body, drill.posture, school, working, square);
  const here = drill.phasesSwap && done % 2 === 1 ? flippedSide(working) : working;
  const at = direction === 'reversed' ? 1 - into : into;
  return figurePose(body, settled, cycleMoment(drill, school, Math.max(0, Math.min(at, 1 - 1e-9)))!, here, square);
}
