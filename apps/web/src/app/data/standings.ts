import { DestroyRef, Injectable, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { liveQuery } from 'dexie';
import { EMPTY, catchError, filter, finalize, from, switchMap, tap, type Observable } from 'rxjs';
import type { Standing, Student } from '@pomek/core';
import { Compute } from '../compute/compute';
import { buildMark } from './build-mark';
import { Clock } from './clock';
import { Database } from './database';
import { KeptStandings, isSame, keptAnswer, marksOf, type WorkedOut } from './kept-standings';
import { Repository } from './repository';

/** How one among many stands today; a problem where it could not be worked out. */
export interface OneStanding {
  readonly student: Student;
  readonly standing: Standing | null;
  readonly problem: string;
}

/**
 * How each student stands today, for lists of many: what is kept and still good is there at once, what is missing is worked out beside the page and
 * kept.
 */
@Injectable({ providedIn: 'root' })
export class Standings {
  private readonly clock = inject(Clock);
  private readonly compute = inject(Compute);
  private readonly database = inject(Database);
  private readonly build = buildMark();
  private readonly kept = new KeptStandings(this.database);
  private readonly students = toSignal(inject(Repository).students$);
  private readonly rows = toSignal(from(liveQuery(() => this.kept.rows())));
  /** What came from beside the page: it may be there before it is kept, or could not be kept. */
  private readonly fresh = signal<ReadonlyMap<string, WorkedOut>>(new Map());
  /** Why the work beside the page ended early; empty where it did not. */
  readonly failed = signal('');

  /** Everybody of whom it is known how he or she stands, in the order of the students. */
  readonly known = computed((): readonly OneStanding[] => {
    const [students, rows, fresh, today] = [this.students(), this.rows(), this.fresh(), this.clock.today()];
    if (students === undefined || rows === undefined) return [];
    return students.flatMap((student) => {
      const kept = keptAnswer(rows, student.id, today, this.build);
      if (kept !== null) return [{ student, standing: kept.standing, problem: kept.problem }];
      const found = fresh.get(student.id);
      if (found === undefined || !isSame(found.marks, marksOf(rows, student.id))) return [];
      if (found.standing !== null && found.standing.day !== today) return [];
      return [{ student, standing: found.standing, problem: found.problem }];
    });
  });
  /** How far it is; null when it is known of everybody, undefined while the students are not read. */
  readonly looking = computed(() => {
    const students = this.students();
    if (students === undefined || this.rows() === undefined) return undefined;
    const done = this.known().length;
    return done >= students.length ? null : { done, of: students.length };
  });

  private readonly busy = signal(false);
  /** How many views look at them: without one nothing is worked out. */
  private readonly views = signal(0);
  private readonly missing = computed(() => {
    if (this.looking() == null || this.failed() !== '') return [];
    const done = new Set(this.known().map(({ student }) => student.id));
    return this.students()!.flatMap(({ id }) => (done.has(id) ? [] : [id]));
  });

  constructor() {
    const looked = toObservable(computed(() => this.views() > 0));
    const asked = toObservable(computed(() => (this.busy() ? [] : this.missing())));
    looked
      .pipe(
        switchMap((is) => (is ? asked : EMPTY)),
        filter((studentIds) => studentIds.length > 0),
        switchMap((studentIds) => this.workOut(studentIds)),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  /** Keeps them known as long as the view is there. Called where signals are made. */
  look(): this {
    this.views.update((count) => count + 1);
    inject(DestroyRef).onDestroy(() => {
      this.views.update((count) => count - 1);
    });
    return this;
  }

  /** After it has failed. */
  again(): void {
    this.failed.set('');
  }

  private workOut(studentIds: readonly string[]): Observable<unknown> {
    this.busy.set(true);
    const input = {
      database: this.database.name,
      studentIds: [...studentIds],
      today: this.clock.today(),
      build: this.build,
    };
    return this.compute.steps('standings', input).pipe(
      tap((step) => {
        if (step.kind !== 'part') return;
        const found = step.part.map((one) => [one.studentId, one] as const);
        this.fresh.update((before) => new Map([...before, ...found]));
      }),
      catchError((error: unknown) => {
        this.failed.set(error instanceof Error ? error.message : String(error));
        return EMPTY;
      }),
      finalize(() => this.busy.set(false)),
    );
  }
}
