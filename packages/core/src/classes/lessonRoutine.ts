import type { Chain, Piece } from '../chain/chain';
import { mirroredPiece, travelOf } from '../chain/travel';
import { travelWords } from '../chain/travelWords';
import type { Exercise } from '../library/exercise';
import { doseGivenAs } from '../library/doseKinds';
import { newSegment } from '../routine/commands';
import { softSchool } from '../schools/builtInSchools';
import type { Lesson, LessonPart, LessonPartKind } from '../chain/lessons';
import { lessonPartWords } from '../chain/lessonWords';
import { sideWords } from '../chain/sideWords';
import type { Routine, Segment } from '../routine/routine';

const viewOf: Readonly<Partial<Record<LessonPartKind, 'facing' | 'from behind'>>> = {
  'hands facing': 'facing',
  'hands from behind': 'from behind',
};
/** What is played through and not shown apart. */
const played: ReadonlySet<LessonPartKind> = new Set(['review', 'joined', 'whole', 'other side']);

type Shelf = ReadonlyMap<string, Exercise>;

/** A piece that is a drill, done once on its side in its time. */
function playedOnce(id: string, { side, seconds }: Piece, drill: Exercise): Segment {
  const row = { side, direction: 'none' as const, amount: 1 };
  const segment = newSegment(id, drill, softSchool);
  const dose = doseGivenAs({ ...segment.dose, amounts: [row] }, drill.defaultDose.kind === 'hold' ? 'hold' : 'cycle');
  const plain = { restSeconds: 0, least: null, amounts: [row] };
  if (dose.kind === 'hold') return { ...segment, dose: { ...dose, ...plain, holdSeconds: seconds } };
  if (dose.kind !== 'cycle') return segment;
  return {
    ...segment,
    dose: { ...dose, ...plain, cycleSeconds: seconds, slowing: 1, staySeconds: 0, stayAfter: null },
  };
}

/** A repetition is no longer than this, s; a longer piece is told. */
const LONGEST = 300;

const MOST_LABEL = 120;
const label = (words: string): string => (words.length <= MOST_LABEL ? words : `${words.slice(0, MOST_LABEL - 1)}…`);

/** One part of a lesson as segments: a piece after the other, time after time, with what to say and to show. */
function segmentsOf(part: LessonPart, stepMetres: number, prefix: string, shelf: Shelf): Segment[] {
  const view = viewOf[part.kind];
  const own = part.kind === 'other side' ? part.pieces.map(mirroredPiece) : part.pieces;
  const talk = (id: string, seconds: number, words: string): Segment => ({
    type: 'talk',
    id,
    seconds: Math.max(1, Math.round(seconds)),
    label: label(words),
    roundId: null,
  });
  const heading = lessonPartWords[part.kind];
  if (part.kind === 'explain')
    return [talk(prefix, part.seconds, `${heading}: ${part.pieces.map(({ name }) => name).join(', ')}`)];
  return Array.from({ length: part.times }, (_, time) =>
    own.map((piece, index) => {
      const drill = shelf.get(piece.exerciseId ?? '');
      if (drill !== undefined && piece.seconds <= LONGEST && played.has(part.kind))
        return playedOnce(`${prefix}-${time + 1}-${index + 1}`, piece, drill);
      const which = part.times > 1 ? `, ${time + 1} of ${part.times}` : '';
      const sides = view === undefined || piece.side === 'both' ? '' : `; ${sideWords(piece.side, view)}`;
      const side = view === undefined && piece.side !== 'both' ? `, ${piece.side}` : '';
      // Where the feet go is told with the feet.
      const way = part.kind === 'legs' ? travelWords(travelOf(piece, drill, stepMetres)) : '';
      return talk(
        `${prefix}-${time + 1}-${index + 1}`,
        piece.seconds,
        `${heading}: ${piece.name}${side}${which}${sides}${way === '' ? '' : `; ${way}`}`,
      );
    }),
  ).flat();
}

/**
 * A lesson of a chain as a routine that can be conducted: warm-up, what came before, the new piece in its views, the whole.
 * @param empty what it is made in where there is no warm-up: its school, and no time to take up a piece, which is in its length
 * @param shelf exercises by id, for pieces that are one
 * @param warmUp the routine that comes first; null where a lesson has only its time for it
 */
export function lessonRoutine(
  chain: Chain,
  lesson: Lesson,
  warmUp: Routine | null,
  empty: Routine,
  shelf: Shelf = new Map(),
): Routine {
  const id = `${chain.id.slice(0, 40)}-lesson-${lesson.number}`;
  // What goes off for warm-up and closing, half of it each; a routine before the lesson is its warm-up.
  const half = chain.frameSeconds / 2;
  const frame = (name: string, words: string): Segment[] =>
    half < 1 ? [] : [{ type: 'talk', id: `${id}-${name}`, seconds: Math.round(half), label: words, roundId: null }];
  const before = warmUp === null ? frame('warm-up', 'Warm up') : [];
  const parts = lesson.parts.flatMap((part, index) => segmentsOf(part, chain.stepMetres, `${id}-${index + 1}`, shelf));
  const base = warmUp ?? { ...empty, id, settleSeconds: 0, changeSeconds: 0 };
  return {
    ...base,
    name: `${chain.name}, lesson ${lesson.number}`.slice(0, 80),
    segments: [...base.segments, ...before, ...parts, ...frame('closing', 'Close')],
  };
}
