import type { Body } from '../body/body';
import type { Stance } from '../body/statics';
import { stanceLoads, strengthFor, type LimitedBy } from './limits';

/** The posture of a test hold: low enough that the legs decide, high enough for the knees; arms round. House value. */
export const TEST_STANCE: Stance = {
  kneeBendDeg: 30,
  trunkPitchDeg: 0,
  shoulderRaiseDeg: 45,
  elbowBendDeg: 45,
  pressurePoint: 0.5,
  weightShare: 0.5,
};

/** A test hold to the school's stopping point in a known posture, and what stopped it. */
export interface TestHold {
  readonly stance: Stance;
  readonly seconds: number;
  readonly stoppedBy: LimitedBy;
}

/** Below this bend a leg test is ill-conditioned: the bones carry nearly all. */
export const SHALLOW_BEND = 25;

/**
 * The strength that a test hold shows: moment / f with f from the endurance time of the joint that gives out, the knee turned
 * into its best bend by the torque–angle curve (sources: Capacity). N·m of the knee at its best bend, or of the shoulder; null where
 * the posture does not load what stopped it.
 */
export const strengthOfHold = (body: Body, { stance, seconds, stoppedBy }: TestHold): number | null =>
  strengthFor(stanceLoads(body, stance), seconds, stoppedBy);
