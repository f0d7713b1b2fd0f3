import { chairStandNorm, isShortOneLeg, TANDEM_SECONDS } from '../screening/norms';
import { notedCondition, type Noted } from '../screening/noted';
import { notedOwn } from '../screening/ownLimits';
import { measuresOf, type Measure } from './measure';
import type { Student } from './student';

/** Weak legs begin a third lower, and higher (house values). */
const weakLegs: Noted = {
  because: 'weak legs',
  rule: 'Fewer chair stands than is average for the age: higher stance, shorter holds, first doses a third lower.',
  side: null,
  limits: { bendDeg: 30 },
  firstShare: 2 / 3,
};

/** Years of age on a day, or null where they are not known. */
export function ageOn(birthYear: number | null, day: string): number | null {
  const age = birthYear === null ? null : Number(day.slice(0, 4)) - birthYear;
  return age === null || age < 0 || age > 120 ? null : age;
}

/**
 * All that is noted of a student: conditions with their side, the teacher's own limits, and what the newest baseline results come
 * to. A tandem stand under ten seconds, or a one-leg stand under half of what is usual at the age, acts as poor balance; fewer
 * chair stands than is average for a woman of that age, as weak legs: no sex is kept, so only what is below either average acts.
 * Never a diagnosis.
 * @param today YYYY-MM-DD
 */
export function notedOf(
  student: Pick<Student, 'conditions' | 'conditionSides' | 'ownLimits' | 'birthYear'>,
  measures: readonly Measure[],
  today: string,
): Noted[] {
  const age = ageOn(student.birthYear, today);
  const tandem = measuresOf(measures, 'tandem stand')[0];
  const legs = measuresOf(measures, 'one-leg stand');
  const newest = (['left', 'right'] as const).flatMap((side) => legs.find((leg) => leg.side === side) ?? []);
  const unsteady =
    !student.conditions.includes('poor balance') &&
    ((tandem !== undefined && tandem.seconds < TANDEM_SECONDS) ||
      newest.some(({ seconds }) => isShortOneLeg(seconds, age)));
  const stands = measuresOf(measures, 'chair stand')[0];
  const least = age === null ? null : chairStandNorm(age, 'female');
  return [
    ...student.conditions.map((condition) => notedCondition(condition, student.conditionSides[condition] ?? null)),
    ...(unsteady ? [notedCondition('poor balance')] : []),
    ...(stands !== undefined && least !== null && stands.count < least ? [weakLegs] : []),
    ...student.ownLimits.map(notedOwn),
  ];
}
