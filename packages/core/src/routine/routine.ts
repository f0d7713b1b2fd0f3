import * as z from 'zod';
import { DoseSchema } from '../library/dose';

const id = z.string().min(1).max(80);

export const ExerciseSegmentSchema = z.object({
  type: z.literal('exercise'),
  id,
  exerciseId: id,
  dose: DoseSchema,
  sideOrder: z.enum(['whole', 'alternating']),
  /** The teacher wants the sides unequal, so it is not pointed out. */
  unevenOnPurpose: z.boolean(),
});
export const PauseSegmentSchema = z.object({
  type: z.enum(['rest', 'talk']),
  id,
  seconds: z.number().min(1).max(7200),
  label: z.string().max(120),
});
export const SegmentSchema = z.discriminatedUnion('type', [ExerciseSegmentSchema, PauseSegmentSchema]);
export type ExerciseSegment = z.infer<typeof ExerciseSegmentSchema>;
export type PauseSegment = z.infer<typeof PauseSegmentSchema>;
export type Segment = z.infer<typeof SegmentSchema>;

/** Ordered segments with doses, changes of side and rests. */
export const RoutineSchema = z.object({
  id,
  name: z.string().trim().min(1, 'a routine needs a name').max(80),
  note: z.string().max(2000),
  schoolId: id,
  /** Time to take up the next exercise, in seconds. */
  settleSeconds: z.number().min(0).max(300),
  /** Time to change side or direction, in seconds. */
  changeSeconds: z.number().min(0).max(300),
  segments: z.array(SegmentSchema).max(400),
});
export type Routine = z.infer<typeof RoutineSchema>;
