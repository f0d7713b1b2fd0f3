import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { tmpdir } from 'node:os';

/** What the machine’s microphone hears in a test, once each time it is turned on: a tone of one second, and silence. */
export const SPOKEN_HERTZ = 440;
const RATE = 48_000;
const [QUIET_BEFORE, TONE, WHOLE] = [0.8, 1, 4];

/** Writes the sound for the browser’s fake microphone, and gives the arguments that let it be heard. */
export function fakeMicrophone(): string[] {
  const samples = RATE * WHOLE;
  const bytes = Buffer.alloc(44 + samples * 2);
  bytes.write('RIFF', 0);
  bytes.writeUInt32LE(36 + samples * 2, 4);
  bytes.write('WAVEfmt ', 8);
  bytes.writeUInt32LE(16, 16);
  bytes.writeUInt16LE(1, 20);
  bytes.writeUInt16LE(1, 22);
  bytes.writeUInt32LE(RATE, 24);
  bytes.writeUInt32LE(RATE * 2, 28);
  bytes.writeUInt16LE(2, 32);
  bytes.writeUInt16LE(16, 34);
  bytes.write('data', 36);
  bytes.writeUInt32LE(samples * 2, 40);
  for (let at = 0; at < samples; at += 1) {
    const time = at / RATE;
    const loud = time > QUIET_BEFORE && time < QUIET_BEFORE + TONE ? 6000 : 0;
    bytes.writeInt16LE(Math.round(loud * Math.sin(2 * Math.PI * SPOKEN_HERTZ * time)), 44 + at * 2);
  }
  const path = join(tmpdir(), `pomek-spoken-${process.pid}.wav`);
  writeFileSync(path, bytes);
  return [
    '--use-fake-device-for-media-stream',
    '--use-fake-ui-for-media-stream',
    `--use-file-for-fake-audio-capture=${path}%noloop`,
  ];
}

/** How strong a tone is in some samples, as a share of all that is heard (Goertzel 1958); 1 where there is nothing else. */
export function shareOfTone(samples: Int16Array, rate: number, hertz = SPOKEN_HERTZ): number {
  const turn = 2 * Math.cos((2 * Math.PI * hertz) / rate);
  let [before, last, energy] = [0, 0, 0];
  for (const sample of samples) {
    [before, last] = [last, sample + turn * last - before];
    energy += sample * sample;
  }
  return energy === 0 ? 0 : (2 * (before * before + last * last - turn * before * last)) / (samples.length * energy);
}
