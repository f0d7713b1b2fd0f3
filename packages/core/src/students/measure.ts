import * as z from 'zod';
import { DaySchema } from '../days/daySchema';

const shared = { id: z.string().min(1).max(80), studentId: z.string().min(1).max(80), day: DaySchema };
const seconds = z.number().min(0).max(7200);
const side = z.enum(['left', 'right']);

/** A posture in which a test hold was taken. Degrees and shares. */
const TestStanceSchema = z.object({
  kneeBendDeg: z.number().min(0).max(150),
  trunkPitchDeg: z.number().min(-30).max(100),
  shoulderRaiseDeg: z.number().min(0).max(180),
  elbowBendDeg: z.number().min(0).max(160),
  pressurePoint: z.number().min(0).max(1),
  weightShare: z.number().min(0).max(1),
});

/** Something measured on a student on a day. */
export const MeasureSchema = z.discriminatedUnion('kind', [
  z.object({
    ...shared,
    kind: z.literal('hold'),
    stance: TestStanceSchema,
    seconds: z.number().min(1).max(7200),
    stoppedBy: z.enum(['legs', 'arms']),
  }),
  z.object({ ...shared, kind: z.literal('one-leg stand'), side, seconds }),
  z.object({ ...shared, kind: z.literal('chair stand'), count: z.number().int().min(0).max(99) }),
  z.object({ ...shared, kind: z.literal('tandem stand'), seconds }),
  /** Readings of two scales, kg, and the share that was wanted on the left one. */
  z.object({
    ...shared,
    kind: z.literal('two scales'),
    leftKg: z.number().min(0).max(300),
    rightKg: z.number().min(0).max(300),
    wantedLeft: z.number().min(0).max(1),
  }),
  /** Toe to wall with the knee touching it and the heel down. */
  z.object({ ...shared, kind: z.literal('knee to wall'), side, cm: z.number().min(0).max(30) }),
  z.object({ ...shared, kind: z.literal('resting breath'), perMinute: z.number().min(2).max(60) }),
]);
export type Measure = z.infer<typeof MeasureSchema>;
export type MeasureKind = Measure['kind'];
export type MeasureOf<K extends MeasureKind> = Extract<Measure, { kind: K }>;

/** The measures of one kind, the newest first. */
export const measuresOf = <K extends MeasureKind>(measures: readonly Measure[], kind: K): MeasureOf<K>[] =>
  measures
    .filter((measure): measure is MeasureOf<K> => measure.kind === kind)
    .toSorted((a, b) => b.day.localeCompare(a.day));
