import type { Body } from '../body/body';
import { add, dot, lengthOf, minus, mixed, scaled, unit, UP, type Point3 } from '../figure/point3';
import type { FigurePose, FootSide } from '../figure/pose';
import { rad } from '../words/angles';

const sides = ['left', 'right'] as const;
const middle = ['pelvis', 'belly', 'chest', 'neck', 'head'] as const;
const paired = ['collar', 'upper arm', 'forearm', 'hand', 'thigh', 'shin', 'foot'] as const;

type Paired = (typeof paired)[number];
export type BoneName = (typeof middle)[number] | `${FootSide} ${Paired}`;

/** The bones that carry the surface of a body, in the order in which a surface numbers them. */
export const boneNames: readonly BoneName[] = [
  ...middle,
  ...sides.flatMap((side) => paired.map((part): BoneName => `${side} ${part}`)),
];

/** Where a bone lies in space, m, and which way its front faces, a unit length. */
export interface BonePlace {
  readonly from: Point3;
  readonly to: Point3;
  readonly front: Point3;
}
export type FormSkeleton = Readonly<Record<BoneName, BonePlace>>;

export const cross = (a: Point3, b: Point3): Point3 => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});
/** A direction without its part along another, of unit length; another one where nothing is left. */
function squared(direction: Point3, along: Point3, orElse: Point3): Point3 {
  const left = minus(direction, scaled(along, dot(direction, along)));
  if (lengthOf(left) > 0.05) return unit(left);
  return unit(minus(orElse, scaled(along, dot(orElse, along))));
}
const level = (degrees: number): Point3 => ({ x: Math.cos(rad(degrees)), y: 0, z: Math.sin(rad(degrees)) });

/** What of a pose the skeleton is made of. */
type Posed = Pick<
  FigurePose,
  | 'body'
  | 'legs'
  | 'arms'
  | 'feet'
  | 'pelvis'
  | 'shoulders'
  | 'head'
  | 'turnDeg'
  | 'hipTurnDeg'
  | 'headTurnDeg'
  | 'lookUpDeg'
>;

/** The spine: joined where the trunk bends, each part facing between hips and shoulders. */
function spine(pose: Posed): Record<(typeof middle)[number], BonePlace> {
  const { pelvis, shoulders, head, body } = pose;
  const [hips, chest, face] = [level(pose.hipTurnDeg), level(pose.turnDeg), level(pose.headTurnDeg)];
  const waist = mixed(pelvis, shoulders, 0.45);
  const look = unit(add(scaled(face, Math.cos(rad(pose.lookUpDeg))), scaled(UP, Math.sin(rad(pose.lookUpDeg)))));
  const crown = unit(cross(cross(look, minus(head, shoulders)), look));
  const low = mixed(pelvis, shoulders, 0.12);
  return {
    pelvis: { from: mixed(pelvis, shoulders, -0.22), to: low, front: hips },
    belly: { from: low, to: waist, front: unit(mixed(hips, chest, 0.4)) },
    chest: { from: waist, to: shoulders, front: chest },
    neck: { from: shoulders, to: mixed(head, shoulders, 0.35), front: unit(mixed(chest, face, 0.5)) },
    head: {
      from: add(head, scaled(crown, -0.06 * body.stature)),
      to: add(head, scaled(crown, 0.07 * body.stature)),
      front: look,
    },
  };
}

/** Where a palm faces of which nothing is said: to the thigh where the arm hangs, to the body where it is held out. */
function restingPalm(along: Point3, chest: Point3, sign: number): Point3 {
  const hanging = Math.max(0, -along.y) ** 2;
  const inward = scaled(cross(chest, UP), -sign);
  return unit(mixed(scaled(chest, -1), inward, hanging));
}

function limbs(pose: Posed, side: FootSide): Record<Paired, BonePlace> {
  const sign = side === 'right' ? 1 : -1;
  const [chest, hips] = [level(pose.turnDeg), level(pose.hipTurnDeg)];
  const { shoulder, elbow, wrist, hand, palm } = pose.arms[side];
  const [upper, fore, out] = [unit(minus(elbow, shoulder)), unit(minus(wrist, elbow)), unit(minus(hand, wrist))];
  const bent = cross(upper, fore);
  // A straight arm bends where it would: to the front.
  const hinge = lengthOf(bent) > 0.02 ? unit(bent) : squared(cross(upper, chest), upper, { x: 0, y: 0, z: 1 });
  const palmFront = squared(palm ?? restingPalm(out, chest, sign), out, scaled(UP, -1));
  const { hip, knee, ankle } = pose.legs[side];
  const { heel, toe } = pose.feet[side];
  const toes = unit({ ...minus(toe, heel), y: 0 });
  const sole = unit(minus(toe, heel));
  const { stature } = pose.body;
  const rise = (share: number, at: Point3): Point3 => ({ ...at, y: at.y + share * stature });
  const thigh = unit(minus(knee, hip));
  const shin = unit(minus(ankle, knee));
  return {
    collar: { from: mixed(pose.shoulders, shoulder, 0.25), to: shoulder, front: chest },
    'upper arm': { from: shoulder, to: elbow, front: unit(cross(hinge, upper)) },
    forearm: { from: elbow, to: wrist, front: unit(cross(hinge, fore)) },
    hand: { from: wrist, to: hand, front: palmFront },
    thigh: { from: hip, to: knee, front: squared(mixed(toes, hips, 0.4), thigh, UP) },
    shin: { from: knee, to: ankle, front: squared(toes, shin, UP) },
    foot: {
      from: rise(0.022, mixed(heel, toe, 0.12)),
      to: rise(0.012, mixed(heel, toe, 0.92)),
      front: squared(UP, sole, toes),
    },
  };
}

/** The bones of a body in a pose. */
export function formSkeleton(pose: Posed): FormSkeleton {
  const of = (side: FootSide) =>
    Object.fromEntries(Object.entries(limbs(pose, side)).map(([part, place]) => [`${side} ${part}`, place]));
  return { ...spine(pose), ...of('left'), ...of('right') } as FormSkeleton;
}

/** How far from hanging the arms are held out where the surface is made, degrees. */
const REST_ARMS = 32;

/** The bones where the surface of a body is made: upright, feet a little apart, arms held out, so that nothing touches. */
export function restSkeleton(body: Body): FormSkeleton {
  const { lengths } = body;
  const hipHeight = lengths.ankleHeight + lengths.shank + lengths.thigh;
  const pelvis = { x: 0, y: hipHeight, z: 0 };
  const shoulders = { x: 0, y: hipHeight + lengths.trunk, z: 0 };
  const leg = (sign: number) => {
    const hip = { x: 0, y: hipHeight, z: sign * 0.4 * lengths.hipBreadth };
    const ankle = { x: 0, y: lengths.ankleHeight, z: sign * 0.62 * lengths.hipBreadth };
    return { hip, knee: mixed(hip, ankle, lengths.thigh / (lengths.thigh + lengths.shank)), ankle };
  };
  const foot = (sign: number) => {
    const heel = { x: -lengths.foot / 4, y: 0, z: sign * 0.62 * lengths.hipBreadth };
    return { heel, toe: { ...heel, x: heel.x + lengths.foot } };
  };
  const arm = (sign: number) => {
    const out = { x: 0.02, y: -Math.cos(rad(REST_ARMS)), z: sign * Math.sin(rad(REST_ARMS)) };
    const shoulder = { ...shoulders, z: (sign * lengths.shoulderBreadth) / 2 };
    const elbow = add(shoulder, scaled(out, lengths.upperArm));
    const wrist = add(elbow, scaled(out, lengths.forearm));
    const palm = { x: 0, y: -Math.sin(rad(REST_ARMS)), z: -sign * Math.cos(rad(REST_ARMS)) };
    return { shoulder, elbow, wrist, hand: add(wrist, scaled(out, lengths.hand)), palm };
  };
  return formSkeleton({
    body,
    pelvis,
    shoulders,
    head: { x: 0, y: shoulders.y + lengths.headBeyondShoulder, z: 0 },
    turnDeg: 0,
    hipTurnDeg: 0,
    headTurnDeg: 0,
    lookUpDeg: 0,
    legs: { left: leg(-1), right: leg(1) },
    arms: { left: arm(-1), right: arm(1) },
    feet: { left: foot(-1), right: foot(1) } as unknown as FigurePose['feet'],
  });
}

export const boneLength = ({ from, to }: Pick<BonePlace, 'from' | 'to'>): number => lengthOf(minus(to, from));

/**
 * A bone as a matrix of sixteen numbers, column by column: its front, the direction of its length, across, and where it begins.
 * @param stretch how much longer it is than at rest: a pose leads the knees of wide stands where no leg of these lengths quite reaches
 */
export function boneMatrix({ from, to, front }: BonePlace, stretch = 1): number[] {
  const along = unit(minus(to, from));
  const ahead = squared(front, along, { x: 1, y: 0, z: 0 });
  const across = cross(ahead, along);
  return [
    ...[ahead.x, ahead.y, ahead.z, 0],
    ...[stretch * along.x, stretch * along.y, stretch * along.z, 0],
    ...[across.x, across.y, across.z, 0],
    ...[from.x, from.y, from.z, 1],
  ];
}
