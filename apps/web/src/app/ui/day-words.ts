import { differenceInCalendarDays, format, parseISO } from 'date-fns';

export const weekdays = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** ISO weekdays as words: `Mon, Wed, Sat`, or `every day`. */
export function dayWords(days: readonly number[]): string {
  if (days.length === 7) return 'every day';
  return days
    .toSorted((a, b) => a - b)
    .map((day) => weekdays[day - 1])
    .join(', ');
}

/** A day seen from today: `today`, `yesterday`, `12 days ago`, `tomorrow`, `in 3 days`. */
export function daysAgo(day: string, today: string): string {
  const days = differenceInCalendarDays(parseISO(today), parseISO(day));
  if (days === 0) return 'today';
  if (days === 1) return 'yesterday';
  if (days === -1) return 'tomorrow';
  return days > 0 ? `${days} days ago` : `in ${-days} days`;
}

/** A day for reading: `12 Mar 2026`. */
export const readDay = (day: string): string => format(parseISO(day), 'd MMM yyyy');

/** A moment (RFC 3339, or ms since 1970) for reading, by the clock of this machine: `12 Mar 2026, 09:30`. */
export const momentWords = (moment: string | number): string => format(new Date(moment), 'd MMM yyyy, HH:mm');

/** A day without its year: `12 Mar`. */
export const dayMonth = (day: string): string => format(parseISO(day), 'd MMM');

export { shortDay } from '@pomek/core';

export { fullDay } from './written-day';
