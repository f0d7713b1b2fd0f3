import { checkRange } from '../words/checkRange';

/**
 * Predicted effort of a hold, 0–10: ten times the share of its endurance time, at least 1, at most 10
 * (house rule on the category-ratio scale, Borg 1998).
 */
export function predictedEffort(seconds: number, enduranceSeconds: number): number {
  checkRange('seconds', seconds, 0, 24 * 3600);
  checkRange('enduranceSeconds', enduranceSeconds, 1e-3, Number.MAX_VALUE);
  return Math.min(10, Math.max(1, (10 * seconds) / enduranceSeconds));
}

/** Load of a session: minutes × effort (session-RPE, Foster et al. 2001; from memory). */
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

/** Smoothing of a mean over N days: λ = 2/(N + 1). */
export function smoothing(days: number): number {
  checkRange('days', days, 1, 365);
  return 2 / (days + 1);
}

export interface RecentAgainstUsual {
  readonly recent: number;
  readonly usual: number;
  /** recent / usual; null while there is no usual load. */
  readonly ratio: number | null;
}

/**
 * Recent and usual load: exponentially weighted means of the daily loads over 7 and 28 days
 * (Williams et al. 2017; from memory). Words, not a forecast of injury.
 * @param days loads from the oldest to the newest, one a day, days off as 0
 */
export function recentAgainstUsual(days: readonly number[]): RecentAgainstUsual {
  const [first = 0, ...rest] = days;
  const mean = (weight: number): number => rest.reduce((value, day) => weight * day + (1 - weight) * value, first);
  const recent = mean(smoothing(7));
  const usual = mean(smoothing(28));
  return { recent, usual, ratio: usual > 0 ? recent / usual : null };
}

/** Energy cost in MET of tai chi and qigong, and of seated practice (Compendium 2011; from memory). */
export const MET = { standing: 3, seated: 1.5 } as const;

/** Public guidance for adults, minutes of moderate activity a week (WHO 2020; from memory). */
export const GUIDANCE = { leastMinutes: 150, mostMinutes: 300, balanceDays: 3, balanceFromAge: 65 } as const;
