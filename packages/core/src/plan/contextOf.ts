import type { Correction } from '../corrections/correction';
import type { Exercise } from '../library/exercise';
import type { PracticeLog } from '../practice/log';
import type { Routine } from '../routine/routine';
import type { School } from '../schools/school';
import type { Measure } from '../students/measure';
import type { Student } from '../students/student';
import type { Plan } from './plan';
import type { PlanContext } from './planContext';
import { mostDosesOf, strandPlaces } from './strandPlaces';

/** What is stored of a student that their plans rest on. */
export interface StudentRecords {
  readonly student: Student;
  readonly school: School;
  readonly logs: readonly PracticeLog[];
  readonly corrections: readonly Correction[];
  readonly measures: readonly Measure[];
  readonly routines: readonly Routine[];
  readonly exercises: readonly Exercise[];
}

/**
 * What the verdicts, weeks, chances and calendar of a plan are computed from. Every screen goes through here, so that they
 * cannot disagree.
 * @param today YYYY-MM-DD
 */
export function contextOf(plan: Plan, records: StudentRecords, today: string): PlanContext {
  const { student, school, logs, corrections, measures, routines, exercises } = records;
  const routine = routines.find(({ id }) => id === plan.routineId);
  const places =
    routine === undefined
      ? new Map<string, never>()
      : strandPlaces(student, measures, plan, routine, exercises, school, today, logs);
  return {
    plan,
    routine,
    practiceDays: student.practiceDays,
    logs,
    corrections,
    exercises: new Map(exercises.map((exercise) => [exercise.id, exercise])),
    rule: school.raise,
    today,
    mostDoses: mostDosesOf(plan, places),
  };
}
