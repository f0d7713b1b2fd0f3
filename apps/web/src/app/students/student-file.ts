import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { map, switchMap } from 'rxjs';
import { decide, type Plan, type Routine, type Student, type Verdict } from '@pomek/core';
import { Clock } from '../data/clock';
import { Notices } from '../data/notices';
import { Repository, schoolOf } from '../data/repository';
import { Store, type Write } from '../data/store';
import { strandVerdicts } from '../data/verdicts';
import { Empty } from '../ui/empty';
import { DecisionCard, type Reply } from './decision-card';
import { LogList } from './log-list';
import { PersonForm } from './person-form';
import { PlanMaker } from './plan-maker';
import { PlanWeeks } from './plan-weeks';

/** The file of one person: what is due to be decided, the plan, the practices, the person. */
@Component({
  selector: 'pk-student-file',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, ButtonDirective, DecisionCard, Empty, LogList, PersonForm, PlanMaker, PlanWeeks, RouterLink],
  templateUrl: './student-file.html',
  styleUrl: './student-file.scss',
})
export class StudentFile {
  private readonly router = inject(Router);
  private readonly store = inject(Store);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  private readonly repository = inject(Repository);
  readonly id = input.required<string>();

  private readonly id$ = toObservable(this.id);
  private readonly own = <T extends { studentId: string }>(list: T[], id: string): T[] =>
    list.filter((item) => item.studentId === id);

  protected readonly today = this.clock.today;
  protected readonly student = toSignal(this.id$.pipe(switchMap((id) => this.repository.one('students', id))));
  protected readonly logs = toSignal(this.id$.pipe(switchMap((id) => this.repository.logsOf(id))), {
    initialValue: [],
  });
  protected readonly plans = toSignal(
    this.id$.pipe(switchMap((id) => this.repository.plans$.pipe(map((plans) => this.own(plans, id))))),
    { initialValue: [] },
  );
  protected readonly measures = toSignal(this.id$.pipe(switchMap((id) => this.repository.measuresOf(id))), {
    initialValue: [],
  });
  private readonly decisions = toSignal(
    this.id$.pipe(switchMap((id) => this.repository.decisions$.pipe(map((decisions) => this.own(decisions, id))))),
    { initialValue: [] },
  );
  protected readonly routines = toSignal(this.repository.routines$, { initialValue: [] });
  protected readonly exercises = toSignal(this.repository.exercises$, { initialValue: [] });
  protected readonly schools = toSignal(this.repository.schools$, { initialValue: [] });
  protected readonly school = computed(() => schoolOf(this.schools(), this.student()?.schoolId));
  protected readonly verdicts = computed(() =>
    strandVerdicts(this.plans(), this.logs(), this.decisions(), this.school(), this.today()),
  );
  protected readonly due = computed(() => this.verdicts().filter((entry) => entry.due));
  protected readonly settled = computed(() => this.verdicts().filter((entry) => !entry.due));
  protected readonly safe = computed(() => this.due().filter((entry) => entry.verdict.kind !== 'stop'));
  protected readonly history = computed(() =>
    this.decisions()
      .toSorted((a, b) => (a.day < b.day ? 1 : -1))
      .slice(0, 12),
  );

  protected lockedIds(plan: Plan): Set<string> {
    return new Set(
      this.verdicts()
        .filter((entry) => entry.plan.id === plan.id && entry.locked)
        .map((entry) => entry.strand.id),
    );
  }

  protected routineOf(plan: Plan): Routine | undefined {
    return this.routines().find((routine) => routine.id === plan.routineId);
  }

  protected async answer(plan: Plan, verdict: Verdict, reply: Reply): Promise<void> {
    const made = decide(plan, verdict, reply, this.clock.newId(), this.clock.now());
    await this.store.write(
      `Decision on ${plan.strands.find((strand) => strand.id === verdict.strandId)?.exerciseName ?? 'a strand'}`,
      [
        { table: 'plans', put: made.plan },
        { table: 'decisions', put: made.decision },
      ],
    );
  }

  protected async acceptSafe(): Promise<void> {
    const plans = new Map<string, Plan>(this.plans().map((plan) => [plan.id, plan]));
    const writes: Write[] = [];
    for (const { plan, verdict } of this.safe()) {
      const answer = { outcome: 'accepted', level: verdict.level, teacherReason: '' } as const;
      const made = decide(plans.get(plan.id) ?? plan, verdict, answer, this.clock.newId(), this.clock.now());
      plans.set(plan.id, made.plan);
      writes.push({ table: 'decisions', put: made.decision });
    }
    const count = writes.length;
    await this.store.write('Accept all safe verdicts', [
      ...[...plans.values()].map((plan): Write => ({ table: 'plans', put: plan })),
      ...writes,
    ]);
    this.notices.done(`${count} ${count === 1 ? 'verdict' : 'verdicts'} accepted`, { undo: true });
  }

  protected save(student: Student, part: Partial<Student>): void {
    const change = (stored: Student): Student => ({ ...stored, ...part });
    const key = `${student.id} ${Object.keys(part).join()}`;
    void this.store.write(`Change ${student.name}`, [{ table: 'students', id: student.id, change }], key);
  }

  protected savePlan(plan: Plan): void {
    void this.store.write('Give a routine', [{ table: 'plans', put: plan }]);
  }

  protected changePlan(plan: Plan, change: (stored: Plan) => Plan): void {
    this.store.write('Change the plan', [{ table: 'plans', id: plan.id, change }], plan.id).catch(() => undefined);
  }

  protected async removePlan(plan: Plan): Promise<void> {
    await this.store.write('Remove the plan', [{ table: 'plans', remove: plan.id }]);
    this.notices.done('Plan removed', { detail: 'The practices stay in the file.', undo: true });
  }

  protected async remove(student: Student): Promise<void> {
    await this.store.write(`Remove ${student.name}`, [
      { table: 'students', remove: student.id },
      ...this.plans().map((plan): Write => ({ table: 'plans', remove: plan.id })),
      ...this.logs().map((log): Write => ({ table: 'logs', remove: log.id })),
      ...this.decisions().map((decision): Write => ({ table: 'decisions', remove: decision.id })),
      ...this.measures().map((measure): Write => ({ table: 'measures', remove: measure.id })),
    ]);
    this.notices.done(`${student.name} removed with plan and practices`, { undo: true });
    await this.router.navigate(['/students']);
  }
}
