import * as z from 'zod';

/** A day as YYYY-MM-DD, in the teacher's own time zone. */
export const DaySchema = z.iso.date();

/** ISO weekdays: 1 Monday to 7 Sunday. */
export const WeekdaySchema = z.number().int().min(1).max(7);
