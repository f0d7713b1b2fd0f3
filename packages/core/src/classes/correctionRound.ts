import type { ClassPerson, OwnRung, Visit } from '../practice/classJournal';

/** A correction takes at least so long: walk there, look, say one thing, see it change, s. House value. */
export const LEAST_CORRECTION = 45;

type ToCorrect = Pick<ClassPerson, 'studentId' | 'safety' | 'waited' | 'lastCorrected'>;

/** Why somebody has his or her place in the round. */
export function placeWords({ safety, waited, lastCorrected }: ToCorrect): string {
  if (safety) return 'safety first';
  if (waited) return 'waited last time';
  return lastCorrected === null ? 'not corrected yet' : '';
}

/**
 * The order in which people are corrected: what can hurt first, then who was not reached last time, then who was not corrected
 * the longest (never before all), then as they stand on the roster (common practice; house order).
 */
export const correctionOrder = <T extends ToCorrect>(people: readonly T[]): T[] =>
  people.toSorted(
    (a, b) =>
      Number(b.safety) - Number(a.safety) ||
      Number(b.waited) - Number(a.waited) ||
      (a.lastCorrected ?? '').localeCompare(b.lastCorrected ?? ''),
  );

export interface Turn {
  readonly studentId: string;
  /** From the beginning of the hold, s. */
  readonly from: number;
  readonly seconds: number;
}
export interface CorrectionRound {
  /** Seconds for each person; 0 where the hold is too short for anybody. */
  readonly each: number;
  readonly turns: readonly Turn[];
  /** Who is not reached, in order: they go first the next time. */
  readonly waiting: readonly string[];
}

/**
 * A round of corrections fitted to a hold: as many as can be given their time, the same for each; the rest wait.
 * 8 people in 10 minutes: 75 s each. 12 in 6 minutes: 8 of them 45 s each, 4 wait.
 * @param order ids, who comes first first
 * @param seconds length of the hold
 */
export function correctionRound(
  order: readonly string[],
  seconds: number,
  least: number = LEAST_CORRECTION,
): CorrectionRound {
  const fits = Math.min(order.length, Math.floor((seconds + 1e-6) / least));
  if (fits === 0) return { each: 0, turns: [], waiting: order };
  const each = seconds / fits;
  const turns = order.slice(0, fits).map((studentId, index) => ({ studentId, from: index * each, seconds: each }));
  return { each, turns, waiting: order.slice(fits) };
}

/** Whether somebody is to be corrected in a segment: who leaves it out is not. */
export const takesPart = (
  { rungs }: { readonly rungs: readonly Pick<OwnRung, 'segmentId' | 'own'>[] },
  segmentId: string,
): boolean => rungs.find((rung) => rung.segmentId === segmentId)?.own !== null;

/**
 * The rounds of all holds of a class, one after the other: who was not reached in one is first in the next.
 * @param doesIt whether somebody takes part in the hold of that index
 */
export function correctionRounds(
  order: readonly string[],
  holds: readonly number[],
  doesIt: (id: string, hold: number) => boolean = () => true,
): { readonly rounds: readonly CorrectionRound[]; readonly waiting: readonly string[] } {
  let left = order;
  const rounds = holds.map((seconds, hold) => {
    const round = correctionRound(
      left.filter((id) => doesIt(id, hold)),
      seconds,
    );
    const reached = new Set(round.turns.map(({ studentId }) => studentId));
    left = left.filter((id) => !reached.has(id));
    return round;
  });
  return { rounds, waiting: left };
}

/** Whom the round has really been to. */
export const correctedIn = (visits: readonly Visit[]): ReadonlySet<string> =>
  new Set(visits.filter(({ passed }) => !passed).map(({ studentId }) => studentId));

/** Who still waits for the round, in its order: whoever was passed over comes after all others. */
export function stillWaiting(order: readonly string[], visits: readonly Visit[]): string[] {
  const been = correctedIn(visits);
  const lastPassed = (id: string): number => visits.findLastIndex(({ studentId }) => studentId === id);
  return order.filter((id) => !been.has(id)).toSorted((a, b) => lastPassed(a) - lastPassed(b));
}

export interface TurnNow {
  readonly studentId: string;
  readonly next: string | null;
  /** How many more come in this hold. */
  readonly left: number;
  readonly each: number;
  /** Seconds that are left for this person; below 0 when it takes longer. */
  readonly secondsLeft: number;
}

/**
 * Whose turn it is in a hold that is on; null where all have been corrected, or what is left of the hold is too short for one.
 * @param order of all who are here
 * @param visits so far in this meeting
 * @param hold the span that is on: its index, its length and how far it is, ms
 */
export function turnNow(
  order: readonly string[],
  visits: readonly Visit[],
  hold: { readonly index: number; readonly durationMs: number; readonly offsetMs: number },
): TurnNow | null {
  const left = stillWaiting(order, visits);
  const begun = visits.reduce(
    (latest, visit) => (visit.spanIndex === hold.index ? Math.max(latest, visit.offsetMs) : latest),
    0,
  );
  const round = correctionRound(left, (hold.durationMs - begun) / 1000);
  const [turn, after] = round.turns;
  if (turn === undefined) return null;
  return {
    studentId: turn.studentId,
    next: after?.studentId ?? null,
    left: round.turns.length - 1,
    each: round.each,
    secondsLeft: round.each - (hold.offsetMs - begun) / 1000,
  };
}
