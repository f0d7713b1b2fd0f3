/** The doses there are: whole multiples of the step, and where it began and where it is to go, whatever the step. */
export interface Grid {
  readonly step: number;
  readonly first: number;
  readonly target: number;
}

/** The grid of a strand as it is stored. */
export const gridOf = ({ step, start, target }: { step: number; start: number; target: number }): Grid => ({
  step,
  first: start,
  target,
});

const TINY = 1e-6;

/**
 * Rounds down to whole multiples of `step`, forgiving rounding errors below a millionth.
 * @example floorToStep(67, 5) // 65
 */
export function floorToStep(value: number, step: number): number {
  return Math.floor(value / step + TINY) * step;
}

/**
 * The dose of a level: rounded down to a multiple of the step, never below one step; on a grid also its first dose and its target, so
 * that nothing that was set is lowered.
 * @example doseOf(3, 5) // 5
 * @example doseOf(8.5, { step: 3, first: 8, target: 20 }) // 8
 */
export function doseOf(level: number, grid: number | Grid): number {
  if (typeof grid === 'number') return Math.max(grid, floorToStep(level, grid));
  const { step, first, target } = grid;
  let dose = floorToStep(level, step);
  if (first > dose && first <= level + TINY) dose = first;
  if (target > dose && target <= level + TINY) dose = target;
  return dose > 0 ? dose : Math.min(step, first);
}

/** The next larger dose of a grid. */
export function nextDose(dose: number, { step, first, target }: Grid): number {
  const multiple = floorToStep(dose, step) + step;
  return Math.min(multiple, ...[first, target].filter((rung) => rung > dose + TINY));
}

/**
 * The whole steps around a dose that lies between two: it is asked back where it is typed. None where it lies on one.
 * @example nearSteps(36, 8) // [32, 40]
 */
export function nearSteps(dose: number, step: number): number[] {
  const under = Math.round(floorToStep(dose, step) * 1e6) / 1e6;
  if (Math.abs(dose - under) < TINY) return [];
  return [under, Math.round((under + step) * 1e6) / 1e6].filter((near) => near > 0);
}

/**
 * What a lighter week asks for instead of a dose: less by the cut, to the nearest step, at least one step less where the dose has more than
 * one; the dose itself where it has not.
 * @param cut share that is to be taken off, 0–1
 */
export function lighterDose(dose: number, cut: number, step: number): number {
  if (cut <= 0 || dose <= step + TINY) return dose;
  const nearest = Math.round((dose * (1 - cut)) / step) * step;
  return Math.max(step, Math.min(nearest, floorToStep(dose - 2 * TINY * step, step)));
}
