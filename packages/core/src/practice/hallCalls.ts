import { cycleParts } from '../library/cycleParts';
import type { Exercise } from '../library/exercise';
import { firmnessWords } from '../library/firmness';
import { STOP_WORDS } from '../library/stagedDrill';
import type { Routine } from '../routine/routine';
import type { Span, Timeline } from '../routine/timeline';
import { segmentDrill } from '../routine/turned';
import type { School } from '../schools/school';
import { spokenExercise } from '../schools/spokenLine';
import { upperFirst } from '../words/firstLetter';
import { betweenOthers, calls, msOfDone, type Call, type CallWords } from './calls';
import type { CuePlan } from './cuePlan';
import { firmnessCalls } from './firmnessCalls';
import { halfCall } from './halfWay';
import { nameOf } from './moment';
import { saidFor, type Recordings } from './recording';
import { sideOfWords } from './sideOfWords';

/** Which parts of a repetition are called: none, those of the first repetitions on each side and way, or all. */
export const partsSaid = ['none', 'new', 'all'] as const;
export type PartsSaid = (typeof partsSaid)[number];
/** So many repetitions are new. Our own value. */
const NEW_REPETITIONS = 2;

/** A part from this length on leads: it is named before anything else is said in it, ms. Our own value. */
const LONG_PART_MS = 6000;

/** How much is said beside names, sides, changes and the last ones. */
export interface Spoken {
  /** The cue of each checkpoint that comes up. */
  readonly cues: boolean;
  readonly parts: PartsSaid;
}

/** The calls of the parts of a span that are short enough for their time; those of its first repetition say how to begin, and lead. */
function partCalls(
  span: Span,
  drill: Exercise,
  school: School,
  repetitions: number,
  takes: (text: string) => number,
): (Omit<Call, 'spanIndex'> & { readonly leads: boolean })[] {
  if (span.kind !== 'cycle' && span.kind !== 'breath') return [];
  const all = Math.min(Math.ceil(span.amount - 1e-9), Math.max(0, repetitions - (span.turn - 1)));
  return Array.from({ length: all }, (_, done) => {
    const [from, to] = [msOfDone(span, done), msOfDone(span, done + 1)];
    const said = spokenExercise(drill, school, sideOfWords(span, drill, from + 1));
    const begins = done === 0 && span.turn === 1 && span.amount > 1;
    let into = 0;
    return cycleParts(said, span.direction).flatMap(({ call, name, share }) => {
      const [start, long] = [from + into * (to - from), share * (to - from)];
      const isFirst = into === 0;
      into += share;
      const fits = start < span.durationMs && takes(call) <= long;
      const leads = begins || long >= LONG_PART_MS;
      // Run backwards a repetition begins with the stop of the one before; the first one has none.
      const stopsFirst = begins && isFirst && name === STOP_WORDS;
      return call === '' || !fits || stopsFirst ? [] : [{ offsetMs: Math.round(start), text: call, leads }];
    });
  }).flat();
}

/**
 * What is called aloud while a routine is conducted, and when.
 * @param spoken how much of it
 * @param cues which checkpoint is up when
 * @param recorded lines that the teacher has spoken: they take as long as they are
 */
export const hallCalls = (
  routine: Routine,
  line: Timeline,
  words: CallWords,
  spoken: Spoken,
  shelf: ReadonlyMap<string, Exercise>,
  school: School,
  cues: CuePlan,
  recorded: Recordings = new Map(),
): Call[] => {
  const takes = saidFor(recorded);
  const drills = new Map(
    routine.segments.flatMap((segment) => {
      const exercise = segment.type === 'exercise' ? shelf.get(segment.exerciseId) : undefined;
      return segment.type !== 'exercise' || exercise === undefined
        ? []
        : [[segment.id, segmentDrill(segment, exercise)]];
    }),
  );
  return calls(
    routine,
    line,
    words,
    (segment) => nameOf(segment, shelf),
    (span) => {
      const drill = drills.get(span.segmentId);
      const segment = routine.segments[span.segmentIndex];
      if (drill === undefined || segment?.type !== 'exercise') return [];
      if (span.kind === 'settle' && segment.firmness !== null)
        return [{ offsetMs: 0, text: upperFirst(firmnessWords(segment.firmness)) }];
      if (span.amount === 0) return [];
      const firm = firmnessCalls(segment, span);
      if (!spoken.cues) return firm;
      const before = cues.get(span.index - 1)?.at(-1)?.checkpointId;
      const said = (cues.get(span.index) ?? []).flatMap(({ fromMs, checkpointId }) => {
        // What stays up from the turn before has been said.
        if (span.turn > 1 && fromMs === 0 && checkpointId === before) return [];
        const here = spokenExercise(drill, school, sideOfWords(span, drill, fromMs));
        const point = here.checkpoints.find(({ id }) => id === checkpointId);
        return point === undefined ? [] : [{ offsetMs: fromMs, text: point.cue }];
      });
      return [...firm, ...said.map((cue) => betweenOthers(cue, firm, takes))];
    },
    (span) => {
      const drill = drills.get(span.segmentId);
      if (drill === undefined || span.amount === 0) return [];
      const half = halfCall(span, spokenExercise(drill, school, sideOfWords(span, drill, 0)));
      const repetitions = { none: 0, new: NEW_REPETITIONS, all: Infinity }[spoken.parts];
      const parts = partCalls(span, drill, school, repetitions, takes);
      if (half === null) return parts;
      // What changes at the half is said in any case, and the parts of that moment are left out.
      const free = parts.filter((part) => betweenOthers(part, [half], takes) === part);
      return [...free, { ...half, leads: true }];
    },
    takes,
  );
};

/** One line of what is said, ms from the beginning of the practice as it is planned. */
export interface SaidAt {
  readonly atMs: number;
  readonly text: string;
}

/** What is said in a practice that goes as it is planned, in its order. */
export const saidWhen = (all: readonly Call[], { spans, totalMs }: Timeline): SaidAt[] =>
  all
    .map(({ spanIndex, offsetMs, text }) => ({ atMs: (spans[spanIndex]?.startMs ?? totalMs) + offsetMs, text }))
    .toSorted((a, b) => a.atMs - b.atMs);
