import * as z from 'zod';

/** A day as YYYY-MM-DD, in the teacher's own time zone. */
export const DaySchema = z.iso.date();

/** ISO weekdays: 1 Monday to 7 Sunday. */
export const WeekdaySchema = z.number().int().min(1).max(7);

export const StudentSchema = z.object({
  id: z.string().min(1).max(80),
  name: z.string().trim().min(1, 'a student needs a name').max(80),
  birthYear: z.number().int().min(1900).max(2100).nullable(),
  /** The weekdays on which he or she can practise. */
  practiceDays: z.array(WeekdaySchema).max(7),
  cautions: z.array(z.string().trim().min(1).max(200)).max(20),
  schoolId: z.string().min(1).max(80),
  note: z.string().max(2000),
});
export type Student = z.infer<typeof StudentSchema>;
