import type { Dose, SideAmount } from '../library/dose';

type Rows = Pick<Dose, 'amounts'>;
type Way = SideAmount['side'] | SideAmount['direction'];

export interface Unevenness {
  readonly what: 'sides' | 'directions';
  readonly few: Way;
  readonly fewAmount: number;
  readonly many: Way;
  readonly manyAmount: number;
}

const total = (dose: Rows, key: 'side' | 'direction', value: Way): number =>
  dose.amounts.reduce((sum, row) => (row[key] === value ? sum + row.amount : sum), 0);

function compare(dose: Rows, key: 'side' | 'direction', one: Way, two: Way): Unevenness | null {
  const first = total(dose, key, one);
  const second = total(dose, key, two);
  if (first === second) return null;
  const what = key === 'side' ? 'sides' : 'directions';
  return first < second
    ? { what, few: one, fewAmount: first, many: two, manyAmount: second }
    : { what, few: two, fewAmount: second, many: one, manyAmount: first };
}

/** Where a dose is unequal between left and right, or between forward and reversed. */
export function unevenness(dose: Rows): Unevenness[] {
  const sides = compare(dose, 'side', 'left', 'right');
  const directions = dose.amounts.some((row) => row.direction === 'reversed')
    ? compare(dose, 'direction', 'forward', 'reversed')
    : null;
  return [sides, directions].filter((entry) => entry !== null);
}
