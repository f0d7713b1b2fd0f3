import { checkRange } from '../words/checkRange';
import type { Body } from './body';
import { postureStatics, type PostureStatics, type Stance } from './statics';

type Pose = Omit<Stance, 'kneeBendDeg'>;

const MOST = 150;
const STRIDE = 10;
const STEPS = 60;
/** As near as a bend is found, degrees. */
const NEAR = 1e-9;

/** The bend at which `value` first reaches `wanted`, or null when it never does. */
function bendWhere(body: Body, pose: Pose, value: (statics: PostureStatics) => number, wanted: number): number | null {
  const over = (kneeBendDeg: number): number => value(postureStatics(body, { ...pose, kneeBendDeg })) - wanted;
  let [low, below] = [0, over(0)];
  if (below >= 0) return 0;
  let [high, above] = [STRIDE, over(STRIDE)];
  while (above < 0) {
    [low, below] = [high, above];
    high += STRIDE;
    if (high > MOST) return null;
    above = over(high);
  }
  // False position, the end that stays halved (Illinois).
  for (let step = 0; step < STEPS && high - low > NEAR; step += 1) {
    const middle = (low * above - high * below) / (above - below);
    const there = over(middle);
    if (Math.abs(there) < 1e-13) return middle;
    if (there > 0) {
      [high, above] = [middle, there];
      below /= 2;
    } else {
      [low, below] = [middle, there];
      above /= 2;
    }
  }
  return (low + high) / 2;
}

/** The bend in degrees at which the knee reaches the toe line; null when it never does (model §2). */
export const toeLineBend = (body: Body, pose: Pose): number | null =>
  bendWhere(body, pose, (statics) => statics.kneePastToes, 0);

/** How far the ankle bends in most adults, degrees: from memory; a knee-to-wall test replaces it. */
export const USUAL_ANKLE_RANGE = 38;

/**
 * The bend in degrees at which the shank tilt uses up the ankle's range; below it an upright trunk
 * would tip back or the heel lift. Null when that never happens.
 * @param ankleRangeDeg 5–60
 */
export function balanceLimit(body: Body, pose: Pose, ankleRangeDeg = USUAL_ANKLE_RANGE): number | null {
  checkRange('ankleRangeDeg', ankleRangeDeg, 5, 60);
  return bendWhere(body, pose, (statics) => statics.shankTiltDeg, ankleRangeDeg);
}

/** The bend in degrees for a head drop in m, as read off a mark on a door frame; null when it is too deep. */
export function bendFromHeadDrop(body: Body, pose: Pose, headDrop: number): number | null {
  checkRange('headDrop', headDrop, 0, body.stature);
  return bendWhere(body, pose, (statics) => statics.headDrop, headDrop);
}

/** The bend in degrees that puts the knee `behind` m behind the toe line (negative: past it); null when none does. */
export function bendFromKneeBehindToes(body: Body, pose: Pose, behind: number): number | null {
  checkRange('behind', behind, -1, 1);
  return bendWhere(body, pose, (statics) => statics.kneePastToes, -behind);
}

/**
 * How far beyond its hip joint the free foot can touch, in m, while all weight stays on the other
 * leg: √(L² − (L − d)²). A longer step cannot be taken back without a push.
 * @param headDrop 0 to the length of the leg, m
 */
export function retractableStep(body: Body, headDrop: number): number {
  const leg = body.lengths.shank + body.lengths.thigh;
  checkRange('headDrop', headDrop, 0, leg);
  return Math.sqrt(leg ** 2 - (leg - headDrop) ** 2);
}
