import { format, isValid, parse } from 'date-fns';

/** The ways in which a time of day is typed: `19:00`, `19.00`, `7:00 pm`, `7 pm`; four digits alone are one too. */
const ways = ['H:mm', 'H.mm', 'h:mm a', 'h.mm a', 'h a', 'h:mma', 'h.mma', 'ha'];

/** A time of day as it is typed, as HH:MM; null for anything else. */
export function typedTime(text: string): string | null {
  const clean = text
    .trim()
    .replace(/\s+/g, ' ')
    .replace(/^(\d\d)(\d\d)$/, '$1:$2');
  for (const way of ways) {
    const time = parse(clean, way, new Date(2000, 0, 1));
    if (isValid(time)) return format(time, 'HH:mm');
  }
  return null;
}
