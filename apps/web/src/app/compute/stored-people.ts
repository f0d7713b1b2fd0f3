import {
  builtInExercises,
  byName,
  personRecord,
  type Exercise,
  type PersonRecord,
  type School,
  type Student,
} from '@pomek/core';
import { gatherer } from '../data/gathered';
import { Reading, withBuiltInExercises, withBuiltInSchools } from '../data/reading';
import type { StoredTables } from '../data/stored-tables';

/** What is stored of everybody, read in the worker. */
export interface StoredPeople {
  readonly exercises: readonly Exercise[];
  readonly schools: readonly School[];
  readonly students: ReadonlyMap<string, Student>;
  /** @throws Error where there is no such student */
  person(studentId: string): Promise<PersonRecord>;
}

/** @param today YYYY-MM-DD */
export async function storedPeople(tables: StoredTables, today: string): Promise<StoredPeople> {
  const reading = new Reading(tables, () => undefined);
  const exercises = withBuiltInExercises(builtInExercises, await reading.all('exercises'));
  const schools = withBuiltInSchools(await reading.all('schools'));
  const gather = gatherer({
    routines: (await reading.all('routines')).toSorted(byName),
    plans: await reading.all('plans'),
    measures: await reading.all('measures'),
    exercises,
    schools,
    telling: await reading.telling(today),
  });
  const students = new Map((await reading.all('students')).map((student) => [student.id, student]));
  return {
    exercises,
    schools,
    students,
    person: async (studentId) => {
      const own = await reading.tellingOf(studentId, today);
      const student = students.get(studentId);
      if (student === undefined) throw new Error('This student is not there any more.');
      return personRecord(gather(student, own), today);
    },
  };
}
