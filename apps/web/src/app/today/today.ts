import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import { switchMap } from 'rxjs';
import { differenceInCalendarDays, getISODay, parseISO } from 'date-fns';
import {
  practisedRoutine,
  durationWords,
  groupBy,
  lockedStrands,
  timeline,
  type Plan,
  type Student,
  type VerdictKind,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Repository, schoolOf } from '../data/repository';
import { SPACE } from '../data/space';
import { strandVerdicts } from '../data/verdicts';
import { VerdictMark } from '../ui/verdict-mark';
import { fullDay } from '../ui/day-words';
import { FirstSteps } from './first-steps';

const weight: Record<VerdictKind, number> = { stop: 0, ease: 1, raise: 2, stay: 3 };
const UNSEEN_DAYS = 14;

/** Who practises what today, whose plan is due, who has not been seen. */
@Component({
  selector: 'pk-today',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective, FirstSteps, RouterLink, VerdictMark],
  templateUrl: './today.html',
  styleUrl: './today.scss',
})
export class Today {
  private readonly clock = inject(Clock);
  private readonly repository = inject(Repository);
  protected readonly space = inject(SPACE);

  protected readonly students = toSignal(this.repository.students$);
  protected readonly routines = toSignal(this.repository.routines$, { initialValue: [] });
  protected readonly plans = toSignal(this.repository.plans$, { initialValue: [] });
  private readonly recent = toSignal(
    toObservable(this.clock.today).pipe(switchMap((today) => this.repository.recent(today))),
  );
  private readonly decisionsOf = computed(() => groupBy(this.recent()?.decisions ?? [], (entry) => entry.studentId));
  private readonly corrections = toSignal(this.repository.latelyCorrected(this.clock.today()), { initialValue: [] });
  private readonly measures = toSignal(this.repository.all('measures'), { initialValue: [] });
  private readonly measuresOf = computed(() => groupBy(this.measures(), (measure) => measure.studentId));
  private readonly schools = toSignal(this.repository.schools$, { initialValue: [] });
  private readonly exercises = toSignal(this.repository.exercises$, { initialValue: [] });
  private readonly shelf = computed(() => new Map(this.exercises().map((exercise) => [exercise.id, exercise])));
  protected readonly journals = toSignal(this.repository.journals$, { initialValue: [] });

  protected readonly date = computed(() => fullDay(this.clock.today()));
  private readonly logsOf = computed(() => groupBy(this.recent()?.logs ?? [], (log) => log.studentId));
  protected readonly beginning = computed(
    () => this.students()?.length === 0 || (this.students() !== undefined && this.plans().length === 0),
  );
  protected readonly known = computed(() => this.recent() !== undefined);
  protected readonly anyLog = computed(() => (this.recent()?.logs.length ?? 0) > 0);

  protected readonly practising = computed(() => {
    const today = this.clock.today();
    const weekday = getISODay(parseISO(today));
    return (this.students() ?? [])
      .filter((student) => student.practiceDays.includes(weekday))
      .map((student) => ({
        student,
        done:
          this.logsOf()
            .get(student.id)
            ?.some((log) => log.day === today) ?? false,
        routines: this.plans()
          .filter((plan) => plan.studentId === student.id)
          .flatMap((plan) => this.planned(plan, student, today)),
      }));
  });

  protected readonly due = computed(() =>
    (this.students() ?? [])
      .map((student) => {
        const plans = this.plans().filter((plan) => plan.studentId === student.id);
        const school = schoolOf(this.schools(), student.schoolId);
        const decisions = this.decisionsOf().get(student.id) ?? [];
        const logs = this.logsOf().get(student.id) ?? [];
        const corrections = this.corrections().filter((entry) => entry.studentId === student.id);
        const measures = this.measuresOf().get(student.id) ?? [];
        const [routines, exercises] = [this.routines(), this.exercises()];
        const records = { student, school, logs, corrections, measures, routines, exercises };
        const verdicts = strandVerdicts(plans, decisions, records, this.clock.today())
          .filter((entry) => entry.due)
          .toSorted((a, b) => weight[a.verdict.kind] - weight[b.verdict.kind]);
        return { student, verdicts, first: verdicts[0] };
      })
      .filter((entry) => entry.first !== undefined)
      .toSorted((a, b) => weight[a.first!.verdict.kind] - weight[b.first!.verdict.kind]),
  );

  protected readonly unseen = computed(() =>
    (this.students() ?? [])
      .map((student) => {
        const last = (this.logsOf().get(student.id) ?? []).reduce((day, log) => (log.day > day ? log.day : day), '');
        return {
          student,
          days: last === '' ? null : differenceInCalendarDays(parseISO(this.clock.today()), parseISO(last)),
        };
      })
      .filter((entry) => entry.days !== null && entry.days >= UNSEEN_DAYS),
  );

  /** The routine of a plan as it will be practised: locked strands are left out. */
  private planned(plan: Plan, student: Student, today: string): { id: string; name: string; length: string }[] {
    const routine = this.routines().find((entry) => entry.id === plan.routineId);
    if (routine === undefined) return [];
    const { raise } = schoolOf(this.schools(), student.schoolId);
    const locked = lockedStrands(plan, this.logsOf().get(student.id) ?? [], raise, this.shelf());
    const { routine: dosed } = practisedRoutine(
      routine,
      plan,
      student,
      this.measuresOf().get(student.id) ?? [],
      this.shelf(),
      schoolOf(this.schools(), student.schoolId),
      today,
      new Set(locked.map((strand) => strand.segmentId)),
      this.logsOf().get(student.id) ?? [],
    );
    return [{ id: routine.id, name: routine.name, length: durationWords(timeline(dosed).totalMs / 1000) }];
  }
}
