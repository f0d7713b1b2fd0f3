import { checkRange } from '../words/checkRange';

/** Mean one-leg stand, eyes open, in s, by age (Springer et al. 2007; from memory). */
const oneLegBands: readonly (readonly [fromAge: number, seconds: number])[] = [
  [80, 6],
  [70, 15],
  [60, 27],
  [50, 37],
  [40, 40],
  [18, 43],
];

/** The mean one-leg stand for an age, in s; null below 18 years. */
export function oneLegNorm(age: number): number | null {
  checkRange('age', age, 0, 120);
  return oneLegBands.find(([fromAge]) => age >= fromAge)?.[1] ?? null;
}

/** Thirty-second chair stand: a count below this is below average (CDC STEADI; from memory). */
const chairBands: readonly (readonly [fromAge: number, women: number, men: number])[] = [
  [90, 4, 7],
  [85, 8, 8],
  [80, 9, 10],
  [75, 10, 11],
  [70, 10, 12],
  [65, 11, 12],
  [60, 12, 14],
];

/** The chair-stand count below which a result is below average; null under 60 and over 94 years. */
export function chairStandNorm(age: number, sex: 'female' | 'male'): number | null {
  checkRange('age', age, 0, 120);
  if (age >= 95) return null;
  const band = chairBands.find(([fromAge]) => age >= fromAge);
  return band === undefined ? null : band[sex === 'female' ? 1 : 2];
}

/** Results of a baseline session; null where not taken. */
export interface Screening {
  readonly age: number;
  readonly sex: 'female' | 'male' | 'unknown';
  readonly oneLegSeconds: number | null;
  readonly chairStands: number | null;
  readonly tandemSeconds: number | null;
}

/** What results switch on by default. Never a diagnosis; the teacher may set each otherwise. */
export interface ScreeningDefaults {
  readonly chairWithinReach: boolean;
  readonly noOneLegWork: boolean;
  readonly higherStance: boolean;
  /** In plain words, each with its measure. */
  readonly reasons: readonly string[];
}

/** Holding a tandem stand for less than this, in s, means a raised risk of falling (CDC STEADI; from memory). */
export const TANDEM_SECONDS = 10;
/** One-leg work is left out below this, in s. House value. */
const NO_ONE_LEG_SECONDS = 5;

/** The defaults that baseline results set, with their reasons (model §11). */
export function screeningDefaults(screening: Screening): ScreeningDefaults {
  const { age, sex, oneLegSeconds, chairStands, tandemSeconds } = screening;
  const oneLeg = oneLegNorm(age);
  const chair = sex === 'unknown' ? null : chairStandNorm(age, sex);
  const shortTandem = tandemSeconds !== null && tandemSeconds < TANDEM_SECONDS;
  const shortOneLeg = oneLegSeconds !== null && oneLeg !== null && oneLegSeconds < oneLeg / 2;
  const tooShort = oneLegSeconds !== null && oneLegSeconds < NO_ONE_LEG_SECONDS;
  const fewStands = chairStands !== null && chair !== null && chairStands < chair;
  const reasons = [
    ...(shortTandem
      ? [
          `Tandem stand ${tandemSeconds} s, under ${TANDEM_SECONDS} s: keep a chair within reach and speak with a licensed practitioner about falls.`,
        ]
      : []),
    ...(shortOneLeg
      ? [
          `One-leg stand ${oneLegSeconds} s, less than half of the ${oneLeg} s usual at ${age}: keep a chair within reach.`,
        ]
      : []),
    ...(tooShort ? [`One-leg stand under ${NO_ONE_LEG_SECONDS} s: leave one-leg work out for now.`] : []),
    ...(fewStands ? [`${chairStands} chair stands, below ${chair} at ${age}: begin with a higher stance.`] : []),
  ];
  return {
    chairWithinReach: shortTandem || shortOneLeg || tooShort,
    noOneLegWork: shortTandem || tooShort,
    higherStance: fewStands,
    reasons,
  };
}
