import * as z from 'zod';
import { lineText, nameText, noteText } from '../text/textSchema';
import { CheckpointSchema } from '../alignment/checkpoint';
import { cycleFaults } from './cycleFaults';
import { DoseSchema } from './dose';
import { doseSize, sizeProblem } from './doseProblem';
import { KeyframeSchema } from './keyframe';
import { movements } from './movements';
import { ShapeSchema } from './shape';
import { teachingShape } from './teaching';

export const families = ['standing', 'reeling', 'breathing', 'strength', 'stepping', 'warm-up', 'closing'] as const;
export const FamilySchema = z.enum(families);
export type Family = z.infer<typeof FamilySchema>;

/** A posture at one moment. Angles in degrees. */
export const PostureSchema = z.object({
  seated: z.boolean(),
  kneeBendDeg: z.number().min(0).max(150),
  trunkPitchDeg: z.number().min(-30).max(100),
  shoulderRaiseDeg: z.number().min(0).max(180),
  elbowBendDeg: z.number().min(0).max(160),
  /** Share of the body weight on the working leg: 0.5 even, 1 all of it. */
  weightShare: z.number().min(0.5).max(1),
  /** Where the weight presses along the foot, 0 heel to 1 toe tip; null follows the school. */
  pressurePoint: z.number().min(0).max(1).nullable(),
  /** Distance between the foot centre lines in shoulder breadths; 0 = together. */
  stanceWidth: z.number().min(0).max(4),
  /** How far the working foot is ahead of the other, heel to heel, in foot lengths; 0 = side by side. */
  ahead: z.number().min(0).max(6).default(0),
  /** Toes of the working foot outward; null follows the school. In a bow this is the front foot. */
  toesOutDeg: z.number().min(-30).max(90).nullable().default(null),
  /** Toes of the other foot outward; null is as the working foot, or 45° behind in a bow. */
  otherToesOutDeg: z.number().min(-30).max(90).nullable().default(null),
  /** The other foot is off the floor. */
  otherLifted: z.boolean().default(false),
  /** What trunk, head, arms and knees do beside it; null is nothing more. */
  shape: ShapeSchema.nullable().default(null),
});
export type Posture = z.infer<typeof PostureSchema>;

/** A cycle has at most so many parts, and a part so many stands on its way. */
export const MOST_PARTS = 24;
export const MOST_VIA = 24;

/** One named part of a cycle: its share of the cycle's time, and the breath that may go with it. */
export const PhaseSchema = z.object({
  name: nameText(200, 'a part needs a name'),
  share: z.number().gt(0).max(1),
  breath: z.enum(['in', 'out', 'free']),
  /** What is said when the circle runs the other way, from the end of this part to its beginning; empty: the same. */
  reversed: lineText(200).default(''),
  /** What is called aloud when it begins, short enough for its time: what the legs do, a comma, what the hands do; empty: nothing. */
  call: lineText(60).default(''),
  /** The same when the circle runs the other way; empty: the same. */
  callReversed: lineText(60).default(''),
  /** Breaths counted while the part is held. */
  heldBreaths: z.number().int().min(0).max(20).default(0),
  /** How the body stands at its end; null when only the time is known. */
  end: KeyframeSchema.nullable().default(null),
  /** Stands it goes through on the way to its end, after equal times: what makes a circle round. */
  via: z.array(KeyframeSchema).max(MOST_VIA).default([]),
  /** Ids of the checkpoints that are looked at in this part: their cues come up when it begins. */
  points: z.array(z.string().min(1).max(80)).max(24).default([]),
});
export type Phase = z.infer<typeof PhaseSchema>;

const line = nameText(300, 'a line is empty');

/** One drill of a family, with its posture, its dose, its checkpoints and its rungs. */
export const ExerciseSchema = z
  .object({
    id: z.string().min(1).max(80),
    name: nameText(80, 'an exercise needs a name'),
    family: FamilySchema,
    summary: noteText(1200),
    origin: z.enum(['built-in', 'own']),
    posture: PostureSchema,
    twoSided: z.boolean(),
    hasDirections: z.boolean(),
    /** A hand rises with the weight of its side; where a school lets the other one rise, the weight goes the other way. */
    handLoads: z.boolean().default(false),
    /** The named phases of a cycle, in order; empty for holds and breathing. */
    phases: z.array(PhaseSchema).max(MOST_PARTS),
    /** A walk: where one cycle ends, the next begins with the other side. */
    phasesSwap: z.boolean().default(false),
    /** Where one repetition takes a body of 1.70 m: towards the working side and forward, m; turn clockwise, degrees. */
    travel: z
      .object({
        out: z.number().min(-5).max(5),
        forward: z.number().min(-5).max(5),
        turnDeg: z.number().min(-360).max(360),
      })
      .nullable()
      .default(null),
    /** Held, but not still: its parts go round in so many seconds, over and over, as in a shake. */
    swaySeconds: z.number().min(0.2).max(60).nullable().default(null),
    /** What it does to a body that posture and cycle do not show. */
    movements: z.array(z.enum(movements)).max(movements.length).default([]),
    /** Exercises that are learned before this one, by id. */
    prerequisites: z.array(z.string().min(1).max(80)).max(12).default([]),
    defaultDose: DoseSchema,
    checkpoints: z.array(CheckpointSchema).max(24),
    easier: z.array(line).max(12),
    harder: z.array(line).max(12),
    cautions: z.array(line).max(12),
    ...teachingShape,
  })
  .superRefine((exercise, context) => {
    const total = exercise.phases.reduce((sum, phase) => sum + phase.share, 0);
    if (exercise.phases.length > 0 && Math.abs(total - 1) > 1e-6) {
      context.addIssue({
        code: 'custom',
        path: ['phases'],
        message: `the shares of the phases must add up to 1; they add up to ${total.toFixed(3)}`,
      });
    }
    for (const fault of cycleFaults(exercise)) {
      context.addIssue({ code: 'custom', path: ['phases', fault.phase], message: fault.message });
    }
    if (exercise.posture.otherLifted && exercise.posture.weightShare < 1) {
      context.addIssue({
        code: 'custom',
        path: ['posture', 'otherLifted'],
        message: 'a foot lifts only with all the weight on the other leg',
      });
    }
    const tooMuch = sizeProblem(doseSize(exercise.defaultDose, 'each'));
    if (tooMuch !== null)
      context.addIssue({ code: 'custom', path: ['defaultDose'], message: `The first dose is too much: ${tooMuch}` });
    exercise.defaultDose.amounts.forEach((amount, index) => {
      if ((amount.side === 'both') === exercise.twoSided) {
        context.addIssue({
          code: 'custom',
          path: ['defaultDose', 'amounts', index, 'side'],
          message: exercise.twoSided
            ? 'a two-sided exercise is dosed left and right'
            : 'a one-sided exercise is dosed for both sides together',
        });
      }
    });
  });
export type Exercise = z.infer<typeof ExerciseSchema>;
