import { inUnit } from './filmWords';
import type { FilmFigure } from './readStill';
import type { FilmSide } from './still';

/** A figure on two stills. */
export interface ComparedFigure {
  readonly figure: FilmFigure;
  readonly other: FilmFigure;
  /** How much more it is than on the other one. */
  readonly more: number;
  /** More than both may be off together. */
  readonly clear: boolean;
  /** “clearly 11 cm less”, “no clear difference”. */
  readonly said: string;
}

/** A side as it is in a mirror. */
export const opposite = (side: FilmSide | 'both'): FilmSide | 'both' =>
  side === 'both' ? 'both' : side === 'left' ? 'right' : 'left';

/** Figures whose sign says which side: in a mirror it is the other way round. */
const toASide = new Set<FilmFigure['id']>(['trunk aside', 'shoulder higher', 'hip higher']);

/** What a figure shows when it is seen in a mirror. */
export function mirroredValue(id: FilmFigure['id'], value: number): number {
  if (toASide.has(id)) return -value;
  // The weight is that on the right leg.
  return id === 'weight' ? 100 - value : value;
}

const inMirror = (figure: FilmFigure): FilmFigure => ({
  ...figure,
  side: opposite(figure.side),
  value: mirroredValue(figure.id, figure.value),
});

/**
 * The figures of two stills beside each other: before and after, or the left beside the right.
 * @param mirrored the other one is seen in a mirror: its left is held against this one’s right
 */
export function comparedFigures(
  figures: readonly FilmFigure[],
  others: readonly FilmFigure[],
  mirrored: boolean,
): ComparedFigure[] {
  const there = mirrored ? others.map(inMirror) : others;
  return figures.flatMap((figure): ComparedFigure[] => {
    const other = there.find(({ id, side }) => id === figure.id && side === figure.side);
    if (other === undefined) return [];
    const more = figure.value - other.value;
    const clear = Math.abs(more) > Math.hypot(figure.error, other.error);
    const said = clear ? `clearly ${inUnit(more, figure.unit)} ${more > 0 ? 'more' : 'less'}` : 'no clear difference';
    return [{ figure, other, more, clear, said }];
  });
}
