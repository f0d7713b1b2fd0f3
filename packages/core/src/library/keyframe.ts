import * as z from 'zod';
import { PalmSchema } from './palm';
import { ShapeSchema } from './shape';

/**
 * Where a hand is, seen from the trunk, which takes it along in a turn. `out` is from the midline
 * towards the hand's own side and `forward` from the hips, both in shoulder breadths; `up` is in
 * trunk lengths, 0 at the hips and 1 at the shoulders.
 */
export const HandSchema = z.object({
  out: z.number().min(-2).max(3),
  forward: z.number().min(-1).max(3),
  up: z.number().min(-1.2).max(2.6),
});
export type Hand = z.infer<typeof HandSchema>;

/** How the body stands at the end of a part of a cycle; null = as in the exercise's posture. Degrees. */
export const KeyframeSchema = z.object({
  /** Share of the weight on the working leg; `full` and `empty` are as far as the school shifts. */
  weight: z.union([z.enum(['full', 'empty']), z.number().min(0).max(1)]),
  /** Pelvis turned towards the working side. */
  turnDeg: z.number().min(-90).max(90),
  bendDeg: z.number().min(0).max(150).nullable(),
  /** Distance of the feet in shoulder breadths, and the working foot ahead of the other in foot lengths. */
  stanceWidth: z.number().min(0).max(4).nullable(),
  ahead: z.number().min(-6).max(6).nullable(),
  /** The foot that is off the floor during this part. */
  lifted: z.enum(['none', 'working', 'other']),
  hand: HandSchema.nullable(),
  otherHand: HandSchema.nullable(),
  /** Where each palm faces; null is not said. */
  palm: PalmSchema.nullable().default(null),
  otherPalm: PalmSchema.nullable().default(null),
  /** A heel that is off the floor while the ball stays down. */
  heel: z.enum(['none', 'working', 'other', 'both']).default('none'),
  /** Toes of each foot outward, degrees; null as in the exercise's posture. */
  toesOutDeg: z.number().min(-60).max(90).nullable().default(null),
  otherToesOutDeg: z.number().min(-60).max(90).nullable().default(null),
  /** What trunk, head, arms and knees do beside it; null as the posture has them. */
  shape: ShapeSchema.nullable().default(null),
});
export type Keyframe = z.infer<typeof KeyframeSchema>;

/** A stand on both legs as the posture has it, of which nothing more is said. */
export const plainFrame: Keyframe = {
  weight: 0.5,
  turnDeg: 0,
  bendDeg: null,
  stanceWidth: null,
  ahead: null,
  lifted: 'none',
  hand: null,
  otherHand: null,
  palm: null,
  otherPalm: null,
  heel: 'none',
  toesOutDeg: null,
  otherToesOutDeg: null,
  shape: null,
};
