import { axisWords, type Axis } from '@pomek/core';
import { readDay } from '../ui/day-words';

/** When a goal is reached, as far as it is known. */
export interface Reach {
  /** YYYY-MM-DD; null: not within the years that are looked at. */
  readonly earliestDay: string | null;
  readonly inTime: boolean;
  /** What is asked for last up to the goal day, in units of the axis. */
  readonly doseOnTargetDay: number;
}

/** When a goal is reached, and how far it comes by its day where that is later; empty where it is never reached. */
export function reachWords({ earliestDay, inTime, doseOnTargetDay }: Reach, targetDay: string, axis: Axis): string {
  if (earliestDay === null) return '';
  const [earliest, wished] = [readDay(earliestDay), readDay(targetDay)];
  return inTime
    ? `Reached on ${earliest}, in time for ${wished}.`
    : `Out of reach by ${wished}: ${axisWords(doseOnTargetDay, axis)} by then. The earliest is ${earliest}`;
}
