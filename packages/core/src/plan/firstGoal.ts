import { dayNumber, dayOfNumber } from '../days/dayNumber';
import type { Exercise } from '../library/exercise';
import type { School } from '../schools/school';
import { isPostureAxis, type Axis } from '../axis/axis';
import { defaultStep } from '../axis/defaultStep';
import { MOST_OF_POSTURE } from '../axis/segmentAxis';
import { floorToStep } from './steps';

/** How far a posture is wished to go at first: its own value times this, or so many degrees or percent more. House values. */
const FURTHER = { bend: 20, share: 20, arms: 30 } as const;
const WIDER = 1.3;
const SLOWER = 1.5;
/** A stay inside a repetition is wished so much longer at first, s. */
const LONGER_STAY = 3;

/** A goal is wished for in so many weeks at first. House value. */
const WEEKS_AHEAD = 8;

/** The day by which a goal is wished for at first. @param today YYYY-MM-DD */
export const firstGoalDay = (today: string): string => dayOfNumber(dayNumber(today) + 7 * WEEKS_AHEAD);

/**
 * A goal to begin with, for a value on an axis: twice as long or as many, half as slow again, a posture a few steps further, the last of its stages.
 * @returns on the step of the axis, above the value
 */
export function firstGoal(
  axis: Axis,
  value: number,
  school: Pick<School, 'countsOf'>,
  { stages }: Pick<Exercise, 'stages'>,
): number {
  if (axis === 'stage') return Math.max(value, stages.length);
  const step = defaultStep(axis, value, school);
  const wished = ((): number => {
    if (axis === 'pace') return value * SLOWER;
    if (axis === 'stay') return value + LONGER_STAY;
    if (!isPostureAxis(axis)) return value * 2;
    return Math.min(
      MOST_OF_POSTURE[axis],
      axis in FURTHER ? value + FURTHER[axis as keyof typeof FURTHER] : value * WIDER,
    );
  })();
  const goal = Math.round(floorToStep(Math.max(value, wished), step) * 100) / 100;
  return Math.max(goal, value);
}
