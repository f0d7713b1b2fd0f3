import { dayNumber } from '../days/dayNumber';
import type { Still } from '../film/still';
import type { PracticeLog } from '../practice/log';
import { counted } from '../library/doseWords';

/** What came in is told for so many days, today among them; a picture that waits for so many. House values. */
const TOLD = { logs: 3, stills: 30 };

/** What came in of one student of late. */
export interface CameIn {
  /** Practices that were given back from home, the latest first. */
  readonly logs: readonly PracticeLog[];
  /** Pictures that wait to be marked or looked at, the newest first. */
  readonly stills: readonly Still[];
}

/** A picture on which nothing is marked yet, or something that was only found. */
export const waitsForLook = ({ marks, found }: Pick<Still, 'marks' | 'found'>): boolean =>
  Object.keys(marks).length === 0 || found.length > 0;

/**
 * What came in of one student of late; null where nothing did.
 * @param dayOf the day of a moment where the teacher is
 */
export function cameIn(
  logs: readonly PracticeLog[],
  stills: readonly Still[],
  today: string,
  dayOf: (moment: string) => string,
): CameIn | null {
  const within = (day: string, days: number): boolean => dayNumber(today) - dayNumber(day) < days;
  const late = logs.filter(({ cameInAt }) => cameInAt !== undefined && within(dayOf(cameInAt), TOLD.logs));
  const waiting = stills.filter((still) => waitsForLook(still) && within(still.day, TOLD.stills));
  if (late.length === 0 && waiting.length === 0) return null;
  return {
    logs: late.toSorted((a, b) => Date.parse(b.startedAt) - Date.parse(a.startedAt)),
    stills: waiting.toSorted((a, b) => b.day.localeCompare(a.day) || b.id.localeCompare(a.id)),
  };
}

/** What the practices from home say at once: “3 practices from home; the hardest 8 of 10, pain up to 2 of 10, faintness”. */
export function homeLogsSaid(logs: readonly PracticeLog[]): string {
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
