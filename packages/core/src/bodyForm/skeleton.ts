import type { Body } from '../body/body';
import { add, cross, lengthOf, minus, mixed, scaled, squared, unit, UP, type Point3 } from '../figure/point3';
import type { FigurePose, FootSide, PoseArm } from '../figure/pose';
import { spineOver, type Spine } from '../figure/spine';
import { unturnedEnds } from '../figure/cycleMoment';
import { rad } from '../words/angles';

const sides = ['left', 'right'] as const;
const middle = ['pelvis', 'belly', 'chest', 'neck', 'head'] as const;
const paired = ['collar', 'upper arm', 'forearm', 'hand', 'fingers', 'tips', 'thigh', 'shin', 'foot'] as const;

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

/** What of a pose the skeleton is made of. */
type Posed = Pick<FigurePose, 'body' | 'legs' | 'arms' | 'feet' | 'pelvis' | 'spine'>;

/** The spine: joined where the trunk bends, each part facing between hips and shoulders. */
function trunk({ pelvis, spine, body }: Posed): Record<(typeof middle)[number], BonePlace> {
  const { waist, shoulders, head, low, high, pelvisFront, chestFront, look, crown } = spine;
  const size = (share: number, along: Point3): Point3 => scaled(along, share * body.lengths.trunk);
  const above = add(pelvis, size(0.12, low));
  return {
    pelvis: { from: add(pelvis, size(-0.22, low)), to: above, front: pelvisFront },
    belly: { from: above, to: waist, front: unit(mixed(pelvisFront, chestFront, 0.4)) },
    chest: { from: waist, to: shoulders, front: chestFront },
    neck: { from: shoulders, to: mixed(head, shoulders, 0.35), front: unit(mixed(chestFront, look, 0.5)) },
    head: {
      from: add(head, scaled(crown, -0.06 * body.stature)),
      to: add(head, scaled(crown, 0.07 * body.stature)),
      front: squared(look, crown, high),
    },
  };
}

/** Where on the hand the fingers begin and bend, as shares of its length, and how far each joint closes, degrees. */
export const FINGERS = { knuckle: 0.52, joint: 0.76, closesDeg: [72, 95] } as const;

/** The fingers of a hand that is so far closed. */
function fingersOf({ wrist, hand, facing, closed }: PoseArm): Record<'fingers' | 'tips', BonePlace> {
  const along = unit(minus(hand, wrist));
  const long = lengthOf(minus(hand, wrist));
  const palm = squared(facing, along, UP);
  const bent = (degrees: number): readonly [along: Point3, front: Point3] => {
    const [sin, cos] = [Math.sin(rad(degrees)), Math.cos(rad(degrees))];
    return [add(scaled(along, cos), scaled(palm, sin)), add(scaled(palm, cos), scaled(along, -sin))];
  };
  const [first, second] = FINGERS.closesDeg;
  const [toJoint, front] = bent(first * closed);
  const [toTip, tipFront] = bent((first + second) * closed);
  const knuckle = mixed(wrist, hand, FINGERS.knuckle);
  const joint = add(knuckle, scaled(toJoint, (FINGERS.joint - FINGERS.knuckle) * long));
  return {
    fingers: { from: knuckle, to: joint, front },
    tips: { from: joint, to: add(joint, scaled(toTip, (1 - FINGERS.joint) * long)), front: tipFront },
  };
}

function limbs(pose: Posed, side: FootSide): Record<Paired, BonePlace> {
  const { chestFront, pelvisFront } = pose.spine;
  const { shoulder, elbow, wrist, hand, facing } = pose.arms[side];
  const [upper, fore, out] = [unit(minus(elbow, shoulder)), unit(minus(wrist, elbow)), unit(minus(hand, wrist))];
  const bent = cross(upper, fore);
  // A straight arm bends where it would: to the front.
  const hinge = lengthOf(bent) > 0.02 ? unit(bent) : squared(cross(upper, chestFront), upper, { x: 0, y: 0, z: 1 });
  const { hip, knee, ankle } = pose.legs[side];
  const { heel, toe } = pose.feet[side];
  const toes = unit({ ...minus(toe, heel), y: 0 });
  const sole = unit(minus(toe, heel));
  const { stature } = pose.body;
  const thigh = unit(minus(knee, hip));
  const shin = unit(minus(ankle, knee));
  // The foot lies under the ankle, whichever way it is turned.
  const instep = squared(minus(ankle, heel), sole, UP);
  const rise = (share: number, at: Point3): Point3 => add(at, scaled(instep, share * stature));
  return {
    collar: { from: mixed(pose.spine.shoulders, shoulder, 0.25), to: shoulder, front: chestFront },
    'upper arm': { from: shoulder, to: elbow, front: unit(cross(hinge, upper)) },
    forearm: { from: elbow, to: wrist, front: unit(cross(hinge, fore)) },
    hand: { from: wrist, to: hand, front: squared(facing, out, UP) },
    ...fingersOf(pose.arms[side]),
    thigh: { from: hip, to: knee, front: squared(mixed(toes, pelvisFront, 0.4), thigh, UP) },
    shin: { from: knee, to: ankle, front: squared(toes, shin, UP) },
    foot: {
      from: rise(0.022, mixed(heel, toe, 0.12)),
      to: rise(0.012, mixed(heel, toe, 0.92)),
      front: squared(instep, sole, toes),
    },
  };
}

/** The bones of a body in a pose. */
export function formSkeleton(pose: Posed): FormSkeleton {
  const of = (side: FootSide) =>
    Object.fromEntries(Object.entries(limbs(pose, side)).map(([part, place]) => [`${side} ${part}`, place]));
  return { ...trunk(pose), ...of('left'), ...of('right') } as FormSkeleton;
}

/** How far from hanging the arms are held out where the surface is made, degrees. */
const REST_ARMS = 32;

/** A spine that stands upright over a pelvis and looks ahead. */
const uprightSpine = (body: Body, pelvis: Point3): Spine =>
  spineOver(body, 0, { ...unturnedEnds, turnDeg: 0, hand: null, otherHand: null }, 'right', pelvis);

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
    const ankle = { ...heel, x: heel.x + lengths.foot / 4, y: lengths.ankleHeight };
    return { heel, toe: { ...heel, x: heel.x + lengths.foot }, ankle };
  };
  const arm = (sign: number): PoseArm => {
    const out = { x: 0.02, y: -Math.cos(rad(REST_ARMS)), z: sign * Math.sin(rad(REST_ARMS)) };
    const shoulder = { ...shoulders, z: (sign * lengths.shoulderBreadth) / 2 };
    const elbow = add(shoulder, scaled(out, lengths.upperArm));
    const wrist = add(elbow, scaled(out, lengths.forearm));
    const facing = { x: 0, y: -Math.sin(rad(REST_ARMS)), z: -sign * Math.cos(rad(REST_ARMS)) };
    const hand = add(wrist, scaled(out, lengths.hand));
    return { shoulder, elbow, wrist, hand, facing, palm: null, closed: 0, lies: false };
  };
  return formSkeleton({
    body,
    pelvis,
    spine: uprightSpine(body, pelvis),
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
