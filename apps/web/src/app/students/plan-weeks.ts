import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { catchError, of, switchMap } from 'rxjs';
import { PlanSchema, type Plan, type PracticeLog, type Routine, type School } from '@pomek/core';
import { Compute } from '../compute/compute';
import { Notices } from '../data/notices';
import { NumberField } from '../ui/number-field';
import type { RungTaken } from './rung-panel';
import type { StrandPlace } from './strand-places';
import { StrandWeeks, type Forecast } from './strand-weeks';

/** The same seasons are simulated each time, so a chance changes only when something did. */
const SEED = 1;

/** A plan: its guard rails, its days without practice, and its strands over the weeks, computed in the worker. */
@Component({
  selector: 'pk-plan-weeks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, InputText, NumberField, StrandWeeks],
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
  /** Where the strands stand on the student's body, by strand. */
  readonly places = input<ReadonlyMap<string, StrandPlace>>(new Map());
  readonly today = input.required<string>();
  readonly changed = output<(stored: Plan) => Plan>();
  readonly rungTaken = output<RungTaken>();
  readonly remove = output();

  protected readonly wrong = signal('');
  protected readonly holidayFrom = signal('');
  protected readonly holidayTo = signal('');
  protected readonly beside = signal<ReadonlyMap<string, Forecast> | null>(null);
  protected readonly percent = computed(() => Math.round(this.plan().growthPerWeek * 100));
  protected readonly routineName = computed(() => this.routine()?.name ?? 'a routine that is gone');
  /** The largest dose within the budget of capacity, for holds of a student whose legs and arms were tested. */
  private readonly mostDoses = computed(() =>
    this.plan().strands.flatMap((strand) => {
      const place = this.places().get(strand.id);
      if (place === undefined || place.guessed.legs || strand.axis !== 'time') return [];
      return Number.isFinite(place.longestHold) ? [[strand.id, place.longestHold] as [string, number]] : [];
    }),
  );
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
      mostDoses: this.mostDoses(),
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
  protected readonly forecasts = computed(
    () => new Map((this.reply()?.forecasts ?? []).map((entry) => [entry.strandId, entry])),
  );
  protected readonly chances = computed(
    () => new Map((this.reply()?.chances ?? []).map((entry) => [entry.strandId, entry])),
  );

  protected addHoliday(): void {
    const [from, to] = [this.holidayFrom(), this.holidayTo()];
    if (from === '' || to === '') return;
    this.set((plan) => ({ ...plan, holidays: [...plan.holidays, { from, to }] }));
  }

  protected removeHoliday(index: number): void {
    this.set((plan) => ({ ...plan, holidays: plan.holidays.filter((_, at) => at !== index) }));
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
    if (percent !== null) this.set((plan) => ({ ...plan, growthPerWeek: percent / 100 }));
  }

  protected setLighter(lighterEvery: number | null): void {
    if (lighterEvery !== null) this.set((plan) => ({ ...plan, lighterEvery }));
  }

  protected set(change: (plan: Plan) => Plan): void {
    const parsed = PlanSchema.safeParse(change(this.plan()));
    this.wrong.set(parsed.error?.issues.map((issue) => issue.message).join('. ') ?? '');
    if (parsed.success) this.changed.emit((stored) => PlanSchema.parse(change(stored)));
  }
}
