import type { Random } from '../random/seededRandom';
import type { PracticeLog } from '../practice/log';
import { dayNumber, weekdayOf } from '../days/dayNumber';
import { MET } from './machine/strandState';
import type { PlanContext } from './planContext';
import { firstDayOf, weekOf } from './planDay';
import { planSeason } from './season/planSeason';
import { playSeasons, type Band, type Habits } from './season/playSeasons';
import type { Outcome } from './season/playedSeason';
import { seasonOfPlan, type PlanSeason } from './seasonOfPlan';
import { askedDose, sessionOf } from './strandSessions';

/** Practices from which habits are taken, at least this many, of the last eight weeks. */
const ENOUGH_LOGS = 4;
const LOOK_BACK_DAYS = 56;
/** A weekday speaks for itself from so many of its days on; before, all days speak together. */
const ENOUGH_DAYS = 3;

export interface StrandChance {
  readonly strandId: string;
  /** Share of simulated seasons that ask for the target by its day. */
  readonly byTargetDay: number;
  /** Share of the practice days of late that were kept, and of practices in which this strand was met. */
  readonly attendance: number;
  readonly passRate: number;
  /** Doses in the 10th, 50th and 90th of a hundred seasons, by calendar week from the present one. */
  readonly weeks: readonly (Band & { readonly week: number; readonly day: string })[];
}

/** How often each weekday was kept of late; all of them together where there were too few of one. */
function attendanceOf(context: PlanContext, recent: readonly PracticeLog[], days: readonly number[]): number[] {
  const today = dayNumber(context.today);
  const since = Math.max(today - LOOK_BACK_DAYS, dayNumber(context.plan.startsOn));
  const span = Array.from({ length: Math.max(0, today - since) }, (_, offset) => since + offset);
  const practised = new Set(recent.map((log) => dayNumber(log.day)));
  const offered = span.filter((day) => days.includes(weekdayOf(day)));
  const overall =
    offered.length === 0 ? 1 : Math.min(1, span.filter((day) => practised.has(day)).length / offered.length);
  return Array.from({ length: 8 }, (_, weekday) => {
    const own = offered.filter((day) => weekdayOf(day) === weekday);
    return own.length < ENOUGH_DAYS ? overall : own.filter((day) => practised.has(day)).length / own.length;
  });
}

/** How the student practised of late; null when there is too little to tell. */
export function habitsOf(context: PlanContext, season: PlanSeason): Habits | null {
  const recent = context.logs.filter((log) => {
    const ago = dayNumber(context.today) - dayNumber(log.day);
    return log.routineId === context.plan.routineId && ago >= 0 && ago <= LOOK_BACK_DAYS;
  });
  if (recent.length < ENOUGH_LOGS) return null;
  const outcomes = season.strands.map((strand) =>
    recent.flatMap((log): Outcome[] => {
      const session = sessionOf(log, strand);
      return session === null
        ? []
        : [{ share: session.share, kept: session.kept, effort: session.effort, asked: askedDose(log, strand) }];
    }),
  );
  const all = outcomes.flat();
  if (all.length === 0) return null;
  return {
    attendance: attendanceOf(context, recent, season.problem.calendar.practiceDays),
    outcomes: outcomes.map((own) => (own.length === 0 ? all : own)),
  };
}

const mean = (list: readonly number[]): number =>
  list.reduce((sum, value) => sum + value, 0) / Math.max(1, list.length);

/**
 * The chance of each strand to reach its target by its day, and where it may stand by then, from many seasons played on
 * the machine with the student's own habits. Empty when there are too few practices to tell.
 */
export function strandChances(
  context: PlanContext,
  seasons: number,
  random: Random,
  progress?: (done: number) => void,
): StrandChance[] {
  const season = seasonOfPlan(context);
  const habits = habitsOf(context, season);
  if (habits === null) return [];
  const { plan, today } = context;
  const from = weekOf(plan, today);
  const { mostWeeks, calendar } = season.problem;
  const weeks = Math.min(
    mostWeeks - from,
    Math.max(1, ...plan.strands.map(({ targetDay }) => weekOf(plan, targetDay) - from + 1)),
  );
  const played = playSeasons(season.problem, planSeason(season.problem), habits, weeks, seasons, random, progress);
  const attendance = mean(calendar.practiceDays.map((day) => habits.attendance[day]!));
  return season.strands.map((strand, index) => ({
    strandId: strand.id,
    byTargetDay: played[index]!.byTargetDay,
    attendance,
    passRate: mean(habits.outcomes[index]!.map(({ share }) => (share >= MET ? 1 : 0))),
    weeks: played[index]!.weeks.map((band, at) => ({ ...band, week: from + at, day: firstDayOf(plan, from + at) })),
  }));
}
