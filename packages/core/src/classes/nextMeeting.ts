import { dayNumber, dayOfNumber, weekdayOf } from '../days/dayNumber';
import type { TaughtClass } from './taughtClass';

type Times = Pick<TaughtClass, 'weekday' | 'startsAt' | 'minutes'>;

const minutesOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3));

/** The time of day at which a class is over, HH:MM. */
export function endsAtTime({ startsAt, minutes }: Pick<Times, 'startsAt' | 'minutes'>): string {
  const end = (minutesOf(startsAt) + minutes) % (24 * 60);
  return `${String(Math.floor(end / 60)).padStart(2, '0')}:${String(end % 60).padStart(2, '0')}`;
}

/**
 * The day on which a class meets next: today until it is over, or was held.
 * @param today YYYY-MM-DD
 * @param time HH:MM, local
 * @param heldToday whether it was held today already
 */
export function nextMeeting(of: Times, today: string, time: string, heldToday: boolean): string {
  const now = dayNumber(today);
  const ahead = (of.weekday - weekdayOf(now) + 7) % 7;
  const over = heldToday || minutesOf(time) >= minutesOf(of.startsAt) + of.minutes;
  return dayOfNumber(now + (ahead === 0 && over ? 7 : ahead));
}
