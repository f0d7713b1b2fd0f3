import type { Posture } from '../library/exercise';
import type { School } from './school';

/**
 * Where the floor presses back along the foot, not only where it is felt: with the sole down a good part of the weight stays
 * on the rest of it, so that a school that stands in the ball presses a tenth of the foot before the middle; one that stands in the heel keeps the toes alive and is half as far behind it. House values.
 */
const pressurePoints: Record<School['pressure'], number> = { 'whole sole': 0.5, centre: 0.5, ball: 0.6, heel: 0.45 };
const toesOut: Record<School['toes'], number> = { parallel: 0, 'slightly out': 15, wide: 45 };
/** Distance of the foot centre lines of a plain stance, shoulder breadths: a fist between heels of some 9 cm, hips three quarters of the shoulders. */
const widths: Record<School['width'], number> = { together: 0.2, fist: 0.4, hip: 0.75, shoulder: 1, wider: 1.3 };
const shifts: Record<School['fullShift'], number> = { 'seven tenths': 0.7, all: 1 };
const pauseLimits: Record<School['pauses'], number> = { none: 0, short: 3, 'four-phase': 10 };
/** How far a rising school comes up with the breath in; degrees of bend, a house value. */
const RISE = 8;
/** Degrees outward of the rear foot of a bow (common practice). */
const REAR_TOES = 45;

/** A knee that is never straight keeps this bend; degrees, a house value. */
const NEVER_STRAIGHT = 8;
/** Knees of an arch point so far outside their toes; degrees, a house value. */
const ARCH = 10;
/** Shins that lean no more than this are plumb to the eye; degrees, a house value. */
const PLUMB = 20;

/** The numbers that follow from a school's choices. */
export interface Conventions {
  /** Along the foot, 0 heel to 1 toe tip. */
  readonly pressurePoint: number;
  readonly toesOutDeg: number;
  /** Share of the weight after a full shift. */
  readonly fullShare: number;
  /** Share of the weight on the rear leg at the end of the way back. */
  readonly rearShare: number;
  /** Of a plain stance, shoulder breadths. */
  readonly stanceWidth: number;
  /** The least bend of a standing knee, and how far it points outside its toes; degrees. */
  readonly leastBendDeg: number;
  readonly kneesOutDeg: number;
  /** How far a shin may lean; null where the toe line says it. Degrees. */
  readonly shinLimitDeg: number | null;
  /** How much of a turn the hips make, 0–1. */
  readonly hipsShare: number;
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
  rearShare: school.farEnds === 'all behind' ? 1 : shifts[school.fullShift],
  stanceWidth: widths[school.width],
  leastBendDeg: school.legs === 'bent' ? NEVER_STRAIGHT : 0,
  kneesOutDeg: school.shins === 'arched' ? ARCH : 0,
  shinLimitDeg: school.shins === 'plumb' ? PLUMB : null,
  hipsShare: school.turns === 'waist' ? 0 : 1,
  riseDeg: school.height === 'rising' ? RISE : 0,
  pauseLimitSeconds: pauseLimits[school.pauses],
  holdBudget: school.fatigueRule === 'ease' ? 0.6 : 0.85,
});

/** A posture whose open questions are answered by the school. */
export interface SettledPosture extends Posture {
  readonly pressurePoint: number;
  readonly toesOutDeg: number;
  readonly otherToesOutDeg: number;
  /** How far the knees point outside their toes, degrees. */
  readonly kneesOutDeg: number;
}

/** A posture, and whether its width was set for it: then it is meant, also where it is one shoulder breadth. */
export type SetPosture = Posture & { readonly widthSet?: boolean };

/** A plain stance stands as wide as the school does; every other, and what was set, as it is written. Shoulder breadths. */
export function widthIn({ seated, ahead, otherLifted, stanceWidth, widthSet }: SetPosture, school: School): number {
  const plain = !seated && ahead === 0 && !otherLifted && stanceWidth === 1 && widthSet !== true;
  return plain ? conventionsOf(school).stanceWidth : stanceWidth;
}

/** The posture with the school's pressure point and toes where it leaves them open. */
export function settlePosture({ widthSet, ...posture }: SetPosture, school: School): SettledPosture {
  const { pressurePoint, toesOutDeg, leastBendDeg, kneesOutDeg } = conventionsOf(school);
  const bow = posture.ahead > 0;
  const working = posture.toesOutDeg ?? (bow ? 0 : toesOutDeg);
  return {
    ...posture,
    pressurePoint: posture.pressurePoint ?? pressurePoint,
    kneeBendDeg: posture.seated ? posture.kneeBendDeg : Math.max(leastBendDeg, posture.kneeBendDeg),
    stanceWidth: widthIn({ ...posture, widthSet: widthSet === true }, school),
    kneesOutDeg,
    toesOutDeg: working,
    otherToesOutDeg: posture.otherToesOutDeg ?? (bow ? REAR_TOES : working),
  };
}
