import * as z from 'zod';
import { DaySchema, MomentSchema } from '../days/daySchema';
import { PractisedSecondsSchema } from '../practice/log';
import { TaughtLessonSchema } from '../practice/classJournal';
import { lineText, noteText } from '../text/textSchema';

const id = z.string().min(1).max(80);

/** A class as it was held on a day. */
export const MeetingSchema = z.object({
  id,
  classId: id,
  day: DaySchema,
  startedAt: MomentSchema,
  practisedSeconds: PractisedSecondsSchema,
  routineName: lineText(80),
  lesson: TaughtLessonSchema.nullable(),
  /** Who was there, by id. */
  present: z.array(id).max(80),
  /** Whom the correction round came to, in order, and whom it did not reach. */
  corrected: z.array(id).max(80),
  waiting: z.array(id).max(80),
  note: noteText(2000),
});
export type Meeting = z.infer<typeof MeetingSchema>;

/** Meetings of a class, the latest first. */
export const meetingsOf = (meetings: readonly Meeting[], classId: string): Meeting[] =>
  meetings.filter((meeting) => meeting.classId === classId).toSorted((a, b) => b.startedAt.localeCompare(a.startedAt));
