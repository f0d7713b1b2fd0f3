import Dexie, { type Table } from 'dexie';
import type {
  Chain,
  Correction,
  Decision,
  Exercise,
  Journal,
  Measure,
  Plan,
  PracticeLog,
  Routine,
  School,
  Student,
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
] as const satisfies readonly TableName[];

/** One space in the browser's storage: the teacher's own, or the demo. */
export class Database extends Dexie {
  constructor(name: string) {
    super(name);
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
  }

  of<N extends TableName>(name: N): Table<Records[N], string> {
    return this.table<Records[N], string>(name);
  }
}
