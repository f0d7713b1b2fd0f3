import type { Body } from '../body/body';
import type { PostureStatics } from '../body/statics';
import type { Point3 } from './point3';
import type { Spine } from './spine';

export type FootSide = 'left' | 'right';
export const flippedSide = (side: FootSide): FootSide => (side === 'left' ? 'right' : 'left');

export interface PoseFoot {
  readonly heel: Point3;
  readonly toe: Point3;
  readonly ankle: Point3;
  /** Degrees outward. */
  readonly toesOutDeg: number;
  /** Share of the body weight on it. */
  readonly share: number;
  readonly lifted: boolean;
  /** Where the weight presses through the sole. */
  readonly pressure: Point3;
}
export interface PoseLeg {
  readonly ankle: Point3;
  readonly knee: Point3;
  readonly hip: Point3;
}
export interface PoseArm {
  readonly shoulder: Point3;
  readonly elbow: Point3;
  readonly wrist: Point3;
  readonly hand: Point3;
  /** Where the palm faces, a unit length; `palm` is null where nothing is said of it. */
  readonly facing: Point3;
  readonly palm: Point3 | null;
  /** How far the fingers are closed, 0–1. */
  readonly closed: number;
  /** Whether the hand lies on the body. */
  readonly lies: boolean;
}

/** An arm without its hand's own doing. */
export type ArmLine = Pick<PoseArm, 'shoulder' | 'elbow' | 'wrist' | 'hand'>;

/** A body in space: x forward, y up, z to its own right, m; the floor is y 0. */
export interface FigurePose {
  readonly body: Body;
  readonly working: FootSide;
  readonly seated: boolean;
  readonly feet: Readonly<Record<FootSide, PoseFoot>>;
  readonly legs: Readonly<Record<FootSide, PoseLeg>>;
  readonly arms: Readonly<Record<FootSide, PoseArm>>;
  readonly pelvis: Point3;
  /** Trunk and head above the pelvis. */
  readonly spine: Spine;
  readonly shoulders: Point3;
  readonly head: Point3;
  /** Trunk, hips and head turned to their right, degrees. */
  readonly turnDeg: number;
  readonly hipTurnDeg: number;
  readonly headTurnDeg: number;
  /** How far the head looks up, degrees. */
  readonly lookUpDeg: number;
  readonly centreOfMass: Point3;
  /** Where the weight falls on the floor. */
  readonly weight: Point3;
  /** How far the head has come down by the bend of the knees, and by a bow that the posture does not have by itself, m. */
  readonly headDrop: number;
  /** Of the working leg; null when seated. */
  readonly statics: PostureStatics | null;
}
