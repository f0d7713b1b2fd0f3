import type * as z from 'zod';
import { DaySchema, MomentSchema } from '@pomek/core';

const readAs =
  (schema: z.ZodType<string>) =>
  (stored: string | null): string | null =>
    schema.safeParse(stored).data ?? null;

/** A day that was remembered, YYYY-MM-DD; null for anything else. */
export const dayIn = readAs(DaySchema);
/** A moment that was remembered (RFC 3339); null for anything else. */
export const momentIn = readAs(MomentSchema);
