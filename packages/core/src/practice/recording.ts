import * as z from 'zod';
import { msToSay } from '../words/msToSay';
import { fromMuLaw, toMuLaw } from './muLaw';

/** Samples a second of a recorded line: speech up to 7 kHz, as “wideband” telephony has it (ITU-T G.722). */
export const VOICE_RATE = 16_000;
/** The longest line that is recorded, s. Our own value: no line of a practice has room for more. */
export const LONGEST_LINE = 20;
/** The longest words of a line, letters. */
const MOST_LETTERS = 500;

/** Words as a recording is found by: however they are spaced. */
export const lineKey = (words: string): string => words.replace(/\s+/g, ' ').trim();

/** A line of a practice, spoken by the teacher. */
export const RecordingSchema = z.object({
  /** The words that are spoken, as `lineKey` has them: there is one recording of a line. */
  id: z
    .string()
    .min(1)
    .max(MOST_LETTERS)
    .refine((words) => lineKey(words) === words, 'the words of a line have single spaces'),
  /** One channel at `VOICE_RATE`, a byte for each sample (`toMuLaw`), in base64. */
  sound: z
    .base64('this is no sound')
    .min(4, 'the sound is empty')
    .max(Math.ceil((LONGEST_LINE * VOICE_RATE) / 3) * 4, `a line takes ${LONGEST_LINE} s at most`),
});
export type Recording = z.infer<typeof RecordingSchema>;

/** Bytes of the sound of a recording. */
export const soundBytes = ({ sound }: Pick<Recording, 'sound'>): number =>
  (sound.length / 4) * 3 - (sound.endsWith('==') ? 2 : sound.endsWith('=') ? 1 : 0);

/** How long a recorded line takes, ms. */
export const msOfRecording = (recording: Pick<Recording, 'sound'>): number =>
  (soundBytes(recording) / VOICE_RATE) * 1000;

/** Letters that are turned into base64 at once: more would be too many for one call. */
const AT_ONCE = 8192;

/**
 * A line as it is kept.
 * @param samples between −1 and 1, at `VOICE_RATE`
 * @throws ZodError when there is no sound, or too much
 */
export function recordingOf(words: string, samples: Float32Array): Recording {
  const bytes = Uint8Array.from(samples, (sample) => toMuLaw(Math.round(Math.max(-1, Math.min(1, sample)) * 32767)));
  let letters = '';
  for (let from = 0; from < bytes.length; from += AT_ONCE)
    letters += String.fromCharCode(...bytes.subarray(from, from + AT_ONCE));
  return RecordingSchema.parse({ id: lineKey(words), sound: btoa(letters) });
}

/** The samples of a recorded line, between −1 and 1, at `VOICE_RATE`. */
export function samplesOf({ sound }: Pick<Recording, 'sound'>): Float32Array<ArrayBuffer> {
  const letters = atob(sound);
  return Float32Array.from({ length: letters.length }, (_, at) => fromMuLaw(letters.charCodeAt(at)) / 32768);
}

/** Lines that are spoken by the teacher, by their words. */
export type Recordings = ReadonlyMap<string, Recording>;
export const recordingsBy = (all: readonly Recording[]): Recordings => new Map(all.map((one) => [one.id, one]));

/** How long a line takes, ms: as it was recorded, else as a voice needs. */
export const saidFor =
  (recorded: Recordings) =>
  (text: string): number => {
    const recording = recorded.get(lineKey(text));
    return recording === undefined ? msToSay(text) : msOfRecording(recording);
  };
