import { CheckpointSchema, curveIds, filmFigures, markNames, verdictOrder } from '@pomek/core';
import * as z from 'zod';

const SideSchema = z.enum(['left', 'right', 'both']);
const UnitSchema = z.enum(['°', 'cm', '%']);
const value = z.number().nullable();

const FigureSchema = z.object({
  id: z.enum(filmFigures),
  side: SideSchema,
  unit: UnitSchema,
  value: z.number(),
  error: z.number(),
  asked: value,
});

/** What comes back of a film that was read: see `FilmReading`. */
export const FilmReadingSchema = z.object({
  seconds: z.array(z.number()),
  curves: z.array(
    z.object({ id: z.enum(curveIds), side: SideSchema, name: z.string(), unit: UnitSchema, values: z.array(value) }),
  ),
  cycles: z.array(
    z.object({
      by: z.enum(['wrist', 'hips']),
      side: SideSchema,
      starts: z.array(z.number()),
      count: z.number().int(),
      lengths: z.array(z.number()),
      mean: value,
      spread: value,
      rangeCm: value,
      pauses: z.array(z.object({ at: z.number(), seconds: z.number() })),
    }),
  ),
  worst: z.array(
    z.object({
      point: z.object({
        checkpoint: CheckpointSchema,
        verdict: z.enum(verdictOrder),
        said: z.string(),
        why: z.string(),
        shown: z.boolean(),
        figure: FigureSchema.nullable(),
        beyond: value,
      }),
      frame: z.number().int().min(0),
    }),
  ),
  height: z.object({ range: z.number(), change: z.number() }).nullable(),
  drift: z.array(z.object({ name: z.enum(markNames), cm: z.number() })),
});
