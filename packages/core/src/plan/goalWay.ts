import { axisWords, shortAxisWords } from '../axis/axisWords';
import type { Strand } from '../goals/plan';
import { isOpen } from './stateOfStrand';
import { doseOf, gridOf } from './steps';

type Way = Pick<Strand, 'axis' | 'level' | 'start' | 'target' | 'step' | 'gate' | 'openedOn'>;

/** Whether what is asked for now is the goal already. */
export const isReached = (strand: Way): boolean =>
  isOpen(strand) && doseOf(strand.level, gridOf(strand)) >= strand.target;

/**
 * How far a goal is, in a word or two: `8 → 12 repetitions`, `12 repetitions, reached`, `not opened → 1:30 min`. The unit stands
 * once where it follows the number.
 */
export function goalWay(strand: Way): string {
  const { axis, target } = strand;
  const goal = axisWords(target, axis);
  if (!isOpen(strand)) return `not opened → ${goal}`;
  const dose = doseOf(strand.level, gridOf(strand));
  if (isReached(strand)) return `${axisWords(dose, axis)}, reached`;
  // Where the number comes first, its unit stands once.
  const once = axis !== 'time' && /^\d/.test(goal);
  return `${once ? shortAxisWords(dose, axis) : axisWords(dose, axis)} → ${goal}`;
}
