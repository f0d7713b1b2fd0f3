import type { Plan } from '../goals/plan';
import type { PersonRecord } from '../person/personRecord';
import { lockedSegments } from './lockedSegments';
import type { PlanContext } from './planContext';
import { mostDosesOf, strandPlaces } from './strandPlaces';

/**
 * What the verdicts, weeks, chances and calendar of a plan are computed from. Every screen goes through here, so that they
 * cannot disagree.
 */
export function contextOf(plan: Plan, person: PersonRecord): PlanContext {
  const { student, school, logs, corrections, routines, shelf, today } = person;
  const routine = routines.find(({ id }) => id === plan.routineId);
  return {
    plan,
    routine,
    practiceDays: student.practiceDays,
    logs,
    corrections,
    exercises: shelf,
    rule: school.raise,
    today,
    mostDoses: mostDosesOf(strandPlaces(plan, person)),
    lockedSegments: new Set(routine === undefined ? [] : lockedSegments(routine, person).keys()),
  };
}
