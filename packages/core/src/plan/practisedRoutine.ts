import type { Exercise } from '../library/exercise';
import type { Routine } from '../routine/routine';
import type { School } from '../schools/school';
import { caredRoutine, type Changed, type EffortOf } from '../care/caredRoutine';
import { segmentEndurance } from '../endurance/routineEffort';
import type { PracticeLog } from '../practice/log';
import { limitsOf } from '../screening/limits';
import type { Noted } from '../screening/noted';
import type { Measure } from '../students/measure';
import { notedOf } from '../students/notedOf';
import type { Student } from '../students/student';
import { bodyOfStudent, capacityOfStudent, restingBreathOf } from '../students/studentBody';
import type { StudentRecords } from './contextOf';
import { dosedRoutine } from './dosedRoutine';
import type { Plan } from './plan';
import { lockedStrands } from './stopReasons';

/** How hard holds are for a student, where something noted asks for it; else nothing is reckoned. */
function effortOfHolds(
  student: Student,
  noted: readonly Noted[],
  measures: readonly Measure[],
  logs: readonly PracticeLog[],
  exercises: ReadonlyMap<string, Exercise>,
  school: School,
  day: string,
): EffortOf | undefined {
  if (!limitsOf(noted).some(({ name }) => name === 'effort')) return undefined;
  const { body } = bodyOfStudent(student);
  const capacity = capacityOfStudent(student, measures, day, { logs, exercises: [...exercises.values()], school });
  return (segment) => {
    const exercise = exercises.get(segment.exerciseId);
    if (exercise === undefined || segment.dose.kind !== 'hold') return null;
    return (10 * segment.dose.holdSeconds) / segmentEndurance(segment, exercise, body, capacity, school);
  };
}

/**
 * What a student really practises on a day: the routine with the doses and postures of the plan, and with what is noted of the
 * body taken care of. Today, the way into the hall, the hall and the handout all go through here.
 * @param plan null where there is none for it
 * @param leftOut segments that are not practised, as those of locked strands
 * @param logs of the student, which tell how strong legs and arms are
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
  logs: readonly PracticeLog[] = [],
): { readonly routine: Routine; readonly changed: readonly Changed[] } {
  const dosed = plan === null ? routine : dosedRoutine(routine, plan, day, leftOut);
  return student === null
    ? { routine: dosed, changed: [] }
    : takenCareOf(dosed, student, measures, exercises, school, day, logs);
}

/** What a student practises of a plan on a day, without what is locked by a sign to stop; null where its routine is gone. */
export function practisedOn(
  plan: Plan,
  { student, school, measures, logs, routines }: Omit<StudentRecords, 'corrections' | 'exercises'>,
  exercises: ReadonlyMap<string, Exercise>,
  day: string,
): Routine | null {
  const routine = routines.find(({ id }) => id === plan.routineId);
  if (routine === undefined) return null;
  const locked = new Set(lockedStrands(plan, logs, school.raise, exercises).map(({ segmentId }) => segmentId));
  return practisedRoutine(routine, plan, student, measures, exercises, school, day, locked, logs).routine;
}

/** A routine with doses put in, with what is noted of a student taken care of. */
export function takenCareOf(
  dosed: Routine,
  student: Student,
  measures: readonly Measure[],
  exercises: ReadonlyMap<string, Exercise>,
  school: School,
  day: string,
  logs: readonly PracticeLog[],
): { readonly routine: Routine; readonly changed: readonly Changed[] } {
  const noted = notedOf(student, measures, day);
  const effort = effortOfHolds(student, noted, measures, logs, exercises, school, day);
  const person = { noted, restingBreath: restingBreathOf(measures) };
  return caredRoutine(dosed, person, exercises, school, effort);
}
