import type { Routine, Segment } from './routine';

export interface Lap {
  readonly segment: Segment;
  readonly segmentIndex: number;
  /** Which time through its round, from 1, of how many. */
  readonly lap: number;
  readonly of: number;
}

/** The segments in the order in which they are gone through: those of a round again and again. */
export function laps({ segments, rounds }: Pick<Routine, 'segments' | 'rounds'>): Lap[] {
  const order: Lap[] = [];
  let index = 0;
  while (index < segments.length) {
    const { roundId } = segments[index]!;
    let end = index + 1;
    while (end < segments.length && segments[end]!.roundId === roundId) end += 1;
    const of = rounds.find((round) => round.id === roundId)?.times ?? 1;
    for (let lap = 1; lap <= of; lap += 1) {
      for (let at = index; at < end; at += 1) order.push({ segment: segments[at]!, segmentIndex: at, lap, of });
    }
    index = end;
  }
  return order;
}

/** How many times each segment is gone through, by its id. */
export function timesOf(routine: Pick<Routine, 'segments' | 'rounds'>): Map<string, number> {
  const times = new Map<string, number>();
  for (const { segment } of laps(routine)) times.set(segment.id, (times.get(segment.id) ?? 0) + 1);
  return times;
}
