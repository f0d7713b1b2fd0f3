import * as z from 'zod';
import { CallWordsSchema, partsSaid, usualCalls } from '@pomek/core';

const VoiceSettingsSchema = z.object({
  on: z.boolean(),
  /** 0 to 1. */
  volume: z.number().min(0).max(1),
  /** Whether the cues are said as they come up. */
  cues: z.boolean(),
  /** Which parts of a repetition are called. */
  parts: z.enum(partsSaid).default('new'),
  words: CallWordsSchema,
});
export type VoiceSettings = z.infer<typeof VoiceSettingsSchema>;

const usual: VoiceSettings = { on: false, volume: 0.8, cues: true, parts: 'new', words: usualCalls };

/** The name under which the browser remembers them. */
export const VOICE = 'voice';

/** What was chosen for the voice that calls, from what is remembered; the usual where nothing is. */
export function voiceSettings(text: string | null): VoiceSettings {
  try {
    return VoiceSettingsSchema.catch(usual).parse(JSON.parse(text ?? 'null'));
  } catch {
    return usual;
  }
}
