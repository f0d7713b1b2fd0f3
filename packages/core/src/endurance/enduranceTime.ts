import { checkRange } from '../words/checkRange';
import { recoveryFactor } from './fatigue';
import { joints, type Joint } from './joints';

export interface Endurance {
  readonly seconds: number;
  /** Below the efforts that were measured (0.15): a guess beyond the data. */
  readonly extrapolated: boolean;
  /** So long that this joint does not limit the hold. */
  readonly unlimited: boolean;
}

const LEAST_MEASURED = 0.15;
const LONGEST_SECONDS = 40 * 60;

/**
 * How long a joint can hold a share of its capacity: b0·f^b1 (Frey Law & Avin 2010, from memory).
 * @param effort share of capacity, more than 0, at most 1
 */
export function enduranceTime(joint: Joint, effort: number): Endurance {
  checkRange('effort', effort, 1e-4, 1);
  const { b0, b1 } = joints[joint];
  const seconds = b0 * effort ** b1;
  return { seconds, extrapolated: effort < LEAST_MEASURED, unlimited: seconds > LONGEST_SECONDS };
}

/**
 * The share of capacity whose endurance time is `seconds`: the inverse of {@link enduranceTime}; all of it for a time that is
 * shorter than any.
 */
export function effortFromEndurance(joint: Joint, seconds: number): number {
  checkRange('seconds', seconds, 1, 24 * 3600);
  const { b0, b1 } = joints[joint];
  return Math.min(1, (seconds / b0) ** (1 / b1));
}

/**
 * Time to failure at a constant target from the three-compartment model, in closed form:
 * −ln(1 − (1 − T)·R/(F·T))/R; infinite when recovery keeps up (Frey-Law et al. 2012, from memory). Where the target changes
 * quickly against recovery, fatigue follows its mean and fails at its highest.
 * @param target share of capacity, more than 0, at most 1; the highest where it changes
 * @param mean of a target that changes
 * @param factor of the recovery; see `recoveryFactor`
 */
export function timeToFailure(joint: Joint, target: number, mean = target, factor = recoveryFactor(target)): number {
  checkRange('target', target, 1e-6, 1);
  checkRange('mean', mean, 1e-6, target + 1e-9);
  const { fatigue } = joints[joint];
  const recovery = joints[joint].recovery * factor;
  const argument = 1 - ((1 - target) * recovery) / (fatigue * mean);
  return argument <= 0 ? Number.POSITIVE_INFINITY : -Math.log(argument) / recovery;
}

/** Up to this share of what would keep up for ever the closed form is taken as it is. House value. */
const FAR_FROM_BALANCE = 0.5;

/**
 * The same as {@link timeToFailure} without its cliff: where recovery comes near to keeping up, the time goes on growing evenly instead of
 * jumping to no end, so that one percent of strength changes an answer by a few percent (house curve, joined where the slopes are
 * the same).
 */
export function softTimeToFailure(
  joint: Joint,
  target: number,
  mean = target,
  factor = recoveryFactor(target),
): number {
  const recovery = joints[joint].recovery * factor;
  const balance = ((1 - target) * recovery) / (joints[joint].fatigue * mean);
  if (balance <= FAR_FROM_BALANCE) return timeToFailure(joint, target, mean, factor);
  const beyond = (balance - FAR_FROM_BALANCE) / (1 - FAR_FROM_BALANCE);
  return (beyond - Math.log(1 - FAR_FROM_BALANCE)) / recovery;
}
