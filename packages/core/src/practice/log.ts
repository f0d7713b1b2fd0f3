import * as z from 'zod';
import { lineText, noteText } from '../text/textSchema';
import { DirectionSchema, MOST_AMOUNT, MOST_STAY, SideSchema } from '../library/dose';
import { FirmnessSchema } from '../library/firmness';
import { TurnedSchema } from '../routine/routine';
import { DAY_SECONDS } from '../days/dayNumber';
import { DaySchema, MomentSchema } from '../days/daySchema';
import { PainPlaceSchema } from './painPlace';
import { HandsTestedSchema, MOST_HANDS } from './handsTest';
import { ShakePlaceSchema, shakePlaces } from './shakePlace';

const id = z.string().min(1).max(80);
const rating = z.number().int().min(0).max(10);

/** The longest a practice can last, s: it belongs to one day. */
export const MOST_PRACTISED = DAY_SECONDS;
/** How long was practised, s. */
export const PractisedSecondsSchema = z.number().min(0).max(MOST_PRACTISED, 'a practice lasts 24 h at most');
/** The same in whole seconds, of milliseconds: what was left running for longer is a day long, so that it can be saved. */
export const practisedOf = (spentMs: number): number => Math.min(MOST_PRACTISED, Math.round(spentMs / 1000));
const amount = z.object({
  amount: z.number().min(0).max(MOST_AMOUNT, `an exercise is done ${MOST_AMOUNT} times at most`),
  seconds: PractisedSecondsSchema,
});

/** What was asked and what was done of one exercise on one side and in one direction. */
export const LogLineSchema = z.object({
  segmentId: id,
  exerciseId: id,
  exerciseName: lineText(80),
  kind: z.enum(['hold', 'cycle', 'breath']),
  side: SideSchema,
  direction: DirectionSchema,
  asked: amount,
  done: amount,
  /** From here on it was enough; null where all that was asked for was wanted. */
  enough: amount.nullable().default(null),
  /** Share of the round after which alignment was first lost; null when it was kept. */
  alignmentKept: z.number().min(0).max(1).nullable(),
  /** How the posture was turned otherwise than the exercise has it; null where it was not, and where it is not known. */
  turned: TurnedSchema.nullable().default(null),
  /** How long each repetition was asked to stay still, s; null where nothing moves, and where it is not known. */
  staySeconds: z.number().min(0).max(MOST_STAY).nullable().default(null),
  /** What gave out where it fell short or lost its alignment; null where nothing did, or it was not said. */
  gaveOut: z.enum(['legs', 'arms']).nullable().default(null),
  /** How firm hands or steps were asked to be, and felt, 0–10; null where nothing was asked. */
  firmness: FirmnessSchema.extend({ felt: rating.nullable() }).nullable().default(null),
  /** Effort of this exercise where it was set apart from that of the whole practice, 0–10. */
  effort: rating.nullable().default(null),
});
export type LogLine = z.infer<typeof LogLineSchema>;

/** Signs after which a practice is never just raised or repeated. */
export const symptoms = ['chest pain', 'faintness', 'numbness', 'something new'] as const;
export const SymptomSchema = z.enum(symptoms);
export type Symptom = z.infer<typeof SymptomSchema>;

/** Lines of one practice. */
export const MOST_LINES = 1000;

/** The log of one practice. */
export const PracticeLogSchema = z.object({
  id,
  studentId: id,
  routineId: id,
  routineName: lineText(80),
  day: DaySchema,
  startedAt: MomentSchema,
  /** When it was written down, or a sign in it last put right; null where only its day is known. */
  enteredAt: MomentSchema.nullable().default(null),
  /** When it was given back from home; left out where it was not. */
  cameInAt: MomentSchema.optional(),
  /** From the first to the last moment, pauses left out. */
  practisedSeconds: PractisedSecondsSchema,
  source: z.enum(['conducted', 'by hand']),
  /** The class in which it was done; null where it was practised alone. */
  classId: id.nullable().default(null),
  lines: z.array(LogLineSchema).max(MOST_LINES),
  /** 0–10, category-ratio scale; null when it was not asked. */
  effort: rating.nullable(),
  /** 0–10; null where it was not asked. */
  pain: rating.nullable(),
  painWhere: lineText(120),
  /** The place as it was chosen; null where it was not asked, or only written. */
  painPlace: PainPlaceSchema.nullable().default(null),
  symptoms: z.array(SymptomSchema).max(symptoms.length),
  /** What shook; none where nothing did or it was not said. */
  shook: z.array(ShakePlaceSchema).max(shakePlaces.length).default([]),
  /** What somebody's hands found of the stand; none where nobody tested it. */
  hands: z.array(HandsTestedSchema).max(MOST_HANDS).default([]),
  note: noteText(2000),
});
export type PracticeLog = z.infer<typeof PracticeLogSchema>;
