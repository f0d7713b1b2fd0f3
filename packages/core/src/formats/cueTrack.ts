import { Zip, ZipDeflate, strToU8 } from 'fflate';
import { upperFirst } from '../words/firstLetter';
import type { Exercise } from '../library/exercise';
import { bellSounds, countSound, FADED, overtones, type Struck } from '../practice/bellSounds';
import { bells } from '../practice/bells';
import { msOfDone, type CallWords } from '../practice/calls';
import { conductAt } from '../practice/conduct';
import { cuePlan, cuedForNobody, type CuedFor } from '../practice/cuePlan';
import { hallCalls, saidWhen, type Spoken } from '../practice/hallCalls';
import { momentOf } from '../practice/moment';
import { lineKey, samplesOf, VOICE_RATE, type Recordings } from '../practice/recording';
import type { Routine } from '../routine/routine';
import { timeline, type Span, type Timeline } from '../routine/timeline';
import type { School } from '../schools/school';
import { wavHead, wavSamples } from './wav';
import { webVtt, type TimedWords } from './webVtt';

// Looked up once: they are asked for at every sample.
const { sin, PI, max, min } = Math;

/** Samples a second of bells alone: twice more than their highest overtone asks for. */
export const TRACK_RATE = 11_025;
/** The last bell sounds out, s. */
const TAIL_SECONDS = 4;
/** Sound that is made at once, s. */
const CHUNK_SECONDS = 20;
/** The words are looked at again at least this often, ms: as often as a checkpoint stays up. */
const LOOK_MS = 20_000;

/** In a track everything takes the time that is planned: nobody presses anything. */
const planned = (routine: Routine): Timeline => {
  const line = timeline(routine);
  return { ...line, spans: line.spans.map((span) => ({ ...span, byCue: false })) };
};

/** The ends of the repetitions or breaths of a span but the last, ms from its beginning. */
const countsOf = (span: Span): number[] =>
  Array.from({ length: Math.ceil(span.amount - 1e-9) - 1 }, (_, at) => msOfDone(span, at + 1));

interface Strike {
  readonly at: number;
  readonly wave: Float32Array;
}

/** What the teacher has spoken: the words of the hall, how much is said, and what is recorded of it. */
export interface Narration {
  readonly words: CallWords;
  readonly spoken: Spoken;
  readonly recorded: Recordings;
}
export const unspoken: Narration = {
  words: { takeUp: '', change: '', three: '', last: '', rest: '', end: '' },
  spoken: { cues: false, parts: 'none' },
  recorded: new Map(),
};

/** For whom a track is, and by whom it is spoken. */
export interface Told extends CuedFor {
  readonly shelf: ReadonlyMap<string, Exercise>;
  readonly school: School;
  readonly narration: Narration;
}

/** Samples a second of a track: where somebody speaks, as many as speech has. */
export const trackRate = ({ recorded }: Narration): number => (recorded.size > 0 ? VOICE_RATE : TRACK_RATE);

/** How a struck bell sounds, sample by sample. */
function waveOf({ hertz, seconds, loud }: Struck, rate: number): Float32Array {
  const length = Math.round(seconds * rate);
  return Float32Array.from({ length }, (_, at) => {
    const fading = loud * (FADED / loud) ** (at / length);
    const tones = overtones.map(([multiple, share]) => share * sin((2 * PI * hertz * multiple * at) / rate));
    return fading * tones.reduce((sum, tone) => sum + tone, 0);
  });
}

/** The lines of a practice that the teacher has spoken, where the hall says them; a line ends where the next begins. */
function linesOf(routine: Routine, line: Timeline, told: Told | null, sample: (ms: number) => number): Strike[] {
  if (told === null || told.narration.recorded.size === 0) return [];
  const { shelf, school, narration } = told;
  const { words, spoken, recorded } = narration;
  const cues = cuePlan(routine, line, shelf, school, told);
  const all = saidWhen(hallCalls(routine, line, words, spoken, shelf, school, cues, recorded), line);
  return all.flatMap(({ atMs, text }, index): Strike[] => {
    const recording = recorded.get(lineKey(text));
    if (recording === undefined) return [];
    const next = all[index + 1];
    const room = next === undefined ? Infinity : sample(next.atMs) - sample(atMs);
    return [{ at: sample(atMs), wave: samplesOf(recording).subarray(0, room) }];
  });
}

function strikesOf(routine: Routine, told: Told | null): Strike[] {
  const line = planned(routine);
  const rate = trackRate(told?.narration ?? unspoken);
  const waves = new Map(Object.entries(bellSounds).map(([sound, struck]) => [sound, waveOf(struck, rate)]));
  const tick = waveOf(countSound, rate);
  const sample = (ms: number): number => Math.round((ms / 1000) * rate);
  const rung = bells(line, conductAt(0)).map(({ inMs, sound }) => ({ at: sample(inMs), wave: waves.get(sound)! }));
  const counted = line.spans.flatMap((span) =>
    countsOf(span).map((ms) => ({ at: sample(span.startMs + ms), wave: tick })),
  );
  return [...rung, ...counted, ...linesOf(routine, line, told, sample)].toSorted((a, b) => a.at - b.at);
}

/** How many samples the track of a routine has: its length, and the last bell or word. */
export const trackSamples = (routine: Routine, narration: Narration = unspoken): number =>
  Math.round((timeline(routine).totalMs / 1000 + TAIL_SECONDS) * trackRate(narration));

/**
 * The sound of a routine as the bytes of a WAV file, one piece after the other: bells, a tick for each repetition, and what the
 * teacher has spoken.
 */
export function* trackSound(routine: Routine, told: Told | null = null): Generator<Uint8Array> {
  const rate = trackRate(told?.narration ?? unspoken);
  const samples = trackSamples(routine, told?.narration);
  yield wavHead(samples, rate);
  const strikes = strikesOf(routine, told);
  let first = 0;
  for (let from = 0; from < samples; from += CHUNK_SECONDS * rate) {
    const piece = new Float32Array(Math.min(CHUNK_SECONDS * rate, samples - from));
    for (let index = first; index < strikes.length; index += 1) {
      const { at, wave } = strikes[index]!;
      if (at >= from + piece.length) break;
      // What has sounded out needs no look any more.
      if (at + wave.length <= from && index === first) {
        first += 1;
        continue;
      }
      const until = min(wave.length, from + piece.length - at);
      for (let into = max(0, from - at); into < until; into += 1) piece[at + into - from]! += wave[into]!;
    }
    yield wavSamples(piece);
  }
}

/** The words of a routine in time: what is done, on which side, which repetition, its part and the cue that is up. */
export function trackWords(
  routine: Routine,
  shelf: ReadonlyMap<string, Exercise>,
  school: School,
  { inWork, before }: CuedFor = cuedForNobody,
): TimedWords[] {
  const line = planned(routine);
  const cues = cuePlan(routine, line, shelf, school, { inWork, before });
  const all = line.spans.flatMap((span): TimedWords[] => {
    const looks = Array.from({ length: Math.ceil(span.durationMs / LOOK_MS) }, (_, at) => at * LOOK_MS);
    const times = [...new Set([0, ...countsOf(span), ...looks])].toSorted((a, b) => a - b);
    return times.map((offsetMs, at) => {
      const state = { ...conductAt(span.index), offsetMs: offsetMs + 1 };
      const now = momentOf(routine, line, state, shelf, school, cues);
      const side = [now.side === 'both' ? '' : now.side, now.direction].filter((word) => word !== '').join(', ');
      const counting = span.amount > 1;
      const left = counting ? `${now.big} ${now.unit}` : '';
      const told = now.wayIn.length > 0 ? [...now.cautions, ...now.wayIn, now.mayBegin] : [];
      return {
        fromMs: span.startMs + offsetMs,
        toMs: span.startMs + (times[at + 1] ?? span.durationMs),
        lines: [
          [now.title, side].filter((word) => word !== '').join(' – '),
          [left, now.detail].filter((word) => word !== '').join(' · '),
          ...told,
          now.checkpoint === null ? '' : `${upperFirst(now.checkpoint.region)}: ${now.checkpoint.cue}`,
        ],
      };
    });
  });
  return [...all, { fromMs: line.totalMs, toMs: line.totalMs + TAIL_SECONDS * 1000, lines: ['Done'] }];
}

export interface Track {
  /** Of both files, without an ending. */
  readonly name: string;
  readonly routine: Routine;
}

/**
 * Sound (WAV) and words (WebVTT) of some practices, one after the other, in one ZIP file; a player that finds the words beside the sound shows them.
 * @param progress is told which share is done
 */
export function cueTracks(
  tracks: readonly Track[],
  shelf: ReadonlyMap<string, Exercise>,
  school: School,
  inWork: ReadonlySet<string> = new Set(),
  progress: (share: number) => void = () => undefined,
  narration: Narration = unspoken,
): Uint8Array[] {
  const pieces: Uint8Array[] = [];
  const zip = new Zip((error, piece) => {
    if (error !== null) throw error;
    pieces.push(piece);
  });
  const all = tracks.reduce((sum, { routine }) => sum + trackSamples(routine, narration) * 2, 0);
  let done = 0;
  for (const [index, { name, routine }] of tracks.entries()) {
    const before = (): number => index;
    const sound = new ZipDeflate(`${name}.wav`);
    zip.add(sound);
    for (const piece of trackSound(routine, { shelf, school, narration, inWork, before })) {
      sound.push(piece);
      done += piece.length;
      progress(Math.min(1, done / all));
    }
    sound.push(new Uint8Array(0), true);
    const words = new ZipDeflate(`${name}.vtt`);
    zip.add(words);
    words.push(strToU8(webVtt(trackWords(routine, shelf, school, { inWork, before }))), true);
  }
  zip.end();
  return pieces;
}
