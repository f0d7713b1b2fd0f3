/**
 * The resting rate in breaths a minute from taps on each inhale: 60 over the median interval, which
 * a missed or double tap hardly moves.
 * @param taps moments in s, rising
 * @throws RangeError for fewer than three taps, or taps that do not rise.
 */
export function restingRate(taps: readonly number[]): number {
  if (taps.length < 3) throw new RangeError(`taps: at least three are needed; there are ${taps.length}`);
  const intervals = taps.slice(1).map((tap, index) => tap - taps[index]!);
  if (intervals.some((interval) => !(interval > 0))) throw new RangeError('taps must rise');
  const sorted = intervals.toSorted((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  const median = sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
  return 60 / median;
}
