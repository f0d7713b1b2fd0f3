import type { Direction, Dose, Side } from '@pomek/core';

/** The dose with its rows laid out anew for an exercise with or without sides and directions. */
export function sidesOf(dose: Dose, twoSided: boolean, hasDirections: boolean): Dose {
  const amount = Math.max(...dose.amounts.map((row) => row.amount));
  const sides: Side[] = twoSided ? ['left', 'right'] : ['both'];
  const directions: Direction[] = hasDirections ? ['forward', 'reversed'] : ['none'];
  return { ...dose, amounts: sides.flatMap((side) => directions.map((direction) => ({ side, direction, amount }))) };
}

/** The dose given another way, with the usual first amounts of that way and the same rows. */
export function doseOfKind(dose: Dose, kind: Dose['kind']): Dose {
  if (dose.kind === kind) return dose;
  const { restSeconds } = dose;
  // By feel stays by feel; a range of seconds is none of repetitions.
  const least = dose.least === 0 ? 0 : null;
  const rows = (amount: number): Dose['amounts'] => dose.amounts.map((row) => ({ ...row, amount }));
  switch (kind) {
    case 'hold':
      return { kind, holdSeconds: 60, byCue: false, restSeconds, least, amounts: rows(1) };
    case 'cycle':
      return { kind, cycleSeconds: 6, restSeconds, least, amounts: rows(8) };
    case 'breath':
      return {
        kind,
        pattern: { inSeconds: 4, fullPauseSeconds: 0, outSeconds: 5, emptyPauseSeconds: 0 },
        slowing: 1,
        restSeconds,
        least,
        amounts: rows(9),
      };
  }
}
