import type { Exercise, Family } from './exercise';

const plain = (text: string): string => text.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '');

function score(exercise: Exercise, words: readonly string[]): number {
  const name = plain(exercise.name);
  const rest = plain(
    [exercise.family, exercise.summary, ...exercise.checkpoints.map((point) => point.region)].join(' '),
  );
  let total = 0;
  for (const word of words) {
    if (name.startsWith(word)) total += 4;
    else if (name.includes(word)) total += 3;
    else if (rest.includes(word)) total += 1;
    else return 0;
  }
  return total;
}

/**
 * The exercises that have every word of `text` in their name, family, summary or regions, the best
 * matches first; all of them, in their order, when `text` is empty. `family` narrows it.
 */
export function searchExercises(
  exercises: readonly Exercise[],
  text: string,
  family: Family | null = null,
): Exercise[] {
  const within = exercises.filter((exercise) => family === null || exercise.family === family);
  const words = plain(text)
    .split(/\s+/)
    .filter((word) => word !== '');
  if (words.length === 0) return within;
  return within
    .map((exercise) => ({ exercise, points: score(exercise, words) }))
    .filter((entry) => entry.points > 0)
    .toSorted((a, b) => b.points - a.points)
    .map((entry) => entry.exercise);
}
