import { Injectable, inject } from '@angular/core';
import { formatISO, parseISO, subDays } from 'date-fns';
import { liveQuery } from 'dexie';
import { Observable, combineLatest, defer, map, shareReplay } from 'rxjs';
import {
  TELLING_DAYS,
  TELLING_LATEST,
  builtInSchools,
  byName,
  softSchool,
  type Correction,
  type Decision,
  type Exercise,
  type Film,
  type Meeting,
  type PracticeLog,
  type School,
  type Still,
  type Student,
} from '@pomek/core';
import { Database, type Records, type TableName } from './database';
import { Notices } from './notices';
import { readers } from './schemas';

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

const isTaught = ({ archivedOn }: Pick<Student, 'archivedOn'>): boolean => archivedOn === null;

/** Streams of what is stored, parsed as it comes out; they follow changes in this and in other tabs. */
@Injectable({ providedIn: 'root' })
export class Repository {
  private readonly database = inject(Database);
  private readonly notices = inject(Notices);
  private readonly reported = new Set<string>();

  /** The teacher's own schools, or the built-in ones while none was changed. */
  readonly schools$: Observable<School[]> = this.all('schools').pipe(
    map((own) => [...builtInSchools.filter((school) => !own.some((other) => other.id === school.id)), ...own]),
    map((schools) => schools.toSorted(byName)),
    shareReplay({ bufferSize: 1, refCount: true }),
  );
  /** Built-in exercises first, then the teacher's own by name. */
  readonly exercises$: Observable<Exercise[]> = combineLatest([
    defer(() => import('./built-in')),
    this.all('exercises'),
  ]).pipe(
    map(([{ builtInExercises }, own]) => [...builtInExercises, ...own.toSorted(byName)]),
    shareReplay({ bufferSize: 1, refCount: true }),
  );
  readonly routines$ = this.all('routines').pipe(map((routines) => routines.toSorted(byName)));
  readonly chains$ = this.all('chains').pipe(map((chains) => chains.toSorted(byName)));
  private readonly everyone$ = this.all('students').pipe(map((students) => students.toSorted(byName)));
  /** Those who are taught. */
  readonly students$ = this.everyone$.pipe(map((students) => students.filter(isTaught)));
  /** Those who were put into the archive. */
  readonly archived$ = this.everyone$.pipe(map((students) => students.filter((student) => !isTaught(student))));
  /** In the order in which they come in a week. */
  readonly classes$ = this.all('classes').pipe(
    map((classes) => classes.toSorted((a, b) => a.weekday - b.weekday || a.startsAt.localeCompare(b.startsAt))),
  );
  readonly plans$ = this.all('plans');
  readonly journals$ = this.all('journals');

  all<N extends TableName>(name: N): Observable<Records[N][]> {
    return this.live(() => this.read(name));
  }

  /** One record, or null when there is none. */
  one<N extends TableName>(name: N, id: string): Observable<Records[N] | null> {
    return this.live(async () => this.keep(name, [await this.database.of(name).get(id)])[0] ?? null);
  }

  async has(name: TableName, id: string): Promise<boolean> {
    return (await this.database.of(name).where('id').equals(id).count()) > 0;
  }

  /** Which of these identities a table has, as it changes. */
  kept(name: TableName, ids: readonly string[]): Observable<ReadonlySet<string>> {
    return this.live(async () => new Set(await this.database.of(name).where('id').anyOf(ids).primaryKeys()));
  }

  /** The pictures of one student by what is marked on them, the newest first. */
  stillsOf(studentId: string): Observable<Still[]> {
    return this.ofStudent('stills', studentId).pipe(
      map((stills) => stills.toSorted((a, b) => b.day.localeCompare(a.day) || b.id.localeCompare(a.id))),
    );
  }

  filmsOf(studentId: string): Observable<Film[]> {
    return this.ofStudent('films', studentId);
  }

  /** Which pictures of a student are kept, without reading them. */
  async pictureIds(studentId: string): Promise<string[]> {
    return this.database.of('pictures').where('studentId').equals(studentId).primaryKeys();
  }

  /** The practices of one student, the newest first. */
  logsOf(studentId: string): Observable<PracticeLog[]> {
    return this.ofStudent('logs', studentId).pipe(
      map((logs) => logs.toSorted((a, b) => Date.parse(b.startedAt) - Date.parse(a.startedAt))),
    );
  }

  /** The meetings of one class, the latest first. */
  meetingsOf(classId: string): Observable<Meeting[]> {
    return this.live(async () => {
      const stored = await this.database.of('meetings').where('classId').equals(classId).toArray();
      return this.keep('meetings', stored).toSorted((a, b) => b.startedAt.localeCompare(a.startedAt));
    });
  }

  /** The last meeting of each class, by the class. */
  lastMeetings(): Observable<ReadonlyMap<string, Meeting>> {
    return this.live(async () => {
      const stored = await this.database.of('meetings').orderBy('day').toArray();
      return new Map(this.keep('meetings', stored).map((meeting) => [meeting.classId, meeting]));
    });
  }

  /** What belongs to one student, by the index of the table. */
  ofStudent<N extends OwnedTable>(name: N, studentId: string): Observable<Records[N][]> {
    return this.live(async () =>
      this.inPieces(name, await this.database.of(name).where('studentId').equals(studentId).primaryKeys()),
    );
  }

  /** Records by their ids. Each piece comes with an event of its own, and the page goes on in between. */
  private async inPieces<N extends TableName>(name: N, ids: readonly string[]): Promise<Records[N][]> {
    const pieces: Records[N][][] = [];
    for (let from = 0; from < ids.length; from += PIECE) {
      pieces.push(this.keep(name, await this.database.of(name).bulkGet(ids.slice(from, from + PIECE))));
    }
    return pieces.flat();
  }

  /**
   * The practices of one student that tell: bounded however many years there are.
   * @param today YYYY-MM-DD
   */
  tellingOf(studentId: string, today: string): Observable<TellingOf> {
    return this.live(async () => {
      const lately = await this.logsFrom(studentId, daysBefore(today, TELLING_DAYS));
      if (lately.length >= TELLING_LATEST) return { logs: lately, decisions: [] };
      const earlier = await this.lastLogs(studentId);
      const decisions = await this.database.of('decisions').where('studentId').equals(studentId).toArray();
      return { logs: once([...lately, ...earlier]), decisions: this.keep('decisions', decisions) };
    });
  }

  /**
   * What else tells of everybody: signs to stop however old, decisions and corrections of the last year.
   * @param today YYYY-MM-DD
   */
  telling(today: string): Observable<Telling> {
    return this.live(async () => {
      const since = daysBefore(today, TELLING_DAYS);
      const schools = await this.read('schools');
      const stopPain = Math.min(...[...builtInSchools, ...schools].map((school) => school.raise.stopPain));
      const signs = [
        await this.inPieces('logs', await this.database.of('logs').where('pain').aboveOrEqual(stopPain).primaryKeys()),
        await this.inPieces('logs', await this.database.of('logs').where('symptoms').notEqual('').primaryKeys()),
      ];
      const decisions = await this.database.of('decisions').where('day').aboveOrEqual(since).toArray();
      const corrections = await this.database.of('corrections').where('day').aboveOrEqual(since).toArray();
      return {
        signs: once(signs.flat()),
        decisions: this.keep('decisions', decisions),
        corrections: this.keep('corrections', corrections),
      };
    });
  }

  private async logsFrom(studentId: string, day: string): Promise<PracticeLog[]> {
    return this.keep('logs', await this.logsSince(studentId, day).toArray());
  }

  private async lastLogs(studentId: string): Promise<PracticeLog[]> {
    return this.keep('logs', await this.logsSince(studentId, '').reverse().limit(TELLING_LATEST).toArray());
  }

  private logsSince(studentId: string, day: string) {
    return this.database.of('logs').where('[studentId+day]').between([studentId, day], [studentId, LAST_DAY]);
  }

  /** Everything of a table as it is now. */
  async read<N extends TableName>(name: N): Promise<Records[N][]> {
    return this.keep(name, await this.database.of(name).toArray());
  }

  private live<T>(query: () => Promise<T>): Observable<T> {
    return new Observable<T>((subscriber) => {
      const subscription = liveQuery(query).subscribe(subscriber);
      return () => subscription.unsubscribe();
    });
  }

  private keep<N extends TableName>(name: N, stored: readonly unknown[]): Records[N][] {
    const kept: Records[N][] = [];
    let bad = 0;
    for (const value of stored) {
      if (value === undefined) continue;
      const parsed = readers[name].safeParse(value);
      if (parsed.success) kept.push(parsed.data);
      else bad += 1;
    }
    if (bad > 0 && !this.reported.has(name)) {
      this.reported.add(name);
      this.notices.failure(
        `Some of your ${name} cannot be read`,
        'They stay in the storage untouched and are left out here.',
      );
    }
    return kept;
  }
}

/** The school of that id; the soft one, as the teacher has it by now, when there is none. */
export const schoolOf = (schools: readonly School[], id: string | undefined): School => {
  const of = (wanted: string | undefined) => schools.find((school) => school.id === wanted);
  return of(id) ?? of(softSchool.id) ?? softSchool;
};
