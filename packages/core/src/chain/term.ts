import { taughtOf, type Lesson } from './lessons';
import type { Chain } from './chain';

/** What a lesson does with a piece: it teaches it, repeats it by itself, plays it in the whole, leaves it out this time, or comes before it. */
export type PieceInLesson = 'new' | 'repeated' | 'played' | 'left out' | 'not yet';

/**
 * The term as a picture: what each lesson does with each piece.
 * @param lessons as `chainLessons` lays them out
 * @returns a row for each piece, in it a place for each lesson
 */
export function termPicture(chain: Chain, lessons: readonly Lesson[]): PieceInLesson[][] {
  const rows = chain.pieces.map((): PieceInLesson[] => []);
  let taught = taughtOf(chain);
  for (const { teaches, parts } of lessons) {
    const repeated = new Set(parts.filter(({ kind }) => kind === 'review').flatMap(({ pieces }) => pieces));
    const played = new Set(parts.filter(({ kind }) => kind === 'whole').flatMap(({ pieces }) => pieces));
    for (const [index, piece] of chain.pieces.entries()) {
      const then = repeated.has(piece) ? 'repeated' : played.has(piece) ? 'played' : 'left out';
      rows[index]!.push(piece === teaches ? 'new' : index < taught ? then : 'not yet');
    }
    if (teaches !== null) taught += 1;
  }
  return rows;
}

const doing = {
  new: 'new',
  repeated: 'repeated',
  played: 'played in the whole',
  'left out': 'left out',
  'not yet': '',
} as const;

/** A row of the term in words: `new in lesson 5, repeated in lessons 6 to 9`. */
export function termWords(row: readonly PieceInLesson[], firstLesson: number): string {
  const stretches: { readonly mark: PieceInLesson; readonly from: number; to: number }[] = [];
  for (const [index, mark] of row.entries()) {
    const last = stretches.at(-1);
    if (last?.mark === mark) last.to = firstLesson + index;
    else stretches.push({ mark, from: firstLesson + index, to: firstLesson + index });
  }
  const words = stretches
    .filter(({ mark }) => mark !== 'not yet')
    .map(({ mark, from, to }) => `${doing[mark]} in ${from === to ? `lesson ${from}` : `lessons ${from} to ${to}`}`);
  return words.length === 0 ? 'in none of these lessons' : words.join(', ');
}
