import { ChangeDetectionStrategy, Component, computed, inject, input, model, output, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Button } from 'primeng/button';
import { catchError, map, of, switchMap, tap } from 'rxjs';
import {
  contextOf,
  practiceDaysOf,
  strandPlaces,
  type PersonRecord,
  type Plan,
  type Strand,
  type Verdict,
} from '@pomek/core';
import { Compute } from '../compute/compute';
import { planQuestion } from '../compute/plan-question';
import { Editing } from '../data/editing';
import { reasonOf } from '../data/notices';
import type { Patch } from '../data/patch';
import { readDay } from '../ui/day-words';
import { DayField } from '../ui/day-field';
import { NotKept } from '../ui/not-kept';
import { NumberField } from '../ui/number-field';
import { Trouble } from '../ui/trouble';
import type { RungTaken } from './rung-panel';
import { StrandAdder } from './strand-adder';
import { StrandList } from './strand-list';
import { StrandWeeks, type Forecast } from './strand-weeks';

/** Seasons that are played for the chance of a strand. */
const SEASONS = 2000;

/** A plan: its guard rails, its days without practice, and its strands over the weeks, computed in the worker. */
@Component({
  selector: 'pk-plan-weeks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DayField, NotKept, NumberField, StrandAdder, StrandList, StrandWeeks, Trouble],
  templateUrl: './plan-weeks.html',
  styleUrl: './plan-weeks.scss',
})
export class PlanWeeks {
  private readonly compute = inject(Compute);
  readonly plan = input.required<Plan>();
  readonly person = input.required<PersonRecord>();
  readonly verdicts = input<ReadonlyMap<string, Verdict>>(new Map());
  readonly locked = input.required<ReadonlySet<string>>();
  readonly rungTaken = output<RungTaken>();
  readonly remove = output();

  protected readonly school = computed(() => this.person().school);
  protected readonly today = computed(() => this.person().today);
  protected readonly logs = computed(() => this.person().logs);
  private readonly id = computed(() => this.plan().id);
  protected readonly edit = new Editing('plans', this.id, () => 'Change the plan');
  /** As it is typed, and as far as it is whole. */
  protected readonly draft = computed(() => this.edit.draft() ?? this.plan());
  protected readonly whole = computed(() => (this.edit.problems().length === 0 ? this.draft() : this.plan()));
  /** What the plan rests on as it is typed, by the same function as its verdicts. */
  protected readonly context = computed(() => contextOf(this.whole(), this.person()));
  protected readonly practiceDays = computed(() => practiceDaysOf(this.context()));
  /** Where its strands stand on the student's body, by strand. */
  protected readonly places = computed(() => strandPlaces(this.whole(), this.person()));

  /** The goal that is open, by id; the first until one is chosen. */
  readonly chosen = model<string | null>(null);
  protected readonly shown = computed(() => {
    const { strands } = this.whole();
    return strands.find(({ id }) => id === this.chosen()) ?? strands[0];
  });
  /** The weeks of the other goals, to be seen behind the one that is open. */
  protected readonly others = computed(() =>
    this.whole()
      .strands.filter(({ id }) => id !== this.shown()?.id)
      .flatMap(({ id, target }) => {
        const weeks = this.forecasts().get(id)?.weeks;
        return weeks === undefined ? [] : [{ target, weeks }];
      }),
  );
  protected readonly rulesOpen = signal(false);
  protected readonly read = readDay;
  protected readonly holidayFrom = signal('');
  protected readonly holidayTo = signal('');
  protected readonly beside = signal<ReadonlyMap<string, Forecast> | null>(null);
  protected readonly percent = computed(() => Math.round(this.draft().growthPerWeek * 100));
  protected readonly routineName = computed(() => this.context().routine?.name ?? 'a deleted routine');
  private readonly question = computed(() => planQuestion(this.context(), this.whole(), SEASONS));
  /** Why the weeks could not be computed; empty where they could, or are being computed. */
  protected readonly failed = signal('');
  private readonly tries = signal(0);
  private readonly asked = computed(() => ({ question: this.question(), tries: this.tries() }));
  private readonly reply = toSignal(
    toObservable(this.asked).pipe(
      tap(() => this.failed.set('')),
      switchMap(({ question }) =>
        question === null
          ? of(null)
          : this.compute.result('plan', question).pipe(
              map((result) => ({ ...result, question })),
              catchError((error: unknown) => {
                this.failed.set(reasonOf(error));
                return of(null);
              }),
            ),
      ),
    ),
  );
  protected again(): void {
    this.tries.update((count) => count + 1);
  }

  /** The weeks as they were last computed: they stay in sight while the next ones are computed. */
  protected readonly forecasts = computed(
    () => new Map((this.reply()?.forecasts ?? []).map((entry) => [entry.strandId, entry])),
  );
  /** The weeks of what is asked now; empty while they are computed, so that nothing is said of a goal that was. */
  protected readonly answered = computed((): ReadonlyMap<string, Forecast> =>
    this.reply()?.question === this.question() ? this.forecasts() : new Map(),
  );
  /** What was found in a search that was cut short is called so. */
  protected readonly bestFound = computed(() => this.reply()?.proven === false);
  protected readonly chances = computed(
    () => new Map((this.reply()?.chances ?? []).map((entry) => [entry.strandId, entry])),
  );

  protected addHoliday(): void {
    const [from, to] = [this.holidayFrom(), this.holidayTo()];
    if (from === '' || to === '') return;
    this.change((plan) => ({ ...plan, holidays: [...plan.holidays, { from, to }] }));
  }

  protected removeHoliday({ from, to }: Plan['holidays'][number]): void {
    this.change((plan) => ({
      ...plan,
      holidays: plan.holidays.filter((entry) => entry.from !== from || entry.to !== to),
    }));
  }

  /** Keeps the weeks as they are computed now, to hold others against them. */
  protected keepBeside(): void {
    this.beside.set(this.forecasts());
  }

  /** A strand in the plan that is kept beside; undefined while none is. */
  protected before(strandId: string): Forecast | undefined {
    return this.beside()?.get(strandId);
  }

  protected setPercent(percent: number | null): void {
    if (percent !== null) this.edit.set(['growthPerWeek'], percent / 100);
  }

  protected setMinutes(minutes: number | null): void {
    this.edit.set(['sessionMinutes'], minutes);
  }

  protected setLighter(weeks: number | null): void {
    if (weeks !== null) this.edit.set(['lighterEvery'], weeks);
  }

  /** The strand with its goal as it is typed, whether it can be kept or not. */
  protected wishOf(strand: Strand): Strand {
    return this.draft().strands.find((entry) => entry.id === strand.id) ?? strand;
  }

  protected typed(patch: Patch, strandId: string): void {
    this.edit.apply(patch, ['strands', { id: strandId }]);
  }

  protected change(change: (plan: Plan) => Plan): void {
    void this.edit.change('Change the plan', change);
  }
}
