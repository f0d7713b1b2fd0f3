import { isTimed, type Dose } from '../library/dose';
import type { Exercise } from '../library/exercise';
import type { AskedThen } from '../film/filmSaid';
import type { Still } from '../film/still';
import { personRecord, type StoredPerson } from '../person/personRecord';
import { practisedOn } from './practisedRoutine';

/** What is known of a student about the day of a film. */
export type FilmedDay = StoredPerson;

/** The dose of a drill in what the student practises on a day by the first plan that has it; null where none has. */
function plannedDose(exercise: Exercise, day: string, known: FilmedDay): Dose | null {
  const person = personRecord(known, day);
  for (const plan of known.plans.filter(({ startsOn }) => startsOn <= day)) {
    for (const segment of practisedOn(plan, person)?.segments ?? []) {
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
