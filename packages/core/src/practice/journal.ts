import * as z from 'zod';
import { RoutineSchema } from '../routine/routine';
import { ClassJournalSchema } from './classJournal';

export const journalActions = [
  'start',
  'pause',
  'resume',
  'next',
  'back',
  'tap',
  'pace',
  'lost',
  'loosen',
  'end',
] as const;

export const JournalEventSchema = z.object({ at: z.number(), action: z.enum(journalActions) });
export type JournalEvent = z.infer<typeof JournalEventSchema>;

/**
 * A practice under way: what is practised, and everything that was pressed with its time (epoch
 * milliseconds). The state at any moment follows from it, so a reload loses nothing.
 */
export const JournalSchema = z.object({
  id: z.string().min(1).max(80),
  /** Null when a class is conducted, and when it is only tried out: then nothing is logged. */
  studentId: z.string().min(1).max(80).nullable(),
  /** The routine with the student's own doses put in. */
  routine: RoutineSchema,
  /** What was changed for the student, by segment, in words: it is said where it comes. */
  cares: z
    .array(z.object({ segmentId: z.string().max(100), words: z.string().max(400) }))
    .max(2000)
    .default([]),
  /** The class that is conducted; null where it is one student, or nobody. */
  group: ClassJournalSchema.nullable().default(null),
  events: z.array(JournalEventSchema),
  /** The last moment at which the practice was seen running, epoch milliseconds. */
  seenAt: z.number(),
});
export type Journal = z.infer<typeof JournalSchema>;
