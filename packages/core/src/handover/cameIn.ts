import { dayNumber } from '../days/dayNumber';
import type { Still } from '../film/still';
import type { PracticeLog } from '../practice/log';
import { counted } from '../words/counted';

/** What came in is told for so many days, today among them; a picture that waits for so many. House values. */
const TOLD = { logs: 3, stills: 30 };

/** A picture on which nothing is marked yet, or something that was only found. */
export const waitsForLook = ({ marks, found }: Pick<Still, 'marks' | 'found'>): boolean =>
  Object.keys(marks).length === 0 || found.length > 0;

const within = (today: string, day: string, days: number): boolean => dayNumber(today) - dayNumber(day) < days;

/**
 * Practices that were given back from home of late, the latest practice first.
 * @param dayOf the day of a moment where the teacher is
 */
export const logsFromHome = (
  logs: readonly PracticeLog[],
  today: string,
  dayOf: (moment: string) => string,
): PracticeLog[] =>
  logs
    .filter(({ cameInAt }) => cameInAt !== undefined && within(today, dayOf(cameInAt), TOLD.logs))
    .toSorted((a, b) => Date.parse(b.startedAt) - Date.parse(a.startedAt));

/** Pictures of one student that wait to be marked or looked at, the newest first. */
export const stillsWaiting = (stills: readonly Still[], today: string): Still[] =>
  stills
    .filter((still) => waitsForLook(still) && within(today, still.day, TOLD.stills))
    .toSorted((a, b) => b.day.localeCompare(a.day) || b.id.localeCompare(a.id));

/** What the practices from home say at once: “3 practices from home; the hardest 8 of 10, pain up to 2 of 10, faintness”; nothing of none. */
export function homeLogsSaid(logs: readonly PracticeLog[]): string {
  if (logs.length === 0) return '';
  const efforts = logs.flatMap(({ effort }) => effort ?? []);
  const pain = Math.max(0, ...logs.map((log) => log.pain ?? 0));
  const signs = [...new Set(logs.flatMap(({ symptoms }) => symptoms))];
  const told = [
    efforts.length === 0 ? '' : `the hardest ${Math.max(...efforts)} of 10`,
    pain === 0 ? '' : `pain up to ${pain} of 10`,
    ...signs,
  ].filter((words) => words !== '');
  return `${counted(logs.length, 'practice')} from home${told.length === 0 ? '' : `; ${told.join(', ')}`}`;
}
