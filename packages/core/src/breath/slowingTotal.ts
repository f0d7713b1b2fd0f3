/**
 * Total seconds of `rounds` rounds when the first takes `firstSeconds` and each one after it is
 * `factor` times the one before: t₀·(qⁿ − 1)/(q − 1), a geometric series (sources: Breath).
 * @example Math.round(slowingTotal(10, 1.04, 12) * 100) / 100 // 150.26
 * @throws RangeError for a negative length, a factor of 0 or less, or a count that is not whole.
 */
export function slowingTotal(firstSeconds: number, factor: number, rounds: number): number {
  if (!(firstSeconds >= 0)) throw new RangeError('firstSeconds must be 0 or more');
  if (!(factor > 0)) throw new RangeError('factor must be more than 0');
  if (!Number.isInteger(rounds) || rounds < 0) throw new RangeError('rounds must be a whole number, 0 or more');
  if (Math.abs(factor - 1) < 1e-12) return firstSeconds * rounds;
  return (firstSeconds * (factor ** rounds - 1)) / (factor - 1);
}
