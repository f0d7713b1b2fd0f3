import { inflateRawSync } from 'node:zlib';
import { unzipSync } from 'fflate';
import webvtt from 'node-webvtt';
import { WaveFile } from 'wavefile';
import { cycle, eachSide, hold, pattern, breathe, timed, together } from '../library/describe';
import { bellSounds, countSound, FADED, overtones } from '../practice/bellSounds';
import { timeline } from '../routine/timeline';
import { softSchool } from '../schools/builtInSchools';
import { routine, segment, shelf } from '../testing/samples';
import { usualCalls } from '../practice/calls';
import { cuePlan, cuedForNobody } from '../practice/cuePlan';
import { hallCalls, saidWhen } from '../practice/hallCalls';
import { recordingOf, recordingsBy, VOICE_RATE } from '../practice/recording';
import {
  TRACK_RATE,
  cueTracks,
  trackSamples,
  trackSound,
  trackWords,
  unspoken,
  type Narration,
  type Told,
} from './cueTrack';
import { wavHead, wavSamples } from './wav';
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
let samples: Int16Array;
const sound = () => Buffer.concat([...trackSound(practice)]);
/** The loudest sample within so many seconds from a moment on. */
const loudest = (fromSeconds: number, seconds: number): number =>
  samples
    .slice(Math.round(fromSeconds * TRACK_RATE), Math.round((fromSeconds + seconds) * TRACK_RATE))
    .reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);

describe('the sound, read by a foreign reader (the wavefile package)', () => {
  let bytes: Buffer;
  let wave: WaveFile;
  // Made in each test: what is made once for all is not seen to belong to any.
  beforeEach(() => {
    bytes = sound();
    wave = new WaveFile(bytes);
    samples = wave.getSamples(false, Int16Array) as unknown as Int16Array;
  });

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
  const reread = () => webvtt.parse(webVtt(trackWords(practice, shelf, softSchool)), { strict: true });

  test('every moment of the practice has its words, in order and without a gap', () => {
    const read = reread();
    expect(read.valid).toBe(true);
    expect(read.cues[0]!.start).toBe(0);
    expect(read.cues.at(-1)!.end).toBeCloseTo(line.totalMs / 1000 + 4, 3);
    read.cues.slice(1).forEach((cue, index) => expect(cue.start).toBeCloseTo(read.cues[index]!.end, 3));
  });

  test('what is done, on which side, how many are left, what one does in a rest', () => {
    const read = reread();
    const at = (seconds: number): string => read.cues.find(({ start, end }) => start <= seconds && seconds < end)!.text;
    expect(at(1)).toMatch(/^Get ready: Holding the tree/);
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
  const bytes = sound();
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

test('the head of a sound, byte by byte (RIFF, “Multimedia Programming Interface and Data Specifications 1.0”, chapter 3)', () => {
  const head = Buffer.from(wavHead(300, 11_025));
  const words = (at: number) => head.toString('latin1', at, at + 4);
  expect([words(0), words(8), words(12), words(36)]).toEqual(['RIFF', 'WAVE', 'fmt ', 'data']);
  // After the first eight bytes 36 of the head and two for each sample follow.
  expect(head.readUInt32LE(4)).toBe(36 + 600);
  expect([head.readUInt32LE(16), head.readUInt16LE(20), head.readUInt16LE(22)]).toEqual([16, 1, 1]);
  expect([head.readUInt32LE(24), head.readUInt32LE(28)]).toEqual([11_025, 22_050]);
  expect([head.readUInt16LE(32), head.readUInt16LE(34), head.readUInt32LE(40)]).toEqual([2, 16, 600]);
  const body = Buffer.from(wavSamples(Float32Array.of(0, 1, -1, 2, -2, 0.5)));
  expect([0, 2, 4, 6, 8, 10].map((at) => body.readInt16LE(at))).toEqual([0, 32767, -32767, 32767, -32767, 16384]);
});

describe('times and words of a track', () => {
  test('hours, minutes, seconds and thousandths; what stands for no time, or says nothing, is left out', () => {
    const told = webVtt([
      { fromMs: 0, toMs: 1500, lines: ['  A  <b> & c ', '', 'two'] },
      { fromMs: 1500, toMs: 1500, lines: ['no time'] },
      { fromMs: 59_999, toMs: 61_001, lines: [' '] },
      { fromMs: 3_599_999, toMs: 3_661_001, lines: ['late'] },
    ]);
    expect(told).toBe(
      'WEBVTT\n\n00:00:00.000 --> 00:00:01.500\nA &lt;b&gt; &amp; c\ntwo\n\n00:59:59.999 --> 01:01:01.001\nlate\n',
    );
    expect(webVtt([])).toBe('WEBVTT\n');
  });

  test('a long hold is looked at every twenty seconds; while it is taken up its way in and cautions are said', () => {
    const words = trackWords(practice, shelf, softSchool);
    expect(words.filter(({ fromMs }) => fromMs < 70_000).map(({ fromMs }) => fromMs)).toEqual([
      0, 10_000, 30_000, 50_000,
    ]);
    const tree = shelf.get('tree-holding')!;
    expect(words[0]!.lines[0]).toBe('Get ready: Holding the tree');
    expect(words[0]!.lines).toHaveLength(2 + (tree.cautions.length - 1) + tree.wayIn.length + 1 + 1);
    expect(words[1]!.lines).toHaveLength(3);
    expect(words[1]!.lines[1]).toMatch(/^attention: /);
    expect(words[1]!.lines[2]).toMatch(/^[A-Z][a-z ]+: .+/);
    // In breaths the count goes with the words; in a rest and in a hold there is none.
    const breath = line.spans.find(({ kind }) => kind === 'breath')!;
    const counted = words.filter(
      ({ fromMs }) => fromMs >= breath.startMs && fromMs < breath.startMs + breath.durationMs,
    );
    expect(counted.map(({ lines }) => lines[1]!.split(' · ')[0])).toEqual(
      [4, 3, 3, 2, 1].map((left) => `${left} of 4 breaths to go`).filter((_, at) => counted.length === 5 || at !== 2),
    );
    expect(words.at(-1)).toEqual({ fromMs: line.totalMs, toMs: line.totalMs + 4000, lines: ['Done'] });
  });

  test('what waits for a cue takes its planned time; sides in turn and single repetitions have no tick', () => {
    const cued = routine([segment('a', { ...hold(20, together(1)), byCue: true })]);
    expect(trackWords(cued, shelf, softSchool).map(({ fromMs }) => fromMs)).toEqual([0, 20_000]);
    expect(trackWords(cued, shelf, softSchool)[0]!.lines[1]).not.toContain('cue');
    const loud = (of: ReturnType<typeof segment>, from: number, to: number) => {
      const heard = new WaveFile(Buffer.concat([...trackSound(routine([of]))]));
      const all = heard.getSamples(false, Int16Array) as unknown as Int16Array;
      return all.slice(from * TRACK_RATE, to * TRACK_RATE).some((sample) => sample !== 0);
    };
    const turns = segment('t', cycle(6, eachSide(2)), { exerciseId: 'empty-full', sideOrder: 'each' });
    expect(loud(turns, 4, 5.9)).toBe(false);
    const pair = segment('p', cycle(6, together(2)), { exerciseId: 'empty-full' });
    expect([loud(pair, 4, 5.9), loud(pair, 6, 6.1)]).toEqual([false, true]);
    const single = segment('s', cycle(30, together(1)), { exerciseId: 'empty-full' });
    expect(loud(single, 4, 29.9)).toBe(false);
    expect(loud(single, 30, 30.1)).toBe(true);
  });

  test('a bell goes on over the joint of two pieces of twenty seconds', () => {
    const heard = (first: number) =>
      new WaveFile(
        Buffer.concat([
          ...trackSound(routine([segment('a', hold(first, together(1))), segment('b', hold(15, together(1)))])),
        ]),
      ).getSamples(false, Int16Array) as unknown as Int16Array;
    // The same bell at 9 s, within the first piece, and at 19.5 s, over the joint.
    const [within, over] = [heard(9), heard(19.5)];
    const bell = (samples: Int16Array, seconds: number) => [
      ...samples.slice(Math.round(seconds * TRACK_RATE), Math.round(seconds * TRACK_RATE) + TRACK_RATE),
    ];
    expect(Math.max(...bell(over, 20))).toBeGreaterThan(0);
    expect(bell(over, 19.5)).toEqual(bell(within, 9));
  });

  test('a struck bell sounds as its overtones say, ever more softly, until next to nothing is left', () => {
    const struck = bellSounds.end;
    const heard = new WaveFile(Buffer.concat([...trackSound(routine([segment('a', hold(5, together(1)))]))]));
    const all = heard.getSamples(false, Int16Array) as unknown as Int16Array;
    const bell = Array.from(all.slice(5 * TRACK_RATE), (sample) => sample / 32767);
    // It starts as a sine does, upwards from nought.
    expect(bell[0]).toBe(0);
    expect(Math.sign(bell[1]!)).toBe(1);
    const loudestIn = (from: number, to: number) =>
      Math.max(...bell.slice(Math.round(from * TRACK_RATE), Math.round(to * TRACK_RATE)).map(Math.abs));
    const whole = overtones.reduce((sum, [, share]) => sum + share, 0);
    expect(loudestIn(0, 0.05)).toBeLessThan(struck.loud * whole);
    expect(loudestIn(0, 0.05)).toBeGreaterThan(struck.loud);
    expect(loudestIn(struck.seconds - 0.05, struck.seconds)).toBeLessThan(3 * FADED);
    // Each overtone answers by its share.
    const answer = (hertz: number, from = 0): number => {
      const window = bell.slice(from, from + TRACK_RATE);
      const part = (wave: (angle: number) => number) =>
        window.reduce((sum, sample, at) => sum + sample * wave((2 * Math.PI * hertz * at) / TRACK_RATE), 0);
      return Math.hypot(part(Math.sin), part(Math.cos));
    };
    const first = answer(struck.hertz);
    for (const [multiple, share] of overtones) expect(answer(struck.hertz * multiple) / first).toBeCloseTo(share, 1);
    // By half of its time it has come down by the root of all that it comes down by.
    const half = answer(struck.hertz, Math.round((struck.seconds / 2) * TRACK_RATE));
    expect(half / first / Math.sqrt(FADED / struck.loud)).toBeCloseTo(1, 1);
  });

  test('a tick within a bell leaves it as it was', () => {
    const heard = (pace: number) => {
      const of = routine([segment('a', cycle(pace, together(3)), { exerciseId: 'empty-full' })], { settleSeconds: 5 });
      return new WaveFile(Buffer.concat([...trackSound(of)])).getSamples(false, Int16Array) as unknown as Int16Array;
    };
    const [ticking, quiet] = [heard(1), heard(4)];
    const over = Math.round(6 * TRACK_RATE) + Math.round(countSound.seconds * TRACK_RATE);
    expect([...quiet.slice(over, over + 900)].some((sample) => sample !== 0)).toBe(true);
    expect([...ticking.slice(over, over + 900)]).toEqual([...quiet.slice(over, over + 900)]);
    expect([...ticking.slice(over - 500, over)]).not.toEqual([...quiet.slice(over - 500, over)]);
  });

  test('a repetition that is cut short has a tick where it began, and moments stand in their order', () => {
    const span = routine([segment('a', timed(11, 4, together(1)), { exerciseId: 'empty-full' })]);
    expect(trackWords(span, shelf, softSchool).map(({ fromMs }) => fromMs)).toEqual([0, 4000, 8000, 11_000]);
    const long = routine([segment('a', cycle(6, together(8)), { exerciseId: 'empty-full' })]);
    const words = trackWords(long, shelf, softSchool);
    expect(words.map(({ fromMs }) => fromMs / 1000)).toEqual([0, 6, 12, 18, 20, 24, 30, 36, 40, 42, 48]);
    words.forEach(({ fromMs, toMs }, at) => expect(toMs).toBe(words[at + 1]?.fromMs ?? fromMs + 4000));
    const single = routine([segment('s', cycle(15, together(1)), { exerciseId: 'empty-full' })]);
    expect(trackWords(single, shelf, softSchool)[0]!.lines.join()).not.toContain('to go');
  });

  test('progress goes by what is done of all practices, and each has its two files', () => {
    const shares: number[] = [];
    const short = routine([segment('a', hold(10, together(1)))]);
    const pieces = cueTracks(
      [
        { name: 'one', routine: short },
        { name: 'two', routine: short },
      ],
      shelf,
      softSchool,
      new Set(),
      (share) => shares.push(share),
    );
    expect(Object.keys(unzipSync(Buffer.concat(pieces)))).toEqual(['one.wav', 'one.vtt', 'two.wav', 'two.vtt']);
    expect(shares).toHaveLength(4);
    expect(shares[1]).toBeCloseTo(0.5, 2);
  });
});

describe('in the teacher’s own voice', () => {
  // Not of one size, so that the moments of lines are no whole numbers of samples.
  const click = (size: number): Float32Array => Float32Array.from({ length: 400 }, (_, at) => (at === 0 ? size : 0));
  const narration: Narration = {
    words: usualCalls,
    spoken: { cues: true, parts: 'new' },
    recorded: recordingsBy([recordingOf('Change. Right', click(0.5)), recordingOf('Done', click(0.25))]),
  };
  const told: Told = { shelf, school: softSchool, narration, ...cuedForNobody };
  const of = (words: Told | null) =>
    new WaveFile(Buffer.concat([...trackSound(practice, words)])).getSamples(
      false,
      Int16Array,
    ) as unknown as Int16Array;

  test('a line stands at its sample, as the hall says it, and the bells stay', () => {
    const heard = of(told);
    expect(heard.length).toBe(trackSamples(practice, narration));
    expect(heard.length).toBe(Math.round((line.totalMs / 1000 + 4) * VOICE_RATE));
    const changes = line.spans.filter(({ kind, side }) => kind === 'change' && side === 'right');
    expect(changes.length).toBeGreaterThan(0);
    // The bell of the end of a part sounds at the same moment: the line is what is heard beyond it.
    const without = of({
      ...told,
      narration: { ...narration, recorded: recordingsBy([recordingOf('nothing', click(1))]) },
    });
    const spokenAt = Array.from(heard, (sample, at) => (sample === without[at] ? -1 : at)).filter((at) => at >= 0);
    expect(spokenAt).toEqual([
      ...changes.map(({ startMs }) => Math.round((startMs / 1000) * VOICE_RATE)),
      Math.round((line.totalMs / 1000) * VOICE_RATE),
    ]);
    const [first] = spokenAt;
    // The μ-law is off by less than a thirty-second.
    expect(Math.abs(heard[first!]! - without[first!]! - 0.5 * 32767)).toBeLessThan(0.5 * 1024);
  });

  test('a line ends where the next one begins, and without recordings the track is what it was', () => {
    const long = Float32Array.from({ length: 18 * VOICE_RATE }, () => 0.1);
    const recorded = recordingsBy([recordingOf('Change. Right', long), recordingOf('The last one', click(0.2))]);
    const heard = of({ ...told, narration: { ...narration, recorded } });
    const bellsAlone = of({
      ...told,
      narration: { ...narration, recorded: recordingsBy([recordingOf('nothing', long)]) },
    });
    const change = line.spans.find(({ kind, side }) => kind === 'change' && side === 'right')!;
    const cues = cuePlan(practice, line, shelf, softSchool, cuedForNobody);
    const { words, spoken } = narration;
    const said = saidWhen(hallCalls(practice, line, words, spoken, shelf, softSchool, cues, recorded), line);
    const next = said[said.findIndex(({ text }) => text === 'Change. Right') + 1]!;
    expect(next.atMs - change.startMs).toBeLessThan(18_000);
    const isSpoken = (ms: number): boolean => {
      const sample = Math.round((ms / 1000) * VOICE_RATE);
      return heard[sample] !== bellsAlone[sample];
    };
    expect([change.startMs + 1, next.atMs - 1, next.atMs + 1].map(isSpoken)).toEqual([true, true, false]);
    expect(of({ ...told, narration: unspoken })).toEqual(of(null));
  });
});
