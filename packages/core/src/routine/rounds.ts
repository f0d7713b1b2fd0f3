import type { BreathDose, CycleDose, Dose, SideAmount } from '../library/dose';
import { isTimed } from '../library/dose';
import { countOf, firstSeconds, workSeconds } from '../library/repetitions';
import { takesTurns, type SideOrder } from '../library/sideOrder';

/** One unbroken stretch of work: one hold, one row of repetitions or breaths, or one of them where sides take turns. */
export interface Round {
  readonly side: SideAmount['side'];
  readonly direction: SideAmount['direction'];
  /** Repetitions or breaths in the round, the last by its share; 1 for a hold. */
  readonly amount: number;
  readonly seconds: number;
  /** Each repetition is this many times as long as the one before. */
  readonly slowing: number;
  /** It lasts until the cue, or as long as it feels right; the seconds are what is planned. */
  readonly byCue: boolean;
  /** Sides take turns as long as it feels right: who goes on ends all of the turns. */
  readonly turnsByFeel: boolean;
  /** Which hold or timed round of how many on this side; 1 of 1 for counted ones. */
  readonly set: number;
  readonly sets: number;
  /** Where sides take turns by repetition: the how manieth of them this is; 1 of 1 elsewhere. */
  readonly turn: number;
  readonly turns: number;
}

const whole = { slowing: 1, byCue: false, turnsByFeel: false, set: 1, sets: 1, turn: 1, turns: 1 } as const;

function rowRounds(dose: Dose, row: SideAmount): Round[] {
  const { side, direction, amount } = row;
  // As long as it feels right: it waits.
  const byFeel = dose.least === 0;
  if (amount === 0) return [];
  if (dose.kind === 'hold' || isTimed(dose)) {
    const held = dose.kind === 'hold';
    return Array.from({ length: amount }, (_, index) => ({
      ...whole,
      side,
      direction,
      amount: held ? 1 : countOf(dose, 1),
      seconds: workSeconds(dose, 1),
      slowing: held ? 1 : dose.slowing,
      byCue: (held && dose.byCue) || byFeel,
      set: index + 1,
      sets: amount,
    }));
  }
  const seconds = workSeconds(dose, amount);
  return [{ ...whole, side, direction, amount, seconds, slowing: dose.slowing, byCue: byFeel }];
}

/** The repetitions of a round one by one, the last as far as it goes. */
function oneByOne(dose: CycleDose | BreathDose, round: Round): Round[] {
  const first = firstSeconds(dose);
  return Array.from({ length: Math.ceil(round.amount - 1e-9) }, (_, index) => {
    const amount = Math.min(1, round.amount - index);
    const seconds = amount * first * dose.slowing ** index;
    return { ...round, amount, seconds, slowing: 1, byCue: false, turnsByFeel: round.byCue };
  });
}

/** Rounds of several rows, one of each in turn as long as there are any. */
function inTurn<T>(rows: readonly (readonly T[])[]): T[] {
  const longest = Math.max(0, ...rows.map((row) => row.length));
  return Array.from({ length: longest }, (_, index) => rows.flatMap((row) => row[index] ?? [])).flat();
}

/** The sides take turns repetition by repetition: first all forward, then all reversed, one round after the other. */
function turns(dose: CycleDose | BreathDose, rows: readonly Round[][]): Round[] {
  const directions = [...new Set(rows.flat().map((round) => round.direction))];
  return directions.flatMap((direction) => {
    const own = rows.map((row) => row.filter((round) => round.direction === direction));
    const sets = Math.max(0, ...own.map((row) => row.length));
    return Array.from({ length: sets }, (_, set) => {
      const taken = inTurn(own.map((row) => (row[set] === undefined ? [] : oneByOne(dose, row[set]))));
      return taken.map((round, index) => ({ ...round, turn: index + 1, turns: taken.length }));
    }).flat();
  });
}

/**
 * The rounds of a dose in the order they are practised. `whole` finishes one side before the other; `alternating` takes one
 * round of each row in turn, so that holds go left, right, left, right; `each` does so with single repetitions.
 */
export function rounds(dose: Dose, order: SideOrder): Round[] {
  const rows = dose.amounts.map((row) => rowRounds(dose, row));
  if (order === 'whole') return rows.flat();
  if (dose.kind !== 'hold' && takesTurns(dose, order)) return turns(dose, rows);
  return inTurn(alternateRows(rows));
}

/** Puts the rows of one side into one column, so that left and right are taken in turn. */
function alternateRows(rows: Round[][]): Round[][] {
  const sides = [...new Set(rows.flat().map((round) => round.side))];
  return sides.map((side) => rows.flat().filter((round) => round.side === side));
}
