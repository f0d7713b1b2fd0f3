import type { Strand } from '../../goals/plan';

/** Doses of these are whole numbers, however small the step. */
const whole: ReadonlySet<Strand['axis']> = new Set(['time', 'breaths', 'repetitions', 'stage', 'stay']);

/**
 * Half the step of a strand, as it can be practised: whole seconds, breaths, repetitions and stages, never under one. Where steps are half ones
 * already they stay.
 * @example halfStep({ axis: 'repetitions', step: 3, halfSteps: null }) // 1
 */
export function halfStep({ axis, step, halfSteps }: Pick<Strand, 'axis' | 'step' | 'halfSteps'>): number {
  if (halfSteps !== null) return step;
  return whole.has(axis) ? Math.max(1, Math.floor(step / 2)) : step / 2;
}
