import type { Write } from './store';

/** Takes a still away, and its picture with it. */
export const stillRemoval = (id: string): Write[] => [
  { table: 'stills', remove: id },
  { table: 'pictures', remove: id },
];
