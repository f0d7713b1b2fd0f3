import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { catchError, of, switchMap } from 'rxjs';
import {
  PlanSchema,
  axisWords,
  railWords,
  weekReason,
  type Plan,
  type PracticeLog,
  type Routine,
  type School,
  type Strand,
} from '@pomek/core';
import { Compute } from '../compute/compute';
import type { ResultOf } from '../compute/protocol';
import { Notices } from '../data/notices';
import { DurationField } from '../ui/duration-field';
import { NumberField } from '../ui/number-field';
import { readDay, shortDay } from '../ui/day-words';

type Forecast = ResultOf<'plan'>['forecasts'][number];
type Chance = ResultOf<'plan'>['chances'][number];

/** The same seasons are simulated each time, so a chance changes only when something did. */
const SEED = 1;

/** A plan strand by strand: each week's dose with its reason, and whether the goal day can be kept. */
@Component({
  selector: 'pk-plan-weeks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DurationField, FormsModule, InputText, NumberField],
  templateUrl: './plan-weeks.html',
  styleUrl: './plan-weeks.scss',
})
export class PlanWeeks {
  private readonly compute = inject(Compute);
  private readonly notices = inject(Notices);
  readonly plan = input.required<Plan>();
  readonly routine = input<Routine>();
  readonly logs = input.required<readonly PracticeLog[]>();
  readonly school = input.required<School>();
  readonly sessionsPerWeek = input.required<number>();
  readonly locked = input.required<ReadonlySet<string>>();
  readonly today = input.required<string>();
  readonly changed = output<(stored: Plan) => Plan>();
  readonly remove = output();

  protected readonly wrong = signal('');
  protected readonly percent = computed(() => Math.round(this.plan().growthPerWeek * 100));
  protected readonly routineName = computed(() => this.routine()?.name ?? 'a routine that is gone');
  private readonly question = computed(() => {
    const routine = this.routine();
    if (routine === undefined) return null;
    return {
      plan: this.plan(),
      routine,
      sessionsPerWeek: this.sessionsPerWeek(),
      locked: [...this.locked()],
      today: this.today(),
      logs: [...this.logs()],
      rule: this.school().raise,
      seed: SEED,
    };
  });
  private readonly reply = toSignal(
    toObservable(this.question).pipe(
      switchMap((question) => (question === null ? of(null) : this.compute.result('plan', question))),
      catchError((error: unknown) => {
        this.notices.failure('The plan could not be computed', error);
        return of(null);
      }),
    ),
  );
  protected readonly strands = computed(() =>
    this.plan().strands.map((strand) => {
      const forecast = this.reply()?.forecasts.find((entry) => entry.strandId === strand.id);
      const chance = this.reply()?.chances.find((entry) => entry.strandId === strand.id);
      return {
        strand,
        inTime: forecast?.inTime ?? true,
        verdict: forecast === undefined ? 'Computing the weeks…' : this.inWords(strand, forecast),
        chance: chance === undefined || this.locked().has(strand.id) ? '' : this.chanceWords(chance),
        weeks: (forecast?.weeks ?? []).map((week) => ({
          number: week.week + 1,
          day: shortDay(week.day),
          dose: axisWords(week.dose, strand.axis),
          kind: week.kind,
          share: Math.round((100 * week.dose) / strand.target),
          reason: weekReason(this.plan(), strand, week),
        })),
      };
    }),
  );

  protected setStrand(strand: Strand, part: Partial<Strand>): void {
    this.set((plan) => ({
      ...plan,
      strands: plan.strands.map((entry) => (entry.id === strand.id ? { ...entry, ...part } : entry)),
    }));
  }

  protected setPercent(percent: number | null): void {
    if (percent !== null) this.set((plan) => ({ ...plan, growthPerWeek: percent / 100 }));
  }

  protected setLighter(lighterEvery: number | null): void {
    if (lighterEvery !== null) this.set((plan) => ({ ...plan, lighterEvery }));
  }

  private set(change: (plan: Plan) => Plan): void {
    const parsed = PlanSchema.safeParse(change(this.plan()));
    this.wrong.set(parsed.error?.issues.map((issue) => issue.message).join('. ') ?? '');
    if (parsed.success) this.changed.emit((stored) => PlanSchema.parse(change(stored)));
  }

  private inWords(strand: Strand, forecast: Forecast): string {
    if (this.locked().has(strand.id)) return 'Locked after a sign to stop.';
    const { earliestDay, inTime, doseOnTargetDay, binding } = forecast;
    const wished = readDay(strand.targetDay);
    const why = binding === null ? '' : `; besides, ${railWords[binding]}`;
    if (earliestDay === null) return `Not within three years at ${this.percent()} % a week${why}.`;
    if (inTime) return `Reached in the week of ${readDay(earliestDay)}, in time for ${wished}.`;
    const binds = `the limit is ${this.percent()} % a week${this.plan().lighterEvery > 0 ? ' and the lighter weeks' : ''}`;
    const onDay = axisWords(doseOnTargetDay, strand.axis);
    return `Out of reach by ${wished}: ${onDay} by then. The earliest is the week of ${readDay(earliestDay)}; ${binds}${why}.`;
  }

  private chanceWords(chance: Chance): string {
    const [attendance, passed] = [chance.attendance, chance.passRate].map((share) => `${Math.round(share * 100)} %`);
    const seasons = Math.round(chance.byTargetDay * 10);
    return `Practised as of late (${attendance} of the days, ${passed} of those met), about ${seasons} seasons in 10 get there by the day.`;
  }
}
