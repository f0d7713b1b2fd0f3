import { formatISO, parseISO, subDays } from 'date-fns';
import {
  TELLING_DAYS,
  TELLING_LATEST,
  builtInSchools,
  byName,
  type Correction,
  type Decision,
  type Exercise,
  type PracticeLog,
  type School,
} from '@pomek/core';
import { readers } from './schemas';
import type { Records, StoredTables, TableName } from './stored-tables';

/** Tables whose records belong to a student. */
export type OwnedTable = 'plans' | 'logs' | 'decisions' | 'measures' | 'corrections' | 'stills' | 'films' | 'pictures';

const LAST_DAY = '\uffff';
/** Records that are read and parsed at once: more hold the page up. */
const PIECE = 100;

/** What tells of one student today, by the rule of the core (`practicesThatTell`). */
export interface TellingOf {
  readonly logs: readonly PracticeLog[];
  /** Of whoever was hardly here, all decisions: they may be older than those of `Telling`. */
  readonly decisions: readonly Decision[];
}

/** What else tells of everybody: signs to stop, however old, and the decisions and corrections of the last year. */
export interface Telling {
  readonly signs: readonly PracticeLog[];
  readonly decisions: readonly Decision[];
  readonly corrections: readonly Correction[];
}

const daysBefore = (day: string, days: number): string =>
  formatISO(subDays(parseISO(day), days), { representation: 'date' });

export const once = <T extends { id: string }>(records: readonly T[]): T[] => [
  ...new Map(records.map((record) => [record.id, record])).values(),
];

/** The teacher's own schools, and the built-in ones that were not changed. */
export const withBuiltInSchools = (own: readonly School[]): School[] =>
  [...builtInSchools.filter((school) => !own.some((other) => other.id === school.id)), ...own].toSorted(byName);

/** Built-in exercises first, then the teacher's own by name. */
export const withBuiltInExercises = (builtIn: readonly Exercise[], own: readonly Exercise[]): Exercise[] => [
  ...builtIn,
  ...own.toSorted(byName),
];

/** What is stored, parsed as it comes out, on the page and in the worker alike. */
export class Reading {
  /** @param unreadable called for each table of which a record cannot be read; it is left out */
  constructor(
    private readonly tables: StoredTables,
    private readonly unreadable: (name: TableName) => void,
  ) {}

  /** Everything of a table as it is now. */
  async all<N extends TableName>(name: N): Promise<Records[N][]> {
    return this.keep(name, await this.tables.of(name).toArray());
  }

  /** What belongs to one student, by the index of the table. */
  async ofStudent<N extends OwnedTable>(name: N, studentId: string): Promise<Records[N][]> {
    return this.inPieces(name, await this.tables.of(name).where('studentId').equals(studentId).primaryKeys());
  }

  /**
   * The practices of one student that tell: bounded however many years there are.
   * @param today YYYY-MM-DD
   */
  async tellingOf(studentId: string, today: string): Promise<TellingOf> {
    const since = (day: string) =>
      this.tables.of('logs').where('[studentId+day]').between([studentId, day], [studentId, LAST_DAY]);
    const lately = this.keep('logs', await since(daysBefore(today, TELLING_DAYS)).toArray());
    if (lately.length >= TELLING_LATEST) return { logs: lately, decisions: [] };
    const earlier = this.keep('logs', await since('').reverse().limit(TELLING_LATEST).toArray());
    const decisions = await this.tables.of('decisions').where('studentId').equals(studentId).toArray();
    return { logs: once([...lately, ...earlier]), decisions: this.keep('decisions', decisions) };
  }

  /**
   * What else tells of everybody: signs to stop however old, decisions and corrections of the last year.
   * @param today YYYY-MM-DD
   */
  async telling(today: string): Promise<Telling> {
    const since = daysBefore(today, TELLING_DAYS);
    const schools = withBuiltInSchools(await this.all('schools'));
    const stopPain = Math.min(...schools.map((school) => school.raise.stopPain));
    const logs = this.tables.of('logs');
    const signs = [
      await this.inPieces('logs', await logs.where('pain').aboveOrEqual(stopPain).primaryKeys()),
      await this.inPieces('logs', await logs.where('symptoms').notEqual('').primaryKeys()),
    ];
    const decisions = await this.tables.of('decisions').where('day').aboveOrEqual(since).toArray();
    const corrections = await this.tables.of('corrections').where('day').aboveOrEqual(since).toArray();
    return {
      signs: once(signs.flat()),
      decisions: this.keep('decisions', decisions),
      corrections: this.keep('corrections', corrections),
    };
  }

  /** Those of these records that can be read. */
  keep<N extends TableName>(name: N, stored: readonly unknown[]): Records[N][] {
    const kept: Records[N][] = [];
    for (const value of stored) {
      if (value === undefined) continue;
      const parsed = readers[name].safeParse(value);
      if (parsed.success) kept.push(parsed.data);
      else this.unreadable(name);
    }
    return kept;
  }

  /** Records by their ids. Each piece comes with an event of its own, and the page goes on in between. */
  private async inPieces<N extends TableName>(name: N, ids: readonly string[]): Promise<Records[N][]> {
    const pieces: Records[N][][] = [];
    for (let from = 0; from < ids.length; from += PIECE) {
      pieces.push(this.keep(name, await this.tables.of(name).bulkGet(ids.slice(from, from + PIECE))));
    }
    return pieces.flat();
  }
}
