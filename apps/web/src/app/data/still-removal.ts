import type { Write } from './store';

/** Takes a still away, and its picture and what was followed from it with it. */
export const stillRemoval = (id: string): Write[] => [
  { table: 'stills', remove: id },
  { table: 'films', remove: id },
  { table: 'pictures', remove: id },
];
