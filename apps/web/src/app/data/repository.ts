import { Injectable, inject } from '@angular/core';
import { liveQuery } from 'dexie';
import { Observable, map, shareReplay } from 'rxjs';
import {
  builtInExercises,
  byName,
  type Exercise,
  type Film,
  type Meeting,
  type PracticeLog,
  type School,
  type Still,
  type Student,
} from '@pomek/core';
import { Database, type Records, type TableName } from './database';
import { Notices, reasonOf } from './notices';
import { notLookedThrough } from './stored-tables';
import {
  Reading,
  withBuiltInExercises,
  withBuiltInSchools,
  type OwnedTable,
  type Telling,
  type TellingOf,
} from './reading';

const isTaught = ({ archivedOn }: Pick<Student, 'archivedOn'>): boolean => archivedOn === null;

/** Whether the browser denies this page its storage, as told by the library or by the browser. */
const isDenied = (error: unknown): boolean => {
  const { name, inner } = error as Error & { readonly inner?: { readonly name?: string } };
  return name === 'MissingAPIError' || name === 'SecurityError' || inner?.name === 'SecurityError';
};

/** Streams of what is stored, parsed as it comes out; they follow changes in this and in other tabs. */
@Injectable({ providedIn: 'root' })
export class Repository {
  private readonly database = inject(Database);
  private readonly notices = inject(Notices);
  private readonly reported = new Set<string>();
  private readonly reading = new Reading(this.database, (name) => {
    this.report(name);
  });

  /** The teacher's own schools, or the built-in ones while none was changed. */
  readonly schools$: Observable<School[]> = this.all('schools').pipe(
    map(withBuiltInSchools),
    shareReplay({ bufferSize: 1, refCount: true }),
  );
  readonly exercises$: Observable<Exercise[]> = this.all('exercises').pipe(
    map((own) => withBuiltInExercises(builtInExercises, own)),
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

  constructor() {
    // What asks for records only waits where they cannot be opened.
    this.database.open().catch((error: unknown) => {
      if (error instanceof Error && error.name === 'DatabaseClosedError') return;
      const reason = isDenied(error)
        ? 'The browser does not let this page store anything, as in some private windows. Allow it to store site data, then reload the page.'
        : `${reasonOf(error)} Reload the page.`;
      this.notices.failure('Your records cannot be opened, and nothing you do here is saved', reason);
    });
  }

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

  /** What belongs to one student. */
  ofStudent<N extends OwnedTable>(name: N, studentId: string): Observable<Records[N][]> {
    return this.live(() => this.reading.ofStudent(name, studentId));
  }

  /** The practices of one student that tell. @param today YYYY-MM-DD */
  tellingOf(studentId: string, today: string): Observable<TellingOf> {
    return this.live(() => this.reading.tellingOf(studentId, today));
  }

  /** What else tells of everybody. @param today YYYY-MM-DD */
  telling(today: string): Observable<Telling> {
    return this.live(() => this.reading.telling(today));
  }

  /** Everything of a table as it is now. */
  read<N extends TableName>(name: N): Promise<Records[N][]> {
    return this.reading.all(name);
  }

  private live<T>(query: () => Promise<T>): Observable<T> {
    return new Observable<T>((subscriber) => {
      const subscription = liveQuery(query).subscribe(subscriber);
      return () => subscription.unsubscribe();
    });
  }

  private keep<N extends TableName>(name: N, stored: readonly unknown[]): Records[N][] {
    return this.reading.keep(name, stored);
  }

  private report(name: TableName): void {
    if (this.reported.has(name)) return;
    this.reported.add(name);
    const words: Partial<Record<TableName, string>> = {
      journals: 'practices under way',
      logs: 'practices',
      stills: 'pictures',
    };
    const what = words[name] ?? name;
    this.notices.failure(
      `Some of your ${what} cannot be read`,
      notLookedThrough.has(name)
        ? 'They stay in the storage untouched and are left out here.'
        : 'They are left out. Files shows them, to be put right or removed.',
    );
  }
}
