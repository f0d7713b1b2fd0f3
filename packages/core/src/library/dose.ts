import * as z from 'zod';
import { nameText } from '../text/textSchema';
import { BreathPatternSchema } from '../breath/breathPattern';

export const SideSchema = z.enum(['both', 'left', 'right']);
export type Side = z.infer<typeof SideSchema>;

export const DirectionSchema = z.enum(['none', 'forward', 'reversed']);
export type Direction = z.infer<typeof DirectionSchema>;

/** Holds, repetitions or breaths on one side and in one direction at most. */
export const MOST_AMOUNT = 9999;

/** How much on one side and in one direction: holds, repetitions or breaths. */
export const SideAmountSchema = z.object({
  side: SideSchema,
  direction: DirectionSchema,
  amount: z.number().int().min(0).max(MOST_AMOUNT),
});
export type SideAmount = z.infer<typeof SideAmountSchema>;

const shared = {
  /** Rest between two holds, or between two rounds on the same side, in seconds. */
  restSeconds: z.number().min(0).max(3600),
  amounts: z.array(SideAmountSchema).min(1).max(8),
  /**
   * From here on it is enough: seconds of what is given as time, else the amount of a side; what is asked for is the upper end. 0 is by
   * feel; null: all of it is wanted.
   */
  least: z.number().min(0).max(9999).nullable().default(null),
};

/** The longest stay inside a repetition, s. */
export const MOST_STAY = 120;

export const HoldDoseSchema = z.object({
  kind: z.literal('hold'),
  holdSeconds: z.number().min(1).max(7200),
  /** It is held until the teacher gives the cue; the seconds are what it is planned and reckoned with. */
  byCue: z.boolean().default(false),
  /** Parts of the hold, one after the other: where the attention is, and its part of the time; none: as the exercise has it. */
  parts: z
    .array(z.object({ words: nameText(120, 'a part of a hold needs words'), share: z.number().min(0.1).max(1000) }))
    .max(12)
    .default([]),
  ...shared,
});
export const CycleDoseSchema = z.object({
  kind: z.literal('cycle'),
  cycleSeconds: z.number().min(0.5).max(300),
  /** Each repetition is this many times as long as the one before; 1 = even. */
  slowing: z.number().min(1).max(1.5).default(1),
  /** It is given as time: an amount is then a round of so many seconds, with the repetitions counted; null: repetitions. */
  roundSeconds: z.number().min(5).max(7200).nullable().default(null),
  /** Held still so long in each repetition, s, beside the time of the movement; 0: it goes through. */
  staySeconds: z.number().min(0).max(MOST_STAY).default(0),
  /** At the end of which part it stays, from 0; null: where the knees are bent most. */
  stayAfter: z.number().int().min(0).max(23).nullable().default(null),
  ...shared,
});
export const BreathDoseSchema = z.object({
  kind: z.literal('breath'),
  pattern: BreathPatternSchema,
  /** Each breath is this many times as long as the one before; 1 = even. */
  slowing: z.number().min(1).max(1.5),
  ...shared,
});

/** The three ways a dose is given: seconds held, repetitions of a cycle, breaths. */
export const DoseSchema = z.discriminatedUnion('kind', [HoldDoseSchema, CycleDoseSchema, BreathDoseSchema]);
export type HoldDose = z.infer<typeof HoldDoseSchema>;
export type CycleDose = z.infer<typeof CycleDoseSchema>;
export type BreathDose = z.infer<typeof BreathDoseSchema>;
export type Dose = z.infer<typeof DoseSchema>;

/** A drill given as so much time a side, with its repetitions counted as they come. */
export type TimedDose = CycleDose & { readonly roundSeconds: number };
export const isTimed = (dose: Dose): dose is TimedDose => dose.kind === 'cycle' && dose.roundSeconds !== null;
