import * as z from 'zod';
import { PalmSchema } from './palm';

/**
 * Where a hand may lie on the body. What begins with “other” is on the other side: the other arm from its shoulder to its
 * fingers, outside or inside, the other knee, or the other hand.
 */
export const handPlaces = [
  'hip',
  'belly',
  'chest',
  'low back',
  'seat',
  'thigh',
  'outer thigh',
  'inner thigh',
  'knee',
  'outer shin',
  'inner shin',
  'ankle',
  'brow',
  'eyes',
  'cheek',
  'chin',
  'ear',
  'nape',
  'other hand',
  'other knee',
  'other shoulder',
  'other elbow, outside',
  'other elbow, inside',
  'other wrist, outside',
  'other wrist, inside',
  'other fingers, inside',
] as const;
export const HandPlaceSchema = z.enum(handPlaces);
export type HandPlace = z.infer<typeof HandPlaceSchema>;

/** The spine. Degrees. */
export const TrunkShapeSchema = z.object({
  /** From the hips forward; null as the posture leans. */
  leanDeg: z.number().min(-30).max(110).nullable().default(null),
  /** How much further the spine is rounded from the pelvis to the neck; below 0 it is hollow. */
  roundDeg: z.number().min(-40).max(120).default(0),
  /** Bent to the working side. */
  asideDeg: z.number().min(-45).max(45).default(0),
  /** The chest turned towards the working side, against the pelvis. */
  twistDeg: z.number().min(-60).max(60).default(0),
});
export type TrunkShape = z.infer<typeof TrunkShapeSchema>;

/** The head on the trunk. Degrees. */
export const HeadShapeSchema = z.object({
  /** Chin down; below 0 it looks up. */
  nodDeg: z.number().min(-50).max(70).default(0),
  /** Turned, and tilted ear to shoulder, towards the working side. */
  turnDeg: z.number().min(-80).max(80).default(0),
  tiltDeg: z.number().min(-45).max(45).default(0),
});
export type HeadShape = z.infer<typeof HeadShapeSchema>;

/** A shoulder, an elbow, a wrist and its fingers. */
export const ArmShapeSchema = z.object({
  /** The shoulder as a share of as far as it goes: up, and forward; below 0 down, and back. */
  shoulderUp: z.number().min(-1).max(1).default(0),
  shoulderForward: z.number().min(-1).max(1).default(0),
  /** How far the elbow is swung up and outward about the line from shoulder to hand, degrees. */
  elbowUpDeg: z.number().min(-60).max(150).default(0),
  /** The wrist bent towards the palm, and towards the thumb, degrees. */
  wristBendDeg: z.number().min(-80).max(80).default(0),
  wristAsideDeg: z.number().min(-35).max(25).default(0),
  /** How far the fingers are closed: 0 long, 1 a fist. */
  closed: z.number().min(0).max(1).default(0),
  /** Where the hand lies on the body; null: it is free. */
  on: HandPlaceSchema.nullable().default(null),
  /** What of it lies there. */
  laid: z.enum(['palm', 'back']).default('palm'),
  /** Where the palm of a free hand faces, where the part says nothing of it. */
  palm: PalmSchema.nullable().default(null),
});
export type ArmShape = z.infer<typeof ArmShapeSchema>;

/** What the body does beside its stand and its hands; each of it null as the posture has it. */
export const ShapeSchema = z.object({
  trunk: TrunkShapeSchema.nullable().default(null),
  /** Null: the head goes where the school looks. */
  head: HeadShapeSchema.nullable().default(null),
  arm: ArmShapeSchema.nullable().default(null),
  otherArm: ArmShapeSchema.nullable().default(null),
  /** Both knees swung towards the working side, degrees. */
  kneesAsideDeg: z.number().min(-25).max(25).default(0),
  /** Where the weight presses along the foot, 0 heel to 1 toe tip; null as in the posture. */
  pressurePoint: z.number().min(0).max(1).nullable().default(null),
  /** How far a heel that is off the floor is up, 1 all the way. */
  heelUp: z.number().min(0).max(1).default(1),
  /** The lifted foot lies on the knee of the other leg. */
  footOnKnee: z.boolean().default(false),
});
export type Shape = z.infer<typeof ShapeSchema>;
