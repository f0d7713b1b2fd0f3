import { computed, inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { switchMap } from 'rxjs';
import { stillTerms, type FilmedDay, type Still } from '@pomek/core';
import { Repository, schoolOf } from '../data/repository';

/** Who is filmed at what: what a still, and a film that is followed from it, are read with. */
export class Filmed {
  private readonly repository = inject(Repository);
  private readonly schools = toSignal(this.repository.schools$, { initialValue: [] });
  readonly exercises = toSignal(this.repository.exercises$, { initialValue: [] });
  /** Undefined while it is not known, null where there is none. */
  readonly student = toSignal(
    toObservable(this.studentId).pipe(switchMap((id) => this.repository.one('students', id))),
  );
  readonly school = computed(() => schoolOf(this.schools(), this.student()?.schoolId));
  readonly exercise = computed(() => this.exercises().find(({ id }) => id === this.still()?.exerciseId) ?? null);
  readonly terms = computed(() => {
    const [still, student] = [this.still(), this.student()];
    return still == null || student == null ? null : stillTerms(still, student, this.exercise(), this.school());
  });

  private readonly routines = toSignal(this.repository.routines$, { initialValue: [] });
  private readonly plans = this.own('plans');
  private readonly measures = this.own('measures');
  private readonly logs = this.own('logs');
  /** What is known of the student about the day of the still; null while it is not all there. */
  readonly day = computed((): FilmedDay | null => {
    const student = this.student();
    const [plans, measures, logs] = [this.plans(), this.measures(), this.logs()];
    if (student == null || plans === undefined || measures === undefined || logs === undefined) return null;
    return {
      student,
      school: this.school(),
      exercises: this.exercises(),
      routines: this.routines(),
      plans,
      measures,
      logs,
    };
  });

  constructor(
    readonly studentId: Signal<string>,
    private readonly still: Signal<Still | null | undefined>,
  ) {}

  private own<N extends 'plans' | 'measures' | 'logs'>(name: N) {
    return toSignal(toObservable(this.studentId).pipe(switchMap((id) => this.repository.ofStudent(name, id))));
  }
}
