import {
  groupBy,
  softSchool,
  type Exercise,
  type Measure,
  type Plan,
  type Routine,
  type School,
  type StoredPerson,
  type Student,
} from '@pomek/core';
import { once, type Telling, type TellingOf } from './reading';

/** What the records of many people are made of, but the practices of each. */
export interface ReadOfAll {
  readonly routines: readonly Routine[];
  readonly plans: readonly Plan[];
  readonly exercises: readonly Exercise[];
  readonly schools: readonly School[];
  readonly telling: Telling;
  readonly measures: readonly Measure[];
}

/** The school of that id; the soft one, as the teacher has it by now, when there is none. */
export const schoolOf = (schools: readonly School[], id: string | undefined): School => {
  const of = (wanted: string | undefined) => schools.find((school) => school.id === wanted);
  return of(id) ?? of(softSchool.id) ?? softSchool;
};

/** What is stored of one among many, from what was read of all and of that one. */
export function gatherer(read: ReadOfAll): (student: Student, own: TellingOf) => StoredPerson {
  const of = <T extends { readonly studentId: string }>(records: readonly T[]) =>
    groupBy(records, ({ studentId }) => studentId);
  const { telling, routines, exercises, schools } = read;
  const [signs, decisions, corrections] = [of(telling.signs), of(telling.decisions), of(telling.corrections)];
  const [measures, plans] = [of(read.measures), of(read.plans)];
  return (student, own) => {
    const { id } = student;
    return {
      student,
      school: schoolOf(schools, student.schoolId),
      plans: plans.get(id) ?? [],
      decisions: once([...(decisions.get(id) ?? []), ...own.decisions]),
      logs: once([...own.logs, ...(signs.get(id) ?? [])]),
      corrections: corrections.get(id) ?? [],
      measures: measures.get(id) ?? [],
      routines,
      exercises,
    };
  };
}
