import type { Side } from '../library/dose';
import type { Exercise } from '../library/exercise';
import { msToSay } from '../words/msToSay';
import type { School } from './school';
import { spokenWayIn } from './spokenLine';

/** What has to be done to come from one side to the other: the lines of the way in that are others there. */
export function wayInOfSide(drill: Exercise, school: School, from: Side, to: Side): string[] {
  const [old, now] = [spokenWayIn(drill, school, from), spokenWayIn(drill, school, to)];
  return now.filter((line, index) => line !== old[index]);
}

/** Whether the feet stand otherwise for each side, so that one cannot change from one repetition to the next. */
export const standsOtherwise = ({ twoSided, posture }: Pick<Exercise, 'twoSided' | 'posture'>): boolean =>
  twoSided && (posture.ahead > 0 || posture.toesOutDeg !== (posture.otherToesOutDeg ?? posture.toesOutDeg));

/** How long a change of side takes as it is told, whole s: each line in its turn; 0 where nothing has to be told. */
export const secondsOfChange = (drill: Exercise, school: School): number =>
  drill.twoSided
    ? Math.ceil(wayInOfSide(drill, school, 'left', 'right').reduce((sum, line) => sum + msToSay(line), 0) / 1000)
    : 0;
