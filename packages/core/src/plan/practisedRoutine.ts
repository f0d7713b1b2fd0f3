import type { Exercise } from '../library/exercise';
import type { Routine } from '../routine/routine';
import type { School } from '../schools/school';
import { caredRoutine, type Changed } from '../screening/caredRoutine';
import { notedConditions } from '../screening/notedConditions';
import type { Measure } from '../students/measure';
import type { Student } from '../students/student';
import { dosedRoutine } from './dosedRoutine';
import type { Plan } from './plan';

/**
 * What a student really practises on a day: the routine with the doses and postures of the plan, and with what is noted of the
 * body taken care of. Today, the way into the hall, the hall and the handout all go through here.
 * @param plan null where there is none for it
 * @param leftOut segments that are not practised, as those of locked strands
 */
export function practisedRoutine(
  routine: Routine,
  plan: Plan | null,
  student: Student | null,
  measures: readonly Measure[],
  exercises: ReadonlyMap<string, Exercise>,
  school: School,
  day: string,
  leftOut: ReadonlySet<string> = new Set(),
): { readonly routine: Routine; readonly changed: readonly Changed[] } {
  const dosed = plan === null ? routine : dosedRoutine(routine, plan, day, leftOut);
  if (student === null) return { routine: dosed, changed: [] };
  return caredRoutine(dosed, notedConditions(student, measures, day), exercises, school);
}
