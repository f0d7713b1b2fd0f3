import type { Body } from '../body/body';
import type { Exercise } from '../library/exercise';
import { settlePosture } from '../schools/conventions';
import type { School } from '../schools/school';
import { cycleMoment, isPlayable } from './cycleMoment';
import { figurePose } from './figurePose';
import { lengthOf, minus, mixed, type Point3 } from './point3';
import type { FigurePose, FootSide } from './pose';

/** A foot that stands on the floor and yet moves over it in a part of a repetition. */
export interface SlidingFoot {
  /** From 0. */
  readonly part: number;
  readonly role: 'working' | 'other';
  /** How far, m. */
  readonly far: number;
}

/** Moments of a part that are looked at. */
const MOMENTS = 6;
/** What moves less in a part cannot be seen to slide, m. House value. */
const SEEN = 0.02;
/** Where the ball of a foot is on its way from heel to toes; a foot that turns turns on it. */
const BALL = 0.72;

const ball = ({ feet }: FigurePose, side: FootSide): Point3 => ({
  ...mixed(feet[side].heel, feet[side].toe, BALL),
  y: 0,
});
const sides = ['left', 'right'] as const;

/**
 * The feet of a repetition that slide: that move over the floor while they stand on it. In a walk the body stays in the middle of the picture and the
 * floor goes by, so that nothing slides while a foot is lifted.
 */
export function slidingFeet(drill: Exercise, body: Body, school: School): SlidingFoot[] {
  if (!isPlayable(drill)) return [];
  const settled = settlePosture(drill.posture, school);
  const poseAt = (at: number): FigurePose =>
    figurePose(body, settled, cycleMoment(drill, school, Math.min(at, 1 - 1e-9))!, 'right');
  let begun = 0;
  return drill.phases.flatMap(({ share }, part) => {
    const from = begun;
    begun += share;
    const poses = Array.from({ length: MOMENTS + 1 }, (_, nth) => poseAt(from + (share * nth) / MOMENTS));
    return sides.flatMap((side): SlidingFoot[] => {
      const far = poses.slice(1).reduce((sum, now, nth) => {
        const before = poses[nth]!;
        const up = (foot: FootSide): boolean => now.feet[foot].lifted || before.feet[foot].lifted;
        const stands = !up(side) && !(drill.travel !== null && sides.some(up));
        return stands ? sum + lengthOf(minus(ball(now, side), ball(before, side))) : sum;
      }, 0);
      return far > SEEN ? [{ part, role: side === 'right' ? 'working' : 'other', far }] : [];
    });
  });
}
