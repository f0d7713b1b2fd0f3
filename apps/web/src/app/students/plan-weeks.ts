import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { PlanSchema, axisWords, planWeeks, weekReason, type Plan, type Strand } from '@pomek/core';
import { DurationField } from '../ui/duration-field';
import { NumberField } from '../ui/number-field';
import { readDay, shortDay } from '../ui/day-words';

/** A plan strand by strand: each week's dose with its reason, and whether the goal day can be kept. */
@Component({
  selector: 'pk-plan-weeks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DurationField, FormsModule, InputText, NumberField],
  templateUrl: './plan-weeks.html',
  styleUrl: './plan-weeks.scss',
})
export class PlanWeeks {
  readonly plan = input.required<Plan>();
  readonly routineName = input.required<string>();
  readonly locked = input.required<ReadonlySet<string>>();
  readonly today = input.required<string>();
  readonly changed = output<(stored: Plan) => Plan>();
  readonly remove = output();

  protected readonly wrong = signal('');
  protected readonly percent = computed(() => Math.round(this.plan().growthPerWeek * 100));
  protected readonly strands = computed(() =>
    this.plan().strands.map((strand) => {
      const plan = this.plan();
      const forecast = planWeeks(plan, strand, this.today(), this.locked().has(strand.id));
      return {
        strand,
        target: axisWords(strand.target, strand.axis),
        inTime: forecast.inTime,
        verdict: this.inWords(
          strand,
          forecast.earliestDay,
          forecast.inTime,
          axisWords(forecast.doseOnTargetDay, strand.axis),
        ),
        weeks: forecast.weeks.map((week) => ({
          number: week.week + 1,
          day: shortDay(week.day),
          dose: axisWords(week.dose, strand.axis),
          kind: week.kind,
          share: Math.round((100 * week.dose) / strand.target),
          reason: weekReason(plan, strand, week),
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

  private inWords(strand: Strand, earliest: string | null, inTime: boolean, onDay: string): string {
    if (this.locked().has(strand.id)) return 'Locked after a sign to stop.';
    const wished = readDay(strand.targetDay);
    if (earliest === null) return `Not within three years at ${this.percent()} % a week.`;
    if (inTime) return `Reached in the week of ${readDay(earliest)}, in time for ${wished}.`;
    const binds = `the limit is ${this.percent()} % a week${this.plan().lighterEvery > 0 ? ' and the lighter weeks' : ''}`;
    return `Out of reach by ${wished}: ${onDay} by then. The earliest is the week of ${readDay(earliest)}; ${binds}.`;
  }
}
