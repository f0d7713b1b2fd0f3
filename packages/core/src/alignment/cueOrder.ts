import type { Checkpoint } from './checkpoint';
import { catalogued } from './checkpoints';

/** A list begun further on, what was before going to the end. */
export const begunAt = <T>(list: readonly T[], turn: number): T[] => {
  if (list.length === 0) return [];
  const start = ((turn % list.length) + list.length) % list.length;
  return [...list.slice(start), ...list.slice(0, start)];
};

/**
 * The order in which the cues of a drill are given: what the student is being corrected for and what is for safety first, then
 * its own points, then the general ones, each of these begun further on with every turn, so that it is not always the same few.
 * @param corrected ids of checkpoints in work
 * @param turn counts days, weeks or rounds
 */
export function cueOrder(points: readonly Checkpoint[], corrected: ReadonlySet<string>, turn: number): Checkpoint[] {
  const rank = (point: Checkpoint): number => {
    if (corrected.has(point.id)) return point.safety ? 0 : 1;
    const own = catalogued(point.id) === undefined;
    if (point.safety) return own ? 2 : 3;
    return own ? 4 : 5;
  };
  return [0, 1, 2, 3, 4, 5].flatMap((wanted) => {
    const own = points.filter((point) => rank(point) === wanted);
    return wanted < 4 ? own : begunAt(own, turn);
  });
}
