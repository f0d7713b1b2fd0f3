import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import * as z from 'zod';
import { byName, newStudent, recentGrade, recentLoad, softSchool, type VerdictKind } from '@pomek/core';
import { asLeft } from '../data/as-left';
import { Clock } from '../data/clock';
import { Everybody, type OneOfAll } from '../data/everybody';
import { remembered } from '../data/remembered';
import { Repository } from '../data/repository';
import { Store } from '../data/store';
import { verdictWeight } from '../data/verdicts';
import { Empty } from '../ui/empty';
import { DayPipe } from '../ui/day.pipe';
import { dayWords, daysAgo } from '../ui/day-words';
import { TextField } from '../ui/text-field';
import { VerdictMark } from '../ui/verdict-mark';

const OrderSchema = z.enum(['name', 'waits', 'seen']);
type Order = z.infer<typeof OrderSchema>;

/** After everything that waits. */
const NOTHING_WAITS = 4;

interface Row {
  readonly one: OneOfAll;
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
    Button,
    ButtonDirective,
    DayPipe,
    Empty,
    FormsModule,
    InputText,
    RouterLink,
    Select,
    TextField,
    VerdictMark,
  ],
  templateUrl: './students.html',
  styleUrl: './students.scss',
})
export class Students {
  private readonly router = inject(Router);
  private readonly store = inject(Store);
  private readonly clock = inject(Clock);
  private readonly everybody = inject(Everybody);
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
  protected readonly ready = this.everybody.known;
  protected readonly many = computed(() => this.everybody.all().length);

  private readonly rows = computed((): Row[] =>
    this.everybody.all().map((one) => {
      const given = new Set(one.person.plans.map(({ routineId }) => routineId));
      const due = one
        .verdicts()
        .filter((entry) => entry.due)
        .map(({ verdict }) => verdict.kind)
        .toSorted((a, b) => verdictWeight[a] - verdictWeight[b]);
      const today = this.clock.today();
      return {
        one,
        routines: this.everybody
          .routines()
          .filter(({ id }) => given.has(id))
          .map(({ name }) => name)
          .join(', '),
        days: dayWords(one.student.practiceDays),
        last: one.person.lastDay !== null ? daysAgo(one.person.lastDay, today) : 'not yet',
        load: one.person.lastDay === null ? '' : recentGrade(recentLoad(one.person.logs, today)),
        waits: due[0] ?? null,
        count: due.length,
      };
    }),
  );
  protected readonly found = computed(() => {
    const words = this.text().toLowerCase().split(/\s+/).filter(Boolean);
    const roster = this.taught().find(({ id }) => id === this.classId())?.roster;
    const found = this.rows().filter(({ one: { student }, routines }) => {
      if (roster !== undefined && !roster.includes(student.id)) return false;
      const told = [student.name, routines, ...student.cautions, student.note].join(' ').toLowerCase();
      return words.every((word) => told.includes(word));
    });
    const name = (a: Row, b: Row): number => byName(a.one.student, b.one.student);
    const orders: Readonly<Record<Order, (a: Row, b: Row) => number>> = {
      name,
      waits: (a, b) => waitingOf(a) - waitingOf(b) || name(a, b),
      // Who was never seen has been waited for longest.
      seen: (a, b) => (a.one.person.lastDay ?? '').localeCompare(b.one.person.lastDay ?? '') || name(a, b),
    };
    return found.toSorted(orders[this.order()]);
  });

  protected setClass(id: string): void {
    this.chosenClass.set(id);
  }

  protected setOrder(order: Order): void {
    this.chosen.set(order);
  }

  protected async add(): Promise<void> {
    const id = this.clock.newId();
    const student = newStudent(id, 'New student', softSchool.id);
    await this.store.write('New student', [{ table: 'students', add: student }]);
    await this.router.navigate(['/students', id], { queryParams: { part: 'person' } });
  }
}

const waitingOf = ({ waits }: Row): number => (waits === null ? NOTHING_WAITS : verdictWeight[waits]);
