import { type reviewModes } from '../practice/classJournal';
import { durationWords } from '../words/durationWords';
import type { Chain, Piece } from './chain';

export type LessonPartKind =
  'review' | 'explain' | 'legs' | 'hands facing' | 'hands from behind' | 'joined' | 'whole' | 'other side';

export interface LessonPart {
  readonly kind: LessonPartKind;
  readonly pieces: readonly Piece[];
  readonly times: number;
  readonly seconds: number;
}

/** How the earlier pieces are repeated when a lesson gets short. */
export type ReviewMode = (typeof reviewModes)[number];

export interface Lesson {
  readonly number: number;
  readonly teaches: Piece | null;
  readonly mode: ReviewMode;
  readonly parts: readonly LessonPart[];
  readonly seconds: number;
  /** Seconds beyond the lesson; 0 when it fits. */
  readonly over: number;
  /** Why it is so. */
  readonly reason: string;
}

const sum = (pieces: readonly Piece[]): number => pieces.reduce((total, piece) => total + piece.seconds, 0);

function part(
  kind: LessonPartKind,
  pieces: readonly Piece[],
  times: number,
  seconds = times * sum(pieces),
): LessonPart[] {
  return seconds <= 0 ? [] : [{ kind, pieces, times, seconds }];
}

/** The new piece in its views: legs, arms facing and from behind, joined (common practice). */
function teaching(chain: Chain, piece: Piece): LessonPart[] {
  return [
    ...part('explain', [piece], 1, chain.talkSeconds),
    ...part('legs', [piece], chain.footworkTimes),
    ...part('hands facing', [piece], chain.handsTimes),
    ...part('hands from behind', [piece], chain.handsTimes),
    ...part('joined', [piece], 1),
  ];
}

function built(
  chain: Chain,
  number: number,
  teaches: Piece | null,
  mode: ReviewMode,
  learned: readonly Piece[],
): Lesson {
  const half = Math.ceil(learned.length / 2);
  const played =
    mode === 'first half' ? learned.slice(0, half) : mode === 'second half' ? learned.slice(half) : learned;
  const all = teaches === null ? played : [...played, teaches];
  const parts = [
    ...(mode === 'each' ? part('review', learned, 1) : []),
    ...(teaches === null ? [] : teaching(chain, teaches)),
    ...part('whole', all, 1),
    ...(chain.bothSides ? part('other side', all, 1) : []),
  ];
  const seconds = chain.frameSeconds + parts.reduce((total, entry) => total + entry.seconds, 0);
  return { number, teaches, mode, parts, seconds, over: Math.max(0, seconds - chain.lessonSeconds), reason: '' };
}

function reasonOf(lesson: Lesson, full: Lesson): string {
  const over = durationWords(full.over);
  if (lesson.mode === 'each' && lesson.teaches !== null && lesson.over > 0)
    return `“${lesson.teaches.name}” takes longer than a lesson (${over} over): part it, show it fewer times, or let the lesson be longer.`;
  switch (lesson.mode) {
    case 'each':
      return lesson.teaches === null
        ? 'Everything is learned: play it whole.'
        : 'Repeat what came before, add one, play the whole.';
    case 'in one go':
      return `Repeating every piece apart would be ${over} too long: join them and play them in one go, with the new one at the end.`;
    case 'first half':
      return `Review fills the lesson (${over} over): the first half today, the second next time.`;
    case 'second half':
      return `Review fills the lesson (${over} over): the second half today, the first was last time.`;
    case 'nothing new':
      return `Even half of the review leaves no room for a new piece (${over} over): a lesson to join the halves, nothing new.`;
  }
}

/**
 * The lessons of a term: each repeats the earlier pieces, teaches the next in its views, and plays the
 * whole, to both sides where the chain is played so. When that no longer fits, the pieces are joined, then reviewed by halves in turn, then a lesson
 * brings nothing new. Where nothing is learned that could be joined, a piece too long is taught all the same, and said.
 * @param count how many lessons from the next one on
 */
export function chainLessons(chain: Chain, count: number): Lesson[] {
  const lessons: Lesson[] = [];
  let taught = taughtOf(chain);
  let lastHalf = chain.lastHalf ?? 'second half';
  let joined = chain.joinedLast;
  for (let index = 0; index < count; index += 1) {
    const number = chain.nextLesson + index;
    const learned = chain.pieces.slice(0, taught);
    const next = chain.pieces[taught] ?? null;
    const full = built(chain, number, next, 'each', learned);
    const other = lastHalf === 'first half' ? 'second half' : 'first half';
    const wanted: ReviewMode[] = ['each', 'in one go', other];
    const found = wanted.map((mode) => built(chain, number, next, mode, learned)).find((lesson) => lesson.over === 0);
    let lesson: Lesson;
    const alone = learned.length < 2;
    if (found !== undefined) lesson = found;
    else if (alone) lesson = built(chain, number, next, 'each', learned);
    else if (joined) lesson = built(chain, number, next, other, learned);
    else lesson = built(chain, number, null, 'in one go', learned);
    // One lesson to join the halves, then on again, even if it takes longer than there is.
    const mode: ReviewMode = found === undefined && !joined && !alone ? 'nothing new' : lesson.mode;
    joined = mode === 'nothing new';
    if (mode === 'first half' || mode === 'second half') lastHalf = mode;
    lesson = { ...lesson, mode };
    lessons.push({ ...lesson, reason: reasonOf(lesson, full) });
    if (lesson.teaches !== null) taught += 1;
  }
  return lessons;
}

/** How many pieces of a chain are learned. */
export const taughtOf = (chain: Chain): number => Math.min(chain.taught ?? chain.nextLesson - 1, chain.pieces.length);

/** The chain after its next lesson was held: what it taught is learned, and which half it reviewed is remembered. */
export function lessonHeld(
  chain: Chain,
  { teaches, mode }: Pick<Lesson, 'mode'> & { readonly teaches: unknown },
): Chain {
  return {
    ...chain,
    nextLesson: chain.nextLesson + 1,
    taught: taughtOf(chain) + (teaches === null ? 0 : 1),
    lastHalf: mode === 'first half' || mode === 'second half' ? mode : chain.lastHalf,
    joinedLast: mode === 'nothing new',
  };
}

/**
 * The lesson that was held last, made again from the chain as it is now; null before the first.
 * @param taught what is remembered of it. Without that, once every piece is learned, it is taken for the one that taught the last.
 */
export function lessonJustHeld(chain: Chain, taught?: { readonly teaches: string | null }): Lesson | null {
  if (chain.nextLesson < 2 || chain.pieces.length === 0) return null;
  const learned = taughtOf(chain);
  const before: Chain = {
    ...chain,
    nextLesson: chain.nextLesson - 1,
    taught: Math.max(0, taught?.teaches === null || chain.joinedLast ? learned : learned - 1),
  };
  // Which half was reviewed before it, and whether the halves had been joined, is told by where it led.
  const other: Chain['lastHalf'] = chain.lastHalf === 'first half' ? 'second half' : 'first half';
  const lessons = [false, true].flatMap((joinedLast) =>
    [other, chain.lastHalf].flatMap((lastHalf) => {
      const begun: Chain = { ...before, joinedLast, lastHalf };
      return chainLessons(begun, 1).map((lesson) => ({ lesson, now: lessonHeld(begun, lesson) }));
    }),
  );
  const led = lessons.find(({ now }) => now.joinedLast === chain.joinedLast && now.lastHalf === chain.lastHalf);
  return (led ?? lessons.at(0))?.lesson ?? null;
}

/** What somebody alone can do of a lesson: what needs a teacher to say and to show is left out. */
const alone: ReadonlySet<LessonPartKind> = new Set(['review', 'legs', 'joined', 'whole', 'other side']);

/** A lesson as it is practised at home until the next one. */
export function lessonForHome(lesson: Lesson): Lesson {
  const parts = lesson.parts.filter(({ kind }) => alone.has(kind));
  return { ...lesson, parts, seconds: parts.reduce((total, { seconds }) => total + seconds, 0), over: 0 };
}
