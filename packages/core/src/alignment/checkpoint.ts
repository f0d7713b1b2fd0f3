import * as z from 'zod';
import { lineText, nameText } from '../text/textSchema';

/** Body regions in foundation order: corrections go through them from first to last. */
export const regions = [
  'feet',
  'ankles',
  'knees',
  'hip crease',
  'waist',
  'pelvis',
  'low back',
  'ribs',
  'torso',
  'chest and upper back',
  'shoulders',
  'armpits',
  'elbows',
  'wrists',
  'hands',
  'neck and head',
  'eyes',
  'tongue and face',
  'breath',
] as const;

export const RegionSchema = z.enum(regions);
export type Region = z.infer<typeof RegionSchema>;

/** One alignment point: what is wanted, how it is tested, its faults and the cue that mends it. */
export const CheckpointSchema = z.object({
  id: z.string().min(1).max(80),
  region: RegionSchema,
  wanted: nameText(300, 'say what is wanted'),
  test: z.string().max(300),
  faults: lineText(300),
  cue: lineText(300),
  /** A safety point: losing it ends the hold that counts. */
  safety: z.boolean(),
});
export type Checkpoint = z.infer<typeof CheckpointSchema>;
