import type { Dose, Side } from '../library/dose';

/**
 * The dose with every side and direction raised to the largest amount of any of them, adding the
 * row of a side that was missing. The mend for {@link unevenness}: nothing is taken away.
 */
export function evenOut<D extends Dose>(dose: D): D {
  const most = Math.max(...dose.amounts.map((row) => row.amount));
  const sides: Side[] = dose.amounts.some((row) => row.side !== 'both') ? ['left', 'right'] : [];
  const directions = new Set(dose.amounts.map((row) => row.direction));
  const missing = sides.flatMap((side) =>
    [...directions]
      .filter((direction) => !dose.amounts.some((row) => row.side === side && row.direction === direction))
      .map((direction) => ({ side, direction, amount: most })),
  );
  return { ...dose, amounts: [...dose.amounts.map((row) => ({ ...row, amount: most })), ...missing] };
}
