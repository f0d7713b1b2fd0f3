import * as z from 'zod';
import { lineText } from '../text/textSchema';
import { DirectionSchema, SideSchema } from '../library/dose';
import { FamilySchema } from '../library/exercise';
import { AxisSchema } from '../axis/axis';
import { TurnedSchema } from '../routine/routine';
import { DaySchema, MomentSchema } from '../days/daySchema';
import { dayNumber } from '../days/dayNumber';

const id = z.string().min(1).max(80);
/** The weeks of a plan are counted up to here: ten years. */
export const MOST_PLAN_WEEKS = 520;
const MOST_PLAN_DAYS = 7 * MOST_PLAN_WEEKS;
const TOO_FAR = 'a plan reaches ten years ahead at most';

/** One ladder inside one student's plan. Values in the units of its axis. */
export const StrandSchema = z
  .object({
    id,
    segmentId: id,
    exerciseId: id,
    exerciseName: lineText(80),
    family: FamilySchema,
    axis: AxisSchema,
    /** The smallest change: doses are whole multiples of it. */
    step: z.number().gt(0).max(600),
    /** Where the strand began. */
    start: z.number().gt(0).max(9999),
    /**
     * Where it stands, unrounded: raises too small for one step are carried here until they fill it.
     * The dose is this, rounded down to the step.
     */
    level: z.number().gt(0).max(9999),
    target: z.number().gt(0).max(9999),
    targetDay: DaySchema,
    /** The last day on which the level went up. */
    raisedOn: DaySchema.nullable(),
    /** The level before it went up, for the load of the week in which it did; null where it is not known. */
    raisedFrom: z.number().gt(0).max(9999).nullable().default(null),
    /** The last day on which it was eased. */
    easedOn: DaySchema.nullable().default(null),
    /** Levels before eases and gaps, the latest last: met twice at the lower dose, they come back in one step. */
    lost: z.array(z.number().gt(0).max(9999)).max(10).default([]),
    /** When the level last changed: practices before it no longer count for a raise. */
    changedAt: MomentSchema.nullable(),
    /** Doses the teacher set for single weeks of the plan (from 0), with the reason. */
    overrules: z
      .array(
        z.object({
          week: z.number().int().min(0).max(MOST_PLAN_WEEKS),
          dose: z.number().gt(0).max(9999),
          reason: lineText(400),
        }),
      )
      .max(MOST_PLAN_WEEKS)
      .default([]),
    /** Opens only when another strand has come to a dose; null when it is open. */
    gate: z
      .object({ strandId: id, dose: z.number().gt(0).max(9999) })
      .nullable()
      .default(null),
    /** The day on which a strand with a gate was opened; null while it waits, and where there is no gate. */
    openedOn: DaySchema.nullable().default(null),
    /** The sides and directions that a session of it has; empty where they are told by the practices. */
    rows: z
      .array(z.object({ side: SideSchema, direction: DirectionSchema }))
      .max(8)
      .default([]),
    /** Checkpoints that have to be kept: while one of them is being corrected, nothing is raised. */
    heldBy: z.array(id).max(24).default([]),
    /** Another drill that is done instead of this one, for what is noted of the person, counts for it: the teacher's word. */
    insteadCounts: z.boolean().default(false),
    /** Raised in half steps and by half as much since a plateau, and the step before; null where steps are whole. */
    halfSteps: z
      .object({ step: z.number().gt(0).max(600) })
      .nullable()
      .default(null),
    /** An easier posture for a while, after a plateau, from one day to another: what is done in it neither raises nor eases. */
    easier: z.object({ from: DaySchema, until: DaySchema, turned: TurnedSchema }).nullable().default(null),
    /** When the teacher last answered a plateau: only practices after it can come to another. */
    plateauAnsweredAt: MomentSchema.nullable().default(null),
    /** When the teacher last cleared a stop: signs before it no longer lock the strand. */
    clearedAt: MomentSchema.nullable(),
  })
  .refine((strand) => strand.target >= strand.start, { path: ['target'], message: 'the goal is below the first dose' });
export type Strand = z.infer<typeof StrandSchema>;

/** A student's strands over the weeks, with the routine they belong to. */
export const PlanSchema = z
  .object({
    id,
    studentId: id,
    routineId: id,
    startsOn: DaySchema,
    growthPerWeek: z.number().min(0.01).max(0.25),
    lighterEvery: z.number().int().min(0).max(12),
    lighterCut: z.number().min(0).max(0.9),
    strands: z.array(StrandSchema).max(60),
    /** Days without practice, the first and the last. */
    holidays: z
      .array(
        z
          .object({ from: DaySchema, to: DaySchema })
          .refine((days) => days.from <= days.to, 'a holiday ends before it begins'),
      )
      .max(60)
      .default([]),
    /** The longest a session may become, min; null without limit. */
    sessionMinutes: z.number().min(1).max(600).nullable().default(null),
    /** Postures this student has come to, by segment: lower, higher or on one leg otherwise than the routine has it. */
    postures: z
      .array(z.object({ segmentId: id, turned: TurnedSchema }))
      .max(60)
      .default([]),
    /** Weeks of the plan (from 0) in which nothing is raised. */
    frozenWeeks: z.array(z.number().int().min(0).max(MOST_PLAN_WEEKS)).max(MOST_PLAN_WEEKS).default([]),
    /** The calendar that was given out last: how manieth it was, and its days; null before the first. */
    calendar: z
      .object({ sequence: z.number().int().min(0), days: z.array(DaySchema).max(1200) })
      .nullable()
      .default(null),
  })
  .superRefine(({ startsOn, strands, holidays }, context) => {
    // Its beginning is named already.
    if (!DaySchema.safeParse(startsOn).success) return;
    const last = dayNumber(startsOn) + MOST_PLAN_DAYS;
    strands.forEach(({ targetDay }, at) => {
      if (dayNumber(targetDay) > last)
        context.addIssue({ code: 'custom', path: ['strands', at, 'targetDay'], message: TOO_FAR });
    });
    holidays.forEach(({ to }, at) => {
      if (dayNumber(to) > last) context.addIssue({ code: 'custom', path: ['holidays', at, 'to'], message: TOO_FAR });
    });
  });
export type Plan = z.infer<typeof PlanSchema>;

export const VerdictKindSchema = z.enum(['raise', 'stay', 'ease', 'stop']);
export type VerdictKind = z.infer<typeof VerdictKindSchema>;

/** What the teacher made of a verdict; kept with its reasons. */
export const DecisionSchema = z.object({
  id,
  studentId: id,
  planId: id,
  strandId: id,
  /** The practice it was taken after; null when it answers a gap. */
  logId: id.nullable(),
  day: DaySchema,
  verdict: VerdictKindSchema,
  outcome: z.enum(['accepted', 'changed', 'put off', 'cleared', 'another way']),
  from: z.number(),
  to: z.number(),
  reasons: z.array(lineText(400)).max(12),
  /** The teacher's own reason when the verdict was overruled. */
  teacherReason: lineText(400),
});
export type Decision = z.infer<typeof DecisionSchema>;
