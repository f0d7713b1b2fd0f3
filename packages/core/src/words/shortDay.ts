import { format, parseISO } from 'date-fns';

/** A day as people write it, without its year: `Thu 26 Nov`. */
export const shortDay = (day: string): string => format(parseISO(day), 'EEE d MMM');
