import { checkRange } from '../words/checkRange';

/**
 * Load of a session: minutes × effort (session-RPE, Foster et al. 2001; from memory).
 * @example sessionLoad(30, 5) // 150
 */
export function sessionLoad(minutes: number, effort: number): number {
  checkRange('minutes', minutes, 0, 24 * 60);
  checkRange('effort', effort, 0, 10);
  return minutes * effort;
}

export interface WeekLoad {
  readonly load: number;
  /** Mean over sample standard deviation of the daily loads; null for equal days: no variation. */
  readonly monotony: number | null;
  /** Week load × monotony; null with it. */
  readonly strain: number | null;
}

/**
 * Load, monotony and strain of a week from its seven daily loads (Foster 1998; from memory).
 * @throws RangeError unless there are seven.
 */
export function weekLoad(days: readonly number[]): WeekLoad {
  if (days.length !== 7) throw new RangeError(`days must be seven; there are ${days.length}`);
  days.forEach((day, index) => checkRange(`days[${index}]`, day, 0, 20_000));
  const load = days.reduce((sum, day) => sum + day, 0);
  const mean = load / 7;
  const deviation = Math.sqrt(days.reduce((sum, day) => sum + (day - mean) ** 2, 0) / 6);
  if (deviation < 1e-9) return { load, monotony: null, strain: null };
  const monotony = mean / deviation;
  return { load, monotony, strain: load * monotony };
}

/** Full weeks that make what is usual. House value. */
const USUAL_WEEKS = 4;

export interface RecentAgainstUsual {
  /** Load of the last seven days. */
  readonly recent: number;
  /** Mean week of the four full weeks before them; null while one of them has no practice. */
  readonly usual: number | null;
  /** recent / usual; null with it. */
  readonly ratio: number | null;
}

/**
 * The load of the last seven days against the mean week of the four full weeks before them. The two do
 * not overlap, so that a class once a week reads the same on every day of its week. Words, not a
 * forecast of injury.
 * @param days loads from the oldest to the newest, one a day, days off as 0
 */
export function recentAgainstUsual(days: readonly number[]): RecentAgainstUsual {
  const week = (back: number): number =>
    days
      .slice(Math.max(0, days.length - 7 * (back + 1)), Math.max(0, days.length - 7 * back))
      .reduce((a, b) => a + b, 0);
  const recent = week(0);
  const before = Array.from({ length: USUAL_WEEKS }, (_, index) => week(index + 1));
  if (before.some((load) => load === 0)) return { recent, usual: null, ratio: null };
  const usual = before.reduce((sum, load) => sum + load, 0) / USUAL_WEEKS;
  return { recent, usual, ratio: recent / usual };
}

/** Energy cost in MET of tai chi and qigong, and of seated practice (Compendium 2011; from memory). */
export const MET = { standing: 3, seated: 1.5 } as const;

/** Public guidance for adults, minutes of moderate activity a week (WHO 2020; from memory). */
export const GUIDANCE = { leastMinutes: 150, mostMinutes: 300, balanceDays: 3, balanceFromAge: 65 } as const;
