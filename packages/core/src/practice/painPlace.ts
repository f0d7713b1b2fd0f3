import * as z from 'zod';

/** Where a joint hurts, as it is asked after a practice. */
export const painPlaces = [
  'knee',
  'hip',
  'ankle or foot',
  'low back',
  'shoulder',
  'elbow or wrist',
  'neck',
  'elsewhere',
] as const;
export const PainPlaceSchema = z.enum(painPlaces);
export type PainPlace = z.infer<typeof PainPlaceSchema>;
