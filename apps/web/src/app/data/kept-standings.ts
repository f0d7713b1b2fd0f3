import * as z from 'zod';
import { StandingSchema, type Standing } from '@pomek/core';
import type { StoredTables, TableName } from './stored-tables';

const mark = z.string().min(1).max(80);

/** The row that holds for everybody: its mark changes with what everybody’s numbers rest on. */
const EVERYBODY = '*';

/** What is worked out of one student is good as long as these are what they were before it was read. */
const MarksSchema = z.strictObject({
  /** Changes with each record of the student; null where none was written since standings are kept. */
  own: mark.nullable(),
  /** Changes with each routine, exercise and school. */
  everybody: mark.nullable(),
});
export type Marks = z.infer<typeof MarksSchema>;

const AnswerSchema = z.strictObject({
  standing: StandingSchema.nullable(),
  /** Why there is no standing; empty where there is one. */
  problem: z.string().max(1000),
  everybody: mark.nullable(),
  /** Which build of Pomek worked it out: another may have other rules. */
  build: z.string().max(300),
});
const RowSchema = z.strictObject({ id: z.string(), mark: mark.nullable(), answer: AnswerSchema.nullable() });
type Row = z.infer<typeof RowSchema>;

/** What was worked out of one student. */
export const WorkedOutSchema = z.object({
  studentId: z.string(),
  marks: MarksSchema,
  standing: StandingSchema.nullable(),
  problem: z.string(),
});
export type WorkedOut = z.infer<typeof WorkedOutSchema>;

/** A record before and after a write; the values as they are stored. */
interface Change {
  readonly table: TableName;
  readonly id: string;
  readonly before?: unknown;
  readonly after?: unknown;
}

const ownTables: readonly TableName[] = ['plans', 'logs', 'decisions', 'measures', 'corrections'];
const sharedTables: readonly TableName[] = ['routines', 'exercises', 'schools'];

const studentOf = (record: unknown): string[] => {
  const id = (record as { studentId?: unknown } | undefined)?.studentId;
  return typeof id === 'string' ? [id] : [];
};

/** Whose standings rest on what was changed, as ids of rows. */
export function touchedBy(changes: readonly Change[]): ReadonlySet<string> {
  return new Set(
    changes.flatMap(({ table, id, before, after }) => {
      if (table === 'students') return [id];
      if (sharedTables.includes(table)) return [EVERYBODY];
      return ownTables.includes(table) ? [...studentOf(before), ...studentOf(after)] : [];
    }),
  );
}

/** What is kept of the standings, in the tables of one space. */
export class KeptStandings {
  private readonly table;

  constructor(private readonly tables: StoredTables) {
    this.table = tables.table<unknown, string>('standings');
  }

  /** Gives up what rests on what was changed; within the transaction that changes it. */
  async forget(changes: readonly Change[], newMark: () => string): Promise<void> {
    const ids = [...touchedBy(changes)];
    if (ids.length > 0) await this.table.bulkPut(ids.map((id): Row => ({ id, mark: newMark(), answer: null })));
  }

  /** Gives up everybody’s, and what is being worked out: after the whole space was replaced. */
  async forgetAll(newMark: () => string): Promise<void> {
    await this.table.clear();
    const row: Row = { id: EVERYBODY, mark: newMark(), answer: null };
    await this.table.put(row);
  }

  /** All rows that can be read, by their id. */
  async rows(): Promise<ReadonlyMap<string, Row>> {
    const stored = await this.table.toArray();
    return new Map(stored.flatMap((value) => RowSchema.safeParse(value).data ?? []).map((row) => [row.id, row]));
  }

  /** Keeps what was worked out, but for those of whom something was written meanwhile. */
  async keep(found: readonly WorkedOut[], build: string): Promise<void> {
    await this.tables.transaction('rw', ['standings'], async () => {
      const rows = await this.rows();
      const good = found.filter(({ studentId, marks }) => isSame(marksOf(rows, studentId), marks));
      await this.table.bulkPut(
        good.map(({ studentId, marks, standing, problem }): Row => {
          const answer = { standing, problem, everybody: marks.everybody, build };
          return { id: studentId, mark: marks.own, answer };
        }),
      );
    });
  }
}

/** What the standing of a student rests on now. */
export const marksOf = (rows: ReadonlyMap<string, Row>, studentId: string): Marks => ({
  own: rows.get(studentId)?.mark ?? null,
  everybody: rows.get(EVERYBODY)?.mark ?? null,
});

export const isSame = (one: Marks, other: Marks): boolean => one.own === other.own && one.everybody === other.everybody;

/** What is kept of a student and still good; null where nothing is. */
export function keptAnswer(
  rows: ReadonlyMap<string, Row>,
  studentId: string,
  today: string,
  build: string,
): { readonly standing: Standing | null; readonly problem: string } | null {
  const answer = rows.get(studentId)?.answer ?? null;
  if (answer?.build !== build) return null;
  if (answer.everybody !== marksOf(rows, studentId).everybody) return null;
  return answer.standing === null || answer.standing.day === today ? answer : null;
}
