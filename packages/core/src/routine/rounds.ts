import type { Dose, SideAmount } from '../library/dose';
import { breathPeriod } from '../breath/breathPeriod';
import { slowingTotal } from '../breath/slowingTotal';

/** One unbroken stretch of work: one hold, or one row of repetitions or breaths. */
export interface Round {
  readonly side: SideAmount['side'];
  readonly direction: SideAmount['direction'];
  /** Repetitions or breaths in the round; 1 for a hold. */
  readonly amount: number;
  readonly seconds: number;
  /** It lasts until the cue; the seconds are what is planned. */
  readonly byCue: boolean;
  /** Which hold of how many on this side; 1 of 1 for cycles and breaths. */
  readonly set: number;
  readonly sets: number;
}

/** Seconds that `amount` repetitions, breaths or holds of a dose take, without rests. */
export function workSeconds(dose: Dose, amount: number): number {
  switch (dose.kind) {
    case 'hold':
      return dose.holdSeconds * amount;
    case 'cycle':
      return dose.cycleSeconds * amount;
    case 'breath':
      return slowingTotal(breathPeriod(dose.pattern), dose.slowing, amount);
  }
}

function rowRounds(dose: Dose, row: SideAmount): Round[] {
  const { side, direction, amount } = row;
  if (amount === 0) return [];
  if (dose.kind !== 'hold') {
    return [{ side, direction, amount, seconds: workSeconds(dose, amount), byCue: false, set: 1, sets: 1 }];
  }
  return Array.from({ length: amount }, (_, index) => ({
    side,
    direction,
    amount: 1,
    seconds: dose.holdSeconds,
    byCue: dose.byCue,
    set: index + 1,
    sets: amount,
  }));
}

/**
 * The rounds of a dose in the order they are practised. `whole` finishes one side before the other;
 * `alternating` takes one round of each row in turn, so that holds go left, right, left, right.
 */
export function rounds(dose: Dose, order: 'whole' | 'alternating'): Round[] {
  const rows = dose.amounts.map((row) => rowRounds(dose, row));
  if (order === 'whole') return rows.flat();
  const bySide = dose.kind === 'hold' ? rows : alternateRows(rows);
  const longest = Math.max(0, ...bySide.map((row) => row.length));
  return Array.from({ length: longest }, (_, index) => bySide.flatMap((row) => row[index] ?? [])).flat();
}

/** Puts the rows of one side into one column, so that left and right are taken in turn. */
function alternateRows(rows: Round[][]): Round[][] {
  const sides = [...new Set(rows.flat().map((round) => round.side))];
  return sides.map((side) => rows.flat().filter((round) => round.side === side));
}
