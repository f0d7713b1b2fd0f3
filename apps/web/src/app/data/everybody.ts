import { Injectable, computed, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { switchMap } from 'rxjs';
import { groupBy, personRecord, type Exercise, type PersonRecord, type Student } from '@pomek/core';
import { Clock } from './clock';
import { Repository, schoolOf } from './repository';
import { strandVerdicts, type StrandVerdict } from './verdicts';

/** One student among all, and what the plans say now. */
export interface OneOfAll {
  readonly student: Student;
  readonly person: PersonRecord;
  readonly verdicts: () => readonly StrandVerdict[];
}

/** The record of each student, for views that look at everybody. Provided by the view that needs it. */
@Injectable()
export class Everybody {
  private readonly clock = inject(Clock);
  private readonly repository = inject(Repository);

  readonly students = toSignal(this.repository.students$);
  private readonly storedRoutines = toSignal(this.repository.routines$);
  private readonly storedPlans = toSignal(this.repository.plans$);
  private readonly storedExercises = toSignal(this.repository.exercises$);
  private readonly schools = toSignal(this.repository.schools$);
  private readonly telling = toSignal(
    toObservable(this.clock.today).pipe(switchMap((today) => this.repository.telling(today))),
  );
  private readonly measures = toSignal(this.repository.all('measures'));

  readonly routines = computed(() => this.storedRoutines() ?? []);
  readonly plans = computed(() => this.storedPlans() ?? []);
  readonly exercises = computed((): readonly Exercise[] => this.storedExercises() ?? []);
  readonly shelf = computed(() => new Map(this.exercises().map((exercise) => [exercise.id, exercise])));

  /** All that the records are made of; null while something of it was not read. */
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
  /** Whether everything was read: before that nothing is known of anybody. */
  readonly known = computed(() => this.read() !== null);
  readonly anyLog = computed(() => (this.telling()?.logs.length ?? 0) > 0);

  readonly all = computed((): OneOfAll[] => {
    const read = this.read();
    if (read === null) return [];
    const today = this.clock.today();
    const of = <T extends { readonly studentId: string }>(records: readonly T[]) =>
      groupBy(records, ({ studentId }) => studentId);
    const { telling, routines, exercises } = read;
    const [logs, decisions, corrections] = [of(telling.logs), of(telling.decisions), of(telling.corrections)];
    const [measures, plans] = [of(read.measures), of(read.plans)];
    return read.students.map((student) => {
      const stored = {
        student,
        school: schoolOf(read.schools, student.schoolId),
        plans: plans.get(student.id) ?? [],
        decisions: decisions.get(student.id) ?? [],
        logs: logs.get(student.id) ?? [],
        corrections: corrections.get(student.id) ?? [],
        measures: measures.get(student.id) ?? [],
        routines,
        exercises,
      };
      const person = personRecord(stored, today);
      return { student, person, verdicts: computed(() => strandVerdicts(person)) };
    });
  });
}
