import type { Posture } from '../library/exercise';
import type { Hand, Keyframe } from '../library/keyframe';
import { plainHead, plainShape, plainTrunk } from '../library/plainShape';
import type { Shape } from '../library/shape';
import { deg } from '../words/angles';
import { bendAt, bounded, feetApart, handAt, headTo, isUp, trunkTo, weightAt, whole } from './dragging';
import { level, lengthOf, minus, mixed, type Point3 } from './point3';
import { flippedSide, type FigurePose, type FootSide } from './pose';

/** What of a body is taken and moved where it stands at the end of a part. */
export const draggedParts = ['hand', 'otherHand', 'foot', 'otherFoot', 'pelvis', 'turn', 'trunk', 'head'] as const;
export type DraggedPart = (typeof draggedParts)[number];

/** What each is called, said of the working side. */
export const draggedWords: Readonly<Record<DraggedPart, string>> = {
  hand: 'Working hand',
  otherHand: 'Other hand',
  foot: 'Working foot',
  otherFoot: 'Other foot',
  pelvis: 'Pelvis: height and weight',
  turn: 'Turn of the pelvis',
  trunk: 'Trunk: lean and bend',
  head: 'Head: where it looks',
};

/** Where the handle of a part is in front of a body, m. */
export interface Handle {
  readonly part: DraggedPart;
  readonly at: Point3;
}

/** How far in front of the pelvis, and of the face, its handle is, m. */
const BEFORE = { turn: 0.28, head: 0.2 } as const;

const ahead = (from: Point3, { x, y, z }: Point3, by: number): Point3 => ({
  x: from.x + by * x,
  y: from.y + by * y,
  z: from.z + by * z,
});

/** The handles of a body, where it is taken; what is taken most is last, so that it lies on top. */
export function handlesOf({ working, arms, feet, pelvis, spine, seated }: FigurePose): Handle[] {
  const other = flippedSide(working);
  const palm = (side: FootSide): Point3 => mixed(arms[side].wrist, arms[side].hand, 0.5);
  const foot = (side: FootSide): Point3 => mixed(feet[side].heel, feet[side].toe, 0.5);
  const all: Handle[] = [
    { part: 'pelvis', at: pelvis },
    { part: 'turn', at: ahead(pelvis, level(spine.hipTurnDeg), BEFORE.turn) },
    { part: 'trunk', at: spine.shoulders },
    { part: 'head', at: ahead(spine.head, spine.look, BEFORE.head) },
    { part: 'otherFoot', at: foot(other) },
    { part: 'foot', at: foot(working) },
    { part: 'otherHand', at: palm(other) },
    { part: 'hand', at: palm(working) },
  ];
  const standing: ReadonlySet<DraggedPart> = new Set(['foot', 'otherFoot', 'pelvis']);
  return seated ? all.filter(({ part }) => !standing.has(part)) : all;
}

const shapeWith = (frame: Keyframe, posture: Posture, change: Partial<Shape>): Shape => ({
  ...(frame.shape ?? posture.shape ?? plainShape),
  ...change,
});

/**
 * The stand at the end of a part with one part of the body taken to a place in space (m): a hand goes there and lies on nothing any more, a foot is
 * set or lifted, the pelvis sinks and shifts, turns, the trunk leans and bends aside, the head looks there.
 * @param pose the body as it stands now
 */
export function draggedFrame(
  frame: Keyframe,
  posture: Posture,
  pose: FigurePose,
  part: DraggedPart,
  point: Point3,
): Keyframe {
  const { working, pelvis } = pose;
  const sign = working === 'right' ? 1 : -1;
  const shape = frame.shape ?? posture.shape ?? plainShape;
  switch (part) {
    case 'hand':
    case 'otherHand': {
      const which = part === 'hand' ? 'arm' : 'otherArm';
      const arm = shape[which];
      const lies = arm !== null && arm.on !== null;
      const free = lies ? { shape: shapeWith(frame, posture, { [which]: { ...arm, on: null } }) } : {};
      const side = part === 'hand' ? working : flippedSide(working);
      return { ...frame, ...free, [part]: handAt(pose, side, point) };
    }
    case 'foot':
    case 'otherFoot': {
      const side = part === 'foot' ? working : flippedSide(working);
      const role = part === 'foot' ? 'working' : 'other';
      const up = isUp(pose, side, point);
      // Nobody lifts a foot with weight on it.
      const lifted = up
        ? { lifted: role, weight: role === 'working' ? 0 : 1, heel: 'none' as const }
        : frame.lifted === role
          ? { lifted: 'none' as const }
          : {};
      return { ...frame, ...lifted, ...feetApart(pose, side, point) } as Keyframe;
    }
    case 'pelvis': {
      const bend = frame.bendDeg ?? posture.kneeBendDeg;
      const sinks = Math.abs(point.y - pelvis.y) > 0.003 ? { bendDeg: bendAt(pose, bend, pelvis.y - point.y) } : {};
      const shifts = Math.hypot(point.x - pelvis.x, point.z - pelvis.z) > 0.003;
      return { ...frame, ...sinks, ...(shifts ? { weight: weightAt(pose, pelvis, point) } : {}) };
    }
    case 'turn': {
      const off = minus(point, pelvis);
      return { ...frame, turnDeg: whole(bounded(sign * deg(Math.atan2(off.z, off.x)), -90, 90)) };
    }
    case 'trunk':
      return {
        ...frame,
        shape: shapeWith(frame, posture, { trunk: { ...(shape.trunk ?? plainTrunk), ...trunkTo(pose, point) } }),
      };
    case 'head': {
      const carried = (shape.trunk?.leanDeg ?? posture.trunkPitchDeg) + (shape.trunk?.roundDeg ?? 0);
      return {
        ...frame,
        shape: shapeWith(frame, posture, { head: { ...(shape.head ?? plainHead), ...headTo(pose, point, carried) } }),
      };
    }
  }
}

/** A hand that misses its place by less than this cannot be seen to, m. */
const MISSED = 0.01;

/** What of a stand a body cannot do: a hand that does not come as far as it is said to be; how far it is short, m. */
export function outOfReach(
  pose: FigurePose,
  { hand, otherHand }: Pick<Keyframe, 'hand' | 'otherHand'>,
): { readonly part: 'hand' | 'otherHand'; readonly short: number }[] {
  const { body, pelvis, spine, arms, working } = pose;
  const { shoulderBreadth, trunk, upperArm, forearm, hand: palm } = body.lengths;
  const missed = (place: Hand | null, side: FootSide): number => {
    if (place === null || arms[side].lies) return 0;
    const sign = side === 'right' ? 1 : -1;
    const out = ahead(pelvis, level(spine.chestTurnDeg + 90), sign * place.out * shoulderBreadth);
    const wanted = ahead(out, level(spine.chestTurnDeg), place.forward * shoulderBreadth);
    const up = { ...wanted, y: wanted.y + place.up * trunk };
    return lengthOf(minus(up, arms[side].shoulder)) - (upperArm + forearm + palm / 2);
  };
  return (
    [
      { part: 'hand', short: missed(hand, working) },
      { part: 'otherHand', short: missed(otherHand, flippedSide(working)) },
    ] as const
  ).filter(({ short }) => short > MISSED);
}
