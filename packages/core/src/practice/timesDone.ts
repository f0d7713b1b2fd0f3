import type { PracticeLog } from './log';

/** In how many practices an exercise was done, however little of it. */
export const timesDone = (logs: readonly Pick<PracticeLog, 'lines'>[], exerciseId: string): number =>
  logs.filter(({ lines }) => lines.some((line) => line.exerciseId === exerciseId && line.done.amount > 0)).length;
