import * as z from 'zod';

const share = z.number().min(0).max(1);
const days = z.number().int().min(1).max(365);

/** The numbers of the raise rule (model §10). House values unless a source stands beside them. */
export const RaiseRuleSchema = z
  .object({
    /** Largest raise a week; 0.02–0.10 is the ACSM position stand of 2009 (from memory). */
    growthPerWeek: z.number().min(0.01).max(0.25),
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

/** A named set of conventions and defaults. */
export const SchoolSchema = z.object({
  id: z.string().min(1).max(80),
  name: z.string().trim().min(1, 'a school needs a name').max(80),
  note: z.string().max(600),
  /** When tired: ease = stop, loosen, start again, held time counts; endurance = stay, breathe, go on. */
  fatigueRule: z.enum(['ease', 'endurance']),
  sideOrder: z.enum(['whole', 'alternating']),
  /** Whether unequal sides are pointed out. */
  sidesEqual: z.boolean(),
  settleSeconds: z.number().min(0).max(300),
  changeSeconds: z.number().min(0).max(300),
  raise: RaiseRuleSchema,
});
export type School = z.infer<typeof SchoolSchema>;
