import { isReached, type Strand } from '@pomek/core';
import { readDay } from '../ui/day-words';
import type { Reach } from './reach-words';

/** When a goal is reached, in a word or as a day, and whether that is after its day; without words as long as it is not known. */
export function goalEnds(
  strand: Strand,
  forecast: Reach | undefined,
): { readonly ends: string; readonly late: boolean } {
  if (isReached(strand)) return { ends: 'reached', late: false };
  if (forecast === undefined) return { ends: '', late: false };
  const { earliestDay, inTime } = forecast;
  return { ends: earliestDay === null ? 'not reached' : readDay(earliestDay), late: !inTime };
}
