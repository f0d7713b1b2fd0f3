import * as z from 'zod';
import { nameText } from '../text/textSchema';
import { HEAD_LOW } from './limits';
import type { Noted } from './noted';

/** What a teacher lets act in words and numbers of his or her own; null is free. */
export const OwnLimitsSchema = z.object({
  id: z.string().min(1).max(80),
  /** What it is, as it is said to the student. */
  words: nameText(80, 'a limit needs a few words: what it is'),
  /** The side that has it. */
  side: z.enum(['left', 'right']).nullable().default(null),
  /** Most bend of the knees, and the arms no higher than this raise, degrees. */
  bendDeg: z.number().min(0).max(150).nullable().default(null),
  armsDeg: z.number().min(0).max(180).nullable().default(null),
  /** No stand longer without loosening, s. */
  standSeconds: z.number().min(5).max(7200).nullable().default(null),
  noLift: z.boolean().default(false),
  noHeldBreath: z.boolean().default(false),
  noHeadLow: z.boolean().default(false),
});
export type OwnLimits = z.infer<typeof OwnLimitsSchema>;

/** What a teacher's own limits rule out. */
export const notedOwn = (own: OwnLimits): Noted => ({
  because: own.side === null ? own.words : `${own.words}, ${own.side}`,
  rule: 'Your own limit for this student.',
  side: own.side,
  limits: {
    ...(own.bendDeg === null ? {} : { bendDeg: own.bendDeg }),
    ...(own.armsDeg === null ? {} : { armsDeg: own.armsDeg }),
    ...(own.standSeconds === null ? {} : { standSeconds: own.standSeconds }),
    ...(own.noLift ? { noLift: true } : {}),
    ...(own.noHeldBreath ? { noHeldBreath: true } : {}),
    ...(own.noHeadLow ? { foldDeg: HEAD_LOW } : {}),
  },
});
