import { checkRange } from '../words/checkRange';
import { postureStatics, type Stance } from '../body/statics';
import type { Body } from '../body/body';
import { effortFromEndurance, enduranceTime } from './enduranceTime';
import { relativeEffort } from './relativeEffort';

export type LimitedBy = 'legs' | 'arms';

/** A test hold to the school's stopping point in a known posture, and what stopped it. */
export interface TestHold {
  readonly stance: Stance;
  readonly seconds: number;
  readonly stoppedBy: LimitedBy;
}
export interface Capacity {
  readonly momentNm: number;
  /** Half the width of the likely range, as a factor: momentNm ×/÷ this. 1 when a single test gives none. */
  readonly spread: number;
  /** A test this shallow says little, since the bones carry nearly all. */
  readonly shallow: boolean;
}

/** Below this bend a leg test is ill-conditioned. */
export const SHALLOW_BEND = 25;

const jointOf = { legs: 'knee', arms: 'shoulder' } as const;

/** The moment of a stance at the joint that the legs or the arms are limited by, N·m. */
export function limitingMoment(body: Body, stance: Stance, by: LimitedBy): number {
  const statics = postureStatics(body, stance);
  return Math.abs(by === 'legs' ? statics.kneeMomentNm : statics.shoulderMomentNm);
}

/**
 * Capacity of a joint from one or several test holds: moment / f with f from the endurance time; with
 * several, the mean of their logarithms, which is least squares in log space (model §5).
 * @throws RangeError without a test of that kind, or for a posture that does not load the joint.
 */
export function capacityFromHolds(body: Body, holds: readonly TestHold[], by: LimitedBy): Capacity {
  const own = holds.filter((hold) => hold.stoppedBy === by);
  if (own.length === 0) throw new RangeError(`holds: none was stopped by the ${by}`);
  const logs = own.map((hold, index) => {
    const moment = limitingMoment(body, hold.stance, by);
    checkRange(`moment of hold ${index + 1}`, moment, 0.05, 2000);
    return Math.log(moment / effortFromEndurance(jointOf[by], hold.seconds));
  });
  const mean = logs.reduce((sum, value) => sum + value, 0) / logs.length;
  const variance = logs.reduce((sum, value) => sum + (value - mean) ** 2, 0) / Math.max(1, logs.length - 1);
  return {
    momentNm: Math.exp(mean),
    spread: logs.length < 2 ? 1 : Math.exp(Math.sqrt(variance / logs.length)),
    shallow: by === 'legs' && own.every((hold) => hold.stance.kneeBendDeg < SHALLOW_BEND),
  };
}

/** How long the legs or the arms hold a stance with a known capacity. */
export function holdEndurance(
  body: Body,
  stance: Stance,
  capacityNm: number,
  by: LimitedBy,
): ReturnType<typeof enduranceTime> {
  const effort = relativeEffort(limitingMoment(body, stance, by), capacityNm);
  return enduranceTime(jointOf[by], Math.min(1, effort));
}
