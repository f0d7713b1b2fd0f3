import { laps } from '../routine/laps';
import type { Routine } from '../routine/routine';
import type { Timeline } from '../routine/timeline';

/** Something that is still to come and may be dropped. */
export type Droppable =
  | { readonly kind: 'lap'; readonly roundId: string; readonly lap: number; readonly seconds: number }
  | { readonly kind: 'segment'; readonly segmentId: string; readonly seconds: number };

/** A class that began at most so long before its time, or at any time within it, ends when it should. */
const EARLY_MS = 30 * 60_000;

/**
 * When a class should be over: at its time on that day; begun at another time, its minutes after it began.
 * @param begunAt epoch milliseconds
 * @param startsAt the moment at which it should have begun that day, epoch milliseconds
 */
export function classEnd(begunAt: number, startsAt: number, minutes: number): number {
  const length = minutes * 60_000;
  const inTime = begunAt >= startsAt - EARLY_MS && begunAt < startsAt + length;
  return inTime ? startsAt + length : begunAt + length;
}

/** How far a class will be over its time if nothing is dropped, s; 0 when it is within. */
export const overSeconds = (now: number, leftMs: number, endsAt: number): number =>
  Math.max(0, (now + leftMs - endsAt) / 1000);

/** What has not begun and may be dropped, in order: the last time through a round, and whole parts that belong to none. */
export function droppable(routine: Routine, line: Timeline, spanIndex: number): Droppable[] {
  const ahead = line.spans.slice(spanIndex + 1);
  const begun = new Set(line.spans.slice(0, spanIndex + 1).map(({ segmentId }) => segmentId));
  const seconds = (of: (typeof ahead)[number][]): number => of.reduce((sum, span) => sum + span.durationMs, 0) / 1000;
  const rounds = routine.rounds.flatMap(({ id, times }): Droppable[] => {
    const own = new Set(routine.segments.filter(({ roundId }) => roundId === id).map((segment) => segment.id));
    const last = line.spans.filter((span) => own.has(span.segmentId) && span.lap === times);
    const whole = last.length > 0 && last.every(({ index }) => index > spanIndex);
    return whole ? [{ kind: 'lap', roundId: id, lap: times, seconds: seconds(last) }] : [];
  });
  const parts = laps(routine).flatMap(({ segment, of }): Droppable[] => {
    if (of > 1 || begun.has(segment.id)) return [];
    const own = ahead.filter((span) => span.segmentId === segment.id);
    return own.length === 0 ? [] : [{ kind: 'segment', segmentId: segment.id, seconds: seconds(own) }];
  });
  return [...rounds, ...parts];
}

/**
 * What to drop to be in time: one more time through a round before anything else, then the shortest part that is enough, then
 * the longest parts until it is. The last part is kept where it can be: a class is closed, not cut off.
 */
export function whatToDrop(all: readonly Droppable[], over: number): Droppable[] {
  if (over <= 0) return [];
  const enough = (of: readonly Droppable[]): Droppable | undefined =>
    of.filter(({ seconds }) => seconds >= over - 1e-6).toSorted((a, b) => a.seconds - b.seconds)[0];
  const rounds = all.filter(({ kind }) => kind === 'lap');
  const parts = all.filter(({ kind }) => kind === 'segment');
  const [inner, closing] = [parts.slice(0, -1), parts.slice(-1)];
  const one = enough(rounds) ?? enough(inner);
  if (one !== undefined) return [one];
  const chosen: Droppable[] = [];
  let left = over;
  for (const part of [...[...rounds, ...inner].toSorted((a, b) => b.seconds - a.seconds), ...closing]) {
    if (left <= 1e-6) break;
    chosen.push(part);
    left -= part.seconds;
  }
  return chosen;
}

/** The routine without something that was still to come. */
export function withoutDropped(routine: Routine, part: Droppable): Routine {
  if (part.kind === 'segment')
    return { ...routine, segments: routine.segments.filter(({ id }) => id !== part.segmentId) };
  const times = (routine.rounds.find(({ id }) => id === part.roundId)?.times ?? 1) - 1;
  if (times > 1)
    return {
      ...routine,
      rounds: routine.rounds.map((round) => (round.id === part.roundId ? { ...round, times } : round)),
    };
  return {
    ...routine,
    rounds: routine.rounds.filter(({ id }) => id !== part.roundId),
    segments: routine.segments.map((segment) =>
      segment.roundId === part.roundId ? { ...segment, roundId: null } : segment,
    ),
  };
}

/** Whether the practice is where it would be in the other routine too, so that one can go over to it. */
export const canGoOver = (line: Timeline, other: Timeline, spanIndex: number): boolean =>
  line.spans.slice(0, spanIndex + 1).every((span, index) => {
    const there = other.spans[index];
    return there?.segmentId === span.segmentId && there.lap === span.lap && there.durationMs === span.durationMs;
  });
