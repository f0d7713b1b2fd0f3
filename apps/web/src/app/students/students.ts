import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import * as z from 'zod';
import { byName, groupBy, newStudent, verdictWeight, type Standing, type Student, type VerdictKind } from '@pomek/core';
import { asLeft } from '../data/as-left';
import { Clock } from '../data/clock';
import { remembered } from '../data/remembered';
import { OwnSchool } from '../data/own-school';
import { Notices } from '../data/notices';
import { Repository } from '../data/repository';
import { Standings } from '../data/standings';
import { NewThings } from '../data/new-things';
import { Store } from '../data/store';
import { AddNames } from '../ui/add-names';
import { Empty } from '../ui/empty';
import { DayPipe } from '../ui/day.pipe';
import { dayWords, daysAgo } from '../ui/day-words';
import { TextField } from '../ui/text-field';
import { Trouble } from '../ui/trouble';
import { VerdictMark } from '../ui/verdict-mark';
import { RowKeys } from '../ui/row-keys';

const OrderSchema = z.enum(['name', 'waits', 'seen']);
type Order = z.infer<typeof OrderSchema>;

/** After everything that waits. */
const NOTHING_WAITS = 4;

interface Row {
  readonly student: Student;
  /** null while it is being worked out, or cannot be */
  readonly standing: Standing | null;
  readonly routines: string;
  readonly days: string;
  readonly last: string;
  readonly load: string;
  readonly waits: VerdictKind | null;
  /** How many verdicts wait. */
  readonly count: number;
}

/** Everybody, a line each: what waits, how the load stands, when last seen; to be searched and put in order. */
@Component({
  selector: 'pk-students',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AddNames,
    Button,
    ButtonDirective,
    DayPipe,
    Empty,
    FormsModule,
    InputText,
    RouterLink,
    Select,
    TextField,
    Trouble,
    VerdictMark,
    RowKeys,
  ],
  templateUrl: './students.html',
  styleUrl: './students.scss',
})
export class Students {
  private readonly ownSchool = inject(OwnSchool);
  private readonly store = inject(Store);
  private readonly newThings = inject(NewThings);
  private readonly clock = inject(Clock);
  private readonly standings = inject(Standings).look();
  private readonly chosen = remembered('students-order');

  private readonly repository = inject(Repository);
  private readonly chosenClass = remembered('students-class');
  private readonly taught = toSignal(this.repository.classes$, { initialValue: [] });
  protected readonly archived = toSignal(this.repository.archived$, { initialValue: [] });
  protected readonly classes = computed(() => [
    { label: 'of all classes', value: '' },
    ...this.taught().map(({ id, name }) => ({ label: name, value: id })),
  ]);
  /** The class whose people are shown; empty for everybody. */
  protected readonly classId = computed(() => {
    const wanted = this.chosenClass.value();
    return this.taught().some(({ id }) => id === wanted) ? wanted! : '';
  });

  protected readonly text = asLeft('students-text', '');
  protected readonly orders: { label: string; value: Order }[] = [
    { label: 'by name', value: 'name' },
    { label: 'what waits first', value: 'waits' },
    { label: 'longest not seen first', value: 'seen' },
  ];
  protected readonly order = computed((): Order => OrderSchema.catch('name').parse(this.chosen.value()));
  private readonly notices = inject(Notices);
  /** Whether a list of names is being added. */
  /** How one comes here: `several` opens the list of names. */
  readonly begin = input<string>();
  protected readonly several = linkedSignal(() => this.begin() === 'several');
  private readonly students = toSignal(this.repository.students$);
  protected readonly names = computed(() => (this.students() ?? []).map(({ name }) => name));
  private readonly plans = toSignal(this.repository.plans$, { initialValue: [] });
  private readonly routines = toSignal(this.repository.routines$, { initialValue: [] });
  protected readonly ready = computed(() => this.students() !== undefined && this.standings.looking() !== undefined);
  protected readonly many = computed(() => this.students()?.length ?? 0);
  protected readonly looking = this.standings.looking;
  protected readonly failed = this.standings.failed;

  private readonly rows = computed((): Row[] => {
    const known = new Map(this.standings.known().map((one) => [one.student.id, one]));
    const given = groupBy(this.plans(), ({ studentId }) => studentId);
    return (this.students() ?? []).map((student) => {
      const found = known.get(student.id);
      const standing = found?.standing ?? null;
      const own = new Set((given.get(student.id) ?? []).map(({ routineId }) => routineId));
      return {
        student,
        standing,
        routines: this.routines()
          .filter(({ id }) => own.has(id))
          .map(({ name }) => name)
          .join(', '),
        days: dayWords(student.practiceDays),
        last: standing === null ? unknownWords(found?.problem) : lastWords(standing, this.clock.today()),
        load: standing?.load ?? '',
        waits: standing?.due[0]?.kind ?? null,
        count: standing?.due.length ?? 0,
      };
    });
  });
  protected readonly found = computed(() => {
    const words = this.text().toLowerCase().split(/\s+/).filter(Boolean);
    const roster = this.taught().find(({ id }) => id === this.classId())?.roster;
    const found = this.rows().filter(({ student, routines }) => {
      if (roster !== undefined && !roster.includes(student.id)) return false;
      const told = [student.name, routines, ...student.cautions, student.note].join(' ').toLowerCase();
      return words.every((word) => told.includes(word));
    });
    const name = (a: Row, b: Row): number => byName(a.student, b.student);
    const orders: Readonly<Record<Order, (a: Row, b: Row) => number>> = {
      name,
      waits: (a, b) => waitingOf(a) - waitingOf(b) || name(a, b),
      // Who was never seen has been waited for longest.
      seen: (a, b) => (a.standing?.lastDay ?? '').localeCompare(b.standing?.lastDay ?? '') || name(a, b),
    };
    return found.toSorted(orders[this.order()]);
  });

  protected again(): void {
    this.standings.again();
  }

  protected setClass(id: string): void {
    this.chosenClass.set(id);
  }

  protected setOrder(order: Order): void {
    this.chosen.set(order);
  }

  /** Everybody on a list, in one step. */
  protected async addAll(names: readonly string[]): Promise<void> {
    const schoolId = this.ownSchool.school().id;
    const adds = names.map((name) => ({
      table: 'students' as const,
      add: newStudent(this.clock.newId(), name, schoolId),
    }));
    const label = names.length === 1 ? `Add ${names[0]!}` : `Add ${names.length} students`;
    await this.store.writeOnce(label, adds, ['add', ...names]);
    this.several.set(false);
    this.notices.done(names.length === 1 ? `${names[0]!} added` : `${names.length} students added`, { undo: true });
  }

  protected async add(): Promise<void> {
    const id = this.clock.newId();
    const student = newStudent(id, 'New student', this.ownSchool.school().id);
    await this.newThings.begin('New student', 'students', student, ['/students', id], { part: 'person' });
  }
}

const waitingOf = ({ waits }: Row): number => (waits === null ? NOTHING_WAITS : verdictWeight[waits]);

const lastWords = ({ lastDay }: Standing, today: string): string =>
  lastDay === null ? 'not yet' : daysAgo(lastDay, today);
const unknownWords = (problem = ''): string => (problem === '' ? '…' : `cannot be worked out: ${problem}`);
