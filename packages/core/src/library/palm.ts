import * as z from 'zod';

/** Where a palm faces, seen from the trunk. */
export const palms = ['in', 'out', 'up', 'down', 'forward', 'back'] as const;
export const PalmSchema = z.enum(palms);
export type Palm = z.infer<typeof PalmSchema>;
