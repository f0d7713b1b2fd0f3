import { timeline } from '../routine/timeline';
import { conduct } from './conduct';
import type { Journal } from './journal';

/** Whether a practice that was only tried out, with nobody, came to its end: nothing of it is to be kept. */
export const overOfNobody = ({ studentId, group, routine, events, seenAt }: Journal): boolean =>
  studentId === null &&
  group === null &&
  conduct(timeline(routine), events, Math.max(seenAt, events.at(-1)?.at ?? 0)).finished;
