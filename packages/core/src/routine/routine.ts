import * as z from 'zod';
import { lineText, nameText, noteText } from '../text/textSchema';
import { DoseSchema } from '../library/dose';
import { FirmnessSchema } from '../library/firmness';
import { SideOrderSchema } from '../library/sideOrder';
import { routineProblem } from './routineProblem';

const id = z.string().min(1).max(80);

/** What a segment changes of its exercise's posture; null leaves it. */
export const TurnedSchema = z.object({
  kneeBendDeg: z.number().min(0).max(150).nullable(),
  weightShare: z.number().min(0.5).max(1).nullable(),
  shoulderRaiseDeg: z.number().min(0).max(180).nullable(),
  ahead: z.number().min(0).max(6).nullable(),
  stanceWidth: z.number().min(0).max(4).nullable().default(null),
  /** Which of its stages is practised, from 1; null is the whole drill. */
  stage: z.number().int().min(1).max(12).nullable().default(null),
  /** A hand stays on a chair or the wall. */
  handOn: z.literal(true).nullable().default(null),
});
export type Turned = z.infer<typeof TurnedSchema>;

/** What of it is a number. */
export type TurnedNumber = Exclude<keyof Turned, 'handOn'>;

/** What turns nothing is no turn. */
export const asItIs = (turned: Turned | null): Turned | null =>
  turned === null || Object.values(turned).every((value) => value === null) ? null : turned;

export const ExerciseSegmentSchema = z.object({
  type: z.literal('exercise'),
  id,
  exerciseId: id,
  dose: DoseSchema,
  sideOrder: SideOrderSchema,
  /** It begins when the teacher gives the cue: when everybody is aligned and at ease. */
  startsOnCue: z.boolean().default(false),
  /** Time to come to the other side, in seconds, where that takes longer than elsewhere in the routine; null is as elsewhere. */
  changeSeconds: z.number().min(0).max(300).nullable().default(null),
  /** The posture turned otherwise than the exercise has it; null where it is left as it is. */
  turned: TurnedSchema.nullable().overwrite(asItIs).default(null),
  /** How firm hands or steps are to be; null where nothing is said of it. */
  firmness: FirmnessSchema.nullable().default(null),
  /** The round it belongs to; segments of a round stand together and are repeated together. */
  roundId: id.nullable().default(null),
});
export const PauseSegmentSchema = z.object({
  type: z.enum(['rest', 'talk']),
  id,
  seconds: z.number().min(1).max(7200),
  label: lineText(120),
  roundId: id.nullable().default(null),
});
export const SegmentSchema = z.discriminatedUnion('type', [ExerciseSegmentSchema, PauseSegmentSchema]);
export type ExerciseSegment = z.infer<typeof ExerciseSegmentSchema>;
export type PauseSegment = z.infer<typeof PauseSegmentSchema>;
export type Segment = z.infer<typeof SegmentSchema>;

/** Ordered segments with doses, changes of side and rests. */
export const RoutineSchema = z
  .object({
    id,
    name: nameText(80, 'a routine needs a name'),
    note: noteText(2000),
    schoolId: id,
    /** Time to take up the next exercise, in seconds. */
    settleSeconds: z.number().min(0).max(300),
    /** Time to change side or direction, in seconds. */
    changeSeconds: z.number().min(0).max(300),
    segments: z.array(SegmentSchema).max(400),
    /** Segments that are gone through together several times. */
    rounds: z
      .array(z.object({ id, times: z.number().int().min(2).max(20) }))
      .max(50)
      .default([]),
    /** The hall it is done in; null where it does not matter. Metres. */
    room: z
      .object({ width: z.number().min(1).max(60), depth: z.number().min(1).max(60) })
      .nullable()
      .default(null),
    /** Findings that are ignored on purpose, by their key. */
    keptOnPurpose: z.array(z.string().max(240)).max(500).default([]),
  })
  .superRefine((routine, context) => {
    const message = routineProblem(routine);
    if (message !== null) context.addIssue({ code: 'custom', path: ['segments'], message });
  });
export type Routine = z.infer<typeof RoutineSchema>;
