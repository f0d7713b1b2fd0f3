import type { Body } from '../body/body';
import type { Exercise } from '../library/exercise';
import { settlePosture } from '../schools/conventions';
import type { School } from '../schools/school';
import { cycleMoment, isPlayable } from './cycleMoment';
import { figurePose } from './figurePose';
import type { Point3 } from './point3';
import type { FigurePose } from './pose';

/** Stances wider than this are seen from the front, shoulder breadths. House value. */
const WIDE = 1.25;
/** Moments of a cycle that are looked at. */
const MOMENTS = 12;

/** What of a body one watches in a drill. */
const watched = ({ pelvis, arms, legs }: FigurePose): Point3[] => [
  pelvis,
  arms.left.wrist,
  arms.right.wrist,
  legs.left.knee,
  legs.right.knee,
  legs.left.ankle,
  legs.right.ankle,
];

/**
 * From where a drill is seen best: what moves, from where it moves most across the picture; what is held, from the side, where
 * the knee stands against the toes, or from the front where the feet stand wide.
 */
export function bestView(exercise: Exercise, body: Body, school: School): 'side' | 'front' {
  const { posture } = exercise;
  if (!isPlayable(exercise)) return posture.stanceWidth >= WIDE && !posture.seated ? 'front' : 'side';
  const settled = settlePosture(posture, school);
  const poses = Array.from({ length: MOMENTS }, (_, at) =>
    watched(figurePose(body, settled, cycleMoment(exercise, school, at / MOMENTS)!, 'right')),
  );
  const way = (along: 'x' | 'z'): number =>
    poses.reduce((sum, points, at) => {
      const next = poses[(at + 1) % MOMENTS]!;
      return sum + points.reduce((moved, point, index) => moved + Math.abs(next[index]![along] - point[along]), 0);
    }, 0);
  return way('x') > way('z') ? 'side' : 'front';
}
