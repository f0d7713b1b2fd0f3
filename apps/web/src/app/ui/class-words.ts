import { durationWords, endsAtTime, timeline, type Apart, type Routine, type TaughtClass } from '@pomek/core';
import { shortDay, weekdays } from './day-words';

/** When a class meets: `Thu 19:00–19:35`. */
export const classTimes = (of: Pick<TaughtClass, 'weekday' | 'startsAt' | 'minutes'>): string =>
  `${weekdays[of.weekday - 1]!} ${of.startsAt}–${endsAtTime(of)}`;

/** A day of a meeting seen from today: `today`, else `Thu 26 Mar`. */
export const meetingDay = (day: string, today: string): string => (day === today ? 'today' : shortDay(day));

/** How long a routine is, and how that stands against the minutes of a class. */
export function againstMinutes(routine: Routine, minutes: number): { whole: string; over: boolean; words: string } {
  const seconds = timeline(routine).totalMs / 1000;
  const left = minutes * 60 - seconds;
  const words = left < 0 ? `${durationWords(-left)} over` : `${durationWords(left)} to spare`;
  return { whole: durationWords(seconds), over: left < 0, words };
}

/** In which of so many exercises something is done otherwise. */
export const apartIn = ({ exercises }: Apart, of: number): string =>
  exercises.length > 1 && exercises.length === of ? 'All of it' : exercises.join(', ');
