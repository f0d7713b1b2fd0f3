import { deg, rad } from '../words/angles';
import { checkRange } from '../words/checkRange';
import { GRAVITY, massFractions, type Body } from './body';

/** Less than this cannot be seen of a knee against the toe line, m. */
export const KNEE_SEEN = 0.003;

/** A posture seen from the side. Angles in degrees. */
export interface Stance {
  /** Knee bend, 0 straight, at most 150. */
  readonly kneeBendDeg: number;
  /** Trunk forward of upright. */
  readonly trunkPitchDeg: number;
  /** Shoulder raise from hanging, and elbow bend; the forearm points at their sum. */
  readonly shoulderRaiseDeg: number;
  readonly elbowBendDeg: number;
  /** Where the weight presses along the foot: 0 heel, 1 toe tip. */
  readonly pressurePoint: number;
  /** Share of body weight on the leg, 0–1. */
  readonly weightShare: number;
}

export interface Point {
  /** Forward from the heel, m. */
  readonly x: number;
  /** Up from the floor, m. */
  readonly y: number;
}

export interface PostureStatics {
  /** Forward tilt of the shank, degrees. */
  readonly shankTiltDeg: number;
  readonly kneeMomentNm: number;
  /** Of one arm. */
  readonly shoulderMomentNm: number;
  /** Knee beyond the toe line; negative behind it, m. */
  readonly kneePastToes: number;
  /** How far the hip, and with it the head, has come down, m. */
  readonly headDrop: number;
  readonly joints: Readonly<
    Record<'ankle' | 'knee' | 'hip' | 'shoulder' | 'elbow' | 'wrist' | 'head' | 'toe' | 'centreOfMass', Point>
  >;
}

const along = (from: Point, length: number, angle: number): Point => ({
  x: from.x + length * Math.sin(angle),
  y: from.y + length * Math.cos(angle),
});
const between = (from: Point, to: Point, share: number): Point => ({
  x: from.x + share * (to.x - from.x),
  y: from.y + share * (to.y - from.y),
});

function checkStance(stance: Stance): void {
  checkRange('kneeBendDeg', stance.kneeBendDeg, 0, 150);
  checkRange('trunkPitchDeg', stance.trunkPitchDeg, -30, 100);
  checkRange('shoulderRaiseDeg', stance.shoulderRaiseDeg, 0, 180);
  checkRange('elbowBendDeg', stance.elbowBendDeg, 0, 160);
  checkRange('pressurePoint', stance.pressurePoint, 0, 1);
  checkRange('weightShare', stance.weightShare, 0, 1);
}

type Skeleton = Omit<PostureStatics['joints'], 'centreOfMass'>;

function skeleton({ lengths }: Body, stance: Stance, tilt: number): Skeleton {
  const pitch = rad(stance.trunkPitchDeg);
  const upperArm = Math.PI - rad(stance.shoulderRaiseDeg);
  const forearm = upperArm - rad(stance.elbowBendDeg);
  const ankle = { x: lengths.foot / 4, y: lengths.ankleHeight };
  const knee = along(ankle, lengths.shank, tilt);
  const hip = along(knee, lengths.thigh, tilt - rad(stance.kneeBendDeg));
  const shoulder = along(hip, lengths.trunk, pitch);
  const elbow = along(shoulder, lengths.upperArm, upperArm);
  const wrist = along(elbow, lengths.forearm, forearm);
  const head = along(shoulder, lengths.headBeyondShoulder, pitch);
  return { ankle, knee, hip, shoulder, elbow, wrist, head, toe: { x: lengths.foot, y: 0 } };
}

/** The parts of an arm with their share of body mass. */
function armParts({ lengths, centres }: Body, stance: Stance, joints: Skeleton): [number, Point][] {
  const forearm = Math.PI - rad(stance.shoulderRaiseDeg + stance.elbowBendDeg);
  return [
    [massFractions.upperArm, between(joints.shoulder, joints.elbow, centres.upperArm)],
    [massFractions.forearm, between(joints.elbow, joints.wrist, centres.forearm)],
    [massFractions.hand, along(joints.wrist, centres.hand * lengths.hand, forearm)],
  ];
}

function centreOfMass(body: Body, stance: Stance, joints: Skeleton): Point {
  const { lengths, centres } = body;
  const pairs: [number, Point][] = [
    [massFractions.foot, { x: lengths.foot * centres.foot, y: lengths.ankleHeight / 2 }],
    [massFractions.shank, between(joints.knee, joints.ankle, centres.shank)],
    [massFractions.thigh, between(joints.hip, joints.knee, centres.thigh)],
    ...armParts(body, stance, joints),
  ];
  const single: [number, Point][] = [
    [massFractions.trunk, between(joints.hip, joints.shoulder, centres.trunk)],
    [massFractions.head, joints.head],
  ];
  const parts = [...pairs.map(([mass, point]): [number, Point] => [2 * mass, point]), ...single];
  return {
    x: parts.reduce((sum, [mass, point]) => sum + mass * point.x, 0),
    y: parts.reduce((sum, [mass, point]) => sum + mass * point.y, 0),
  };
}

/** The shank tilts no further than this, radians. */
const BACK = rad(-60);
const FORWARD = rad(120);

/**
 * The shank tilt, in radians, that brings the centre of mass over the pressure point. Shank and thigh
 * turn with it and carry all the rest along, so the centre of mass stands at c + p·sin + q·cos of the
 * tilt; three tilts give the three numbers, and the rising branch gives the tilt.
 */
function solveTilt(body: Body, stance: Stance): number {
  const over = stance.pressurePoint * body.lengths.foot;
  const at = (tilt: number): number => centreOfMass(body, stance, skeleton(body, stance, tilt)).x;
  const [upright, behind] = [at(0), at(Math.PI)];
  const c = (upright + behind) / 2;
  const q = (upright - behind) / 2;
  const p = at(Math.PI / 2) - c;
  const sine = Math.max(-1, Math.min(1, (over - c) / Math.hypot(p, q)));
  return Math.max(BACK, Math.min(FORWARD, Math.asin(sine) - Math.atan2(q, p)));
}

/**
 * The statics of a held posture, seen from the side (sources: Posture). The shank tilts until the whole-body
 * centre of mass stands over the pressure point. A bow stance or a single leg uses the same function
 * with its own bend and share per leg; shear between front and back foot is neglected.
 * Limits: both legs are drawn alike, joints are hinges, muscles across two joints are left out.
 * @throws RangeError that names the argument and its bounds.
 */
export function postureStatics(body: Body, stance: Stance): PostureStatics {
  checkStance(stance);
  const tilt = solveTilt(body, stance);
  const joints = skeleton(body, stance, tilt);
  const { lengths, mass, centres } = body;
  const { knee, shoulder } = joints;
  const weight = mass * GRAVITY;
  const shankX = between(knee, joints.ankle, centres.shank).x;
  const footX = lengths.foot * centres.foot;
  const kneeMomentNm =
    weight *
    (stance.weightShare * (knee.x - stance.pressurePoint * lengths.foot) -
      massFractions.shank * (knee.x - shankX) -
      massFractions.foot * (knee.x - footX));
  const shoulderMomentNm = armParts(body, stance, joints).reduce(
    (sum, [share, point]) => sum + share * weight * (point.x - shoulder.x),
    0,
  );
  const straight = lengths.shank + lengths.thigh + lengths.ankleHeight;
  return {
    shankTiltDeg: deg(tilt),
    kneeMomentNm,
    shoulderMomentNm,
    kneePastToes: knee.x - lengths.foot,
    headDrop: straight - joints.hip.y,
    joints: { ...joints, centreOfMass: centreOfMass(body, stance, joints) },
  };
}
