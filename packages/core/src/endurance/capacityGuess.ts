import { checkRange } from '../words/checkRange';
import { peakPerKilogram, type Strength } from './strength';

export type Sex = 'female' | 'male' | 'unknown';
export type Habit = 'seldom active' | 'active' | 'trained';

const sexFactor: Record<Sex, number> = { female: 0.85, male: 1.05, unknown: 0.95 };
const habitFactor: Record<Habit, number> = { 'seldom active': 0.8, active: 1, trained: 1.15 };
/** Share of the strength of a young adult that is left at an age, years; straight lines between, so that no birthday is a step. */
const ageFactors: readonly (readonly [age: number, factor: number])[] = [
  [0, 1],
  [35, 1],
  [45, 0.93],
  [55, 0.85],
  [65, 0.75],
  [75, 0.65],
  [85, 0.55],
  [120, 0.4],
];
/** Weight beyond this body mass index is carried by the legs and makes them no stronger, kg/m². House value. */
const CARRIED_FROM = 27;

function ageFactor(age: number): number {
  const next = Math.max(
    1,
    ageFactors.findIndex(([to]) => to >= age),
  );
  const [[from, before], [to, after]] = [ageFactors[next - 1]!, ageFactors[next]!];
  return before + ((after - before) * (age - from)) / (to - from);
}

/** What a starting estimate rests on. */
export interface GuessedFrom {
  /** kg */
  readonly mass: number;
  /** Years. */
  readonly age: number;
  readonly sex?: Sex;
  readonly habit?: Habit;
  /** m; left out, the mass is taken as it is. */
  readonly stature?: number;
}

/**
 * A starting estimate of the strength of legs and arms where no test hold was taken, by age, sex, habit and size. A guess:
 * house values, to be replaced by a baseline hold.
 * @throws RangeError when mass or age is out of bounds
 */
export function capacityGuess({ mass, age, sex = 'unknown', habit = 'active', stature }: GuessedFrom): Strength {
  checkRange('mass', mass, 20, 300);
  checkRange('age', age, 0, 120);
  const factor = ageFactor(age) * sexFactor[sex] * habitFactor[habit];
  const strongMass = stature === undefined ? mass : Math.min(mass, CARRIED_FROM * stature ** 2);
  return { kneeNm: peakPerKilogram.knee * strongMass * factor, shoulderNm: peakPerKilogram.shoulder * mass * factor };
}
