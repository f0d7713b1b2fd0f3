import { firmnessAt, firmnessWords, type Firmness } from '../library/firmness';
import type { Exercise } from '../library/exercise';
import type { ExerciseSegment, Routine } from '../routine/routine';
import type { Span } from '../routine/timeline';
import { upperFirst } from '../words/firstLetter';
import { drillName } from '../routine/turned';
import { msOfDone, type Call } from './calls';
import type { EndNotes } from './endNotes';
import type { LogLine } from './log';

/** A repetition, or where sides take turns a turn, that is on: which, from 0, and how many there are. */
const placeIn = (span: Span, done: number): number => {
  const [at, all] = span.turns > 1 ? [span.turn - 1, span.turns] : [done, Math.ceil(span.amount - 1e-9)];
  return all > 1 ? Math.min(at, all - 1) / (all - 1) : 0;
};

/**
 * How firm hands or steps are to be at a moment of a round; null where nothing is said of it.
 * @param done repetitions gone before
 * @param offsetMs from the beginning of the span
 */
export function firmnessNow(
  { firmness }: Pick<ExerciseSegment, 'firmness'>,
  span: Span,
  done: number,
  offsetMs: number,
): { readonly of: Firmness['of']; readonly level: number } | null {
  if (firmness === null || span.amount === 0) return null;
  const share = span.kind === 'hold' ? offsetMs / span.durationMs : placeIn(span, done);
  return { of: firmness.of, level: firmnessAt(firmness, share) };
}

/** When a level may be another than before, ms: at each repetition; in a hold half way between two levels. */
function moments({ from, to }: Firmness, span: Span): number[] {
  if (span.turns > 1) return [0];
  if (span.kind !== 'hold')
    return Array.from({ length: Math.ceil(span.amount - 1e-9) }, (_, done) => msOfDone(span, done));
  const levels = Math.abs(to - from);
  return [0, ...Array.from({ length: levels }, (_, step) => Math.ceil((span.durationMs * (step + 0.5)) / levels))];
}

/** The levels of a round as they are called: the first with what is to be so firm, then each that is another. */
export function firmnessCalls(segment: Pick<ExerciseSegment, 'firmness'>, span: Span): Omit<Call, 'spanIndex'>[] {
  const { firmness } = segment;
  if (firmness === null || span.amount === 0) return [];
  const levelAt = (of: Span, done: number, offsetMs: number): number => firmnessNow(segment, of, done, offsetMs)!.level;
  let before = span.turn > 1 ? levelAt({ ...span, turn: span.turn - 1 }, 0, 0) : null;
  return moments(firmness, span).flatMap((offsetMs, done) => {
    const level = levelAt(span, done, offsetMs);
    if (level === before) return [];
    const text =
      before === null ? upperFirst(firmnessWords({ ...firmness, from: level, to: level })) : `Firmness ${level}`;
    before = level;
    return [{ offsetMs, text }];
  });
}

/** An exercise of a practice in which hands or steps are to be more or less firm: how firm they felt is asked at its end. */
export interface FirmSegment {
  readonly segmentId: string;
  readonly name: string;
  readonly firmness: Firmness;
}

export const firmSegments = ({ segments }: Routine, shelf: ReadonlyMap<string, Exercise>): FirmSegment[] =>
  segments.flatMap((segment) => {
    const exercise = segment.type === 'exercise' ? shelf.get(segment.exerciseId) : undefined;
    if (segment.type !== 'exercise' || exercise === undefined || segment.firmness === null) return [];
    return [{ segmentId: segment.id, name: drillName(segment, exercise), firmness: segment.firmness }];
  });

/** What was asked and felt, for reading: `hands 2 to 6 of 10 firm, felt 4`. */
export const firmnessFelt = ({ felt, ...asked }: NonNullable<LogLine['firmness']>): string =>
  `${firmnessWords(asked)}${felt === null ? '' : `, felt ${felt}`}`;

/** The levels that were felt, with one in its place. */
export const feltSet = (
  felt: EndNotes['felt'],
  segmentId: string,
  level: number | null,
): EndNotes['felt'][number][] => [...felt.filter((entry) => entry.segmentId !== segmentId), { segmentId, level }];
