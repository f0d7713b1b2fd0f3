// Looked up once: they are asked for at every sample.
const { round, max, min } = Math;

/** Bytes of the head of a WAV file. */
export const WAV_HEAD = 44;

/**
 * The head of a WAV file of one channel with samples of 16 bits (RIFF, “Multimedia Programming Interface and Data
 * Specifications 1.0”, Microsoft and IBM 1991, chapter 3).
 * @param samples how many follow
 * @param rate samples a second
 */
export function wavHead(samples: number, rate: number): Uint8Array {
  const bytes = new Uint8Array(WAV_HEAD);
  const view = new DataView(bytes.buffer);
  const letters = (at: number, text: string): void =>
    Array.from(text).forEach((letter, index) => view.setUint8(at + index, letter.charCodeAt(0)));
  letters(0, 'RIFF');
  view.setUint32(4, WAV_HEAD - 8 + samples * 2, true);
  letters(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * 2, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  letters(36, 'data');
  view.setUint32(40, samples * 2, true);
  return bytes;
}

/** Samples between −1 and 1 as the bytes of a WAV file; what is louder is cut. */
export function wavSamples(samples: Float32Array): Uint8Array {
  const view = new DataView(new ArrayBuffer(samples.length * 2));
  for (let at = 0; at < samples.length; at += 1) {
    const sample = samples[at]!;
    if (sample !== 0) view.setInt16(at * 2, round(max(-1, min(1, sample)) * 32767), true);
  }
  return new Uint8Array(view.buffer);
}
