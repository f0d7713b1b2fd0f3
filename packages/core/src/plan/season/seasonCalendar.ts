import { weekdayOf } from '../../days/dayNumber';
import type { Pause } from '../machine/judge';
import type { SeasonCalendar } from './seasonProblem';

/** Which week of the plan a day falls in, from 0; days before the start count as week 0. */
export const weekOfDay = ({ start }: Pick<SeasonCalendar, 'start'>, day: number): number =>
  Math.max(0, Math.floor((day - start) / 7));

/** What tells which weeks are lighter. */
export type LighterWeeks = Pick<SeasonCalendar, 'lighterEvery' | 'practiceDays'>;

/**
 * Whether a week (from 0) is one of the lighter ones: every k-th, or of 0 none. Whoever practises once a week has none: it would be the
 * only practice of the week, and days of rest are there already (house rule).
 */
export const isLighter = ({ lighterEvery, practiceDays }: LighterWeeks, week: number): boolean =>
  practiceDays.length !== 1 && (week + 1) % lighterEvery === 0;

export const isHoliday = ({ holidays }: Pick<SeasonCalendar, 'holidays'>, day: number): boolean =>
  holidays.some(({ from, to }) => day >= from && day <= to);

/**
 * Why nothing is raised on a day; null when it may be.
 * @param easierUntil up to this day an easier posture is practised
 */
export function pauseOn(calendar: SeasonCalendar, easierUntil: number, day: number): Pause | null {
  if (day <= easierUntil) return 'easier';
  if (isHoliday(calendar, day)) return 'holiday';
  const week = weekOfDay(calendar, day);
  if (isLighter(calendar, week)) return 'lighter';
  return calendar.frozenWeeks.has(week) ? 'frozen' : null;
}

/** The practice days of a week of the plan from today on; none falls into a holiday. */
export function sessionDays(calendar: SeasonCalendar, week: number): number[] {
  const first = calendar.start + 7 * week;
  return [0, 1, 2, 3, 4, 5, 6]
    .map((offset) => first + offset)
    .filter(
      (day) => day >= calendar.today && calendar.practiceDays.includes(weekdayOf(day)) && !isHoliday(calendar, day),
    );
}
