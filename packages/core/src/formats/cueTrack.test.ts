import { inflateRawSync } from 'node:zlib';
import { unzipSync } from 'fflate';
import webvtt from 'node-webvtt';
import { WaveFile } from 'wavefile';
import { cycle, eachSide, hold, pattern, breathe, together } from '../library/describe';
import { bellSounds } from '../practice/bellSounds';
import { timeline } from '../routine/timeline';
import { softSchool } from '../schools/builtInSchools';
import { routine, segment, shelf } from '../testing/samples';
import { TRACK_RATE, cueTracks, trackSamples, trackSound, trackWords } from './cueTrack';
import { webVtt } from './webVtt';

const practice = routine(
  [
    segment('a', hold(60, together(1))),
    segment('b', cycle(4, eachSide(3)), { exerciseId: 'empty-full' }),
    segment('c', breathe(4, pattern(4, 0, 6, 0)), { exerciseId: 'belly-breathing' }),
    { type: 'rest', id: 'd', seconds: 7, label: 'Shake <out> & breathe', roundId: null },
  ],
  { settleSeconds: 10, changeSeconds: 5, name: 'Track' },
);
const line = timeline(practice);
const bytes = Buffer.concat([...trackSound(practice)]);
const wave = new WaveFile(bytes);
const samples = wave.getSamples(false, Int16Array) as unknown as Int16Array;
/** The loudest sample within so many seconds from a moment on. */
const loudest = (fromSeconds: number, seconds: number): number =>
  samples
    .slice(Math.round(fromSeconds * TRACK_RATE), Math.round((fromSeconds + seconds) * TRACK_RATE))
    .reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);

describe('the sound, read by a foreign reader (the wavefile package)', () => {
  test('one channel, 16 bits, as long as the practice and its last bell, to the sample', () => {
    expect(wave.container).toBe('RIFF');
    expect(wave.fmt).toMatchObject({ numChannels: 1, sampleRate: TRACK_RATE, bitsPerSample: 16, audioFormat: 1 });
    expect(samples.length).toBe(Math.round((line.totalMs / 1000 + 4) * TRACK_RATE));
    expect(samples.length).toBe(trackSamples(practice));
    expect(bytes.length).toBe(44 + 2 * samples.length);
  });

  test('a bell where the stand begins and ends, a warning before its end, silence between', () => {
    // Settling takes 10 s, the stand a minute; the warning comes 10 s before its end.
    expect(loudest(0, 9.99)).toBe(0);
    expect(loudest(10, 0.1)).toBeGreaterThan(0.4 * 32767);
    expect(loudest(12, 47)).toBe(0);
    expect(loudest(60, 0.1)).toBeGreaterThan(0.1 * 32767);
    expect(loudest(60.4, 9.5)).toBe(0);
    expect(loudest(70, 0.1)).toBeGreaterThan(0.3 * 32767);
  });

  test('the pitch of the first bell, by the zero crossings of its fundamental', () => {
    // A plain sine of the pitch, correlated with what is heard: the right pitch answers much more than its neighbours.
    const heard = samples.slice(10 * TRACK_RATE, 10.5 * TRACK_RATE);
    const answer = (hertz: number): number => {
      let [sine, cosine] = [0, 0];
      heard.forEach((sample, at) => {
        sine += sample * Math.sin((2 * Math.PI * hertz * at) / TRACK_RATE);
        cosine += sample * Math.cos((2 * Math.PI * hertz * at) / TRACK_RATE);
      });
      return Math.hypot(sine, cosine);
    };
    const { hertz } = bellSounds.begin;
    expect(answer(hertz)).toBeGreaterThan(5 * answer(hertz * 1.03));
    expect(answer(hertz)).toBeGreaterThan(5 * answer(hertz / 1.03));
  });

  test('each repetition but the last of a side ends in a tick', () => {
    for (const span of line.spans.filter(({ kind }) => kind === 'cycle')) {
      const from = span.startMs / 1000;
      for (const count of [1, 2]) {
        expect(loudest(from + 4 * count, 0.05)).toBeGreaterThan(0.05 * 32767);
        expect(loudest(from + 4 * count + 0.2, 3.5)).toBe(0);
      }
    }
  });
});

describe('the words, read by a foreign reader (the node-webvtt package)', () => {
  const words = trackWords(practice, shelf, softSchool);
  const read = webvtt.parse(webVtt(words), { strict: true });

  test('every moment of the practice has its words, in order and without a gap', () => {
    expect(read.valid).toBe(true);
    expect(read.cues[0]!.start).toBe(0);
    expect(read.cues.at(-1)!.end).toBeCloseTo(line.totalMs / 1000 + 4, 3);
    read.cues.slice(1).forEach((cue, index) => expect(cue.start).toBeCloseTo(read.cues[index]!.end, 3));
  });

  test('what is done, on which side, how many are left, what one does in a rest', () => {
    const at = (seconds: number): string => read.cues.find(({ start, end }) => start <= seconds && seconds < end)!.text;
    expect(at(1)).toMatch(/^Take up: Holding the tree/);
    expect(at(30)).toMatch(/^Holding the tree\n/);
    const cycles = line.spans.filter(({ kind }) => kind === 'cycle');
    expect(at(cycles[0]!.startMs / 1000 + 1)).toMatch(/ – left[\s\S]*3 of 3 to go/);
    expect(at(cycles[0]!.startMs / 1000 + 9)).toMatch(/1 of 3 to go/);
    expect(at(cycles[1]!.startMs / 1000 + 1)).toMatch(/ – right/);
    expect(at(line.totalMs / 1000 - 1)).toBe('Shake &lt;out&gt; &amp; breathe');
    expect(at(line.totalMs / 1000 + 1)).toBe('Done');
  });
});

test('both in one archive, read by zlib, with progress up to the whole', () => {
  const shares: number[] = [];
  const pieces = cueTracks([{ name: 'track', routine: practice }], shelf, softSchool, new Set(), (share) =>
    shares.push(share),
  );
  const zip = Buffer.concat(pieces);
  const files = unzipSync(zip);
  expect(Object.keys(files)).toEqual(['track.wav', 'track.vtt']);
  expect(Buffer.from(files['track.wav']!).equals(bytes)).toBe(true);
  // The first file, from its local head on (APPNOTE 4.3.7), by another inflater.
  const head = 30 + zip.readUInt16LE(26) + zip.readUInt16LE(28);
  expect(inflateRawSync(zip.subarray(head)).subarray(0, 44)).toEqual(bytes.subarray(0, 44));
  expect(shares.at(-1)).toBe(1);
  expect(shares).toEqual(shares.toSorted((a, b) => a - b));
});
