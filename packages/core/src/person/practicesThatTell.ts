import { dayNumber } from '../days/dayNumber';
import type { PracticeLog } from '../practice/log';

/** Practices of so many days tell of a person today. House value. */
export const TELLING_DAYS = 366;
/** Whoever was hardly here: at least so many of the latest. House value. */
export const TELLING_LATEST = 40;

/** Whether a practice holds a sign that locks something until a teacher clears it, however old it is. */
const hasSign = ({ pain, symptoms }: Pick<PracticeLog, 'pain' | 'symptoms'>, stopPain: number): boolean =>
  (pain ?? 0) >= stopPain || symptoms.length > 0;

/**
 * The practices from which everything is worked out: those of the last year, at least the latest forty, and every one with a sign to stop
 * however old. One rule for every screen, sheet and paper; dated after today or not.
 * @param logs of one student
 * @param today YYYY-MM-DD
 * @param stopPain of the school: joint pain from which the work stops
 * @returns in the order in which they were done
 */
export function practicesThatTell<L extends Pick<PracticeLog, 'id' | 'day' | 'startedAt' | 'pain' | 'symptoms'>>(
  logs: readonly L[],
  today: string,
  stopPain: number,
): L[] {
  const ordered = inOrder(logs);
  const since = dayNumber(today) - TELLING_DAYS;
  const from = Math.max(0, ordered.length - TELLING_LATEST);
  return ordered.filter((log, at) => at >= from || dayNumber(log.day) >= since || hasSign(log, stopPain));
}

/** Practices in the order in which they were done. */
export const inOrder = <L extends Pick<PracticeLog, 'startedAt' | 'id'>>(logs: readonly L[]): L[] =>
  logs.toSorted((a, b) => Date.parse(a.startedAt) - Date.parse(b.startedAt) || (a.id < b.id ? -1 : 1));
