import * as z from 'zod';
import { nameText, noteText } from '../text/textSchema';
import { STEP_METRES, TravelSchema } from './travel';

const id = z.string().min(1).max(80);

/** One part of a sequence that is taught as a whole. */
export const PieceSchema = z.object({
  id,
  name: nameText(80, 'a piece needs a name'),
  /** Playing it once, s. */
  seconds: z.number().min(1).max(3600),
  /** The side it begins with, as the student has it. */
  side: z.enum(['both', 'left', 'right']),
  /** The drill that it is, which the figure then shows; null where it is only told. */
  exerciseId: id.nullable().default(null),
  /** Where it goes; null where nothing is written: then as its drill does. */
  travel: TravelSchema.nullable().default(null),
});
export type Piece = z.infer<typeof PieceSchema>;

/** Pieces of a sequence in order: each lesson repeats the earlier ones and adds one. */
export const ChainSchema = z.object({
  id,
  name: nameText(80, 'a chain needs a name'),
  note: noteText(2000),
  pieces: z.array(PieceSchema).max(150),
  /** How long a step is, m. */
  stepMetres: z.number().min(0.1).max(1.5).default(STEP_METRES),
  /** The whole is played to the other side too, as its mirror image. */
  bothSides: z.boolean().default(false),
  /** Length of a lesson and what goes off for warm-up and closing, s. */
  lessonSeconds: z.number().min(300).max(14_400),
  frameSeconds: z.number().min(0).max(3600),
  /** Explaining a new piece, s. */
  talkSeconds: z.number().min(0).max(1800),
  /** How often a new piece is shown: its footwork, and its hands in each view. */
  footworkTimes: z.number().int().min(1).max(20),
  handsTimes: z.number().int().min(1).max(20),
  /** The first lesson that is still to come. */
  nextLesson: z.number().int().min(1).max(200),
  /** How many pieces are learned; null while every lesson so far taught one. */
  taught: z.number().int().min(0).max(150).nullable().default(null),
  /** Which half was reviewed last, so that the other one comes next; null before the first. */
  lastHalf: z.enum(['first half', 'second half']).nullable().default(null),
  /** The last lesson joined the halves and brought nothing new. */
  joinedLast: z.boolean().default(false),
});
export type Chain = z.infer<typeof ChainSchema>;

/** A new chain with the times of the trade (common practice): footwork three times, hands twice in each view. */
export const newChain = (id: string, name: string): Chain => ({
  id,
  name,
  note: '',
  pieces: [],
  stepMetres: STEP_METRES,
  bothSides: false,
  lessonSeconds: 28 * 60,
  frameSeconds: 6 * 60,
  talkSeconds: 90,
  footworkTimes: 3,
  handsTimes: 2,
  nextLesson: 1,
  taught: null,
  lastHalf: null,
  joinedLast: false,
});
