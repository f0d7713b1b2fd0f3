import { chairStandNorm, oneLegNorm } from './norms';

/** What of somebody tells what is usual. */
export interface UsualPerson {
  /** Years; null where it is not known. */
  readonly age: number | null;
  readonly habit: 'seldom active' | 'active' | 'trained';
  readonly body: { readonly mass: number; readonly stature: number };
}
type UsualHabit = UsualPerson['habit'];

/** From this body mass index on legs carry so much that what they do counts as seldom done, kg/m². House value. */
const CARRIES_MUCH = 29;
const legHabit = ({ habit, body: { mass, stature } }: UsualPerson): UsualHabit =>
  mass >= CARRIES_MUCH * stature ** 2 ? 'seldom active' : habit;

/** Beyond this age nothing is done on one leg without a hand on something. House value after common practice. */
const HAND_FROM = 76;
/** Active people stand twice as long as the mean of their age when they train it, seldom active ones about as long. House values. */
const ONE_LEG: Readonly<Record<UsualHabit, number>> = { 'seldom active': 1, active: 2, trained: 2 };

/**
 * How long one leg is usually stood on at an age, s: from the mean of trials (Springer et al. 2007; from memory), more for those who
 * practise (house value); 0 where a hand on something is usual; null where no age is known.
 */
export function usualOneLeg({ age, habit }: UsualPerson): number | null {
  const norm = age === null ? null : oneLegNorm(age);
  if (age === null || norm === null) return null;
  return age >= HAND_FROM ? 0 : norm * ONE_LEG[habit];
}

/** Under sixty no norm is published: so many, and this many times the norm of an age by habit. House values after common practice. */
const YOUNGER_SQUATS = 30;
const SQUATS: Readonly<Record<UsualHabit, number>> = { 'seldom active': 1, active: 1.5, trained: 2 };
const OLDEST_NORM = 94;

/**
 * How many squats in one go are usual at an age: from the count of chair stands in half a minute below which a result is below average
 * (CDC STEADI; from memory; the mean of women and men, as no sex is kept), more for those who practise, as few as that for anybody from 76 on (house values); null where no
 * age is known.
 */
export function usualSquats(person: UsualPerson): number | null {
  const { age } = person;
  if (age === null) return null;
  const at = Math.min(OLDEST_NORM, age);
  const [women, men] = [chairStandNorm(at, 'female'), chairStandNorm(at, 'male')];
  const norm = women === null || men === null ? YOUNGER_SQUATS : (women + men) / 2;
  return norm * (age >= HAND_FROM ? 1 : SQUATS[legHabit(person)]);
}

/** From this bend on a stand is low, degrees; from this age on it is shorter, years. House values. */
const LOW_BEND = 35;
const OLDER = 60;
/** How long a low stand is usual at most, s, for younger and for older people. House values after common practice. */
const LOW_STAND: Readonly<Record<UsualHabit, readonly [younger: number, older: number]>> = {
  'seldom active': [110, 60],
  active: [240, 110],
  trained: [240, 110],
};

/** How long a stand at a bend is usual at most, s (common practice); null where it is not low. */
export function usualLowStand(person: UsualPerson, kneeBendDeg: number): number | null {
  if (kneeBendDeg < LOW_BEND) return null;
  const [younger, older] = LOW_STAND[legHabit(person)];
  return (person.age ?? 0) >= OLDER ? older : younger;
}
