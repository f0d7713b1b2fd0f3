import { WaveFile } from 'wavefile';
import { fromMuLaw, toMuLaw } from './muLaw';
import { levelled } from './levelled';
import {
  LONGEST_LINE,
  RecordingSchema,
  VOICE_RATE,
  lineKey,
  msOfRecording,
  recordingOf,
  recordingsBy,
  saidFor,
  samplesOf,
  soundBytes,
} from './recording';

const { abs, log10, max, sin, sqrt, PI } = Math;
const decibel = (value: number): number => 20 * log10(value);
/** A tone of so many seconds. */
const tone = (seconds: number, loud: number, hertz = 300): Float32Array =>
  Float32Array.from(
    { length: Math.round(seconds * VOICE_RATE) },
    (_, at) => loud * sin((2 * PI * hertz * at) / VOICE_RATE),
  );
/** The quiet of a room: the same at each run. */
const room = (seconds: number, loud: number): Float32Array => {
  let seed = 7;
  return Float32Array.from({ length: Math.round(seconds * VOICE_RATE) }, () => {
    seed = (seed * 1103515245 + 12345) % 2 ** 31;
    return loud * ((seed / 2 ** 30 - 1) % 1);
  });
};
const joined = (...parts: readonly Float32Array[]): Float32Array =>
  Float32Array.from(parts.flatMap((part) => [...part]));

describe('the μ-law of ITU-T G.711', () => {
  test('every sample of 16 bits becomes the byte that a foreign program has for it (the wavefile package)', () => {
    const samples = Array.from({ length: 65_536 }, (_, at) => at - 32_768);
    const wave = new WaveFile();
    wave.fromScratch(1, 8000, '16', samples);
    wave.toMuLaw();
    const bytes = (wave as unknown as { data: { samples: Uint8Array } }).data.samples;
    const wrong = samples.filter((sample, at) => toMuLaw(sample) !== bytes[at] && abs(sample) > 4);
    expect(wrong).toEqual([]);
  });

  // ITU-T G.711, table 2a: values 8031, 4191, 2015, 1015 … of 14 bits, four times as large here (from memory).
  test.each([
    [0x80, 8031],
    [0x8f, 4191],
    [0x9f, 2079],
    [0xff, 0],
    [0xfe, 2],
    [0x00, -8031],
  ])('the byte %i stands for %i', (byte, value) => {
    expect(fromMuLaw(byte) + 0).toBe(value * 4 + 0);
  });

  test('a byte becomes itself again, and a sample is off by less than a sixteenth', () => {
    for (let byte = 0; byte < 256; byte += 1) if (byte !== 0x7f) expect(toMuLaw(fromMuLaw(byte))).toBe(byte);
    for (let sample = -32_124; sample <= 32_124; sample += 37)
      expect(abs(fromMuLaw(toMuLaw(sample)) - sample)).toBeLessThanOrEqual(max(8, abs(sample) / 16));
  });
});

describe('a recorded line', () => {
  test('is kept by its words, and comes back as it was but for the law’s own error', () => {
    const samples = tone(1.5, 0.5);
    const kept = recordingOf('  Sink the \n shoulders.', samples);
    expect(kept.id).toBe('Sink the shoulders.');
    expect(RecordingSchema.parse(JSON.parse(JSON.stringify(kept)))).toEqual(kept);
    expect(soundBytes(kept)).toBe(samples.length);
    expect(msOfRecording(kept)).toBe(1500);
    const back = samplesOf(kept);
    expect(back.length).toBe(samples.length);
    expect(max(...back.map((sample, at) => abs(sample - samples[at]!)))).toBeLessThan(0.02);
  });

  test.each([1, 2, 3, 4, 5])('of %i samples has as many bytes', (length) => {
    expect(soundBytes(recordingOf('x', new Float32Array(length)))).toBe(length);
  });

  test('the longest line is kept, a longer one and none are refused in words', () => {
    const longest = new Float32Array(LONGEST_LINE * VOICE_RATE);
    expect(recordingOf('x', longest).id).toBe('x');
    const refused = (recording: unknown) => RecordingSchema.safeParse(recording).error?.issues[0]?.message;
    expect(refused({ id: 'x', sound: `AAAA${recordingOf('x', longest).sound}` })).toBe('a line takes 20 s at most');
    expect(refused({ id: 'x', sound: '' })).toBe('the sound is empty');
    expect(refused({ id: 'x', sound: '<svg onload=1>' })).toBe('this is no sound');
    expect(refused({ id: 'x  y', sound: 'AAAA' })).toBe('the words of a line have single spaces');
    expect(refused({ id: '', sound: 'AAAA' })).toBeDefined();
  });

  test('takes as long as it is; what is not recorded takes as long as a voice needs', () => {
    const recorded = recordingsBy([recordingOf('Change. Left', tone(2.5, 0.1))]);
    expect(saidFor(recorded)('Change.  Left')).toBe(2500);
    expect(saidFor(recorded)('Change')).toBe(400 + 6 * 70);
    expect(lineKey(' a  b ')).toBe('a b');
  });
});

describe('silence is trimmed and the level set', () => {
  const active = (samples: Float32Array): number =>
    decibel(sqrt(samples.reduce((sum, sample) => sum + sample * sample, 0) / samples.length));

  test.each([
    ['soft', 0.02],
    ['usual', 0.1],
    ['loud', 0.9],
  ])('a %s voice in a quiet room: what is before and after goes, and all are equally loud', (_, loud) => {
    const said = levelled(joined(room(1.2, 0.001), tone(0.9, loud), room(0.8, 0.001)), VOICE_RATE)!;
    // A tenth of a second before, a fifth after, to the piece of 20 ms.
    expect(said.length / VOICE_RATE).toBeGreaterThan(1.19);
    expect(said.length / VOICE_RATE).toBeLessThan(1.25);
    expect(active(said.subarray(0.2 * VOICE_RATE, 0.8 * VOICE_RATE))).toBeCloseTo(-20, 0);
    expect([abs(said[0]!), abs(said.at(-1)!)]).toEqual([0, 0]);
  });

  test('pauses within a line stay, and a cut without any silence loses nothing', () => {
    const paused = levelled(
      joined(room(0.5, 0.001), tone(0.4, 0.1), room(0.7, 0.001), tone(0.4, 0.1), room(0.5, 0.001)),
      VOICE_RATE,
    )!;
    expect(paused.length / VOICE_RATE).toBeCloseTo(1.8, 1);
    expect(levelled(tone(1, 0.1), VOICE_RATE)!.length).toBe(VOICE_RATE);
  });

  test('a noisy room is not taken for speech', () => {
    const said = levelled(joined(room(1, 0.01), tone(0.6, 0.2), room(1, 0.01)), VOICE_RATE)!;
    expect(said.length / VOICE_RATE).toBeCloseTo(0.9, 1);
  });

  test('where nobody speaks there is nothing, and a knock is not made louder than can be heard clean', () => {
    expect(levelled(room(2, 0.0005), VOICE_RATE)).toBeNull();
    expect(levelled(new Float32Array(0), VOICE_RATE)).toBeNull();
    const knock = joined(room(0.5, 0.0005), tone(0.6, 0.05), Float32Array.of(0.9, -0.9), tone(0.2, 0.05));
    const said = levelled(knock, VOICE_RATE)!;
    expect(decibel(max(...said.map(abs)))).toBeLessThanOrEqual(-0.99);
  });
});
