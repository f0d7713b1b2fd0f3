const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'] as const;
const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const;

/**
 * A day in full: `Thursday 12 March`. In a file of its own, and from lists of names: the first page waits neither for a
 * library nor for the platform's formats, which take a tenth of a second the first time.
 */
export function fullDay(day: string): string {
  const [year, month, date] = day.split('-').map(Number);
  const weekday = new Date(year!, month! - 1, date).getDay();
  return `${WEEKDAYS[weekday]!} ${date} ${MONTHS[month! - 1]!}`;
}
