import * as z from 'zod';
import { BundleContentsSchema, DaySchema } from '@pomek/core';

/** What the worker can be asked for. */
export const RequestSchema = z.discriminatedUnion('task', [
  z.object({ task: z.literal('read-bundle'), file: z.instanceof(Blob) }),
  z.object({ task: z.literal('demo'), today: DaySchema }),
]);
export type Request = z.infer<typeof RequestSchema>;

const problems = z.array(z.object({ place: z.string(), message: z.string() }));

export const DemoReplySchema = BundleContentsSchema;
export const ReadReplySchema = z.union([
  z.object({ ok: z.literal(true), contents: BundleContentsSchema, writtenAt: z.string() }),
  z.object({ ok: z.literal(false), problems }),
]);

/** What comes back: one result, or the reason why there is none. */
export const ReplySchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('result'), result: z.unknown() }),
  z.object({ kind: z.literal('error'), message: z.string() }),
]);
export type Reply = z.infer<typeof ReplySchema>;
