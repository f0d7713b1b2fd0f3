import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { FormsModule } from '@angular/forms';
import { Button, ButtonDirective } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import { switchMap } from 'rxjs';
import * as z from 'zod';
import {
  chainOfClass,
  recentLoad,
  recentWords,
  takeRung,
  type Exercise,
  type Plan,
  type Routine,
  type Student,
  type Verdict,
  strandVerdicts,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Editing } from '../data/editing';
import { Notices } from '../data/notices';
import { People } from '../data/people';
import { schoolOf } from '../data/gathered';
import { Repository } from '../data/repository';
import { stillRemoval } from '../data/still-removal';
import { Store, type Write } from '../data/store';
import { Decisions } from '../decide/decisions';
import { GiveBoard } from '../give/give-board';
import type { Practised } from '../give/gift';
import { lessonsOf } from '../give/lessons';
import { daysAgo } from '../ui/day-words';
import { NotKept } from '../ui/not-kept';
import { DayPipe } from '../ui/day.pipe';
import { Empty } from '../ui/empty';
import { Baseline } from './baseline';
import { BodyForm } from './body-form';
import { FilePractices } from './file-practices';
import { PersonForm } from './person-form';
import { PlanMaker } from './plan-maker';
import { PlanWeeks } from './plan-weeks';
import type { RungTaken } from './rung-panel';

/** The parts of the file, and sections that stand in one of them: the address may name either. */
const inPart = {
  plan: 'plan',
  practices: 'practices',
  load: 'practices',
  corrections: 'practices',
  film: 'practices',
  person: 'person',
  body: 'person',
  give: 'give',
} as const;
const AddressSchema = z.enum(Object.keys(inPart) as [keyof typeof inPart]);
type Address = keyof typeof inPart;
type Tab = (typeof inPart)[Address];

/** The file of one person: what is due to be decided, the plan, the practices, the person. */
@Component({
  selector: 'pk-student-file',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Baseline,
    BodyForm,
    Button,
    ButtonDirective,
    DayPipe,
    Decisions,
    Empty,
    FilePractices,
    FormsModule,
    GiveBoard,
    NotKept,
    PersonForm,
    PlanMaker,
    PlanWeeks,
    RouterLink,
    SelectButton,
  ],
  templateUrl: './student-file.html',
  styleUrl: './student-file.scss',
})
export class StudentFile {
  private readonly router = inject(Router);
  private readonly store = inject(Store);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  private readonly repository = inject(Repository);
  private readonly people = inject(People);
  readonly id = input.required<string>();
  readonly part = input<string>();

  private readonly id$ = toObservable(this.id);

  protected readonly today = this.clock.today;
  protected readonly edit = new Editing('students', this.id, ({ name }) => `Change ${name}`);
  /** As it is typed, whether it is kept yet or not. */
  protected readonly student = this.edit.draft;
  /** The exercises of the routines that were given. */
  protected readonly drills = computed(() => {
    const given = new Set(this.plans().map(({ routineId }) => routineId));
    const ids = new Set(
      this.routines()
        .filter(({ id }) => given.has(id))
        .flatMap(({ segments }) => segments.flatMap((part) => (part.type === 'exercise' ? [part.exerciseId] : []))),
    );
    return this.exercises().filter(({ id }) => ids.has(id));
  });
  private readonly stored = this.people.storedOf(this.id);
  /** What is known of the student as it is typed; undefined while not all of it is read. */
  protected readonly person = this.people.recordOf(this.stored, this.student);
  /** The name as it is typed; while there is none, the one that is kept. */
  protected readonly title = computed(() => titleOf(this.student()?.name, this.edit.stored()?.name));
  /** All practices, however old, the newest first. */
  protected readonly logs = computed(() =>
    (this.stored()?.logs ?? []).toSorted((a, b) => Date.parse(b.startedAt) - Date.parse(a.startedAt)),
  );
  protected readonly plans = computed(() => this.stored()?.plans ?? []);
  protected readonly measures = computed(() => this.stored()?.measures ?? []);
  protected readonly corrections = computed(() => this.stored()?.corrections ?? []);
  protected readonly stills = toSignal(this.id$.pipe(switchMap((id) => this.repository.stillsOf(id))), {
    initialValue: [],
  });
  /** Which part of the file is open, or which section of it; it stands in the address. */
  protected readonly at = linkedSignal((): Address => AddressSchema.catch('plan').parse(this.part()));
  protected readonly tab = computed(() => inPart[this.at()]);
  protected readonly tabs: { label: string; value: Tab }[] = [
    { label: 'Plan', value: 'plan' },
    { label: 'Practices', value: 'practices' },
    { label: 'Person', value: 'person' },
    { label: 'Give', value: 'give' },
  ];
  /** The goal whose weeks are seen, by id. */
  protected readonly opened = signal<string | null>(null);

  protected show(part: Address): void {
    this.at.set(part);
    void this.router.navigate([], { queryParams: { part: part === 'plan' ? null : part }, replaceUrl: true });
  }

  /** How it goes, in one line. */
  protected readonly glance = computed(() => {
    const [last] = this.logs();
    if (last === undefined) return '';
    const due = this.due().length;
    const deciding = due === 0 ? 'nothing to decide' : `${due} to decide`;
    return `Last practised ${daysAgo(last.day, this.today())}; ${deciding}. ${recentWords(recentLoad(this.logs(), this.today()))}`;
  });
  private readonly decisions = computed(() => this.stored()?.decisions ?? []);
  protected readonly routines = toSignal(this.repository.routines$, { initialValue: [] });
  protected readonly exercises = toSignal(this.repository.exercises$, { initialValue: [] });
  protected readonly schools = toSignal(this.repository.schools$, { initialValue: [] });
  protected readonly school = computed(() => schoolOf(this.schools(), this.student()?.schoolId));
  private readonly classes = toSignal(this.repository.classes$, { initialValue: [] });
  private readonly chains = toSignal(this.repository.chains$, { initialValue: [] });
  /** What can be given: what there is a plan for, the lessons of the classes, then every other routine. */
  protected readonly practised = computed((): Practised[] => {
    const planned = new Set(this.plans().map(({ routineId }) => routineId));
    const asGiven = (routine: Routine): Practised => ({ id: routine.id, name: routine.name, routine });
    const shelf = this.person()?.shelf ?? new Map<string, Exercise>();
    const lessons = this.classes()
      .filter(({ roster }) => roster.includes(this.id()))
      .flatMap((one) =>
        this.chains()
          .filter(({ id }) => id === one.chainId)
          .flatMap((chain) => lessonsOf(chainOfClass(chain, one), this.school(), shelf)),
      );
    return [
      ...this.routines()
        .filter(({ id }) => planned.has(id))
        .map(asGiven),
      ...lessons,
      ...this.routines()
        .filter(({ id }) => !planned.has(id))
        .map(asGiven),
    ];
  });
  protected readonly given = computed(() => {
    const person = this.person();
    return person == null ? null : [person];
  });
  protected readonly verdicts = computed(() => {
    const person = this.person();
    return person == null ? [] : strandVerdicts(person);
  });
  protected readonly due = computed(() => this.verdicts().filter((entry) => entry.due));
  protected readonly history = computed(() =>
    this.decisions()
      .toSorted((a, b) => (a.day < b.day ? 1 : -1))
      .slice(0, 12),
  );

  protected verdictsOf(plan: Plan): ReadonlyMap<string, Verdict> {
    const own = this.verdicts().filter((entry) => entry.plan.id === plan.id);
    return new Map(own.map(({ strand, verdict }) => [strand.id, verdict]));
  }

  protected async takeRung(plan: Plan, { strandId, turned, exchange }: RungTaken): Promise<void> {
    const [newId, now] = [this.clock.newId(), this.clock.now()];
    const taken = (stored: Plan): ReturnType<typeof takeRung> =>
      takeRung(stored, strandId, turned, exchange, newId, now);
    const made = taken(plan);
    await this.store.write('Another posture', [
      { table: 'plans', id: plan.id, change: (stored) => taken(stored).plan },
      { table: 'decisions', add: made.decision },
    ]);
    this.notices.done('Another posture begun', { detail: made.decision.reasons[0]!, undo: true });
  }

  protected lockedIds(plan: Plan): Set<string> {
    return new Set(
      this.verdicts()
        .filter((entry) => entry.plan.id === plan.id && entry.locked)
        .map((entry) => entry.strand.id),
    );
  }

  protected savePlan(plan: Plan): void {
    const { studentId, routineId } = plan;
    const meaning = ['give', studentId, routineId];
    void this.store.writeOnce('Give a routine', [{ table: 'plans', add: plan }], meaning).catch(() => undefined);
  }

  protected async removePlan(plan: Plan): Promise<void> {
    await this.store.write('Remove the plan', [{ table: 'plans', remove: plan.id }]);
    this.notices.done('Plan removed', { detail: 'The practices stay in the file.', undo: true });
  }

  /** Into the archive, or out of it again: nothing of what was kept is lost. */
  protected async archive({ id, name, archivedOn }: Student): Promise<void> {
    const day = archivedOn === null ? this.today() : null;
    const label = day === null ? `${name} is taught again` : `${name} is in the archive`;
    const change = (stored: Student): Student => ({ ...stored, archivedOn: day });
    await this.store.write(label, [{ table: 'students', id, change }]);
    this.notices.done(label, { undo: true });
  }

  protected async remove(student: Student): Promise<void> {
    const pictures = await this.repository.pictureIds(student.id);
    await this.store.write(`Remove ${student.name}`, [
      { table: 'students', remove: student.id },
      ...this.plans().map((plan): Write => ({ table: 'plans', remove: plan.id })),
      ...this.logs().map((log): Write => ({ table: 'logs', remove: log.id })),
      ...this.decisions().map((decision): Write => ({ table: 'decisions', remove: decision.id })),
      ...this.corrections().map((entry): Write => ({ table: 'corrections', remove: entry.id })),
      ...this.measures().map((measure): Write => ({ table: 'measures', remove: measure.id })),
      ...[...new Set([...this.stills().map(({ id }) => id), ...pictures])].flatMap(stillRemoval),
    ]);
    this.notices.done(`${student.name} removed with plan and practices`, { undo: true });
    await this.router.navigate(['/students']);
  }
}

/** The first name that is one. */
const titleOf = (...names: readonly (string | undefined)[]): string =>
  names.find((name) => name !== undefined && name.trim() !== '') ?? '';
