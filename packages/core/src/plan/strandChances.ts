import { differenceInCalendarDays, parseISO } from 'date-fns';
import type { Random } from '../demo/random';
import type { PracticeLog } from '../practice/log';
import type { RaiseRule } from '../schools/school';
import { chanceForecast } from './chanceForecast';
import { metShare } from './metShare';
import type { Plan, Strand } from './plan';
import { doseOf } from './steps';

/** Practices from which attendance and pass rate are taken, at least this many. */
const ENOUGH_LOGS = 4;
const LOOK_BACK_DAYS = 56;

export interface StrandChance {
  readonly strandId: string;
  /** Share of simulated seasons that reach the target by its day. */
  readonly byTargetDay: number;
  readonly attendance: number;
  readonly passRate: number;
  /** Doses in the 10th, 50th and 90th of a hundred seasons, by full week from now. */
  readonly weeks: readonly { readonly low: number; readonly middle: number; readonly high: number }[];
}

const share = (part: number, whole: number): number => (whole <= 0 ? 0 : Math.min(1, part / whole));

/** How often the strand's practices of late were met in full. */
function passRate(strand: Strand, logs: readonly PracticeLog[]): number {
  const met = logs.map((log) => metShare(log, strand)).filter((value) => value !== null);
  return share(met.filter((value) => value >= 0.995).length, met.length);
}

/**
 * The chance of each strand to reach its target by its day, from the student's own attendance and pass
 * rate over the last eight weeks. Empty when there are too few practices to tell.
 */
export function strandChances(
  plan: Plan,
  logs: readonly PracticeLog[],
  sessionsPerWeek: number,
  rule: Pick<RaiseRule, 'sessionsToRaise'>,
  today: string,
  seasons: number,
  random: Random,
  progress?: (done: number) => void,
): StrandChance[] {
  const recent = logs.filter((log) => differenceInCalendarDays(parseISO(today), parseISO(log.day)) <= LOOK_BACK_DAYS);
  if (recent.length < ENOUGH_LOGS || sessionsPerWeek < 1) return [];
  const since = Math.min(
    LOOK_BACK_DAYS,
    Math.max(7, differenceInCalendarDays(parseISO(today), parseISO(plan.startsOn))),
  );
  const attendance = share(recent.length, (since / 7) * sessionsPerWeek);
  const fullWeeks = plan.lighterEvery > 1 ? (plan.lighterEvery - 1) / plan.lighterEvery : 1;
  return plan.strands.map((strand, index) => {
    const days = differenceInCalendarDays(parseISO(strand.targetDay), parseISO(today));
    const weeks = Math.max(1, Math.min(156, Math.floor((days / 7) * fullWeeks)));
    const rungs = Math.max(
      0,
      Math.ceil(Math.log(strand.target / strand.level) / Math.log(1 + plan.growthPerWeek) - 1e-6),
    );
    const rate = passRate(strand, recent);
    const passesPerRung = rule.sessionsToRaise;
    const one = { rungs, attendance, passRate: rate, sessionsPerWeek, passesPerRung, mostPerWeek: 1 };
    const bands = chanceForecast([one], weeks, seasons, random)[0]!;
    progress?.((index + 1) / plan.strands.length);
    const dose = (rung: number): number =>
      doseOf(Math.min(strand.target, strand.level * (1 + plan.growthPerWeek) ** rung), strand.step);
    return {
      strandId: strand.id,
      byTargetDay: rungs === 0 ? 1 : bands.at(-1)!.reached,
      attendance,
      passRate: rate,
      weeks: bands.map(({ low, middle, high }) => ({ low: dose(low), middle: dose(middle), high: dose(high) })),
    };
  });
}
