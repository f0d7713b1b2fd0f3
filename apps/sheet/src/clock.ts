import { formatISO } from 'date-fns';

/** The clock of the phone; the core is told the time by it. */
export const now = (): Date => new Date();
export const dayOf = (moment: Date): string => formatISO(moment, { representation: 'date' });

/** An identity that no other practice has, also where the page is not one the browser trusts. */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}
