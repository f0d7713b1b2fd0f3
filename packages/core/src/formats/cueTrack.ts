import { Zip, ZipDeflate, strToU8 } from 'fflate';
import { upperFirst } from '../words/firstLetter';
import type { Exercise } from '../library/exercise';
import { bellSounds, countSound, FADED, overtones, type Struck } from '../practice/bellSounds';
import { bells } from '../practice/bells';
import { msOfDone } from '../practice/calls';
import { conductAt } from '../practice/conduct';
import { cuePlan, cuedForNobody, type CuedFor } from '../practice/cuePlan';
import { momentOf } from '../practice/moment';
import type { Routine } from '../routine/routine';
import { timeline, type Span, type Timeline } from '../routine/timeline';
import type { School } from '../schools/school';
import { wavHead, wavSamples } from './wav';
import { webVtt, type TimedWords } from './webVtt';

// Looked up once: they are asked for at every sample.
const { sin, PI, max, min } = Math;

/** Samples a second: twice more than the highest overtone of a bell asks for. */
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

/** How a struck bell sounds, sample by sample. */
function waveOf({ hertz, seconds, loud }: Struck): Float32Array {
  const length = Math.round(seconds * TRACK_RATE);
  return Float32Array.from({ length }, (_, at) => {
    const fading = loud * (FADED / loud) ** (at / length);
    const tones = overtones.map(([multiple, share]) => share * sin((2 * PI * hertz * multiple * at) / TRACK_RATE));
    return fading * tones.reduce((sum, tone) => sum + tone, 0);
  });
}

function strikesOf(line: Timeline): Strike[] {
  const waves = new Map(Object.entries(bellSounds).map(([sound, struck]) => [sound, waveOf(struck)]));
  const tick = waveOf(countSound);
  const sample = (ms: number): number => Math.round((ms / 1000) * TRACK_RATE);
  const rung = bells(line, conductAt(0)).map(({ inMs, sound }) => ({ at: sample(inMs), wave: waves.get(sound)! }));
  const counted = line.spans.flatMap((span) =>
    countsOf(span).map((ms) => ({ at: sample(span.startMs + ms), wave: tick })),
  );
  return [...rung, ...counted].toSorted((a, b) => a.at - b.at);
}

/** How many samples the track of a routine has: its length and the last bell. */
export const trackSamples = (routine: Routine): number =>
  Math.round((timeline(routine).totalMs / 1000 + TAIL_SECONDS) * TRACK_RATE);

/** The sound of a routine as the bytes of a WAV file, one piece after the other: bells, and a tick for each repetition. */
export function* trackSound(routine: Routine): Generator<Uint8Array> {
  const samples = trackSamples(routine);
  yield wavHead(samples, TRACK_RATE);
  const strikes = strikesOf(planned(routine));
  let first = 0;
  for (let from = 0; from < samples; from += CHUNK_SECONDS * TRACK_RATE) {
    const piece = new Float32Array(Math.min(CHUNK_SECONDS * TRACK_RATE, samples - from));
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
): Uint8Array[] {
  const pieces: Uint8Array[] = [];
  const zip = new Zip((error, piece) => {
    if (error !== null) throw error;
    pieces.push(piece);
  });
  const all = tracks.reduce((sum, { routine }) => sum + trackSamples(routine) * 2, 0);
  let done = 0;
  for (const [index, { name, routine }] of tracks.entries()) {
    const sound = new ZipDeflate(`${name}.wav`);
    zip.add(sound);
    for (const piece of trackSound(routine)) {
      sound.push(piece);
      done += piece.length;
      progress(Math.min(1, done / all));
    }
    sound.push(new Uint8Array(0), true);
    const words = new ZipDeflate(`${name}.vtt`);
    zip.add(words);
    words.push(strToU8(webVtt(trackWords(routine, shelf, school, { inWork, before: () => index }))), true);
  }
  zip.end();
  return pieces;
}
