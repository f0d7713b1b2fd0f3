import { TestBed } from '@angular/core/testing';
import {
  emptyContents,
  newRoutine,
  newSegment,
  newStudent,
  builtInExercises,
  softSchool,
  type Plan,
  personRecord,
  type PersonRecord,
  type PracticeLog,
  type StoredPerson,
  type Routine,
  type Strand,
  type Student,
} from '@pomek/core';
import { Database } from '../src/app/data/database';
import { SPACE } from '../src/app/data/space';

let count = 0;

/** A test bed with a fresh database of its own. */
export function freshSpace(providers: unknown[] = []): Database {
  const database = new Database(`test-${(count += 1)}-${Math.floor(performance.now())}`);
  TestBed.resetTestingModule();
  localStorage.clear();
  TestBed.configureTestingModule({
    providers: [{ provide: Database, useValue: database }, { provide: SPACE, useValue: 'own' }, ...(providers as [])],
  });
  return database;
}

export const aStudent = (change: Partial<Student> = {}): Student => ({
  ...newStudent('student-1', 'Nela Brisk', softSchool.id),
  birthYear: 1980,
  practiceDays: [1, 3],
  ...change,
});

export function aRoutine(change: Partial<Routine> = {}): Routine {
  const tree = builtInExercises.find((exercise) => exercise.id === 'tree-holding')!;
  const base = newRoutine('routine-1', 'Evening', softSchool);
  return { ...base, segments: [newSegment('segment-1', tree, softSchool)], ...change };
}

/** A plan of that student and routine, at the soft school's growth. */
export const aPlan = (strands: Strand[] = [], change: Partial<Plan> = {}): Plan => ({
  id: 'plan-1',
  studentId: 'student-1',
  routineId: 'routine-1',
  startsOn: '2026-03-02',
  growthPerWeek: 0.1,
  lighterEvery: 4,
  lighterCut: 0.4,
  strands,
  holidays: [],
  sessionMinutes: null,
  postures: [],
  frozenWeeks: [],
  calendar: null,
  ...change,
});

/** What is known of that student, without any practice. @param today YYYY-MM-DD */
export const aLog = (change: Partial<PracticeLog> = {}): PracticeLog => ({
  id: 'log-1',
  studentId: 'student-1',
  routineId: 'routine-1',
  routineName: 'Evening',
  day: '2026-03-10',
  startedAt: '2026-03-10T08:00:00.000Z',
  enteredAt: null,
  practisedSeconds: 600,
  source: 'by hand',
  classId: null,
  lines: [],
  effort: 5,
  pain: 0,
  painWhere: '',
  painPlace: null,
  symptoms: [],
  shook: [],
  hands: [],
  note: '',
  ...change,
});
export const aPerson = (today: string, change: Partial<StoredPerson> = {}): PersonRecord =>
  personRecord(
    {
      student: aStudent({ practiceDays: [1, 3, 5] }),
      school: softSchool,
      plans: [],
      decisions: [],
      logs: [],
      corrections: [],
      measures: [],
      routines: [aRoutine()],
      exercises: builtInExercises,
      ...change,
    },
    today,
  );

/** A file's contents with that student and routine. */
export const someContents = () => ({ ...emptyContents(), students: [aStudent()], routines: [aRoutine()] });

/** Waits until a condition holds, for what goes through the storage. */
export async function until(holds: () => boolean): Promise<void> {
  for (let tries = 0; tries < 200; tries += 1) {
    if (holds()) return;
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
  throw new Error('it never came true');
}
