import { axisWords, growthWords, type Axis, type Growth } from '@pomek/core';
import { readDay } from '../ui/day-words';

/** When a goal is reached, as far as it is known. */
export interface Reach {
  /** YYYY-MM-DD; null: not within the years that are looked at. */
  readonly earliestDay: string | null;
  readonly inTime: boolean;
  /** What is asked for last up to the goal day, in units of the axis. */
  readonly doseOnTargetDay: number;
}

/**
 * When a goal is reached, and how far it comes by its day where that is later; without a full stop.
 * @param growth what a raise may add at most
 */
export function reachWords(
  { earliestDay, inTime, doseOnTargetDay }: Reach,
  targetDay: string,
  axis: Axis,
  growth: Growth,
): string {
  if (earliestDay === null) return `Not within three years at ${growthWords(growth)}`;
  const [earliest, wished] = [readDay(earliestDay), readDay(targetDay)];
  return inTime
    ? `Reached on ${earliest}, in time for ${wished}`
    : `Out of reach by ${wished}: ${axisWords(doseOnTargetDay, axis)} by then. The earliest is ${earliest}`;
}
