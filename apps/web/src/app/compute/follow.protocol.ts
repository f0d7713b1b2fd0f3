import { SpotSchema, filmFrom, markNames } from '@pomek/core';
import * as z from 'zod';
import { FrameSchema } from './frame-schema';

const MarksSchema = z.partialRecord(z.enum(markNames), SpotSchema);
/** What the page asks: to begin in a frame with its marks, then a step for each further frame. */
export const FollowRequestSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('begin'),
    from: z.enum(filmFrom),
    marks: MarksSchema,
    /** Points whose place is known: they only hold the bones. */
    rest: MarksSchema,
    frame: FrameSchema,
  }),
  z.object({
    kind: z.literal('step'),
    rest: MarksSchema,
    frame: FrameSchema,
    /** No other frame comes after it. */
    last: z.boolean(),
  }),
]);
export type FollowRequest = z.infer<typeof FollowRequestSchema>;

export const FollowReplySchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('found'),
    places: z.partialRecord(z.enum(markNames), SpotSchema.extend({ trust: z.number().min(0).max(100) })),
    /** Points of which so many of the last places do not hold. */
    astray: z.partialRecord(z.enum(markNames), z.number().int().min(1)),
  }),
  z.object({ kind: z.literal('error'), message: z.string() }),
]);
export type FollowReply = z.infer<typeof FollowReplySchema>;
export type FoundPlaces = Omit<Extract<FollowReply, { kind: 'found' }>, 'kind'>;
