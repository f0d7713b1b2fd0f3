import type { Plan } from '../goals/plan';
import type { PersonRecord } from '../person/personRecord';
import type { PlanContext } from './planContext';
import { mostDosesOf, strandPlaces } from './strandPlaces';

/**
 * What the verdicts, weeks, chances and calendar of a plan are computed from. Every screen goes through here, so that they
 * cannot disagree.
 */
export function contextOf(plan: Plan, person: PersonRecord): PlanContext {
  const { student, school, logs, corrections, routines, shelf, today } = person;
  return {
    plan,
    routine: routines.find(({ id }) => id === plan.routineId),
    practiceDays: student.practiceDays,
    logs,
    corrections,
    exercises: shelf,
    rule: school.raise,
    today,
    mostDoses: mostDosesOf(strandPlaces(plan, person)),
  };
}
