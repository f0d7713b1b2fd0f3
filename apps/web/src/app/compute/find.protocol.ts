import { FoundBodySchema } from '@pomek/core';
import * as z from 'zod';
import { FrameSchema } from './frame-schema';

/** What the page asks: where the body is on a picture, which is given away. */
export const FindRequestSchema = z.object({ kind: z.literal('find'), frame: FrameSchema });
export type FindRequest = z.infer<typeof FindRequestSchema>;

export const FindReplySchema = z.discriminatedUnion('kind', [
  /** All that it needs is there; now the picture is looked at. */
  z.object({ kind: z.literal('looking') }),
  /** Null where nobody is on it. */
  z.object({ kind: z.literal('found'), body: FoundBodySchema.nullable() }),
  z.object({ kind: z.literal('error'), message: z.string() }),
]);
export type FindReply = z.infer<typeof FindReplySchema>;
