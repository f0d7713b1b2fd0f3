import * as z from 'zod';
import { lowerFirst } from '../words/firstLetter';
import { nameText, noteText } from '../text/textSchema';

const line = nameText(300, 'a line is empty');

/** One stage in which a drill is learned, in order: parts alone, joined, stop and start, flowing, with a step. */
export const StageSchema = z.object({
  name: nameText(80, 'a stage needs a name'),
  words: noteText(600).default(''),
});
export type Stage = z.infer<typeof StageSchema>;

/**
 * What is felt: that one may begin, that it is right, that it is enough for today – a good sign, never a fault – and what stops:
 * what can hurt, and the form giving way.
 */
export const SignsSchema = z.object({
  begin: z.array(line).max(6).default([]),
  right: z.array(line).max(6).default([]),
  enough: z.array(line).max(6).default([]),
  stop: z.array(line).max(6).default([]),
});
export type Signs = z.infer<typeof SignsSchema>;
export const signKinds = ['begin', 'right', 'enough', 'stop'] as const;
export type SignKind = (typeof signKinds)[number];

/** How each kind of sign is announced. */
export const signWords: Readonly<Record<SignKind, string>> = {
  begin: 'You may begin when',
  right: 'It is right when',
  enough: 'Enough for today when',
  stop: 'Stop when',
};

/** A sign as it is told: `Enough for today when the third breath is done.` */
export const signLine = (kind: SignKind, sign: string): string => `${signWords[kind]} ${lowerFirst(sign)}`;

export const noSigns: Signs = { begin: [], right: [], enough: [], stop: [] };

/** What is said aloud of an exercise beside its parts and checkpoints. */
export const teachingShape = {
  /** How one comes into the stance, in order, from the ground up. */
  wayIn: z.array(line).max(16).default([]),
  stages: z.array(StageSchema).max(12).default([]),
  signs: SignsSchema.default(noSigns),
  /** Where the attention goes in a hold, one place after the other for equal times. */
  attention: z.array(line).max(12).default([]),
  /** How it is done when there is little time, and when there is more. */
  quick: noteText(300).default(''),
  long: noteText(300).default(''),
};
