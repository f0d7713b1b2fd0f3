import { markWords, type FilmFrom, type FilmPoint } from '@pomek/core';

const ends: Partial<Record<FilmPoint, string>> = {
  'plumb from': 'plumb line, upper end',
  'plumb to': 'plumb line, lower end',
  'length from': 'known length, one end',
  'length to': 'known length, other end',
};

/** A point in words: “left knee”, “plumb line, upper end”. */
export const pointWords = (point: FilmPoint, from: FilmFrom): string =>
  ends[point] ?? markWords(point as Parameters<typeof markWords>[0], from);
