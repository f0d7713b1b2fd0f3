import { dayNumber } from '../days/dayNumber';
import { DaySchema } from '../days/daySchema';

/**
 * How many copies of a folder stay: one for each of so many days, weeks and months up to today, and one for each year however long
 * ago. Common practice for copies (grandfather, father, son).
 */
export const copySeries = { days: 7, weeks: 5, months: 12 } as const;

/** What tells the copies of one browser from those of others in the same folder. */
const MARK = /^[a-z0-9]{4,12}$/;

/**
 * The name of the file with the copy of a day.
 * @param mark of the browser: 4 to 12 small letters and digits
 * @throws RangeError for another mark
 */
export function copyFileName(day: string, mark: string): string {
  if (!MARK.test(mark)) throw new RangeError('a mark has 4 to 12 small letters and digits');
  return `pomek-copy-${day}-${mark}.json`;
}

/** The day of which a file has the copy, YYYY-MM-DD; null for any other file, also one of another browser. */
export function copyDay(fileName: string, mark: string): string | null {
  const day = fileName.slice('pomek-copy-'.length, 'pomek-copy-'.length + 10);
  return DaySchema.safeParse(day).success && fileName === copyFileName(day, mark) ? day : null;
}

/** Monday is the first day of a week. 1970-01-01, day 0, was a Thursday. */
const weekOf = (day: string): number => Math.floor((dayNumber(day) + 3) / 7);
const monthOf = (day: string): number => Number(day.slice(0, 4)) * 12 + Number(day.slice(5, 7));
const yearOf = (day: string): number => Number(day.slice(0, 4));

/**
 * The days whose copies the series needs no more: of each week, month and year the last copy stays. Days after today
 * stay, whatever clock wrote them.
 * @param days YYYY-MM-DD, in any order
 * @param today YYYY-MM-DD
 */
export function copiesToRemove(days: readonly string[], today: string): string[] {
  const newestFirst = days.filter((day) => day <= today).toSorted((a, b) => b.localeCompare(a));
  const kept = new Set<string>();
  const keep = (spanOf: (day: string) => number, count: number): void => {
    const seen = new Set<number>();
    for (const day of newestFirst) {
      const span = spanOf(day);
      if (spanOf(today) - span >= count || seen.has(span)) continue;
      seen.add(span);
      kept.add(day);
    }
  };
  keep(dayNumber, copySeries.days);
  keep(weekOf, copySeries.weeks);
  keep(monthOf, copySeries.months);
  keep(yearOf, Infinity);
  return newestFirst.filter((day) => !kept.has(day));
}
