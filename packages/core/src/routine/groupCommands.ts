import type { Dose, SideAmount } from '../library/dose';
import { mirrorSegment } from './mirror';
import type { Routine, Segment } from './routine';

/** Commands on several segments at once. None changes its input. */

const chosen = (routine: Routine, ids: ReadonlySet<string>): Segment[] =>
  routine.segments.filter((segment) => ids.has(segment.id));

/** Rounds that no segment belongs to are forgotten; one whose parts were torn apart keeps its first run. */
function tidyRounds(routine: Routine): Routine {
  const seen = new Set<string | null>();
  let last: string | null = null;
  const segments = routine.segments.map((segment) => {
    const { roundId } = segment;
    const again = roundId !== last && seen.has(roundId);
    last = roundId;
    seen.add(roundId);
    return again ? { ...segment, roundId: null } : segment;
  });
  const used = new Set(segments.map((segment) => segment.roundId));
  return { ...routine, segments, rounds: routine.rounds.filter((round) => used.has(round.id)) };
}

/** Takes segments out. */
export function removeSegments(routine: Routine, ids: ReadonlySet<string>): Routine {
  return tidyRounds({ ...routine, segments: routine.segments.filter((segment) => !ids.has(segment.id)) });
}

/** Puts copies in at `index` (or at the end), each under a new id and outside any round. */
export function pasteSegments(
  routine: Routine,
  segments: readonly Segment[],
  newId: () => string,
  index = routine.segments.length,
): Routine {
  const copies = segments.map((segment) => ({ ...segment, id: newId(), roundId: null }));
  return tidyRounds({ ...routine, segments: routine.segments.toSpliced(index, 0, ...copies) });
}

/** Moves segments together so that the first of them stands at `to` of those that stay. */
export function moveSegments(routine: Routine, ids: ReadonlySet<string>, to: number): Routine {
  const moved = chosen(routine, ids);
  const rest = routine.segments.filter((segment) => !ids.has(segment.id));
  return tidyRounds({ ...routine, segments: rest.toSpliced(Math.max(0, Math.min(rest.length, to)), 0, ...moved) });
}

/** Moves the segments `ids` earlier (−1) or later (1) by one; at the ends they stay. */
export function shiftSegments(routine: Routine, ids: ReadonlySet<string>, by: 1 | -1): Routine {
  const first = routine.segments.findIndex((segment) => ids.has(segment.id));
  const place = first + by;
  const rest = routine.segments.filter((segment) => !ids.has(segment.id)).length;
  return first === -1 || place < 0 || place > rest ? routine : moveSegments(routine, ids, place);
}

/** Exchanges left and right in the chosen segments. */
export function mirrorSegments(routine: Routine, ids: ReadonlySet<string>): Routine {
  const segments = routine.segments.map((segment) => (ids.has(segment.id) ? mirrorSegment(segment) : segment));
  return { ...routine, segments };
}

/** Joins the chosen segments, and all between them, to a round that is gone through `times` times. */
export function groupAsRound(routine: Routine, ids: ReadonlySet<string>, id: string, times: number): Routine {
  const indices = routine.segments.flatMap((segment, index) => (ids.has(segment.id) ? [index] : []));
  if (indices.length === 0) return routine;
  const [first, last] = [Math.min(...indices), Math.max(...indices)];
  const segments = routine.segments.map((segment, index) =>
    index >= first && index <= last ? { ...segment, roundId: id } : segment,
  );
  return tidyRounds({ ...routine, segments, rounds: [...routine.rounds, { id, times }] });
}

/** Takes a round apart: its segments stay, once each. */
export function dissolveRound(routine: Routine, id: string): Routine {
  const segments = routine.segments.map((segment) =>
    segment.roundId === id ? { ...segment, roundId: null } : segment,
  );
  return tidyRounds({ ...routine, segments });
}

/** How many times a round is gone through. */
export function repeatRound(routine: Routine, id: string, times: number): Routine {
  return { ...routine, rounds: routine.rounds.map((round) => (round.id === id ? { ...round, times } : round)) };
}

function halves(dose: Dose): [Dose, Dose] | null {
  const single = dose.amounts.every((row) => row.amount <= 1);
  if (dose.kind === 'hold' && single) {
    if (dose.holdSeconds < 2) return null;
    const first = Math.ceil(dose.holdSeconds / 2);
    return [
      { ...dose, holdSeconds: first },
      { ...dose, holdSeconds: dose.holdSeconds - first },
    ];
  }
  if (single) return null;
  const part = (round: (value: number) => number): SideAmount[] =>
    dose.amounts.map((row) => ({ ...row, amount: round(row.amount / 2) }));
  return [
    { ...dose, amounts: part(Math.ceil) },
    { ...dose, amounts: part(Math.floor) },
  ];
}

/** Splits a segment in two halves whose work together is the same; one that cannot be split stays. */
export function splitSegment(routine: Routine, id: string, newId: string): Routine {
  const index = routine.segments.findIndex((segment) => segment.id === id);
  const segment = routine.segments[index];
  if (segment === undefined) return routine;
  if (segment.type !== 'exercise') {
    if (segment.seconds < 2) return routine;
    const first = Math.ceil(segment.seconds / 2);
    const two = [
      { ...segment, seconds: first },
      { ...segment, id: newId, seconds: segment.seconds - first },
    ];
    return { ...routine, segments: routine.segments.toSpliced(index, 1, ...two) };
  }
  const doses = halves(segment.dose);
  if (doses === null) return routine;
  const two = [
    { ...segment, dose: doses[0] },
    { ...segment, id: newId, dose: doses[1] },
  ];
  return { ...routine, segments: routine.segments.toSpliced(index, 1, ...two) };
}
