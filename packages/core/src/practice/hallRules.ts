import type { JournalEvent } from './journal';
import type { PracticeLog } from './log';

/** What keys of the keyboard do while a practice is conducted; letters in lower case. */
const hallKeys: Readonly<Record<string, JournalEvent['action']>> = {
  ArrowRight: 'next',
  ArrowLeft: 'back',
  t: 'tap',
  c: 'pace',
  l: 'lost',
  o: 'loosen',
};

/** What a key asks for: an action, or `toggle` for begin, pause and go on; null where it is no key of the hall. */
export const hallActionOf = (key: string): JournalEvent['action'] | 'toggle' | null =>
  key === ' ' ? 'toggle' : (hallKeys[key.length === 1 ? key.toLowerCase() : key] ?? null);

/** So often a practice looks at the clock, is kept as seen, and has its next bells laid, ms. */
export const TICK_MS = 100;
export const SEEN_EVERY_MS = 1000;
export const RING_EVERY_MS = 1000;
/** No look at the clock for this long means that the machine slept, not that the practice went on, ms. */
export const ASLEEP_MS = 180_000;

/** Pain from which on one stops at once and has it seen, of 10. House value. */
const SERIOUS_PAIN = 7;

/** Whether what was answered at the end is serious: then it is said at once to stop and to see a licensed practitioner. */
export const isSerious = ({ symptoms, pain }: Pick<PracticeLog, 'symptoms' | 'pain'>): boolean =>
  symptoms.length > 0 || (pain ?? 0) >= SERIOUS_PAIN;

/** What is said then. */
export const seriousCaution =
  'Stop here, sit down, and see a licensed practitioner before going on. In an emergency call the emergency number.';
