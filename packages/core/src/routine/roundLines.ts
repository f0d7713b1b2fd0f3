import { listed } from '../words/listed';
import { groupBy } from '../words/groupBy';
import type { Routine, Segment } from './routine';

/**
 * What is gone through more than once, a line for each round: `“Empty and full” and “Rest” one after the other, 3 times.`
 * @param nameOf what a segment is called
 */
export function roundLines(
  { segments, rounds }: Pick<Routine, 'segments' | 'rounds'>,
  nameOf: (segment: Segment) => string,
): string[] {
  const parts = groupBy(segments, ({ roundId }) => roundId ?? '');
  return rounds.flatMap(({ id, times }) => {
    const names = (parts.get(id) ?? []).map((segment) => `“${nameOf(segment)}”`);
    if (times < 2 || names.length === 0) return [];
    if (names.length === 1) return [`${names[0]!} ${times} times.`];
    return [`${listed(names)} one after the other, ${times} times.`];
  });
}
