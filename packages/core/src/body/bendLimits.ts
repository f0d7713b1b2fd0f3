import { rad } from '../words/angles';
import { checkRange } from '../words/checkRange';
import { ANKLE_ALONG, BALL_ALONG, type Body } from './body';
import { HIP_JOINTS } from './jointMoments';
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

/** The bend in degrees at which the knee reaches the toe line; null when it never does (sources: Posture). */
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

/** How far down a free foot points as it is placed ball first, degrees; most ankles give 45 to 50 (from memory). */
const POINTED = 45;

/**
 * How far to the side the free foot can be placed, from foot to foot, in m, while all weight stays on the other leg. The
 * pelvis comes along over the standing foot, so the free hip joint is half the joints' distance further out; the leg goes
 * out straight and the foot lands empty, ball first, which makes it longer by the pointed foot. Weight follows afterwards.
 * A wider step lands with weight in it and cannot be taken back without a push.
 * @param headDrop 0 to the length of the leg, m
 */
export function sideStep(body: Body, headDrop: number): number {
  const { foot, ankleHeight, hipBreadth, shank, thigh } = body.lengths;
  const leg = shank + thigh;
  checkRange('headDrop', headDrop, 0, leg);
  const toBall = Math.hypot(ankleHeight, (BALL_ALONG - ANKLE_ALONG) * foot);
  const flat = Math.atan2((BALL_ALONG - ANKLE_ALONG) * foot, ankleHeight);
  const pointed = toBall * Math.cos(flat - rad(POINTED));
  const high = leg + ankleHeight - headDrop;
  return (HIP_JOINTS * hipBreadth) / 2 + Math.sqrt(Math.max(0, (leg + pointed) ** 2 - high ** 2));
}
