import * as z from 'zod';

/** Days of teaching lie between these two; a year outside them is a slip, and would make calendars of centuries. */
export const [EARLIEST_DAY, LATEST_DAY] = ['1970-01-01', '2199-12-31'] as const;

const OUTSIDE = 'a day lies between 1970 and 2199';
const isTaught = (day: string): boolean => day >= EARLIEST_DAY && day <= LATEST_DAY;

/** A day as YYYY-MM-DD, in the teacher's own time zone. */
export const DaySchema = z.iso.date().refine(isTaught, OUTSIDE);

/** A moment with its offset from UTC (RFC 3339). */
export const MomentSchema = z.iso.datetime({ offset: true }).refine((moment) => isTaught(moment.slice(0, 10)), OUTSIDE);

/** ISO weekdays: 1 Monday to 7 Sunday. */
export const WeekdaySchema = z.number().int().min(1).max(7);
