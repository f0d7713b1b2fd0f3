import { format, parseISO } from 'date-fns';

/** A day as people write it, with its year: `26 Nov 2026`. */
export const dayWords = (day: string): string => format(parseISO(day), 'd MMM yyyy');
