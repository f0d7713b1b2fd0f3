import { GRAVITY, massFractions, type Body } from './body';
import { postureStatics, type PostureStatics, type Stance } from './statics';

/** Moments that a posture asks of the joints of one leg, N·m. */
export interface LegMoments {
  /** Of the muscles that stretch the knee; below 0 the weight stretches it, and ligaments carry it. */
  readonly kneeNm: number;
  /** Of the calf; below 0 the weight presses behind the ankle. */
  readonly ankleNm: number;
  /** Of the muscles at the side of the hip that keep the pelvis level. */
  readonly hipNm: number;
}
/** Moments that a posture asks of one leg, one arm and the back, N·m. */
export interface StanceMoments extends LegMoments {
  /** Of one arm. */
  readonly shoulderNm: number;
  /** Of the muscles along the back, about the hips. */
  readonly trunkNm: number;
}

/** The hip joints are this share of the breadth of the hips apart. House value, from memory near 17 cm in an adult. */
export const HIP_JOINTS = 0.55;
/** All but the standing leg, as a share of the body mass, hangs on the side of its hip. */
const ABOVE_HIP = 0.84;

/**
 * What a share of the weight asks of the side of the hip: on one leg all but that leg hangs half a pelvis beside the joint;
 * on both legs nothing; in between by the share (house approximation, sources: How long a posture holds).
 * @param weightShare 0–1
 */
export const hipSideMoment = (body: Body, weightShare: number): number =>
  Math.max(0, 2 * weightShare - 1) * ABOVE_HIP * body.mass * GRAVITY * ((HIP_JOINTS * body.lengths.hipBreadth) / 2);

/**
 * What the weight asks of the calf: the push of the floor before the ankle, less the foot's own weight (sources: How long a posture holds).
 * @param pressurePoint along the foot, 0 heel, 1 toe tip
 */
export function ankleMoment({ lengths, centres, mass }: Body, pressurePoint: number, weightShare: number): number {
  const ankle = lengths.foot / 4;
  const push = weightShare * (pressurePoint * lengths.foot - ankle);
  return mass * GRAVITY * (push - massFractions.foot * (centres.foot * lengths.foot - ankle));
}

/** What trunk, head and arms ask of the back, by their levers before the hips (sources: How long a posture holds); below 0 they lean back. */
export function trunkMoment(body: Body, { joints, shoulderMomentNm }: PostureStatics): number {
  const { hip, shoulder, head } = joints;
  const arms = 2 * (massFractions.upperArm + massFractions.forearm + massFractions.hand);
  const trunk = hip.x + body.centres.trunk * (shoulder.x - hip.x);
  const parts: readonly (readonly [number, number])[] = [
    [massFractions.trunk, trunk],
    [massFractions.head, head.x],
    [arms, shoulder.x],
  ];
  return parts.reduce((sum, [mass, x]) => sum + mass * body.mass * GRAVITY * (x - hip.x), 0) + 2 * shoulderMomentNm;
}

/** All of a posture over one foot (sources: Posture; How long a posture holds). Limits: as the statics. */
export function stanceMoments(body: Body, stance: Stance): StanceMoments {
  const statics = postureStatics(body, stance);
  return {
    kneeNm: statics.kneeMomentNm,
    ankleNm: ankleMoment(body, stance.pressurePoint, stance.weightShare),
    hipNm: hipSideMoment(body, stance.weightShare),
    shoulderNm: statics.shoulderMomentNm,
    trunkNm: trunkMoment(body, statics),
  };
}
