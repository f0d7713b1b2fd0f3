import { doseSize, sizeProblem, type DoseSize } from '../library/doseProblem';
import type { Segment } from './routine';

/** What a routine's length depends on. */
interface Timed {
  readonly segments: readonly Segment[];
  readonly rounds: readonly { readonly id: string; readonly times: number }[];
  readonly settleSeconds: number;
  readonly changeSeconds: number;
}

/** How long a segment takes at most, and of how many parts it is. */
function segmentSize(segment: Segment, { settleSeconds, changeSeconds }: Timed): DoseSize {
  if (segment.type !== 'exercise') return { seconds: segment.seconds, parts: 1 };
  const change = Math.max(changeSeconds, segment.changeSeconds ?? 0);
  const { seconds, parts } = doseSize(segment.dose, segment.sideOrder, change);
  // What waits for a cue has a second in which it waits.
  return { seconds: seconds + Math.max(1, settleSeconds), parts: parts + 1 };
}

/** The size of a routine, without building its parts. */
export function routineSize(routine: Timed): DoseSize {
  const times = new Map(routine.rounds.map((round) => [round.id, round.times]));
  const whole = { seconds: 0, parts: 0 };
  for (const segment of routine.segments) {
    const size = segmentSize(segment, routine);
    const laps = segment.roundId === null ? 1 : (times.get(segment.roundId) ?? 1);
    whole.seconds += laps * size.seconds;
    whole.parts += laps * size.parts;
  }
  return whole;
}

/**
 * What makes a routine longer than any practice; null where nothing does. Its parts are not built for
 * it, so that no routine can hold a page up.
 */
export function routineProblem(routine: Timed): string | null {
  const problem = sizeProblem(routineSize(routine));
  return problem === null ? null : `A routine is practised within a day; ${problem}`;
}
