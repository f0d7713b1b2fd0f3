import { checkRange } from '../words/checkRange';

/** Standard gravity, m/s². */
export const GRAVITY = 9.80665;

/**
 * Segment lengths as fractions of stature (after Drillis & Contini 1966, as tabulated by Winter,
 * Biomechanics and Motor Control of Human Movement, 2009; from memory).
 */
export const lengthFractions = {
  foot: 0.152,
  ankleHeight: 0.039,
  shank: 0.246,
  thigh: 0.245,
  trunk: 0.288,
  upperArm: 0.186,
  forearm: 0.146,
  hand: 0.108,
  shoulderBreadth: 0.259,
  hipBreadth: 0.191,
  /** Centre of the head and neck beyond the shoulder, along the trunk line. */
  headBeyondShoulder: 0.112,
} as const;

/** Where the ankle and the ball stand along the foot, shares from the heel (house values). */
export const ANKLE_ALONG = 0.25;
export const BALL_ALONG = 0.72;

/** Segment masses as fractions of body mass (after Dempster 1955, in Winter 2009; from memory). Sum with both sides: 1. */
export const massFractions = {
  foot: 0.0145,
  shank: 0.0465,
  thigh: 0.1,
  trunk: 0.497,
  head: 0.081,
  upperArm: 0.028,
  forearm: 0.016,
  hand: 0.006,
} as const;

/** Centres of mass as a fraction of the segment from its proximal end (Winter 2009; from memory). */
export const centreFractions = {
  foot: 0.5,
  shank: 0.433,
  thigh: 0.433,
  trunk: 0.5,
  upperArm: 0.436,
  forearm: 0.43,
  hand: 0.506,
} as const;

/** What is known of a person. Lengths in m, mass in kg. */
export interface BodyMeasures {
  readonly stature: number;
  readonly mass: number;
  /** Measured lengths replace their fraction of stature. */
  readonly shank?: number;
  readonly thigh?: number;
  readonly foot?: number;
}

/** A body ready for statics: lengths in m, mass in kg. */
export interface Body {
  readonly stature: number;
  readonly mass: number;
  readonly lengths: Readonly<Record<keyof typeof lengthFractions, number>>;
  readonly centres: Centres;
}

/** A table of centres of mass, each as a fraction from the proximal end. */
export type Centres = Readonly<Record<keyof typeof centreFractions, number>>;

/**
 * A body from its measures, with standard proportions where nothing was measured.
 * @param centres another table of centres of mass than Winter's
 * @throws RangeError for a stature outside 0.8–2.5 m, a mass outside 20–300 kg, or a length that is none.
 */
export function bodyOf(measures: BodyMeasures, centres: Centres = centreFractions): Body {
  const { stature, mass } = measures;
  checkRange('stature', stature, 0.8, 2.5);
  checkRange('mass', mass, 20, 300);
  const lengths = Object.fromEntries(
    Object.entries(lengthFractions).map(([name, fraction]) => [name, fraction * stature]),
  ) as Record<keyof typeof lengthFractions, number>;
  for (const name of ['shank', 'thigh', 'foot'] as const) {
    const measured = measures[name];
    if (measured === undefined) continue;
    checkRange(name, measured, 0.05 * stature, 0.5 * stature);
    lengths[name] = measured;
  }
  return { stature, mass, lengths, centres };
}

/** The body numbers are shown for when no student is chosen. */
export const standardBody: Body = bodyOf({ stature: 1.7, mass: 70 });
