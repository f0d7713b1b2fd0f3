import { dayOfNumber } from '../days/dayNumber';
import { reachDose, topDose } from './machine/judge';
import type { Strand } from '../goals/plan';
import type { PlanContext } from './planContext';
import { doseInWeek, firstDayOf, overruleIn, weekOf } from './planDay';
import { planSeason, type Held, type Season, type SeasonWeek, type StrandSeason } from './season/planSeason';
import { isHoliday, isLighter, sessionDays } from './season/seasonCalendar';
import type { Rail, SeasonStrand } from './season/seasonProblem';
import { seasonOfPlan, type PlanSeason } from './seasonOfPlan';
import { doseOf, gridOf } from './steps';

export interface StrandWeek {
  /** Week of the plan, from 0. */
  readonly week: number;
  /** The day the week begins. */
  readonly day: string;
  /** What its first practice asks for. */
  readonly dose: number;
  /**
   * `raise`: up; `carry`: raised, but not yet by a whole step; `found`: back after a gap or an ease; `eased`: down after
   * a gap; `held`: a guard rail is in the way; `closed`: not opened yet.
   */
  readonly kind:
    | 'now'
    | 'raise'
    | 'carry'
    | 'found'
    | 'eased'
    | 'held'
    | 'lighter'
    | 'holiday'
    | 'frozen'
    | 'overruled'
    | 'reached'
    | 'closed'
    | 'locked';
  readonly rail: Rail | null;
  /** The strand it waits for, by id. */
  readonly waitsFor: string | null;
  /** Level before rounding. */
  readonly level: number;
}
export interface StrandForecast {
  readonly strandId: string;
  readonly weeks: readonly StrandWeek[];
  /** What each practice day asks for, as far as the weeks go. */
  readonly days: readonly { readonly day: string; readonly dose: number }[];
  /** The first day that asks for the target; null when none does. */
  readonly earliestDay: string | null;
  /** The same when nothing but the strand itself were in the way. */
  readonly aloneDay: string | null;
  readonly inTime: boolean;
  /** The dose asked for last up to the target day. */
  readonly doseOnTargetDay: number;
  /** What delays it; null when nothing but its own growth does. */
  readonly binding: Rail | null;
}
export interface PlanForecast {
  readonly strands: readonly StrandForecast[];
  /** Whether it is known that no season is better; false: the best found. */
  readonly proven: boolean;
  /** The days of practice from today on, as far as is told. */
  readonly practiceDays: readonly string[];
}

/** The rail in the way in most of the weeks: once the goal is reached none is. */
function commonest(helds: readonly (Held | null)[]): Rail | null {
  const counts = new Map<Rail, number>();
  for (const held of helds) if (held !== null) counts.set(held.rail, (counts.get(held.rail) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}

function kindOf(
  { problem }: PlanSeason,
  strand: SeasonStrand,
  week: SeasonWeek,
  before: StrandWeek | undefined,
  level: number,
  found: boolean,
): StrandWeek['kind'] {
  const { calendar } = problem;
  if (overruleIn(strand, week.week) !== undefined) return 'overruled';
  if (week.closed) return 'closed';
  const first = calendar.start + 7 * week.week;
  const days = [0, 1, 2, 3, 4, 5, 6].map((offset) => first + offset);
  if (week.asked.length === 0 && days.some((day) => isHoliday(calendar, day))) return 'holiday';
  if (isLighter(calendar, week.week)) return 'lighter';
  if (calendar.frozenWeeks.has(week.week)) return 'frozen';
  if (before === undefined) return 'now';
  // What is saved up, put back or found of it shows in no dose.
  const [dose, was] = [doseOf(level, strand.ladder), doseOf(before.level, strand.ladder)];
  if (dose > was || before.kind === 'closed') return found ? 'found' : 'raise';
  if (dose < was) return 'eased';
  if (level > before.level) return 'carry';
  return dose >= topDose(strand.ladder) ? 'reached' : 'held';
}

function strandWeeks(season: PlanSeason, context: PlanContext, index: number, played: StrandSeason): StrandWeek[] {
  const { plan } = context;
  const strand = season.problem.strands[index]!;
  const weeks: StrandWeek[] = [];
  played.weeks.forEach((week, at) => {
    const before = weeks.at(-1);
    const level = week.asked[0]?.level ?? (week.from > 0 ? week.from : strand.state.level);
    const back = week.found || played.weeks[at - 1]?.found === true;
    const kind = kindOf(season, strand, week, before, level, back);
    // What keeps this week's dose was in the way in the week before, or is in this one.
    const held = kind === 'closed' ? week.held : kind === 'held' ? (played.weeks[at - 1]!.held ?? week.held) : null;
    weeks.push({
      week: week.week,
      day: firstDayOf(plan, week.week),
      dose:
        week.asked[0]?.dose ??
        doseInWeek(
          season.problem.calendar,
          { ...strand, level, grid: strand.ladder, cap: strand.ladder.cap },
          week.week,
        ),
      kind,
      rail: held?.rail ?? null,
      waitsFor: held?.waitsFor == null ? null : season.strands[held.waitsFor]!.id,
      level,
    });
  });
  return weeks;
}

function forecastOf(season: PlanSeason, context: PlanContext, played: Season, index: number): StrandForecast {
  const { plan } = context;
  const one = played.strands[index]!;
  const strand = season.problem.strands[index]!;
  const { ladder, targetDay } = strand;
  const from = weekOf(plan, context.today);
  const all = strandWeeks(season, context, index, one);
  const capped = topDose(ladder) < reachDose(ladder);
  const { arrival, alone } = one;
  const targetWeek = Math.max(from, weekOf(plan, dayOfNumber(targetDay)));
  // As far as to the first week that begins with the highest dose.
  const top = topDose(ladder);
  const there = all.find(({ level, kind }) => kind !== 'closed' && doseOf(level, ladder) >= top);
  const last = Math.max(targetWeek, there?.week ?? all.at(-1)!.week);
  const asked = one.weeks.flatMap((week) => week.asked);
  const onTarget = asked.findLast(({ day }) => day <= targetDay) ?? asked[0];
  const inTime = !capped && arrival !== null && arrival <= targetDay;
  const delayed = arrival === null || (alone !== null && arrival > alone);
  const reached = (day: number | null): string | null => (day === null || capped ? null : dayOfNumber(day));
  return {
    strandId: strand.id,
    weeks: all.filter(({ week }) => week <= last),
    days: asked.map(({ day, dose }) => ({ day: dayOfNumber(day), dose })),
    earliestDay: reached(arrival),
    aloneDay: reached(alone),
    inTime,
    doseOnTargetDay: onTarget === undefined ? 0 : Math.min(ladder.cap ?? Infinity, doseOf(onTarget.level, ladder)),
    binding: capped ? ladder.mostBy : delayed ? commonest(one.weeks.map(({ held }) => held)) : null,
  };
}

function lockedForecast({ plan, today }: PlanContext, strand: Strand): StrandForecast {
  const week = weekOf(plan, today);
  const dose = doseOf(strand.level, gridOf(strand));
  const only = { week, day: firstDayOf(plan, week), dose, level: strand.level };
  return {
    strandId: strand.id,
    weeks: [{ ...only, kind: 'locked', rail: null, waitsFor: null }],
    days: [],
    earliestDay: null,
    aloneDay: null,
    inTime: false,
    doseOnTargetDay: dose,
    binding: null,
  };
}

/**
 * Every strand of a plan from `today` on, when each practice is done and met and each verdict accepted as it falls due:
 * by week for reading, by day for the calendar. It ends when all that can be reached is reached, or with the last target
 * day if that is later (sources: Raising the load).
 * @param until told at least to this day, YYYY-MM-DD
 */
export function planForecast(context: PlanContext, until?: string): PlanForecast {
  const { plan, today } = context;
  const season = seasonOfPlan(context);
  const from = weekOf(plan, today);
  const days = [...plan.strands.map(({ targetDay }) => targetDay), ...(until === undefined ? [] : [until])];
  const weeks = Math.max(1, ...days.map((day) => weekOf(plan, day) - from + 1));
  const played = planSeason(season.problem, Math.min(season.problem.mostWeeks - from, weeks));
  return {
    strands: season.strands.map((strand, index) =>
      season.locked.has(strand.id) ? lockedForecast(context, strand) : forecastOf(season, context, played, index),
    ),
    proven: played.proven,
    practiceDays: Array.from({ length: played.weekCount }, (_, at) => from + at)
      .flatMap((week) => sessionDays(season.problem.calendar, week))
      .map(dayOfNumber),
  };
}
