/** A day without a change of clocks, s. */
export const DAY_SECONDS = 24 * 60 * 60;
const DAY_MS = DAY_SECONDS * 1000;

/** A calendar day as a whole number: days since 1 January 1970. Time zones and clock changes do not touch it. */
export const dayNumber = (day: string): number => Date.parse(`${day}T00:00:00Z`) / DAY_MS;

/** The calendar day of a number, YYYY-MM-DD. */
export const dayOfNumber = (day: number): string => new Date(day * DAY_MS).toISOString().slice(0, 10);

/** The weekday of a day number, Monday 1 to Sunday 7. */
export const weekdayOf = (day: number): number => ((((day + 3) % 7) + 7) % 7) + 1;
