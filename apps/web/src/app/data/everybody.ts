import { Injectable, computed, effect, inject, signal, untracked, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import equal from 'fast-deep-equal';
import { distinctUntilChanged, filter, map, switchMap } from 'rxjs';
import { personRecord, type Exercise, type PersonRecord, type StoredPerson, type Student } from '@pomek/core';
import { Clock } from './clock';
import { oneAfterTheOther } from './one-after-the-other';
import { gatherer } from './gathered';
import { Repository } from './repository';

/** One student among all. */
export interface OneOfAll {
  readonly student: Student;
  readonly person: PersonRecord;
}

/** Whether a record would be made of the same: what is large is the same object as long as it does not change. */
const isSame = (one: StoredPerson, other: StoredPerson): boolean =>
  one.student === other.student &&
  one.school === other.school &&
  one.routines === other.routines &&
  one.exercises === other.exercises &&
  one.logs.length === other.logs.length &&
  one.logs.every((log, at) => log === other.logs[at]) &&
  equal(one.plans, other.plans) &&
  equal(one.decisions, other.decisions) &&
  equal(one.corrections, other.corrections) &&
  equal(one.measures, other.measures);

/**
 * The record of each student, for views that look at everybody: begun by the first that does, and carried on with each change from then on, so that
 * the next view finds what the one before has read.
 */
@Injectable({ providedIn: 'root' })
export class Everybody {
  private readonly clock = inject(Clock);
  private readonly repository = inject(Repository);

  readonly students = toSignal(this.repository.students$);
  private readonly storedRoutines = toSignal(this.repository.routines$);
  private readonly storedPlans = toSignal(this.repository.plans$);
  private readonly storedExercises = toSignal(this.repository.exercises$);
  private readonly schools = toSignal(this.repository.schools$);
  private readonly measures = toSignal(this.repository.all('measures'));
  private readonly today$ = toObservable(this.clock.today);
  /** What tells of all, whoever it is of. */
  private readonly telling = toSignal(this.today$.pipe(switchMap((today) => this.repository.telling(today))));
  private readonly ids$ = toObservable(this.students).pipe(
    filter((students) => students !== undefined),
    map((students) => students.map(({ id }) => id)),
    distinctUntilChanged((one, other) => equal(one, other)),
  );
  /** Those who are wanted before the others. */
  private readonly urgent = signal<readonly string[]>([]);
  /** What tells of each, by student, as far as it is read: one after the other, so that the page goes on. */
  private readonly each = toSignal(
    this.today$.pipe(
      switchMap((today) =>
        oneAfterTheOther(
          this.ids$,
          (id) => this.repository.tellingOf(id, today),
          () => untracked(this.urgent),
        ),
      ),
    ),
  );

  readonly routines = computed(() => this.storedRoutines() ?? []);
  readonly plans = computed(() => this.storedPlans() ?? []);
  readonly exercises = computed((): readonly Exercise[] => this.storedExercises() ?? []);
  readonly shelf = computed(() => new Map(this.exercises().map((exercise) => [exercise.id, exercise])));

  /** All that the records are made of but the practices of each; null while something of it was not read. */
  private readonly read = computed(() => {
    const [students, routines, plans, exercises] = [
      this.students(),
      this.storedRoutines(),
      this.storedPlans(),
      this.storedExercises(),
    ];
    const [schools, telling, measures] = [this.schools(), this.telling(), this.measures()];
    return students && routines && plans && exercises && schools && telling && measures
      ? { students, routines, plans, exercises, schools, telling, measures }
      : null;
  });
  /** Whether everything was read: before that it is not known of everybody. */
  readonly known = computed(() => {
    const [read, each] = [this.read(), this.each()];
    return read !== null && each !== undefined && read.students.every(({ id }) => each.has(id));
  });
  /**
   * Those among these who are students, in this order, and read before the others; null while not everything of each is read. Called where signals
   * are made.
   */
  firstOf(ids: Signal<readonly string[]>): Signal<readonly OneOfAll[] | null> {
    effect(() => {
      this.urgent.set(ids());
    });
    return computed(() => {
      const read = this.read();
      if (read === null) return null;
      const there = new Set(read.students.map(({ id }) => id));
      const known = new Map(this.soFar().map((one) => [one.student.id, one]));
      const wanted = ids().filter((id) => there.has(id));
      const found = wanted.flatMap((id) => known.get(id) ?? []);
      return found.length === wanted.length ? found : null;
    });
  }

  private readonly made = new Map<string, { stored: StoredPerson; today: string; one: OneOfAll }>();
  /** Those of whom everything is read already. */
  readonly soFar = computed((): OneOfAll[] => {
    const [read, each] = [this.read(), this.each()];
    if (read === null || each === undefined) return [];
    const today = this.clock.today();
    const gather = gatherer(read);
    return read.students.flatMap((student): OneOfAll[] => {
      const own = each.get(student.id);
      return own === undefined ? [] : [this.oneOf(gather(student, own), today)];
    });
  });
  /** Everybody, once everything is read of each; nobody before. */
  readonly all = computed((): readonly OneOfAll[] => (this.known() ? this.soFar() : []));

  /** The record of one; the same as long as nothing that it is made of changes. */
  private oneOf(stored: StoredPerson, today: string): OneOfAll {
    const { student } = stored;
    const before = this.made.get(student.id);
    if (before?.today === today && isSame(before.stored, stored)) return before.one;
    const person = personRecord(stored, today);
    const one = { student, person };
    this.made.set(student.id, { stored, today, one });
    return one;
  }
}
