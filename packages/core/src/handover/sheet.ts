import * as z from 'zod';
import { DaySchema, MomentSchema } from '../days/daySchema';
import { ExerciseSchema } from '../library/exercise';
import { CallWordsSchema } from '../practice/calls';
import { partsSaid } from '../practice/hallCalls';
import { RecordingSchema } from '../practice/recording';
import { RoutineSchema } from '../routine/routine';
import { SchoolSchema } from '../schools/school';
import { StudentSchema } from '../students/student';
import { lineText } from '../text/textSchema';

const id = z.string().min(1).max(80);

/** A routine as it is to be practised on some days: with the doses of the plan, and with what is noted of the body taken care of. */
export const HomePracticeSchema = z.object({
  routine: RoutineSchema,
  /** What is done otherwise than the routine has it, by segment, in words. */
  cares: z.array(z.object({ segmentId: z.string().max(100), words: z.string().max(400) })).max(2000),
});
export type HomePractice = z.infer<typeof HomePracticeSchema>;

export const HomeDaySchema = z.object({
  day: DaySchema,
  /** Which of the practices, by its place in the list. */
  practice: z.number().int().min(0),
  lighter: z.boolean(),
  /** What each goal asks for, in words. */
  goals: z.array(z.object({ name: lineText(80), words: lineText(200) })).max(50),
});
export type HomeDay = z.infer<typeof HomeDaySchema>;

/** How the body is drawn. */
export const DrawnBodySchema = StudentSchema.pick({
  statureCm: true,
  massKg: true,
  shankCm: true,
  thighCm: true,
  footCm: true,
});

/** What one student takes home: nothing of anybody else stands in it. */
export const SheetSchema = z.object({
  format: z.literal('pomek sheet'),
  version: z.literal(1),
  id,
  madeAt: MomentSchema,
  madeOn: DaySchema,
  /** The last day that it tells, YYYY-MM-DD. */
  until: DaySchema,
  student: z.object({ id, name: lineText(80), body: DrawnBodySchema }),
  cautions: z.array(lineText(200)).max(20),
  school: SchoolSchema,
  calls: CallWordsSchema,
  /** Which parts of a repetition are called; a sheet of before names none. */
  parts: z.enum(partsSaid).default('none'),
  /** Lines of its practices in the teacher’s own voice. */
  recordings: z.array(RecordingSchema).max(2000).default([]),
  /** Checkpoints that the student is being corrected for: their cues come first. */
  inWork: z.array(id).max(500),
  exercises: z.array(ExerciseSchema).max(400),
  practices: z.array(HomePracticeSchema).min(1).max(2000),
  days: z.array(HomeDaySchema).min(1).max(2000),
  /** When the student last practised before it was made; null when that is not known. */
  lastDay: DaySchema.nullable(),
  /** Practices with pain or a sign to stop that the teacher knew when it was made: what they lock is left out of it already. */
  clearedLogs: z.array(id).max(2000),
});
export type Sheet = z.infer<typeof SheetSchema>;
