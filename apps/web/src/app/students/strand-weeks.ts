import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { addDays, formatISO, parseISO } from 'date-fns';
import * as z from 'zod';
import {
  axisLabels,
  axisWords,
  chanceWords,
  doseLimitWords,
  doseOf,
  easierWords,
  gridOf,
  insteadDose,
  growthOfStrand,
  growthWords,
  isOpen,
  isSavingUp,
  limitDose,
  meanwhileWords,
  nearSteps,
  overruleIn,
  postureIn,
  railWords,
  savedWords,
  shortAxisWords,
  strandPast,
  turnedWords,
  weekOf,
  weekReason,
  withoutEasier,
  withoutStrand,
  withWholeSteps,
  type LimitFrom,
  type Plan,
  type PracticeLog,
  type School,
  type Strand,
  type StrandPlace,
  type Verdict,
} from '@pomek/core';
import type { ResultOf } from '../compute/protocol';
import { Clock } from '../data/clock';
import { keptDraft } from '../data/kept-draft';
import { patchOf, type Patch } from '../data/patch';
import { AxisField } from '../ui/axis-field';
import { readDay, shortDay } from '../ui/day-words';
import { DayField } from '../ui/day-field';
import { Hint } from '../ui/hint';
import { HintPicture } from '../ui/hint-picture';
import { Terraces, type TargetMove } from '../ui/terraces';
import { TextField } from '../ui/text-field';
import type { TerraceInput } from '../ui/terraces.layout';
import { reachWords } from './reach-words';
import { RungPanel, type RungTaken } from './rung-panel';
import { RowKeys } from '../ui/row-keys';

export type Forecast = ResultOf<'plan'>['forecasts'][number];
export type Chance = ResultOf<'plan'>['chances'][number];

/** Size of the drawing before it is fitted into its place, px. */
const TERRACES = { widthPx: 720, heightPx: 215 } as const;

const strandAt = patchOf<Strand>();

const WeekEditSchema = z.object({
  edit: z.object({ week: z.number(), dose: z.number(), reason: z.string() }).nullable(),
});
type WeekEdit = NonNullable<z.infer<typeof WeekEditSchema>['edit']>;

/** What ends a strand on a body, in few words. */
const mostWords: Readonly<Record<LimitFrom, string>> = {
  strength: 'strength allows',
  guess: 'by a guess, strength allows',
  alignment: 'knees and heels allow',
  noted: 'asked with what is noted',
  instead: 'stays',
  minutes: 'the minutes allow',
};

/** One strand of a plan: its goal, its terraces, each week's dose with its reason, and its next rung. */
@Component({
  selector: 'pk-strand',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AxisField,
    Button,
    Checkbox,
    DayField,
    FormsModule,
    Hint,
    HintPicture,
    InputText,
    RungPanel,
    Select,
    Terraces,
    TextField,
    RowKeys,
  ],
  templateUrl: './strand-weeks.html',
  styleUrl: './strand-weeks.scss',
})
export class StrandWeeks {
  private readonly clock = inject(Clock);
  readonly plan = input.required<Plan>();
  readonly strand = input.required<Strand>();
  /** The strand with its goal as it is typed. */
  readonly wish = input.required<Strand>();
  readonly forecast = input<Forecast>();
  /** Whether the forecast is that of the goal as it is now; an older one is drawn, but nothing is said of it. */
  readonly answered = input(true);
  readonly chance = input<Chance>();
  readonly place = input<StrandPlace>();
  /** What the machine says of it today; undefined while it is not known. */
  readonly standing = input<Verdict>();
  readonly locked = input.required<boolean>();
  readonly logs = input.required<readonly PracticeLog[]>();
  readonly school = input.required<School>();
  /** ISO weekdays on which the student practises, or is taken to. */
  readonly practiceDays = input.required<readonly number[]>();
  readonly today = input.required<string>();
  /** The weeks could not be computed. */
  readonly failed = input(false);
  /** The same strand in the plan it is compared with; undefined without comparison. */
  readonly before = input<Pick<Forecast, 'weeks' | 'earliestDay'>>();
  /** The other strands of the plan, to be drawn faintly. */
  readonly others = input<TerraceInput['others']>([]);
  /** One value of the strand that was typed. */
  readonly typed = output<Patch>();
  readonly planChanged = output<(plan: Plan) => Plan>();
  readonly rungTaken = output<RungTaken>();

  /** The week that is being set by hand: it outlives leaving. */
  private readonly draft = keptDraft(() => `week ${this.strand().id}`, WeekEditSchema, { edit: null });
  protected readonly editing = computed(() => this.draft.value().edit);
  protected readonly grows = computed(() => axisLabels[this.strand().axis]);
  protected readonly unfolded = signal(false);
  private readonly said = computed(() => (this.answered() ? this.forecast() : undefined));
  protected readonly inTime = computed(() => this.said()?.inTime ?? true);
  protected readonly verdict = computed(() => {
    const forecast = this.said();
    if (forecast !== undefined) return this.inWords(forecast);
    return this.failed() ? 'The weeks are not known.' : 'Computing the weeks…';
  });
  protected readonly chanceSaid = computed(() => {
    const chance = this.chance();
    return chance === undefined || this.locked() || !this.answered() ? '' : chanceWords(chance);
  });
  protected readonly picture = computed(
    () => `${this.strand().exerciseName} over the weeks; the table under it says the same`,
  );
  protected readonly weeks = computed(() => {
    const before = new Map((this.before()?.weeks ?? []).map((week) => [week.week, week.dose]));
    return (this.forecast()?.weeks ?? []).map((week) => ({
      week: week.week,
      number: week.week + 1,
      day: shortDay(week.day),
      dose: axisWords(week.dose, this.strand().axis),
      amount: week.dose,
      reason: this.reasonOf(week),
      before: before.has(week.week) ? axisWords(before.get(week.week)!, this.strand().axis) : '–',
    }));
  });
  protected readonly terraces = computed((): TerraceInput => {
    const [plan, strand] = [this.plan(), this.strand()];
    const now = weekOf(plan, this.today());
    const past = strandPast(strand, plan.startsOn, this.logs(), now);
    const planned = this.forecast()?.weeks ?? [];
    const most = this.place()?.most ?? null;
    return {
      strand,
      now,
      weeks: [...past.weeks, ...planned.map((week) => ({ ...week, reason: this.reasonOf(week) }))],
      done: past.done,
      band: this.locked() ? [] : (this.chance()?.weeks ?? []),
      beside: this.before()?.weeks ?? [],
      others: this.others(),
      most: most === null ? null : { dose: limitDose(strand, most), words: mostWords[most.from] },
      targetWeek: Math.max(now, weekOf(plan, strand.targetDay)),
      ...TERRACES,
      words: (dose) => shortAxisWords(dose, strand.axis).replace(' min', ''),
    };
  });
  /** What the drawing shows, told as far as it is there. */
  protected readonly key = computed(() => {
    const { weeks, done, band, others } = this.terraces();
    const has = (kind: string): boolean => weeks.some((week) => week.kind === kind);
    return [
      'Across: weeks of the plan.',
      done.length > 0 ? 'Full dots: met; open ones: not.' : '',
      band.length > 1 ? 'Amber: where eight of ten forecasts lie.' : '',
      has('holiday') ? 'Hatched: away.' : '',
      has('lighter') ? 'Dotted: lighter weeks.' : '',
      others.length > 0 ? 'Thin lines: the other goals, each as a share of its own.' : '',
    ]
      .filter((words) => words !== '')
      .join(' ');
  });
  /** The smallest limit of the dose; undefined where nothing limits it. */
  private readonly limit = computed(() => this.place()?.most ?? undefined);
  /** What a week may add: the plan's growth, or the school's for the whole week where that is less. */
  private readonly growth = computed(() =>
    growthOfStrand(this.strand(), this.plan(), this.school().raise, this.practiceDays()),
  );
  private reasonOf(week: Forecast['weeks'][number]): string {
    const days = this.forecast()?.days ?? [];
    return weekReason(this.plan(), this.strand(), week, this.growth(), this.limit(), days);
  }

  /** Where it stands: its dose, what is saved up towards the next, why it is not more, and what may be harder meanwhile. */
  protected readonly stands = computed(() => {
    const [strand, verdict] = [this.strand(), this.standing()];
    const dose = doseOf(strand.level, gridOf(strand));
    const lost = strand.lost.at(-1);
    const saving = isSavingUp(strand);
    const easier = easierWords(strand, this.today());
    return {
      dose: isOpen(strand) ? axisWords(dose, strand.axis) : 'not opened yet',
      saved: saving ? savedWords(strand, strand.level) : '',
      found: lost === undefined ? '' : axisWords(doseOf(lost, gridOf(strand)), strand.axis),
      easier,
      // What is easier stands in a line of its own.
      why: verdict === undefined || verdict.kind === 'stop' ? '' : (verdict.reasons[easier === '' ? 0 : 1] ?? ''),
      meanwhile: saving ? meanwhileWords(strand, this.ladder(), this.school()) : '',
    };
  });
  /** The rungs of a standing hold; undefined for everything else. */
  protected readonly ladder = computed(() => {
    const place = this.place();
    return this.strand().axis === 'time' && place?.posture.seated === false ? place : undefined;
  });
  protected readonly turned = computed(() => turnedWords(postureIn(this.plan(), this.strand().segmentId)));
  protected readonly points = computed(() => this.place()?.exercise.checkpoints ?? []);
  /** After which other strand this one may open; one that waits for it already is left out. */
  protected readonly gates = computed((): { label: string; value: string | null }[] => {
    const { id } = this.strand();
    const others = this.plan().strands.filter((other) => other.id !== id && other.gate?.strandId !== id);
    return [
      { label: 'at once', value: null },
      ...others.map((other) => ({
        label: `after ${other.exerciseName} is at ${axisWords(other.target, other.axis)}`,
        value: other.id,
      })),
    ];
  });
  protected readonly against = computed(() => {
    const compared = this.before();
    if (compared === undefined) return '';
    const before = compared.earliestDay;
    const now = this.forecast()?.earliestDay ?? null;
    const said = (day: string | null): string => (day === null ? 'not within three years' : readDay(day));
    return now === before ? `As before: ${said(now)}.` : `Before: ${said(before)}. Now: ${said(now)}.`;
  });

  /** The drill that is done instead for what is noted, where it could have the dose of this goal; empty where there is none. */
  protected readonly instead = computed(() => {
    const changed = this.place()?.instead ?? null;
    if (changed === null || insteadDose(changed.segment, this.strand(), 1) === null) return '';
    return `${changed.instead} counts for this goal and may be raised; it is done instead (${changed.limit.because})`;
  });

  protected setInstead(counts: boolean): void {
    this.change((stored) => ({ ...stored, insteadCounts: counts }));
  }

  protected endEasier(): void {
    const now = this.clock.now();
    this.change((stored) => withoutEasier(stored, now));
  }

  protected wholeSteps(): void {
    this.change(withWholeSteps);
  }

  /** The doses of whole steps around a goal that lies between two, to be chosen instead; none where it lies on one. */
  protected readonly beside = computed(() => {
    const { target, axis } = this.wish();
    const { step, start } = this.strand();
    const near = nearSteps(target, step).filter((dose) => dose >= start);
    return near.map((dose) => ({ dose, words: axisWords(dose, axis) }));
  });
  protected readonly stepWords = computed(() => axisWords(this.strand().step, this.strand().axis));

  protected setTarget(target: number): void {
    this.typed.emit(strandAt(['target'], target));
  }

  protected drop(): void {
    const { id } = this.strand();
    this.planChanged.emit((plan) => withoutStrand(plan, id));
  }

  protected setDay(targetDay: string): void {
    this.typed.emit(strandAt(['targetDay'], targetDay));
  }

  protected setGate(strandId: string | null): void {
    const other = this.plan().strands.find((entry) => entry.id === strandId);
    this.typed.emit(strandAt(['gate'], other === undefined ? null : { strandId: other.id, dose: other.target }));
  }

  protected hold(pointId: string, held: boolean): void {
    this.change((stored) => {
      const others = stored.heldBy.filter((id) => id !== pointId);
      return { ...stored, heldBy: held ? [...others, pointId] : others };
    });
  }

  /** The target was dragged: what it costs is said by the planner at once. */
  protected moveTarget({ weeks, dose }: TargetMove): void {
    this.change((stored) => ({
      ...stored,
      target: Math.max(stored.start, dose),
      targetDay: formatISO(addDays(parseISO(stored.targetDay), weeks * 7), { representation: 'date' }),
    }));
  }

  protected openWeek(week: number, dose: number): void {
    this.draft.set({ edit: { week, dose, reason: overruleIn(this.strand(), week)?.reason ?? '' } });
  }

  protected close(): void {
    this.draft.clear();
  }

  protected setEdit(part: Partial<WeekEdit>): void {
    const edit = this.editing();
    if (edit !== null) this.draft.set({ edit: { ...edit, ...part } });
  }

  protected overrule(): void {
    const edit = this.editing();
    if (edit === null) return;
    const { week, dose, reason } = edit;
    this.change((stored) => ({
      ...stored,
      overrules: [...stored.overrules.filter((entry) => entry.week !== week), { week, dose, reason: reason.trim() }],
    }));
    this.draft.clear();
  }

  protected release(): void {
    const week = this.editing()?.week;
    this.change((stored) => ({ ...stored, overrules: stored.overrules.filter((entry) => entry.week !== week) }));
    this.draft.clear();
  }

  protected freeze(week: number): void {
    this.planChanged.emit((plan) => ({
      ...plan,
      frozenWeeks: plan.frozenWeeks.includes(week)
        ? plan.frozenWeeks.filter((entry) => entry !== week)
        : [...plan.frozenWeeks, week],
    }));
  }

  private change(change: (strand: Strand) => Strand): void {
    const { id } = this.strand();
    this.planChanged.emit((plan) => ({
      ...plan,
      strands: plan.strands.map((entry) => (entry.id === id ? change(entry) : entry)),
    }));
  }

  private inWords(forecast: Forecast): string {
    if (this.locked()) return 'Locked after a sign to stop.';
    const { axis, targetDay } = this.strand();
    const { earliestDay, aloneDay, inTime, binding } = forecast;
    const growth = growthWords(this.growth());
    const limit = this.limit();
    const most = axisWords(Math.max(...forecast.weeks.map((week) => week.dose)), axis);
    if (earliestDay === null && binding === 'minutes')
      return `The practice has room for ${most}; with more minutes, or less of something else, it goes on.`;
    if (earliestDay === null && limit?.from === 'instead')
      return `It stays ${limit.reason}. What is practised instead still counts as practice.`;
    if (earliestDay === null && binding !== null && binding === limit?.from)
      return `Not as far as the goal: ${doseLimitWords(this.strand(), limit)!} ${limit.mend}`;
    const why = binding === null ? '' : ` Limited by: ${railWords[binding]}.`;
    const reached = reachWords(forecast, targetDay, axis, this.growth());
    if (earliestDay === null) return `${reached}.${why}`;
    const alone =
      aloneDay === null || aloneDay === earliestDay ? '' : ` By itself it would be there on ${readDay(aloneDay)}.`;
    if (inTime) return `${reached}.${alone}${why}`;
    const binds = `the limit is ${growth}${this.plan().lighterEvery > 0 ? ' and the lighter weeks' : ''}`;
    return `${reached}; ${binds}.${alone}${why}`;
  }
}
