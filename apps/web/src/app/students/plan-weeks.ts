import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { addDays, formatISO, parseISO } from 'date-fns';
import { catchError, of, switchMap } from 'rxjs';
import {
  PlanSchema,
  axisWords,
  overruleIn,
  railWords,
  weekOf,
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
import { Terraces, type TargetMove } from '../ui/terraces';
import { terracePast, type TerraceInput } from '../ui/terraces.layout';

type Forecast = ResultOf<'plan'>['forecasts'][number];
type Chance = ResultOf<'plan'>['chances'][number];

/** The same seasons are simulated each time, so a chance changes only when something did. */
const SEED = 1;

/** Width of the drawing before it is fitted into its place, px. */
const TERRACES_PX = 720;

interface WeekEdit {
  readonly strandId: string;
  readonly week: number;
  readonly dose: number;
  readonly reason: string;
}

/** A plan strand by strand: each week's dose with its reason, and whether the goal day can be kept. */
@Component({
  selector: 'pk-plan-weeks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DurationField, FormsModule, InputText, NumberField, Select, Terraces],
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
  /** The largest dose within the budget of capacity, by strand. */
  readonly mostDoses = input<ReadonlyMap<string, number>>(new Map());
  readonly today = input.required<string>();
  readonly changed = output<(stored: Plan) => Plan>();
  readonly remove = output();

  protected readonly wrong = signal('');
  protected readonly editing = signal<WeekEdit | null>(null);
  protected readonly holidayFrom = signal('');
  protected readonly holidayTo = signal('');
  protected readonly beside = signal<ReadonlyMap<string, string | null> | null>(null);
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
      mostDoses: [...this.mostDoses()],
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
        terraces: this.terraces(strand, forecast, chance),
        picture: `${strand.exerciseName} over the weeks; the table below says the same`,
        weeks: (forecast?.weeks ?? []).map((week) => ({
          week: week.week,
          number: week.week + 1,
          day: shortDay(week.day),
          dose: axisWords(week.dose, strand.axis),
          amount: week.dose,
          kind: week.kind,
          share: Math.round((100 * week.dose) / strand.target),
          reason: weekReason(this.plan(), strand, week),
        })),
      };
    }),
  );

  private terraces(strand: Strand, forecast: Forecast | undefined, chance: Chance | undefined): TerraceInput {
    const now = weekOf(this.plan(), this.today());
    const past = terracePast(strand, this.plan().startsOn, this.logs(), now);
    return {
      strand,
      now,
      weeks: [...past.weeks, ...(forecast?.weeks ?? [])],
      done: past.done,
      band: this.locked().has(strand.id) ? [] : (chance?.weeks ?? []),
      targetWeek: Math.max(now, weekOf(this.plan(), strand.targetDay)),
      widthPx: TERRACES_PX,
    };
  }

  /** After which other strand a strand may open; one that waits for it already is left out. */
  protected gates(strand: Strand): { label: string; value: string | null }[] {
    const others = this.plan().strands.filter((other) => other.id !== strand.id && other.gate?.strandId !== strand.id);
    return [
      { label: 'at once', value: null },
      ...others.map((other) => ({
        label: `after ${other.exerciseName} is at ${axisWords(other.target, other.axis)}`,
        value: other.id,
      })),
    ];
  }

  protected setGate(strand: Strand, strandId: string | null): void {
    const other = this.plan().strands.find((entry) => entry.id === strandId);
    this.setStrand(strand, { gate: other === undefined ? null : { strandId: other.id, dose: other.target } });
  }

  /** The target was dragged: what it costs is said by the planner at once. */
  protected moveTarget(strand: Strand, { weeks, dose }: TargetMove): void {
    const day = formatISO(addDays(parseISO(strand.targetDay), weeks * 7), { representation: 'date' });
    this.setStrand(strand, { target: Math.max(strand.start, dose), targetDay: day });
  }

  protected openWeek(strand: Strand, week: number, dose: number): void {
    this.editing.set({ strandId: strand.id, week, dose, reason: overruleIn(strand, week)?.reason ?? '' });
  }

  protected overrule(strand: Strand): void {
    const edit = this.editing();
    if (edit === null) return;
    const { week, dose, reason } = edit;
    const others = strand.overrules.filter((entry) => entry.week !== week);
    this.setStrand(strand, { overrules: [...others, { week, dose, reason: reason.trim() }] });
    this.editing.set(null);
  }

  protected release(strand: Strand): void {
    const edit = this.editing();
    this.setStrand(strand, { overrules: strand.overrules.filter((entry) => entry.week !== edit?.week) });
    this.editing.set(null);
  }

  protected setEdit(part: Partial<WeekEdit>): void {
    this.editing.update((edit) => (edit === null ? null : { ...edit, ...part }));
  }

  protected freeze(week: number): void {
    this.set((plan) => ({
      ...plan,
      frozenWeeks: plan.frozenWeeks.includes(week)
        ? plan.frozenWeeks.filter((entry) => entry !== week)
        : [...plan.frozenWeeks, week],
    }));
  }

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
    const reply = this.reply();
    this.beside.set(
      reply == null ? null : new Map(reply.forecasts.map((entry) => [entry.strandId, entry.earliestDay])),
    );
  }

  protected against(strand: Strand): string {
    const kept = this.beside();
    if (kept === null) return '';
    const now = this.reply()?.forecasts.find((entry) => entry.strandId === strand.id)?.earliestDay ?? null;
    const before = kept.get(strand.id) ?? null;
    const said = (day: string | null): string =>
      day === null ? 'not within three years' : `the week of ${readDay(day)}`;
    return now === before ? `As before: ${said(now)}.` : `Before: ${said(before)}. Now: ${said(now)}.`;
  }

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
    if (earliestDay === null && binding === 'capacity') {
      const most = axisWords(Math.max(...forecast.weeks.map((week) => week.dose)), strand.axis);
      return `As legs and arms were tested they allow ${most} within the school’s budget; a new test hold may allow more.`;
    }
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
