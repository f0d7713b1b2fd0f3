import Dexie, { type Table } from 'dexie';
import {
  PlanSchema,
  RoutineSchema,
  SchoolSchema,
  builtInSchools,
  inCounts,
  type Chain,
  type Correction,
  type Decision,
  type Exercise,
  type Film,
  type Journal,
  type Measure,
  type Meeting,
  type Picture,
  type Plan,
  type PracticeLog,
  type Recording,
  type Routine,
  type School,
  type Still,
  type Student,
  type TaughtClass,
} from '@pomek/core';

/** What every space stores, by table. */
export interface Records {
  schools: School;
  exercises: Exercise;
  routines: Routine;
  students: Student;
  plans: Plan;
  logs: PracticeLog;
  decisions: Decision;
  journals: Journal;
  measures: Measure;
  chains: Chain;
  corrections: Correction;
  classes: TaughtClass;
  meetings: Meeting;
  stills: Still;
  films: Film;
  pictures: Picture;
  recordings: Recording;
}
export type TableName = keyof Records;
export const tableNames = [
  'schools',
  'exercises',
  'routines',
  'students',
  'plans',
  'logs',
  'decisions',
  'journals',
  'measures',
  'chains',
  'corrections',
  'classes',
  'meetings',
  'stills',
  'films',
  'pictures',
  'recordings',
] as const satisfies readonly TableName[];

/** Tables that are not looked through for what cannot be read: their records are large, or no records of the teacher’s. */
export const notLookedThrough: ReadonlySet<TableName> = new Set(['pictures', 'recordings', 'journals']);

/** The tables of one space in the browser's storage, as the page and the worker open them. */
export class StoredTables extends Dexie {
  constructor(name: string) {
    // What is read is never changed in place, and years of practices need not be copied for that.
    super(name, { cache: 'immutable' });
    // Versions stand here oldest first, each with its upgrade.
    this.version(1).stores({
      schools: 'id',
      exercises: 'id',
      routines: 'id',
      students: 'id',
      plans: 'id, studentId, routineId',
      logs: 'id, studentId, [studentId+day]',
      decisions: 'id, studentId, planId',
      journals: 'id',
    });
    // Signs to stop are found by their own indexes, however old they are.
    this.version(2).stores({
      logs: 'id, studentId, [studentId+day], pain, *symptoms',
      measures: 'id, studentId',
      chains: 'id',
      corrections: 'id, studentId, day',
      decisions: 'id, studentId, planId, day',
    });
    // Counted strands rise in the multiple in which their school counts.
    this.version(3).upgrade(async (stored) => {
      const [plans, routines, schools] = await Promise.all(
        (['plans', 'routines', 'schools'] as const).map((name) => stored.table(name).toArray()),
      );
      const parsed = <T>(schema: { safeParse: (value: unknown) => { data?: T } }, list: readonly unknown[]): T[] =>
        list.flatMap((value) => schema.safeParse(value).data ?? []);
      const own = parsed(SchoolSchema, schools!);
      const all = [...own, ...builtInSchools.filter(({ id }) => !own.some((school) => school.id === id))];
      const known = parsed(RoutineSchema, routines!);
      // What cannot be read stays as it is.
      await stored.table('plans').bulkPut(parsed(PlanSchema, plans!).map((plan) => inCounts(plan, known, all)));
    });
    // What was done today, to be taken back after a reload too.
    this.version(4).stores({ steps: 'id' });
    this.version(5).stores({ classes: 'id', meetings: 'id, classId, day' });
    this.version(6).stores({ stills: 'id, studentId', films: 'id, studentId', pictures: 'id, studentId' });
    // Films that are kept here: whole files, in no step and in no exported file.
    this.version(7).stores({ reels: 'id, studentId' });
    // What lists of many people say of each, kept beside the records it was made of; in no step and in no exported file.
    this.version(8).stores({ standings: 'id' });
    // Lines in the teacher's own voice, by their words; in no step.
    this.version(9).stores({ recordings: 'id' });
    // The folder into which copies go; in no step and in no exported file.
    this.version(10).stores({ folders: 'id' });
  }

  of<N extends TableName>(name: N): Table<Records[N], string> {
    return this.table<Records[N], string>(name);
  }
}
