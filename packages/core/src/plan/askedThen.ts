import { isTimed, type Dose } from '../library/dose';
import type { Exercise } from '../library/exercise';
import type { Plan } from './plan';
import { practisedRoutine } from './practisedRoutine';
import { lockedStrands } from './stopReasons';
import type { PracticeLog } from '../practice/log';
import type { Routine } from '../routine/routine';
import type { School } from '../schools/school';
import type { Measure } from '../students/measure';
import type { Student } from '../students/student';
import type { AskedThen } from '../film/filmSaid';
import type { Still } from '../film/still';

/** What is known of a student about the day of a film. */
export interface FilmedDay {
  readonly student: Student;
  readonly school: School;
  readonly exercises: readonly Exercise[];
  readonly routines: readonly Routine[];
  /** Of the student. */
  readonly plans: readonly Plan[];
  readonly measures: readonly Measure[];
  readonly logs: readonly PracticeLog[];
}

/** The dose of a drill in what the student practises on a day by the first plan that has it; null where none has. */
function plannedDose(exercise: Exercise, day: string, known: FilmedDay): Dose | null {
  const { student, school, measures, logs } = known;
  const shelf = new Map(known.exercises.map((entry) => [entry.id, entry]));
  for (const plan of known.plans) {
    const routine = known.routines.find(({ id }) => id === plan.routineId);
    if (routine === undefined || plan.startsOn > day) continue;
    const locked = lockedStrands(plan, logs, school.raise, shelf).map(({ segmentId }) => segmentId);
    const { routine: practised } = practisedRoutine(
      routine,
      plan,
      student,
      measures,
      shelf,
      school,
      day,
      new Set(locked),
      logs,
    );
    for (const segment of practised.segments) {
      if (segment.type === 'exercise' && segment.exerciseId === exercise.id) return segment.dose;
    }
  }
  return null;
}

/** What was asked of the drill of a still on its day, of the side that works. */
export function askedThen(still: Pick<Still, 'day' | 'working'>, exercise: Exercise, known: FilmedDay): AskedThen {
  const planned = plannedDose(exercise, still.day, known);
  const dose = planned ?? exercise.defaultDose;
  const side = exercise.twoSided ? still.working : 'both';
  const counts = dose.kind === 'cycle' && !isTimed(dose);
  const ofSide = <T extends { readonly side: string }>(rows: readonly T[]): T[] =>
    rows.filter((row) => side === 'both' || row.side === 'both' || row.side === side);
  const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);
  const lines = ofSide(
    known.logs
      .filter(({ day }) => day === still.day)
      .flatMap((log) => log.lines)
      .filter(({ exerciseId, kind }) => exerciseId === exercise.id && kind === 'cycle'),
  );
  if (counts && lines.length > 0) {
    return {
      by: 'log',
      dose,
      side,
      count: sum(lines.map(({ asked }) => asked.amount)),
      done: sum(lines.map(({ done }) => done.amount)),
    };
  }
  const count = counts ? sum(ofSide(dose.amounts).map(({ amount }) => amount)) : null;
  return { by: planned === null ? 'exercise' : 'plan', dose, side, count, done: null };
}
