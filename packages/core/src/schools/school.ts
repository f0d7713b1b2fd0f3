import * as z from 'zod';
import { SideOrderSchema } from '../library/sideOrder';
import { nameText, noteText } from '../text/textSchema';

const share = z.number().min(0).max(1);
const days = z.number().int().min(1).max(365);

/** The numbers of the raise rule (sources: Raising the load). House values unless a source stands beside them. */
export const RaiseRuleSchema = z
  .object({
    /** Largest raise a week; 0.02–0.10 is the ACSM position stand of 2009 (from memory). */
    growthPerWeek: z.number().min(0.01).max(0.25),
    /** How many strands of one family may go up in a week. */
    raisesPerFamily: z.number().int().min(1).max(20).default(2),
    /** Largest growth of the whole week's load from one full week to the next. */
    loadGrowth: z.number().min(0.01).max(1).default(0.1),
    /** Every how many weeks a lighter one comes; 0 = never. */
    lighterEvery: z.number().int().min(0).max(12),
    /** How much is taken off in a lighter week. */
    lighterCut: z.number().min(0).max(0.9),
    /** How many sessions running must be met before a raise. */
    sessionsToRaise: z.number().int().min(1).max(6),
    /** Effort of 10 up to which a raise is allowed. */
    effortCeiling: z.number().int().min(1).max(10),
    /** Effort of 10 from which the dose is eased. */
    easeEffort: z.number().int().min(2).max(10),
    /** Share of the dose that still counts as partly met. */
    partlyMet: share,
    /** Joint pain of 10 from which a strand is locked. */
    stopPain: z.number().int().min(1).max(10),
    /** Days without practice from which nothing is raised, one rung is taken off, a new test is due. */
    stayGapDays: days,
    easeGapDays: days,
    retestGapDays: days,
  })
  .superRefine((rule, context) => {
    if (rule.easeEffort <= rule.effortCeiling) {
      context.addIssue({ code: 'custom', path: ['easeEffort'], message: 'must be above the effort for a raise' });
    }
    if (!(rule.stayGapDays < rule.easeGapDays && rule.easeGapDays < rule.retestGapDays)) {
      context.addIssue({
        code: 'custom',
        path: ['easeGapDays'],
        message: 'the three gaps must grow: stay, ease, test again',
      });
    }
  });
export type RaiseRule = z.infer<typeof RaiseRuleSchema>;

/** The ways a hold gets harder: longer, lower, more weight on one leg, arms higher. */
export const rungAxes = ['time', 'bend', 'share', 'arms'] as const;
export const RungAxisSchema = z.enum(rungAxes);
export type RungAxis = z.infer<typeof RungAxisSchema>;

export const rungWords: Readonly<Record<RungAxis, string>> = {
  time: 'longer',
  bend: 'lower',
  share: 'more weight on one leg',
  arms: 'arms higher',
};

/** A named set of conventions and defaults. Each of the choices is a row of `schoolQuestions`. */
export const SchoolSchema = z.object({
  id: z.string().min(1).max(80),
  name: nameText(80, 'a school needs a name'),
  note: noteText(600),
  fatigueRule: z.enum(['ease', 'endurance']),
  breathLink: z.enum(['natural', 'linked', 'loose']).default('natural'),
  belly: z.enum(['expands', 'reversed']).default('expands'),
  pauses: z.enum(['none', 'short', 'four-phase']).default('none'),
  pressure: z.enum(['whole sole', 'centre', 'ball', 'heel']).default('whole sole'),
  toes: z.enum(['parallel', 'slightly out', 'wide']).default('parallel'),
  fullShift: z.enum(['seven tenths', 'all']).default('seven tenths'),
  height: z.enum(['level', 'rising']).default('level'),
  pelvis: z.enum(['hanging', 'tucked', 'forward']).default('hanging'),
  eyes: z.enum(['level', 'following', 'ahead', 'up', 'closed']).default('level'),
  attention: z.enum(['inside', 'outside']).default('inside'),
  counted: z.enum(['repetitions', 'minutes', 'breaths', 'feel']).default('repetitions'),
  sideOrder: SideOrderSchema,
  precision: z.enum(['loose', 'strict']).default('loose'),
  movedBy: z.enum(['feet', 'waist']).default('waist'),
  shiftTurn: z.enum(['shift first', 'together']).default('shift first'),
  turns: z.enum(['pelvis', 'waist', 'whole']).default('pelvis'),
  farEnds: z.enum(['alike', 'all behind']).default('alike'),
  risingHand: z.enum(['loading', 'emptying']).default('loading'),
  width: z.enum(['together', 'fist', 'hip', 'shoulder', 'wider']).default('shoulder'),
  rearHeel: z.enum(['down', 'may lift']).default('down'),
  shins: z.enum(['toe line', 'plumb', 'arched']).default('toe line'),
  arms: z.enum(['bent', 'may straighten']).default('bent'),
  legs: z.enum(['bent', 'may straighten']).default('may straighten'),
  rise: z.enum(['wave', 'at once']).default('wave'),
  pace: z.enum(['slow', 'brisk']).default('slow'),
  muscles: z.enum(['let go', 'opened']).default('let go'),
  breathWay: z.enum(['nose', 'mouth out', 'not named']).default('not named'),
  corners: z.enum(['by side', 'by compass']).default('by side'),
  /** Whether unequal sides are pointed out. */
  sidesEqual: z.boolean(),
  /** Repetitions come in multiples of this; 1 = any number. */
  countsOf: z.number().int().min(1).max(36).default(1),
  /** Along which axis a hold is made harder first, and what comes after it. */
  rungOrder: z
    .array(RungAxisSchema)
    .length(rungAxes.length)
    .refine((order) => new Set(order).size === order.length, 'every axis stands once in the order')
    .default([...rungAxes]),
  settleSeconds: z.number().min(0).max(300),
  changeSeconds: z.number().min(0).max(300),
  raise: RaiseRuleSchema,
  /** What contradicts the school and is kept on purpose; see `contradictionKey`. */
  keptOnPurpose: z.array(z.string().max(240)).max(500).default([]),
});
export type School = z.infer<typeof SchoolSchema>;
