/**
 * Rounds down to whole multiples of `step`, forgiving rounding errors below a millionth.
 * @example floorToStep(67, 5) // 65
 */
export function floorToStep(value: number, step: number): number {
  return Math.floor(value / step + 1e-6) * step;
}

/**
 * The dose of a level: rounded down to the step, never below one step.
 * @example doseOf(3, 5) // 5
 */
export function doseOf(level: number, step: number): number {
  return Math.max(step, floorToStep(level, step));
}
