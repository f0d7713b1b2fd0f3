import type { Posture } from '../library/exercise';
import type { School } from './school';

/**
 * Where the floor presses back along the foot, not only where it is felt: with the sole down a good part of the weight stays
 * on the rest of it, so that a school that stands in the ball presses a tenth of the foot before the middle. House values.
 */
const pressurePoints: Record<School['pressure'], number> = { 'whole sole': 0.5, centre: 0.5, ball: 0.6, heel: 0.4 };
const toesOut: Record<School['toes'], number> = { parallel: 0, 'slightly out': 15, wide: 45 };
const shifts: Record<School['fullShift'], number> = { 'seven tenths': 0.7, all: 1 };
const pauseLimits: Record<School['pauses'], number> = { none: 0, short: 3, 'four-phase': 10 };
/** How far a rising school comes up with the breath in; degrees of bend, a house value. */
const RISE = 8;
/** Degrees outward of the rear foot of a bow (common practice). */
const REAR_TOES = 45;

/** The numbers that follow from a school's choices. */
export interface Conventions {
  /** Along the foot, 0 heel to 1 toe tip. */
  readonly pressurePoint: number;
  readonly toesOutDeg: number;
  /** Share of the weight after a full shift. */
  readonly fullShare: number;
  /** Degrees of bend that go away with the breath in. */
  readonly riseDeg: number;
  /** The longest pause in a breath, s. */
  readonly pauseLimitSeconds: number;
  /** Share of capacity that a hold may use: 0.6 where one eases, 0.85 where one endures (house values). */
  readonly holdBudget: number;
}

/** What a school's choices come to in numbers. */
export const conventionsOf = (school: School): Conventions => ({
  pressurePoint: pressurePoints[school.pressure],
  toesOutDeg: toesOut[school.toes],
  fullShare: shifts[school.fullShift],
  riseDeg: school.height === 'rising' ? RISE : 0,
  pauseLimitSeconds: pauseLimits[school.pauses],
  holdBudget: school.fatigueRule === 'ease' ? 0.6 : 0.85,
});

/** A posture whose open questions are answered by the school. */
export interface SettledPosture extends Posture {
  readonly pressurePoint: number;
  readonly toesOutDeg: number;
  readonly otherToesOutDeg: number;
}

/** The posture with the school's pressure point and toes where it leaves them open. */
export function settlePosture(posture: Posture, school: School): SettledPosture {
  const { pressurePoint, toesOutDeg } = conventionsOf(school);
  const bow = posture.ahead > 0;
  const working = posture.toesOutDeg ?? (bow ? 0 : toesOutDeg);
  return {
    ...posture,
    pressurePoint: posture.pressurePoint ?? pressurePoint,
    toesOutDeg: working,
    otherToesOutDeg: posture.otherToesOutDeg ?? (bow ? REAR_TOES : working),
  };
}
