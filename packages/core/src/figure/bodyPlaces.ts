import type { Body } from '../body/body';
import type { HandPlace } from '../library/shape';
import { add, cross, dot, mixed, minus, scaled, squared, unit, UP, type Point3 } from './point3';
import { flippedSide, type FootSide, type PoseArm, type PoseLeg } from './pose';
import { spineAt, type Spine } from './spine';

/** A place on the surface of the body, which way it faces, and to where an elbow goes whose hand lies there. */
export interface BodyPlace {
  readonly at: Point3;
  readonly out: Point3;
  readonly elbowTo: Point3;
  /** Where the fingers point as far as the forearm lets them; null away from the shoulder. */
  readonly fingersTo: Point3 | null;
}

/** What the places of a body are on. */
export interface Placed {
  readonly body: Body;
  readonly pelvis: Point3;
  readonly spine: Spine;
  readonly legs: Readonly<Record<FootSide, PoseLeg>>;
  /** Which way the toes of each foot point. */
  readonly toes: Readonly<Record<FootSide, Point3>>;
}

/** How far the clothed surface is from the bones, as shares of stature, as the surface of the body is made. House values. */
export const clothed = {
  hip: 0.103,
  belly: 0.078,
  chest: 0.07,
  back: 0.07,
  thigh: 0.054,
  shin: 0.047,
  ankle: 0.03,
  sleeve: 0.037,
  hand: 0.0135,
  face: 0.054,
  ear: 0.052,
} as const;

/**
 * Where a hand of a side lies on the body.
 * @param other the other arm, for what lies on it; null where it is not known yet
 * @returns null for a place on an arm that is not known
 */
export function placeOnBody(
  place: HandPlace,
  side: FootSide,
  { body, pelvis, spine, legs, toes }: Placed,
  other: PoseArm | null,
): BodyPlace | null {
  const sign = side === 'right' ? 1 : -1;
  const size = (share: number): number => share * body.stature;
  const { low, high, pelvisFront, chestFront, chestAcross, look, crown, head } = spine;
  const away = scaled(chestAcross, sign);
  const hipsAway = scaled(unit(cross(pelvisFront, low)), sign);
  const headAway = scaled(unit(cross(look, crown)), sign);
  const lowElbow = unit(add(scaled(UP, -1), scaled(away, 0.6)));
  const wideElbow = unit(add(scaled(UP, -0.5), away));
  const legElbow = unit(add(away, scaled(UP, 0.4)));
  const faceElbow = unit([scaled(UP, -0.6), scaled(away, 0.45), scaled(chestFront, 0.8)].reduce(add));
  const backElbow = unit(add(away, scaled(chestFront, -0.9)));
  /** Out from a point of the bones by so much, as a share of stature. */
  const outside = (from: Point3, out: Point3, by: number, elbowTo = lowElbow): BodyPlace => ({
    at: add(from, scaled(unit(out), size(by))),
    out: unit(out),
    elbowTo,
    fingersTo: null,
  });
  const trunk = (share: number): Point3 => spineAt(pelvis, spine, share);
  const beside = (point: Point3, by: number): Point3 => add(point, scaled(away, size(by)));

  const onLeg = (leg: PoseLeg, legSide: FootSide): Partial<Record<HandPlace, BodyPlace>> => {
    const thigh = unit(minus(leg.knee, leg.hip));
    const shin = unit(minus(leg.ankle, leg.knee));
    const legSign = legSide === 'right' ? 1 : -1;
    const ahead = toes[legSide];
    const over = squared(add(ahead, scaled(UP, 0.6)), thigh, UP);
    const outward = scaled(unit(cross(ahead, UP)), legSign);
    const cap = unit(add(minus(thigh, shin), scaled(squared(ahead, mixed(thigh, shin, 0.5), UP), 0.5)));
    return {
      thigh: outside(mixed(leg.hip, leg.knee, 0.6), over, clothed.thigh, legElbow),
      knee: outside(leg.knee, cap, clothed.thigh - 0.004, legElbow),
      'outer thigh': outside(mixed(leg.hip, leg.knee, 0.6), squared(outward, thigh, UP), clothed.thigh, legElbow),
      'inner thigh': outside(
        mixed(leg.hip, leg.knee, 0.6),
        squared(scaled(outward, -1), thigh, UP),
        clothed.thigh,
        legElbow,
      ),
      'outer shin': outside(mixed(leg.knee, leg.ankle, 0.6), squared(outward, shin, UP), clothed.shin, legElbow),
      'inner shin': outside(
        mixed(leg.knee, leg.ankle, 0.6),
        squared(scaled(outward, -1), shin, UP),
        clothed.shin,
        legElbow,
      ),
      ankle: outside(leg.ankle, outward, clothed.ankle, legElbow),
    };
  };

  switch (place) {
    case 'hip':
      return outside(
        add(pelvis, scaled(low, size(0.03))),
        add(hipsAway, scaled(pelvisFront, 0.35)),
        clothed.hip,
        unit(add(away, scaled(chestFront, -0.35))),
      );
    case 'belly':
      // The hands lie across the belly, not down it.
      return {
        ...outside(beside(trunk(0.14), 0.004), pelvisFront, clothed.belly),
        fingersTo: add(scaled(away, -1), scaled(UP, -0.25)),
      };
    case 'chest':
      return outside(beside(trunk(0.76), 0.032), chestFront, clothed.chest, wideElbow);
    case 'low back':
      return outside(beside(trunk(0.24), 0.034), scaled(pelvisFront, -1), clothed.back, backElbow);
    case 'seat':
      return outside(
        add(add(pelvis, scaled(hipsAway, size(0.05))), scaled(low, size(-0.03))),
        scaled(pelvisFront, -1),
        clothed.back,
        backElbow,
      );
    case 'brow':
      return outside(
        add(add(head, scaled(crown, size(0.035))), scaled(headAway, size(0.02))),
        look,
        clothed.face,
        faceElbow,
      );
    case 'eyes':
      return outside(
        add(add(head, scaled(crown, size(0.008))), scaled(headAway, size(0.026))),
        look,
        clothed.face,
        faceElbow,
      );
    case 'cheek':
      return outside(add(head, scaled(crown, size(-0.02))), add(look, scaled(headAway, 0.9)), clothed.face, faceElbow);
    case 'chin':
      return outside(
        add(head, scaled(crown, size(-0.048))),
        add(look, scaled(headAway, 0.35)),
        clothed.face - 0.008,
        faceElbow,
      );
    case 'ear':
      return outside(head, headAway, clothed.ear, faceElbow);
    case 'nape':
      return outside(
        add(add(head, scaled(crown, size(-0.062))), scaled(headAway, size(0.018))),
        scaled(look, -1),
        0.035,
        unit(add(away, scaled(UP, 0.2))),
      );
    case 'other knee':
      return onLeg(legs[flippedSide(side)], flippedSide(side)).knee!;
    case 'other hand':
    case 'other shoulder':
    case 'other elbow, outside':
    case 'other elbow, inside':
    case 'other wrist, outside':
    case 'other wrist, inside':
    case 'other fingers, inside':
      if (other === null) return null;
      // One hand on the other lies across it.
      return {
        ...onArm(place, other, outside, high),
        fingersTo: place === 'other hand' ? add(scaled(away, -1), scaled(UP, -0.25)) : null,
      };
    default:
      return onLeg(legs[side], side)[place]!;
  }
}

function onArm(
  place: HandPlace,
  { shoulder, elbow, wrist, hand, facing }: PoseArm,
  outside: (from: Point3, out: Point3, by: number) => BodyPlace,
  up: Point3,
): BodyPlace {
  const fore = unit(minus(wrist, elbow));
  const upper = unit(minus(elbow, shoulder));
  // The inside of an arm is where its palm faces.
  const inside = squared(facing, fore, UP);
  const insideUpper = squared(minus(inside, scaled(upper, dot(inside, upper))), upper, UP);
  const atElbow = unit(add(inside, insideUpper));
  switch (place) {
    case 'other hand':
      return outside(mixed(wrist, hand, 0.5), scaled(facing, -1), clothed.hand);
    case 'other shoulder':
      return outside(shoulder, add(up, scaled(squared(up, upper, UP), 0.5)), clothed.sleeve);
    case 'other elbow, outside':
      return outside(elbow, scaled(atElbow, -1), clothed.sleeve);
    case 'other elbow, inside':
      return outside(elbow, atElbow, clothed.sleeve);
    case 'other wrist, outside':
      return outside(mixed(elbow, wrist, 0.9), scaled(inside, -1), clothed.sleeve);
    case 'other wrist, inside':
      return outside(mixed(elbow, wrist, 0.9), inside, clothed.sleeve);
    default:
      return outside(mixed(wrist, hand, 0.85), facing, clothed.hand);
  }
}
