import { addDays, formatISO, parseISO } from 'date-fns';
import type { Dose } from '../library/dose';
import type { ExerciseSegment, Routine } from '../routine/routine';
import { workSeconds } from '../routine/rounds';
import { timeline } from '../routine/timeline';
import { withAxisValue } from './dosedRoutine';
import type { Axis, Plan, Strand } from './plan';
import { isHolidayWeek, isLighterWeek, overruleIn, weekOf } from './planDay';
import { planSeason, type Rail, type Season, type SeasonStrand } from './season';
import { doseOf } from './steps';

export interface StrandWeek {
  /** Week of the plan, from 0. */
  readonly week: number;
  /** The day the week begins. */
  readonly day: string;
  readonly dose: number;
  /** `raise`: up; `carry`: raised, but not yet by a whole step; `held`: a guard rail is in the way. */
  readonly kind:
    'now' | 'raise' | 'carry' | 'held' | 'lighter' | 'holiday' | 'frozen' | 'overruled' | 'reached' | 'locked';
  readonly rail: Rail | null;
  /** Level before rounding. */
  readonly level: number;
}
export interface StrandForecast {
  readonly strandId: string;
  readonly weeks: readonly StrandWeek[];
  /** The day the week begins in which the target is first asked for; null when it never is. */
  readonly earliestDay: string | null;
  readonly inTime: boolean;
  /** The dose asked for in the week of the target day. */
  readonly doseOnTargetDay: number;
  /** The rail that binds most often, when the target is not reached in time. */
  readonly binding: Rail | null;
}
export interface PlanContext {
  readonly routine: Routine;
  readonly sessionsPerWeek: number;
  /** Strands stopped until they are cleared. */
  readonly locked: ReadonlySet<string>;
  readonly today: string;
  /** The largest dose within the school's budget of capacity, by strand; left out where it is not known. */
  readonly mostDoses?: ReadonlyMap<string, number>;
}

/** As far ahead as a plan looks, in weeks. */
export const MOST_WEEKS = 156;
/** Effort that a minute of practice counts with until efforts are predicted for the student. */
const USUAL_EFFORT = 5;
/** Room for rounding in the load rail, so that a lone strand may grow by all that is allowed. */
const ROUNDING = 1e-6;

function unitMinutes(dose: Dose, axis: Axis): number {
  const seconds = (value: number): number => {
    const changed = withAxisValue(dose, axis, value);
    return changed.amounts.reduce((sum, row) => sum + workSeconds(changed, row.amount), 0);
  };
  const from = axis === 'time' ? 60 : 10;
  return (seconds(from * 2) - seconds(from)) / from / 60;
}

function seasonStrand(strand: Strand, routine: Routine, sessions: number, mostDose: number | undefined): SeasonStrand {
  const segment = routine.segments.find(
    (entry): entry is ExerciseSegment => entry.type === 'exercise' && entry.id === strand.segmentId,
  );
  const minutesPerUnit = segment === undefined ? 0 : unitMinutes(segment.dose, strand.axis);
  return {
    id: strand.id,
    family: strand.family,
    level: strand.level,
    target: strand.target,
    // Load follows the level itself: a raise that is carried has been earned and is counted.
    step: 1e-9,
    loadPerUnit: minutesPerUnit * USUAL_EFFORT * sessions,
    minutesPerUnit,
    mostDose: mostDose === undefined ? null : Math.max(strand.level, mostDose),
    gate: strand.gate,
  };
}

function seasonOf(plan: Plan, strands: readonly SeasonStrand[], context: PlanContext): Season {
  const sessions = Math.max(1, context.sessionsPerWeek);
  const whole = timeline(context.routine).totalMs / 60_000;
  const growing = strands.reduce((sum, strand) => sum + strand.minutesPerUnit * strand.level, 0);
  const rest = Math.max(0, whole - growing);
  return planSeason(strands, {
    growth: plan.growthPerWeek,
    loadGrowth: plan.growthPerWeek + ROUNDING,
    raisesPerFamily: 1,
    usualLoad: 0,
    baseLoad: rest * USUAL_EFFORT * sessions,
    baseMinutes: rest,
    sessionMinutes: null,
    mostWeeks: MOST_WEEKS,
  });
}

const dayOfWeek = (plan: Plan, week: number): string =>
  formatISO(addDays(parseISO(plan.startsOn), week * 7), { representation: 'date' });

interface Turn {
  readonly level: number;
  readonly raised: boolean;
  readonly rail: Rail | null;
}

/** The full weeks of one strand, laid on the calendar with the lighter weeks in between. */
function onCalendar(plan: Plan, strand: Strand, turns: readonly Turn[], from: number, until: number): StrandWeek[] {
  const weeks: StrandWeek[] = [];
  let turn = 0;
  let before = strand.level;
  for (let week = from; week <= until; week += 1) {
    const day = dayOfWeek(plan, week);
    const set = overruleIn(strand, week);
    const still = isHolidayWeek(plan, week) ? 'holiday' : plan.frozenWeeks.includes(week) ? 'frozen' : null;
    if (still !== null && week > from && set === undefined) {
      weeks.push({ week, day, dose: doseOf(before, strand.step), kind: still, rail: null, level: before });
      continue;
    }
    if (isLighterWeek(plan, week)) {
      weeks.push({
        week,
        day,
        dose: doseOf(before * (1 - plan.lighterCut), strand.step),
        kind: 'lighter',
        rail: null,
        level: before,
      });
      continue;
    }
    // The first week is the present one, also when it is a lighter one.
    if (week > from) turn += 1;
    const { level, raised, rail } = turns[turn] ?? { level: turns.at(-1)!.level, raised: false, rail: null };
    const dose = set?.dose ?? doseOf(level, strand.step);
    weeks.push({
      week,
      day,
      dose,
      kind:
        set !== undefined
          ? 'overruled'
          : kindOf(week === from, level, strand, raised, dose > doseOf(before, strand.step)),
      rail,
      level,
    });
    before = level;
  }
  return weeks;
}

function kindOf(first: boolean, level: number, strand: Strand, raised: boolean, up: boolean): StrandWeek['kind'] {
  if (first) return 'now';
  if (raised) return up ? 'raise' : 'carry';
  return level >= strand.target ? 'reached' : 'held';
}

function commonest(rails: readonly (Rail | null)[]): Rail | null {
  const counts = new Map<Rail, number>();
  for (const rail of rails) if (rail !== null) counts.set(rail, (counts.get(rail) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}

/**
 * Every strand of a plan week by week from `today` on, by the planner under the guard rails: at most the
 * plan's growth a week for a strand and for the whole load, one raise a family, every k-th week
 * lighter. Ends when all targets are reached, or with the last target day if that is later.
 */
export function planForecast(plan: Plan, context: PlanContext): StrandForecast[] {
  const free = plan.strands.filter((strand) => !context.locked.has(strand.id));
  const season = seasonOf(
    plan,
    free.map((strand) =>
      seasonStrand(strand, context.routine, Math.max(1, context.sessionsPerWeek), context.mostDoses?.get(strand.id)),
    ),
    context,
  );
  const from = weekOf(plan, context.today);
  const lighterShare = plan.lighterEvery > 1 ? plan.lighterEvery / (plan.lighterEvery - 1) : 1;
  const standing = plan.frozenWeeks.length + plan.holidays.length * 6;
  const needed = from + Math.ceil(season.weeks.length * lighterShare) + 1 + standing;
  return plan.strands.map((strand) => {
    const index = free.indexOf(strand);
    const targetWeek = Math.max(from, weekOf(plan, strand.targetDay));
    if (index < 0) return lockedForecast(plan, strand, from);
    const turns = season.weeks.map((week): Turn => ({
      level: week.levels[index]!,
      raised: week.raised[index]!,
      rail: week.held[index]!,
    }));
    const all = onCalendar(plan, strand, turns, from, Math.min(from + MOST_WEEKS, Math.max(needed, targetWeek)));
    const first = all.find((week) => week.kind !== 'lighter' && week.dose >= strand.target);
    const last = Math.max(targetWeek, first?.week ?? all.at(-1)!.week);
    const weeks = all.filter((week) => week.week <= last);
    const onTarget = all.findLast((week) => week.week <= targetWeek && week.kind !== 'lighter') ?? all[0]!;
    const most = context.mostDoses?.get(strand.id);
    const capped = most !== undefined && most < strand.target;
    const inTime = first !== undefined && first.day <= strand.targetDay;
    return {
      strandId: strand.id,
      weeks,
      earliestDay: first?.day ?? null,
      inTime,
      doseOnTargetDay: onTarget.dose,
      binding: inTime ? null : capped ? 'capacity' : commonest(weeks.map((week) => week.rail)),
    };
  });
}

function lockedForecast(plan: Plan, strand: Strand, week: number): StrandForecast {
  const dose = doseOf(strand.level, strand.step);
  const only: StrandWeek = { week, day: dayOfWeek(plan, week), dose, kind: 'locked', rail: null, level: strand.level };
  return { strandId: strand.id, weeks: [only], earliestDay: null, inTime: false, doseOnTargetDay: dose, binding: null };
}
