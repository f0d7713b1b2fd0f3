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

function fromPosture({ body, posture, sign, shoulders, facing, across }: ArmPlace): ArmLine {
  const { upperArm, forearm, hand, shoulderBreadth } = body.lengths;
  const half = (SHOULDER_JOINTS * shoulderBreadth) / 2;
  const round = roundness(posture);
  const shoulder = add(shoulders, scaled(across, sign * half));
  const pointing = (degrees: number): Point3 =>
    add(scaled(facing, Math.sin(rad(degrees))), scaled(UP, -Math.cos(rad(degrees))));
  const upper = pointing(posture.shoulderRaiseDeg);
  const fore = pointing(posture.shoulderRaiseDeg + posture.elbowBendDeg);
  const elbow = add(add(shoulder, scaled(upper, upperArm)), scaled(across, sign * round * ROUND * upperArm));
  // From the elbow the forearm comes back in, so that round hands end before the body.
  const wristOut = (1 - round) * half + round * ((HAND_BREADTH * body.stature) / 2 + 0.97 * hand);
  const flatWrist = add(add(shoulder, scaled(upper, upperArm)), scaled(fore, forearm));
  const wrist = add(flatWrist, scaled(across, sign * (wristOut - half)));
  const along = unit(add(scaled(fore, 1 - 0.8 * round), scaled(across, -sign * 0.8 * round)));
  return { shoulder, elbow, wrist, hand: add(wrist, scaled(along, hand)) };
}

/** An arm to a hand's place: the elbow hangs below and outside the line from shoulder to wrist. */
function toTarget(place: ArmPlace, target: Hand): ArmLine {
  const { body, sign, pelvis, shoulders, facing, across } = place;
  const { upperArm, forearm, hand, shoulderBreadth, trunk } = body.lengths;
  const half = (SHOULDER_JOINTS * shoulderBreadth) / 2;
  const shoulder = add(shoulders, scaled(across, sign * half));
  const palm = [
    scaled(across, sign * target.out * shoulderBreadth),
    scaled(facing, target.forward * shoulderBreadth),
    scaled(UP, target.up * trunk),
  ].reduce(add, pelvis);
  const reach = minus(palm, shoulder);
  const way = unit(reach);
  // The palm, not the wrist, is where the hand is: the wrist stands half a hand before it.
  const far = Math.min(lengthOf(reach) - hand / 2, 0.998 * (upperArm + forearm));
  const near = Math.max(far, Math.abs(upperArm - forearm) + 0.01);
  const wrist = add(shoulder, scaled(way, near));
  const share = (upperArm ** 2 + near ** 2 - forearm ** 2) / (2 * near);
  const height = Math.sqrt(Math.max(0, upperArm ** 2 - share ** 2));
  const hint = add(scaled(UP, -1), scaled(across, sign * 0.6));
  const sideways = unit(minus(hint, scaled(way, dot(hint, way))));
  const elbow = add(add(shoulder, scaled(way, share)), scaled(sideways, height));
  return { shoulder, elbow, wrist, hand: add(wrist, scaled(way, hand)) };
}

/** Where an arm is: as the posture says, or reaching for a given place. */
export const placeArm = (place: ArmPlace): ArmLine =>
  place.target === null ? fromPosture(place) : toTarget(place, place.target);
