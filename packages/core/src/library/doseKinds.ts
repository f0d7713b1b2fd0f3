import { isTimed, type Direction, type Dose, type Side } from './dose';
import type { Exercise } from './exercise';
import { countOf, firstSeconds, repetitionsIn, workSeconds } from './repetitions';

/** How a dose is given: time held, repetitions, time with the repetitions counted, breaths. */
export const doseGivings = ['hold', 'cycle', 'timed', 'breath'] as const;
export type DoseGiving = (typeof doseGivings)[number];

export const givingWords: Readonly<Record<DoseGiving, string>> = {
  hold: 'Time held',
  cycle: 'Repetitions',
  timed: 'Timed, repetitions counted',
  breath: 'Breaths',
};

/** How a dose is given. */
export const givingOf = (dose: Dose): DoseGiving => (isTimed(dose) ? 'timed' : dose.kind);

/** In which ways an exercise can be dosed: what has parts or repetitions moves, and what is held is held. */
export function givingsFor({
  phases,
  defaultDose,
  swaySeconds,
}: Pick<Exercise, 'phases' | 'defaultDose' | 'swaySeconds'>): DoseGiving[] {
  // A shake has parts and is held.
  const moves = swaySeconds === null && (phases.length > 0 || defaultDose.kind === 'cycle');
  return moves ? ['cycle', 'timed', 'breath'] : ['hold', 'breath'];
}

/** The dose with its rows laid out anew for an exercise with or without sides and directions. */
export function sidesOf(dose: Dose, twoSided: boolean, hasDirections: boolean): Dose {
  const amount = Math.max(...dose.amounts.map((row) => row.amount));
  const sides: Side[] = twoSided ? ['left', 'right'] : ['both'];
  const directions: Direction[] = hasDirections ? ['forward', 'reversed'] : ['none'];
  return { ...dose, amounts: sides.flatMap((side) => directions.map((direction) => ({ side, direction, amount }))) };
}

/** The first breath where nothing is known: 4 s in, 5 s out; and the first repetition, s. House values. */
const EASY = { inSeconds: 4, fullPauseSeconds: 0, outSeconds: 5, emptyPauseSeconds: 0 };
const REPETITION = 6;
/** Times a teacher would say, s. */
const STEP = 30;
const rounded = (seconds: number): number => Math.max(STEP, Math.round(seconds / STEP) * STEP);

/** About as much of a dose given another way: the same rows, and as long a side as it was. */
export function doseGivenAs(dose: Dose, giving: DoseGiving): Dose {
  if (givingOf(dose) === giving) return dose;
  const { restSeconds, amounts } = dose;
  const most = Math.max(...amounts.map((row) => row.amount));
  const seconds = workSeconds(dose, most);
  // By feel stays by feel; a range of seconds is none of repetitions.
  const least = dose.least === 0 ? 0 : null;
  const rows = (amount: number): Dose['amounts'] =>
    amounts.map((row) => ({ ...row, amount: row.amount === 0 ? 0 : amount }));
  const whole = (count: number): number => Math.max(1, Math.min(9999, Math.round(count)));
  const shared = { restSeconds, least };
  switch (giving) {
    case 'hold': {
      const holdSeconds = Math.min(7200, rounded(seconds));
      return { kind: 'hold', holdSeconds, byCue: false, parts: [], ...shared, amounts: rows(1) };
    }
    case 'cycle': {
      if (dose.kind === 'cycle')
        return { ...dose, roundSeconds: null, ...shared, amounts: rows(whole(countOf(dose, most))) };
      const cycleSeconds = dose.kind === 'breath' ? Math.min(300, firstSeconds(dose)) : REPETITION;
      const count = whole(seconds / cycleSeconds);
      const plain = { slowing: 1, roundSeconds: null, staySeconds: 0, stayAfter: null };
      return { kind: 'cycle', cycleSeconds, ...plain, ...shared, amounts: rows(count) };
    }
    case 'timed': {
      const drill = doseGivenAs(dose, 'cycle');
      if (drill.kind !== 'cycle') return dose;
      return { ...drill, roundSeconds: Math.min(7200, rounded(seconds)), ...shared, amounts: rows(1) };
    }
    case 'breath': {
      // A movement on the breath takes as long as it did; a hold is counted in easy breaths.
      const first = dose.kind === 'cycle' ? firstSeconds(dose) : 9;
      const share = first / 9;
      const pattern = { ...EASY, inSeconds: EASY.inSeconds * share, outSeconds: EASY.outSeconds * share };
      const slowing = dose.kind === 'cycle' ? dose.slowing : 1;
      const count = whole(repetitionsIn(first, slowing, seconds));
      return { kind: 'breath', pattern, slowing, ...shared, amounts: rows(count) };
    }
  }
}
