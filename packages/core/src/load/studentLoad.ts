import { addDays, formatISO, parseISO } from 'date-fns';
import { dayNumber } from '../days/dayNumber';
import type { Family } from '../library/exercise';
import type { PracticeLog } from '../practice/log';
import { GUIDANCE, recentAgainstUsual, sessionLoad, weekLoad, type RecentAgainstUsual } from './practiceLoad';

/** Monotony above this gets a note (Foster 1998; from memory). */
export const HIGH_MONOTONY = 2;

export interface LoadWeek {
  /** The first of its seven days. */
  readonly from: string;
  readonly load: number;
  readonly minutes: number;
  readonly practices: number;
  /** Practices without an effort: they have minutes, and no load. */
  readonly withoutEffort: number;
  /** Load by family, in shares of the time done; the parts add up to the whole. */
  readonly byFamily: Readonly<Partial<Record<Family, number>>>;
  readonly monotony: number | null;
  readonly strain: number | null;
}

const iso = (date: Date): string => formatISO(date, { representation: 'date' });
/** A practice of which nobody noted the effort has no load; one is not made up. */
const loadOfLog = (log: PracticeLog): number =>
  log.effort === null ? 0 : sessionLoad(log.practisedSeconds / 60, log.effort);

/** Daily loads, the oldest first, up to and with `today`. */
export function dailyLoads(logs: readonly PracticeLog[], today: string, days: number): number[] {
  const loads = Array.from({ length: days }, () => 0);
  const last = dayNumber(today);
  for (const log of logs) {
    const ago = last - dayNumber(log.day);
    if (ago >= 0 && ago < days) loads[days - 1 - ago]! += loadOfLog(log);
  }
  return loads;
}

/**
 * Loads week by week, the oldest first; the last week ends today (sources: Load).
 * @param families the family of each exercise, by id
 */
export function loadWeeks(
  logs: readonly PracticeLog[],
  families: ReadonlyMap<string, Family>,
  today: string,
  weeks: number,
): LoadWeek[] {
  const daily = dailyLoads(logs, today, weeks * 7);
  return Array.from({ length: weeks }, (_, index) => {
    const from = iso(addDays(parseISO(today), -(weeks - index) * 7 + 1));
    const to = iso(addDays(parseISO(from), 6));
    const own = logs.filter((log) => log.day >= from && log.day <= to);
    const byFamily: Partial<Record<Family, number>> = {};
    for (const log of own) {
      const load = loadOfLog(log);
      if (load === 0) continue;
      const seconds = log.lines.map((line) => line.done.seconds);
      const whole = seconds.reduce((sum, length) => sum + length, 0);
      // Where no line says how long it was, they count alike.
      const shares = seconds.map((length) => (whole === 0 ? 1 / seconds.length : length / whole));
      const parts = log.lines.map((line, at) => [families.get(line.exerciseId) ?? 'standing', shares[at]!] as const);
      for (const [family, share] of parts.length === 0 ? [['standing', 1] as const] : parts) {
        byFamily[family] = (byFamily[family] ?? 0) + share * load;
      }
    }
    return {
      from,
      ...weekLoad(daily.slice(index * 7, index * 7 + 7)),
      minutes: own.reduce((sum, log) => sum + log.practisedSeconds / 60, 0),
      practices: own.length,
      withoutEffort: own.filter((log) => log.effort === null).length,
      byFamily,
    };
  });
}

/** Recent against usual load: the last seven days and the four weeks before them. */
export const recentLoad = (logs: readonly PracticeLog[], today: string): RecentAgainstUsual =>
  recentAgainstUsual(dailyLoads(logs, today, 35));

/** How the recent load stands to the usual one, in a word or two; the edges are house values. */
export const recentGrades = [
  'too early',
  'clearly more',
  'a little more',
  'as usual',
  'a little less',
  'clearly less',
] as const;
export type RecentGrade = (typeof recentGrades)[number];

/**
 * How the recent load stands to the usual one, in a word or two.
 * @example recentGrade({ ratio: 1.2 }) // 'a little more'
 */
export function recentGrade({ ratio }: Pick<RecentAgainstUsual, 'ratio'>): RecentGrade {
  if (ratio === null) return 'too early';
  if (ratio > 1.3) return 'clearly more';
  if (ratio > 1.1) return 'a little more';
  if (ratio < 0.5) return 'clearly less';
  return ratio < 0.8 ? 'a little less' : 'as usual';
}

const gradeWords: Readonly<Record<RecentGrade, string>> = {
  'too early': 'Too early to say what is usual: that takes four weeks with practice and its effort.',
  'clearly more': 'Clearly more than usual in the last weeks: let it settle before more is added.',
  'a little more': 'A little more than usual in the last weeks.',
  'as usual': 'As usual.',
  'a little less': 'A little less than usual in the last weeks.',
  'clearly less': 'Clearly less than usual in the last weeks: find the old dose again first.',
};

/** The recent load against the usual one, in words; never a forecast of injury. */
export const recentWords = (recent: RecentAgainstUsual): string => gradeWords[recentGrade(recent)];

/** Monotony of a week in words. */
export function monotonyWords({ monotony, load }: Pick<LoadWeek, 'monotony' | 'load'>): string {
  if (load === 0) return 'no practice';
  if (monotony === null) return 'no variation: every day alike';
  return monotony > HIGH_MONOTONY ? 'days too much alike: put a light one between' : 'varied enough';
}

/** Sides that differ by less than this are alike. House value. */
const ALIKE = 0.02;

export interface SideBalance {
  readonly leftSeconds: number;
  readonly rightSeconds: number;
  /** The side to which more is owed, and how much; null when they are alike within two in a hundred. */
  readonly owed: { readonly side: 'left' | 'right'; readonly seconds: number } | null;
}

/** Seconds worked on each side over the last four weeks, and what is owed to which. */
export function sideBalance(logs: readonly PracticeLog[], today: string, days = 28): SideBalance {
  const from = iso(addDays(parseISO(today), 1 - days));
  const sum = (side: 'left' | 'right'): number =>
    logs
      .filter((log) => log.day >= from && log.day <= today)
      .flatMap((log) => log.lines)
      .filter((line) => line.side === side)
      .reduce((total, line) => total + line.done.seconds, 0);
  const [leftSeconds, rightSeconds] = [sum('left'), sum('right')];
  const apart = Math.abs(leftSeconds - rightSeconds);
  const alike = apart <= ALIKE * Math.max(leftSeconds, rightSeconds);
  const side = leftSeconds < rightSeconds ? 'left' : 'right';
  return { leftSeconds, rightSeconds, owed: alike ? null : { side, seconds: apart } };
}

/**
 * The minutes of the last seven days against public guidance (WHO 2020; from memory).
 * @param balance the exercises that ask for balance, by id
 */
export function guidanceWords(
  logs: readonly PracticeLog[],
  today: string,
  age: number | null,
  balance: ReadonlySet<string>,
): string {
  const from = iso(addDays(parseISO(today), -6));
  const own = logs.filter((log) => log.day >= from && log.day <= today);
  const minutes = Math.round(own.reduce((sum, log) => sum + log.practisedSeconds / 60, 0));
  const balanced = own.filter((log) => log.lines.some((line) => balance.has(line.exerciseId) && line.done.amount > 0));
  const days = new Set(balanced.map((log) => log.day)).size;
  const { leastMinutes, mostMinutes, balanceDays, balanceFromAge } = GUIDANCE;
  const much = `${minutes} min in the last seven days; public guidance for adults is ${leastMinutes} to ${mostMinutes} min of moderate activity of any kind.`;
  if (age === null || age < balanceFromAge) return much;
  return `${much} From ${balanceFromAge} on, balance work on ${balanceDays} or more days a week: ${days} so far.`;
}
