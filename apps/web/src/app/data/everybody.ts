import { Injectable, computed, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { switchMap } from 'rxjs';
import { groupBy, type Plan, type Student, type StudentRecords } from '@pomek/core';
import { Clock } from './clock';
import { Repository, schoolOf } from './repository';
import { strandVerdicts, type StrandVerdict } from './verdicts';

/** One student among all: what verdicts rest on, the plans, and what the plans say now. */
export interface OneOfAll {
  readonly student: Student;
  readonly records: StudentRecords;
  readonly plans: readonly Plan[];
  /** Day of the last practice; null where there is none. */
  readonly lastDay: string | null;
  readonly verdicts: () => readonly StrandVerdict[];
}

/** All students with what is known of them of late, for views that look at everybody. Provided by the view that needs it. */
@Injectable()
export class Everybody {
  private readonly clock = inject(Clock);
  private readonly repository = inject(Repository);

  readonly students = toSignal(this.repository.students$);
  readonly routines = toSignal(this.repository.routines$, { initialValue: [] });
  readonly plans = toSignal(this.repository.plans$, { initialValue: [] });
  private readonly schools = toSignal(this.repository.schools$, { initialValue: [] });
  readonly exercises = toSignal(this.repository.exercises$, { initialValue: [] });
  readonly shelf = computed(() => new Map(this.exercises().map((exercise) => [exercise.id, exercise])));
  private readonly recent = toSignal(
    toObservable(this.clock.today).pipe(switchMap((today) => this.repository.recent(today))),
  );
  private readonly corrections = toSignal(this.repository.latelyCorrected(this.clock.today()), { initialValue: [] });
  private readonly measures = toSignal(this.repository.all('measures'), { initialValue: [] });

  /** Whether the practices were read. */
  readonly known = computed(() => this.recent() !== undefined);
  readonly anyLog = computed(() => (this.recent()?.logs.length ?? 0) > 0);

  readonly all = computed((): OneOfAll[] => {
    const today = this.clock.today();
    const of = <T extends { readonly studentId: string }>(records: readonly T[]) =>
      groupBy(records, ({ studentId }) => studentId);
    const [logs, decisions] = [of(this.recent()?.logs ?? []), of(this.recent()?.decisions ?? [])];
    const [corrections, measures, plans] = [of(this.corrections()), of(this.measures()), of(this.plans())];
    const [routines, exercises] = [this.routines(), this.exercises()];
    return (this.students() ?? []).map((student) => {
      const own = plans.get(student.id) ?? [];
      const records: StudentRecords = {
        student,
        school: schoolOf(this.schools(), student.schoolId),
        logs: logs.get(student.id) ?? [],
        corrections: corrections.get(student.id) ?? [],
        measures: measures.get(student.id) ?? [],
        routines,
        exercises,
      };
      const decided = decisions.get(student.id) ?? [];
      return {
        student,
        records,
        plans: own,
        lastDay: records.logs.reduce<string | null>(
          (day, log) => (day === null || log.day > day ? log.day : day),
          null,
        ),
        verdicts: computed(() => strandVerdicts(own, decided, records, today)),
      };
    });
  });
}
