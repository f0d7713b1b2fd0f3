import { endsAtTime, type TaughtClass } from '@pomek/core';
import { shortDay, weekdays } from './day-words';

/** When a class meets: `Thu 19:00–19:35`. */
export const classTimes = (of: Pick<TaughtClass, 'weekday' | 'startsAt' | 'minutes'>): string =>
  `${weekdays[of.weekday - 1]!} ${of.startsAt}–${endsAtTime(of)}`;

/** A day of a meeting seen from today: `today`, else `Thu 26 Mar`. */
export const meetingDay = (day: string, today: string): string => (day === today ? 'today' : shortDay(day));
