import type { Chain, Piece } from '../chain/chain';
import type { Lesson, LessonPart, LessonPartKind } from '../chain/lessons';
import { lessonPartWords } from '../chain/lessonWords';
import { sideWords } from '../chain/sideWords';
import type { Routine, Segment } from '../routine/routine';

const viewOf: Readonly<Partial<Record<LessonPartKind, 'facing' | 'from behind'>>> = {
  'hands facing': 'facing',
  'hands from behind': 'from behind',
};
const MOST_LABEL = 120;
const label = (words: string): string => (words.length <= MOST_LABEL ? words : `${words.slice(0, MOST_LABEL - 1)}…`);

/** One part of a lesson as segments: a piece after the other, time after time, with what to say and to show. */
function segmentsOf(part: LessonPart, pieces: ReadonlyMap<string, Piece>, prefix: string): Segment[] {
  const view = viewOf[part.kind];
  const own = part.pieces.flatMap((name) => pieces.get(name) ?? []);
  const talk = (id: string, seconds: number, words: string): Segment => ({
    type: 'talk',
    id,
    seconds: Math.max(1, Math.round(seconds)),
    label: label(words),
    roundId: null,
  });
  const heading = lessonPartWords[part.kind];
  if (part.kind === 'explain') return [talk(prefix, part.seconds, `${heading}: ${part.pieces.join(', ')}`)];
  return Array.from({ length: part.times }, (_, time) =>
    own.map((piece, index) => {
      const which = part.times > 1 ? `, ${time + 1} of ${part.times}` : '';
      const sides = view === undefined || piece.side === 'both' ? '' : `; ${sideWords(piece.side, view)}`;
      const side = view === undefined && piece.side !== 'both' ? `, ${piece.side}` : '';
      return talk(
        `${prefix}-${time + 1}-${index + 1}`,
        piece.seconds,
        `${heading}: ${piece.name}${side}${which}${sides}`,
      );
    }),
  ).flat();
}

/**
 * A lesson of a chain as a routine that can be conducted: warm-up, what came before, the new piece in its views, the whole.
 * @param warmUp the routine that comes first; null where a lesson has only its time for it
 */
export function lessonRoutine(chain: Chain, lesson: Lesson, warmUp: Routine | null, empty: Routine): Routine {
  const pieces = new Map(chain.pieces.map((piece) => [piece.name, piece]));
  const id = `${chain.id.slice(0, 40)}-lesson-${lesson.number}`;
  // What goes off for warm-up and closing, half of it each; a routine before the lesson is its warm-up.
  const half = chain.frameSeconds / 2;
  const frame = (name: string, words: string): Segment[] =>
    half < 1 ? [] : [{ type: 'talk', id: `${id}-${name}`, seconds: Math.round(half), label: words, roundId: null }];
  const before = warmUp === null ? frame('warm-up', 'Warm up') : [];
  const parts = lesson.parts.flatMap((part, index) => segmentsOf(part, pieces, `${id}-${index + 1}`));
  const base = warmUp ?? { ...empty, id };
  return {
    ...base,
    name: `${chain.name}, lesson ${lesson.number}`.slice(0, 80),
    segments: [...base.segments, ...before, ...parts, ...frame('closing', 'Close')],
  };
}
