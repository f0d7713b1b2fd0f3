import type { Dose, SideAmount } from '../library/dose';

/** The dose with so much more of one side or one direction, in the row that has least of it; a row is added where none is. */
export function addTo<D extends Dose>(
  dose: D,
  key: 'side' | 'direction',
  value: SideAmount['side'] | SideAmount['direction'],
  more: number,
): D {
  const own = dose.amounts.filter((row) => row[key] === value).sort((a, b) => a.amount - b.amount)[0];
  const amounts =
    own === undefined
      ? [...dose.amounts, { ...dose.amounts[0]!, [key]: value, amount: more }]
      : dose.amounts.map((row) => (row === own ? { ...row, amount: row.amount + more } : row));
  return { ...dose, amounts };
}
