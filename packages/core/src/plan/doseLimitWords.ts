import { axisWords } from '../axis/axisWords';
import type { Strand } from '../goals/plan';
import type { DoseLimit } from '../limits/axisLimits';
import { doseOf, gridOf } from './steps';

/** The smallest limit of a strand with the dose it comes to, as every place says it; null where nothing limits it. */
export function doseLimitWords(
  strand: Pick<Strand, 'axis' | 'step' | 'start' | 'target'>,
  limit: DoseLimit | undefined,
): string | null {
  if (limit === undefined) return null;
  const dose = limit.from === 'noted' ? limit.dose : doseOf(limit.dose, gridOf(strand));
  return `${axisWords(dose, strand.axis)} is ${limit.reason}.`;
}
