import type { Dose } from '../library/dose';
import { countOf, workSeconds } from '../library/repetitions';
import { laps } from './laps';
import type { Routine } from './routine';

export interface SideTotals {
  readonly seconds: number;
  readonly repetitionsForward: number;
  readonly repetitionsReversed: number;
  readonly breaths: number;
}
export type SidesLedger = Readonly<Record<'left' | 'right', SideTotals>>;

const none: SideTotals = { seconds: 0, repetitionsForward: 0, repetitionsReversed: 0, breaths: 0 };

function add(totals: SideTotals, dose: Dose, row: Dose['amounts'][number]): SideTotals {
  const repetitions = dose.kind === 'cycle' ? countOf(dose, row.amount) : 0;
  const reversed = row.direction === 'reversed';
  return {
    seconds: totals.seconds + workSeconds(dose, row.amount),
    repetitionsForward: totals.repetitionsForward + (reversed ? 0 : repetitions),
    repetitionsReversed: totals.repetitionsReversed + (reversed ? repetitions : 0),
    breaths: totals.breaths + (dose.kind === 'breath' ? row.amount : 0),
  };
}

/** Seconds, repetitions by direction and breaths worked on each side of a routine (sources: Time of a routine). */
export function sidesLedger(routine: Routine): SidesLedger {
  const ledger = { left: none, right: none };
  for (const { segment } of laps(routine)) {
    if (segment.type !== 'exercise') continue;
    for (const row of segment.dose.amounts) {
      if (row.side !== 'both') ledger[row.side] = add(ledger[row.side], segment.dose, row);
    }
  }
  return ledger;
}
