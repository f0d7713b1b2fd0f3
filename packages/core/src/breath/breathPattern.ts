import * as z from 'zod';

const part = z.number().min(0).max(120);

/** The four lengths of one breath in seconds: in, pause when full, out, pause when empty. */
export const BreathPatternSchema = z
  .object({ inSeconds: part, fullPauseSeconds: part, outSeconds: part, emptyPauseSeconds: part })
  .refine((pattern) => pattern.inSeconds + pattern.outSeconds > 0, {
    message: 'a breath needs a time in or a time out',
  });
export type BreathPattern = z.infer<typeof BreathPatternSchema>;
