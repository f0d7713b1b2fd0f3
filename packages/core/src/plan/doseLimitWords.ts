import { axisWords } from '../axis/axisWords';
import type { Strand } from '../goals/plan';
import type { DoseLimit } from '../limits/axisLimits';
import { doseOf, gridOf } from './steps';

/** The dose that a limit comes to in whole steps, as it is said and drawn; what is noted is asked for as it is. */
export const limitDose = (
  strand: Pick<Strand, 'step' | 'start' | 'target'>,
  { from, dose }: Pick<DoseLimit, 'from' | 'dose'>,
): number => (from === 'noted' ? dose : doseOf(dose, gridOf(strand)));

/** The smallest limit of a strand with the dose it comes to, as every place says it; null where nothing limits it. */
export function doseLimitWords(
  strand: Pick<Strand, 'axis' | 'step' | 'start' | 'target'>,
  limit: DoseLimit | undefined,
): string | null {
  if (limit === undefined) return null;
  return `${axisWords(limitDose(strand, limit), strand.axis)} is ${limit.reason}.`;
}
