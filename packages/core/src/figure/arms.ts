import { rad } from '../words/angles';
import type { Body } from '../body/body';
import type { Hand } from '../library/keyframe';
import type { SettledPosture } from '../schools/conventions';
import type { ArmLine } from './pose';
import { add, dot, lengthOf, minus, scaled, unit, UP, type Point3 } from './point3';

/** Shoulder joints as a share of the breadth of the shoulders, for drawing. */
const SHOULDER_JOINTS = 0.86;
/** Round arms: elbows out by this share of the upper arm. */
const ROUND = 0.45;
/** How far out an arm goes that hangs, degrees; a house value for drawing. */
const HANG_OUT = 9;
/** A hand-breadth as a share of stature, for the gap between the hands of round arms. */
const HAND_BREADTH = 0.047;

interface ArmPlace {
  readonly body: Body;
  readonly posture: SettledPosture;
  /** 1 right, -1 left. */
  readonly sign: number;
  readonly pelvis: Point3;
  readonly shoulders: Point3;
  readonly facing: Point3;
  readonly across: Point3;
  /** Where the hand is to be; null is as in the posture. */
  readonly target: Hand | null;
}

const step = (value: number, from: number, to: number): number =>
  Math.max(0, Math.min(1, (value - from) / (to - from)));

/** How round the arms are, 0 parallel to 1 hands before the body: as they rise and bend. */
const roundness = ({ shoulderRaiseDeg, elbowBendDeg }: SettledPosture): number =>
  Math.min(step(shoulderRaiseDeg, 5, 40), step(elbowBendDeg, 10, 40)) * (1 - step(elbowBendDeg, 110, 150));

/** The way of an arm of full length from shoulder to wrist, its elbow to that side of the line between them. */
function bent(place: ArmPlace, shoulder: Point3, goal: Point3, elbowTo: Point3): Omit<ArmLine, 'hand'> {
  const { upperArm, forearm } = place.body.lengths;
  const reach = minus(goal, shoulder);
  const way = unit(reach);
  const far = Math.max(Math.abs(upperArm - forearm) + 0.01, Math.min(lengthOf(reach), upperArm + forearm));
  const share = (upperArm ** 2 + far ** 2 - forearm ** 2) / (2 * far);
  const height = Math.sqrt(Math.max(0, upperArm ** 2 - share ** 2));
  const aside = minus(elbowTo, scaled(way, dot(elbowTo, way)));
  // An arm that is straight bends nowhere.
  const sideways = lengthOf(aside) < 1e-6 ? aside : unit(aside);
  const elbow = add(add(shoulder, scaled(way, share)), scaled(sideways, height));
  return { shoulder, elbow, wrist: add(shoulder, scaled(way, far)) };
}

const shoulderOf = ({ body, sign, shoulders, across }: ArmPlace): Point3 =>
  add(shoulders, scaled(across, (sign * SHOULDER_JOINTS * body.lengths.shoulderBreadth) / 2));

/**
 * An arm as the posture says. Seen from the side its parts lie at the angles of the posture; what they go out or in makes them
 * shorter there, and no longer than they are.
 */
function fromPosture(place: ArmPlace): ArmLine {
  const { body, posture, sign, facing, across } = place;
  const { upperArm, forearm, hand, shoulderBreadth } = body.lengths;
  const half = (SHOULDER_JOINTS * shoulderBreadth) / 2;
  const round = roundness(posture);
  const shoulder = shoulderOf(place);
  // An arm that hangs goes out a little, past the hip.
  const hanging = Math.sin(rad(HANG_OUT)) * (1 - step(posture.shoulderRaiseDeg, 5, 40));
  /** A direction in the plane of the trunk, so much of it outward. */
  const going = (degrees: number, out: number): Point3 =>
    [
      scaled(facing, Math.sqrt(1 - out ** 2) * Math.sin(rad(degrees))),
      scaled(UP, -Math.sqrt(1 - out ** 2) * Math.cos(rad(degrees))),
      scaled(across, sign * out),
    ].reduce(add);
  const elbowOut = (1 - round) * hanging + round * ROUND;
  // From the elbow the forearm comes back in, so that round hands end before the body.
  const wristOut =
    (1 - round) * (half + hanging * (upperArm + forearm)) + round * ((HAND_BREADTH * body.stature) / 2 + 0.97 * hand);
  const back = Math.max(-0.95, Math.min(0.95, (wristOut - half - elbowOut * upperArm) / forearm));
  const elbow = add(shoulder, scaled(going(posture.shoulderRaiseDeg, elbowOut), upperArm));
  const fore = going(posture.shoulderRaiseDeg + posture.elbowBendDeg, back);
  const wrist = add(elbow, scaled(fore, forearm));
  const along = unit(add(scaled(fore, 1 - 0.8 * round), scaled(across, -sign * 0.8 * round)));
  return { shoulder, elbow, wrist, hand: add(wrist, scaled(along, hand)) };
}

/** An arm to a hand's place: the elbow hangs below and outside the line from shoulder to wrist. */
function toTarget(place: ArmPlace, target: Hand): ArmLine {
  const { body, sign, pelvis, facing, across } = place;
  const { upperArm, forearm, hand, shoulderBreadth, trunk } = body.lengths;
  const shoulder = shoulderOf(place);
  const palm = [
    scaled(across, sign * target.out * shoulderBreadth),
    scaled(facing, target.forward * shoulderBreadth),
    scaled(UP, target.up * trunk),
  ].reduce(add, pelvis);
  const reach = minus(palm, shoulder);
  const way = unit(reach);
  // The palm, not the wrist, is where the hand is: the wrist stands half a hand before it.
  const far = Math.min(lengthOf(reach) - hand / 2, 0.998 * (upperArm + forearm));
  const elbowTo = add(scaled(UP, -1), scaled(across, sign * 0.6));
  const arm = bent(place, shoulder, add(shoulder, scaled(way, Math.max(far, 0.001))), elbowTo);
  return { ...arm, hand: add(arm.wrist, scaled(way, hand)) };
}

/** Where an arm is: as the posture says, or reaching for a given place. */
export const placeArm = (place: ArmPlace): ArmLine =>
  place.target === null ? fromPosture(place) : toTarget(place, place.target);
