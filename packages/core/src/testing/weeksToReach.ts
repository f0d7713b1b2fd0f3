/**
 * Whole weeks of pure growth from `start` to `target` when each week is at most `growth` above the
 * one before: ⌈ln(target/start) / ln(1 + growth)⌉.
 * @throws RangeError when a value is not positive or the goal is below the first dose.
 */
export function weeksToReach(start: number, target: number, growth: number): number {
  if (!(start > 0)) throw new RangeError('start must be more than 0');
  if (!(target >= start)) throw new RangeError('target must not be below start');
  if (!(growth > 0)) throw new RangeError('growth must be more than 0');
  return Math.ceil(Math.log(target / start) / Math.log(1 + growth) - 1e-9);
}
