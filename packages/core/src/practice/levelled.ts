// Looked up once: they are asked for at every sample.
const { abs, log10, max, min, sqrt } = Math;

/** Sound is looked at in pieces of this length, s. */
const PIECE = 0.02;
/** Speech is so much louder than the quiet of the room, dB, */
const ABOVE_ROOM = 12;
/** and at most so much quieter than the loudest piece. */
const BELOW_LOUDEST = 35;
/** Quieter than this nobody speaks into a microphone, dB below full scale. */
const SILENT = -55;
/** The quietest tenth of the pieces is the room. */
const ROOM = 0.1;
/** What is left before and after: the breath of a first “h”, the end of a last “s”, s. */
const LEFT_BEFORE = 0.1;
const LEFT_AFTER = 0.2;
/** All lines are as loud as this while they are spoken, dB below full scale: the active level of telephone speech lies at −26 (ITU-T P.56), of a hall higher. */
const LEVEL = -20;
/** No sample is louder than this, dB below full scale. */
const PEAK = -1;
/** A whisper is not made into a shout, dB. */
const MOST_GAIN = 30;
/** The ends come and go within, s: a cut would click. */
const FADE = 0.01;

const decibel = (value: number): number => 20 * log10(max(value, 1e-9));
const factor = (dB: number): number => 10 ** (dB / 20);

const effective = (samples: Float32Array): number =>
  sqrt(samples.reduce((sum, sample) => sum + sample * sample, 0) / max(1, samples.length));

/**
 * A line as it is spoken, without the silence before and after it, and as loud as all others.
 * The numbers are our own values.
 * @param samples between −1 and 1
 * @param rate samples a second
 * @returns null where nobody speaks
 */
export function levelled(samples: Float32Array, rate: number): Float32Array<ArrayBuffer> | null {
  const size = Math.round(PIECE * rate);
  const pieces = Array.from({ length: Math.ceil(samples.length / size) }, (_, at) =>
    samples.subarray(at * size, (at + 1) * size),
  );
  const loud = pieces.map((piece) => decibel(effective(piece)));
  const loudest = max(-Infinity, ...loud);
  if (loudest < SILENT) return null;
  // Somebody who speaks from the first moment to the last leaves no quiet of the room to be heard.
  const room = min(loud.toSorted((a, b) => a - b)[Math.floor(loud.length * ROOM)]!, loudest - 2 * ABOVE_ROOM);
  const least = max(room + ABOVE_ROOM, loudest - BELOW_LOUDEST, SILENT);
  const speaks = (dB: number): boolean => dB >= least;
  const [first, last] = [loud.findIndex(speaks), loud.findLastIndex(speaks)];
  const from = max(0, first * size - Math.round(LEFT_BEFORE * rate));
  const to = min(samples.length, (last + 1) * size + Math.round(LEFT_AFTER * rate));
  const kept = samples.slice(from, to);
  const spoken = pieces.filter((_, at) => speaks(loud[at]!));
  const active = sqrt(spoken.reduce((sum, piece) => sum + effective(piece) ** 2, 0) / spoken.length);
  const peak = kept.reduce((most, sample) => max(most, abs(sample)), 0);
  const gain = min(factor(LEVEL) / active, factor(PEAK) / peak, factor(MOST_GAIN));
  const fade = Math.round(FADE * rate);
  return kept.map((sample, at) => sample * gain * min(1, at / fade, (kept.length - 1 - at) / fade));
}
