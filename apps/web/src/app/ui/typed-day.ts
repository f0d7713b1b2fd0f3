import { formatISO, isValid, parse } from 'date-fns';

/** The ways in which a day is typed: `12 Mar 2026`, `12 March 2026`, `12 Mar`, `12.3.2026`, `2026-03-12`. */
const ways = ['d MMM yyyy', 'd MMMM yyyy', 'd MMM', 'd MMMM', 'd.M.yyyy', 'yyyy-MM-dd'];
const [FIRST_YEAR, LAST_YEAR] = [1900, 2200];

/**
 * A day as it is typed, as YYYY-MM-DD; null for anything else, also where day and month cannot be told apart (`3/4/2026`).
 * @param near YYYY-MM-DD, in whose year a day without a year lies
 */
export function typedDay(text: string, near: string): string | null {
  const clean = text.trim().replace(/\s+/g, ' ');
  const reference = parse(near, 'yyyy-MM-dd', new Date(0));
  for (const way of ways) {
    const day = parse(clean, way, reference);
    if (isValid(day) && day.getFullYear() >= FIRST_YEAR && day.getFullYear() <= LAST_YEAR)
      return formatISO(day, { representation: 'date' });
  }
  return null;
}
