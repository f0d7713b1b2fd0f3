import type { FilmPoint } from './scene';
import { nextMark, type FilmSpot, type MarkName, type Still } from './still';

/** The ends of the lines that are set on a picture: what hangs plumb, and what is known in length. */
const lineEnds = ['plumb from', 'plumb to', 'length from', 'length to'] as const;
export type LineEnd = (typeof lineEnds)[number];
export const isLineEnd = (point: FilmPoint): point is LineEnd => (lineEnds as readonly string[]).includes(point);

export const otherEnd = (end: LineEnd): LineEnd =>
  (end.endsWith('from') ? end.replace('from', 'to') : end.replace('to', 'from')) as LineEnd;

const lineOf = (end: LineEnd): 'plumb' | 'length' => (end.startsWith('plumb') ? 'plumb' : 'length');

/** The still has both ends of the line of this one. */
export const hasLine = (still: Still, end: LineEnd): boolean => still[lineOf(end)] !== null;

/** A tape, a tile, a mark on the floor: what is offered as a known length, cm. */
const KNOWN = 100;

/** A still with a point where a hand has set it; of a line that is there one end. */
export function withPoint(still: Still, point: FilmPoint, spot: FilmSpot): Still {
  if (!isLineEnd(point)) return lookedAt({ ...still, marks: { ...still.marks, [point]: spot } }, point);
  const kind = lineOf(point);
  const line = still[kind];
  return line === null ? still : { ...still, [kind]: { ...line, [point.endsWith('from') ? 'from' : 'to']: spot } };
}

/** A still with a line of which both ends are known: this one, and the other. */
export function withLine(still: Still, end: LineEnd, spot: FilmSpot, other: FilmSpot): Still {
  const [from, to] = end.endsWith('from') ? [spot, other] : [other, spot];
  return lineOf(end) === 'plumb' ? { ...still, plumb: { from, to } } : { ...still, length: { from, to, cm: KNOWN } };
}

/** A still without a point; of a line both ends go. */
export function withoutPoint(still: Still, point: FilmPoint): Still {
  if (isLineEnd(point)) return { ...still, [lineOf(point)]: null };
  const marks = Object.fromEntries(Object.entries(still.marks).filter(([name]) => name !== point));
  return lookedAt({ ...still, marks }, point);
}

/** A still on which a found mark has been looked at and is right where it is; all of them where none is named. */
export const lookedAt = (still: Still, name?: MarkName): Still => ({
  ...still,
  found: name === undefined ? [] : still.found.filter((found) => found !== name),
});

/** What is to be set or looked at after a point: the other end of its line, or the next mark. */
export const pointAfter = (still: Still, point: FilmPoint): FilmPoint | null =>
  isLineEnd(point) && point.endsWith('from') ? otherEnd(point) : nextMark(still);
