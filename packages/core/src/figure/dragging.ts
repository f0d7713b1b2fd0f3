import type { Hand, Keyframe } from '../library/keyframe';
import { deg } from '../words/angles';
import { add, dot, level, lengthOf, minus, mixed, type Point3 } from './point3';
import { flippedSide, type FigurePose, type FootSide } from './pose';

export const bounded = (value: number, least: number, most: number): number => Math.max(least, Math.min(most, value));
const rounded = (value: number, to: number): number => Math.round(value / to) * to;
/** As exact as one wants to see it: a hundredth of a breadth, a degree. */
const fine = (value: number): number => Number(rounded(value, 0.01).toFixed(2));
export const whole = (value: number): number => Math.round(value) + 0;

/** A place in space as a hand has it, seen from the trunk. */
export function handAt({ body, pelvis, spine }: FigurePose, side: FootSide, point: Point3): Hand {
  const { shoulderBreadth, trunk } = body.lengths;
  const off = minus(point, pelvis);
  const sign = side === 'right' ? 1 : -1;
  return {
    out: fine(bounded((sign * dot(off, level(spine.chestTurnDeg + 90))) / shoulderBreadth, -2, 3)),
    forward: fine(bounded(dot(off, level(spine.chestTurnDeg)) / shoulderBreadth, -1, 3)),
    up: fine(bounded(off.y / trunk, -1.2, 2.6)),
  };
}

/** Both feet apart as they are with one of them in another place. */
export function feetApart(pose: FigurePose, side: FootSide, point: Point3): Pick<Keyframe, 'stanceWidth' | 'ahead'> {
  const { working, feet, body } = pose;
  const { foot, shoulderBreadth } = body.lengths;
  const heel = (of: FootSide): Point3 =>
    of === side ? add(feet[of].heel, minus(point, mixed(feet[of].heel, feet[of].toe, 0.5))) : feet[of].heel;
  const [mine, other] = [heel(working), heel(flippedSide(working))];
  const sign = working === 'right' ? 1 : -1;
  return {
    stanceWidth: fine(bounded((sign * (mine.z - other.z)) / shoulderBreadth, 0, 4)),
    ahead: fine(bounded((mine.x - other.x) / foot, -6, 6)),
  };
}

/** So far up a foot is off the floor, m. */
const OFF = 0.05;
/** Bends that are tried for a height of the hips, degrees. */
const MOST_BEND = 120;

/** The bend at which the hips of a body are so high, degrees. */
export function bendAt({ body }: FigurePose, bendDeg: number, lower: number): number {
  const { shank, thigh } = body.lengths;
  const long = (degrees: number): number =>
    Math.sqrt(shank ** 2 + thigh ** 2 + 2 * shank * thigh * Math.cos((degrees * Math.PI) / 180));
  const wanted = bounded(long(bendDeg) - lower, long(MOST_BEND), shank + thigh);
  const cosine = (wanted ** 2 - shank ** 2 - thigh ** 2) / (2 * shank * thigh);
  return whole(deg(Math.acos(bounded(cosine, -1, 1))));
}

/** How much of the weight the working leg has with the pelvis in another place over the feet. */
export function weightAt({ feet, working }: FigurePose, from: Point3, to: Point3): number {
  const [mine, other] = [feet[working], feet[flippedSide(working)]];
  const way = minus(mine.pressure, other.pressure);
  const long = Math.hypot(way.x, way.z);
  if (long < 0.02) return mine.share;
  const moved = ((to.x - from.x) * way.x + (to.z - from.z) * way.z) / long ** 2;
  return fine(bounded(mine.share + moved, 0, 1));
}

/** Whether a foot that is taken there is off the floor. */
export function isUp({ feet }: FigurePose, side: FootSide, point: Point3): boolean {
  const { lifted, heel, toe } = feet[side];
  return point.y > OFF + (lifted ? 0 : mixed(heel, toe, 0.5).y);
}

/** How the trunk leans and bends to the working side with the shoulders taken somewhere. */
export function trunkTo(
  { working, spine, pelvis }: FigurePose,
  point: Point3,
): { readonly leanDeg: number; readonly asideDeg: number } {
  const sign = working === 'right' ? 1 : -1;
  const off = minus(point, pelvis);
  const [forward, right] = [dot(off, level(spine.turnDeg)), dot(off, level(spine.turnDeg + 90))];
  const aside = deg(Math.asin(bounded((sign * right) / Math.max(0.05, lengthOf(off)), -1, 1)));
  return {
    leanDeg: whole(bounded(deg(Math.atan2(forward, Math.max(-0.2, off.y))), -30, 110)),
    asideDeg: whole(bounded(aside, -45, 45)),
  };
}

/** How the head turns and nods to look there. @param carriedDeg how far the trunk bends it down already */
export function headTo(
  { working, spine }: FigurePose,
  point: Point3,
  carriedDeg: number,
): { readonly turnDeg: number; readonly nodDeg: number } {
  const sign = working === 'right' ? 1 : -1;
  const off = minus(point, spine.head);
  const yaw = deg(Math.atan2(off.z, off.x)) - spine.chestTurnDeg;
  const down = -deg(Math.atan2(off.y, Math.hypot(off.x, off.z)));
  return {
    turnDeg: whole(bounded(sign * (((yaw + 540) % 360) - 180), -80, 80)),
    nodDeg: whole(bounded(down - carriedDeg, -50, 70)),
  };
}
