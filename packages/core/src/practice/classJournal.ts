import * as z from 'zod';
import { lineText, nameText } from '../text/textSchema';
import { RegionSchema } from '../alignment/checkpoint';
import { ExerciseSegmentSchema, RoutineSchema } from '../routine/routine';

const id = z.string().min(1).max(80);
/** A moment, epoch milliseconds. */
const moment = z.number();

/** What one person of a class does in a segment of its routine. */
export const OwnRungSchema = z.object({
  /** The segment of the class's routine. */
  segmentId: id,
  /** What the person does there; null where it is left out. */
  own: ExerciseSegmentSchema.nullable(),
  /** The segment of the person's own plan that it counts for; null where there is none. */
  countsFor: id.nullable(),
  /** Why it is otherwise than the class has it, in words; empty where it is not. */
  because: lineText(400),
});
export type OwnRung = z.infer<typeof OwnRungSchema>;

/** One person of a class that is under way, as known when it began. */
export const ClassPersonSchema = z.object({
  studentId: id,
  name: nameText(80, 'a person needs a name'),
  /** From when on the person was there; null as long as he or she is not. */
  from: moment.nullable(),
  /** Until when; null while the person stays. */
  to: moment.nullable(),
  /** Something that can hurt is in work. */
  safety: z.boolean(),
  /** There last time, and not reached by the round. */
  waited: z.boolean(),
  /** Day of the last correction; null where there was none. */
  lastCorrected: z.iso.date().nullable(),
  /** Checkpoints in work, by id. */
  inWork: z.array(id).max(200),
  cautions: z.array(lineText(300)).max(60),
  rungs: z.array(OwnRungSchema).max(400),
});
export type ClassPerson = z.infer<typeof ClassPersonSchema>;

/** A checkpoint noticed on a person while the class was on. */
export const SeenPointSchema = z.object({
  at: moment,
  studentId: id,
  checkpointId: id,
  region: RegionSchema,
  safety: z.boolean(),
  cue: lineText(300),
  /** Whether the cue helped; null while it is not known. */
  helped: z.boolean().nullable(),
});
export type SeenPoint = z.infer<typeof SeenPointSchema>;

/** A person the correction round has been to: in which span, and how far it had come, ms. */
export const VisitSchema = z.object({
  studentId: id,
  spanIndex: z.number().int().min(0),
  offsetMs: z.number().min(0),
  /** The round went on before it had really been there: this person comes again after all others. */
  passed: z.boolean().default(false),
});
export type Visit = z.infer<typeof VisitSchema>;

export const reviewModes = ['each', 'in one go', 'first half', 'second half', 'nothing new'] as const;
/** The lesson of a chain that a class is taught. */
export const TaughtLessonSchema = z.object({
  chainId: id,
  number: z.number().int().min(1).max(400),
  mode: z.enum(reviewModes),
  /** Name of the new piece; null where nothing new is taught. */
  teaches: lineText(80).nullable(),
});
export type TaughtLesson = z.infer<typeof TaughtLessonSchema>;

/** What a practice under way has more, when a class is conducted. */
export const ClassJournalSchema = z.object({
  classId: id,
  name: nameText(80, 'a class needs a name'),
  minutes: z.number().min(1).max(600),
  /** HH:MM. */
  startsAt: z.string().max(5),
  lesson: TaughtLessonSchema.nullable(),
  people: z.array(ClassPersonSchema).max(80),
  seen: z.array(SeenPointSchema).max(2000),
  visits: z.array(VisitSchema).max(2000),
  /** The routine as it was before something was dropped from it; null while nothing was. */
  whole: RoutineSchema.nullable(),
});
export type ClassJournal = z.infer<typeof ClassJournalSchema>;
