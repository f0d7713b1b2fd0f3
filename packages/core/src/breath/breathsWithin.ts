import { slowingTotal } from './slowingTotal';

/**
 * How many whole breaths fit into `seconds` when the first takes `firstSeconds` and each later one
 * `factor` times the one before (1 = even). The inverse of {@link slowingTotal}, rounded down.
 * A breath that ends within a thousandth of a second of the limit counts as whole.
 * @example breathsWithin(150, 10, 1.04) // 11
 * @throws RangeError for a first breath of no length.
 */
export function breathsWithin(seconds: number, firstSeconds: number, factor = 1): number {
  if (!(firstSeconds > 0)) throw new RangeError('firstSeconds must be more than 0');
  if (seconds <= 0) return 0;
  const reach = seconds + 1e-3;
  if (Math.abs(factor - 1) < 1e-12) return Math.floor(reach / firstSeconds);
  const argument = 1 + (reach * (factor - 1)) / firstSeconds;
  if (argument <= 0) return Number.POSITIVE_INFINITY;
  const estimate = Math.floor(Math.log(argument) / Math.log(factor));
  return slowingTotal(firstSeconds, factor, estimate + 1) <= reach ? estimate + 1 : estimate;
}
