import * as z from 'zod';

/** What may shake in a practice, as it is asked after it. */
export const shakePlaces = ['thighs', 'calves', 'hips', 'back', 'shoulders', 'arms', 'hands'] as const;
export const ShakePlaceSchema = z.enum(shakePlaces);
export type ShakePlace = z.infer<typeof ShakePlaceSchema>;

/** A list with a place more, or without it where it was in it. */
export const shookToggled = (shook: readonly ShakePlace[], place: ShakePlace): ShakePlace[] =>
  shook.includes(place) ? shook.filter((entry) => entry !== place) : [...shook, place];
