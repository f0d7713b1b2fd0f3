import { deg, rad } from '../words/angles';
import { checkRange } from '../words/checkRange';
import type { Body } from './body';
import { postureStatics, type Point, type Stance } from './statics';

/** One leg seen from the side; x forward from the heel of the front foot, m. */
export interface LegPoints {
  readonly ankle: Point;
  readonly knee: Point;
  readonly hip: Point;
}

export interface BowGeometry {
  readonly front: LegPoints;
  readonly rear: LegPoints;
  /** Bend of the front knee, degrees. */
  readonly frontBendDeg: number;
  /** Forward tilt of the front shank, degrees. */
  readonly shankTiltDeg: number;
  /** Front knee beyond the front toes; negative behind them, m. */
  readonly kneePastToes: number;
  /** Bend of the rear knee, degrees; 0 when the leg is stretched. */
  readonly rearBendDeg: number;
  /** How much the rear leg is too short for the step; 0 when it reaches, m. */
  readonly tooLong: number;
  /** Where the weight falls, forward from the front heel, m. */
  readonly weightX: number;
}

const STEPS = 48;
/** The pelvis may open 45° to the rear: its hip joint then stands this share of the breadth of the hips behind. */
const OPENED = 0.55 * Math.SQRT1_2;
/** How far the rear hip joint stands behind the front one of a pelvis that opens to its rear leg, m. @param ahead heel to heel, m */
export const openedBy = ({ lengths }: Pick<Body, 'lengths'>, ahead: number): number =>
  Math.min(ahead, OPENED * lengths.hipBreadth);

/**
 * A chain of two bones from an ankle to a hip, the knee in front of the line between them. A hip out
 * of reach gives a straight leg, the knee at its share of the way.
 */
export function bentLeg(shank: number, thigh: number, ankle: Point, hip: Point): { knee: Point; bendDeg: number } {
  const far = Math.hypot(hip.x - ankle.x, hip.y - ankle.y);
  const share = shank / (shank + thigh);
  if (far >= shank + thigh || far < 1e-6) {
    return {
      knee: { x: ankle.x + share * (hip.x - ankle.x), y: ankle.y + share * (hip.y - ankle.y) },
      bendDeg: 0,
    };
  }
  const reach = Math.max(far, Math.abs(shank - thigh) + 1e-9);
  const atAnkle = Math.acos(Math.min(1, (shank ** 2 + reach ** 2 - thigh ** 2) / (2 * shank * reach)));
  const line = Math.atan2(hip.x - ankle.x, hip.y - ankle.y);
  const knee = { x: ankle.x + shank * Math.sin(line + atAnkle), y: ankle.y + shank * Math.cos(line + atAnkle) };
  const inside = (shank ** 2 + thigh ** 2 - reach ** 2) / (2 * shank * thigh);
  return { knee, bendDeg: 180 - deg(Math.acos(Math.max(-1, Math.min(1, inside)))) };
}

interface BowFrame {
  readonly frontAnkle: Point;
  readonly rearAnkle: Point;
  /** Where the weight falls, forward from the front heel, m. */
  readonly weightX: number;
  /** The centre of mass before the hips, m. */
  readonly massFromHip: number;
  readonly rearOffset: number;
}

function frameOf(body: Body, stance: Stance, ahead: number, rearToesOutDeg: number): BowFrame {
  checkRange('ahead', ahead, 0, 2);
  checkRange('rearToesOutDeg', rearToesOutDeg, -30, 90);
  const { foot, ankleHeight } = body.lengths;
  // The upper body and its arms are the same above either hip: take their place from the one-footed statics.
  const { joints } = postureStatics(body, stance);
  const turned = Math.cos(rad(rearToesOutDeg));
  return {
    frontAnkle: { x: foot / 4, y: ankleHeight },
    rearAnkle: { x: -ahead + (foot / 4) * turned, y: ankleHeight },
    weightX:
      stance.weightShare * stance.pressurePoint * foot +
      (1 - stance.weightShare) * (-ahead + stance.pressurePoint * foot * turned),
    massFromHip: joints.centreOfMass.x - joints.hip.x,
    rearOffset: openedBy(body, ahead),
  };
}

/** Both legs under a hip. */
function bowUnder(body: Body, frame: BowFrame, hip: Point): BowGeometry {
  const { shank, thigh, foot } = body.lengths;
  const { frontAnkle, rearAnkle, weightX, rearOffset } = frame;
  const rearHip = { x: hip.x - rearOffset, y: hip.y };
  const front = bentLeg(shank, thigh, frontAnkle, hip);
  const rear = bentLeg(shank, thigh, rearAnkle, rearHip);
  const wanted = Math.hypot(rearHip.x - rearAnkle.x, rearHip.y - rearAnkle.y);
  return {
    front: { ankle: frontAnkle, knee: front.knee, hip },
    rear: { ankle: rearAnkle, knee: rear.knee, hip: rearHip },
    frontBendDeg: front.bendDeg,
    shankTiltDeg: deg(Math.atan2(front.knee.x - frontAnkle.x, front.knee.y - frontAnkle.y)),
    kneePastToes: front.knee.x - foot,
    rearBendDeg: rear.bendDeg,
    tooLong: Math.max(0, wanted - shank - thigh),
    weightX,
  };
}

/**
 * A bow stance seen from the side: the front leg keeps its bend and leans until the body's centre of
 * mass falls where the share of the weight wants it between the two feet; the rear leg follows. What
 * the upper body adds is taken from the same posture over one foot. Plane geometry, ours; limits: the
 * pelvis is taken as open to the rear by 45°, which is the most it gives.
 * @param ahead heel to heel, m, 0–2
 * @param rearToesOutDeg 0–90
 */
export function bowGeometry(body: Body, stance: Stance, ahead: number, rearToesOutDeg: number): BowGeometry {
  const frame = frameOf(body, stance, ahead, rearToesOutDeg);
  const { shank, thigh } = body.lengths;
  const bend = rad(stance.kneeBendDeg);
  const length = Math.sqrt(shank ** 2 + thigh ** 2 + 2 * shank * thigh * Math.cos(bend));
  const hipAt = (lean: number): Point => ({
    x: frame.frontAnkle.x + length * Math.sin(lean),
    y: frame.frontAnkle.y + length * Math.cos(lean),
  });
  let low = rad(-75);
  let high = rad(75);
  for (let step = 0; step < STEPS; step += 1) {
    const middle = (low + high) / 2;
    if (hipAt(middle).x + frame.massFromHip > frame.weightX) high = middle;
    else low = middle;
  }
  return bowUnder(body, frame, hipAt((low + high) / 2));
}

/**
 * A bow stance whose hips keep their height while the weight goes between the feet: both knees follow, the front one
 * straighter as the body sits back. As `bowGeometry` else.
 * @param hipHeight m
 */
export function bowAtHeight(
  body: Body,
  stance: Stance,
  ahead: number,
  rearToesOutDeg: number,
  hipHeight: number,
): BowGeometry {
  const frame = frameOf(body, stance, ahead, rearToesOutDeg);
  return bowUnder(body, frame, { x: frame.weightX - frame.massFromHip, y: hipHeight });
}
