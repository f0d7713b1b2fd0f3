import { measuresOf, type Measure } from '../students/measure';
import type { Student } from '../students/student';
import type { Condition } from './conditions';
import { isShortOneLeg, TANDEM_SECONDS } from './norms';

/**
 * What is noted of a student, with what the newest baseline results come to: a tandem stand under ten seconds, or a one-leg
 * stand under half of what is usual at the age, act as poor balance (model §11). Never a diagnosis.
 * @param today YYYY-MM-DD
 */
export function notedConditions(
  student: Pick<Student, 'conditions' | 'birthYear'>,
  measures: readonly Measure[],
  today: string,
): Condition[] {
  const age = student.birthYear === null ? null : Number(today.slice(0, 4)) - student.birthYear;
  const known = age === null || age < 0 || age > 120 ? null : age;
  const tandem = measuresOf(measures, 'tandem stand')[0];
  const legs = measuresOf(measures, 'one-leg stand');
  const newest = (['left', 'right'] as const).flatMap((side) => legs.find((leg) => leg.side === side) ?? []);
  const unsteady =
    (tandem !== undefined && tandem.seconds < TANDEM_SECONDS) ||
    newest.some(({ seconds }) => isShortOneLeg(seconds, known));
  const noted = student.conditions;
  return unsteady && !noted.includes('poor balance') ? [...noted, 'poor balance'] : [...noted];
}
