import { formatISO, parseISO } from 'date-fns';
import type { PracticeLog } from '../practice/log';
import { dayNumber } from '../days/dayNumber';
import { NEVER, noRuns, stateOf, type Rules, type StrandState } from './machine/strandState';
import { withSession } from './machine/withSession';
import type { Strand } from '../goals/plan';
import { hasStrand, sessionOf } from './strandSessions';

/** The local day of a moment. */
const dayOf = (moment: string): string => formatISO(parseISO(moment), { representation: 'date' });
const orNever = (day: string | null): number => (day === null ? NEVER : dayNumber(day));

/** A stored strand as the machine takes it, before any practice is looked at. */
export const storedState = (strand: Strand): StrandState =>
  stateOf(
    {
      level: strand.level,
      open: isOpen(strand),
      lost: strand.lost,
      raisedOn: orNever(strand.raisedOn),
      easedOn: orNever(strand.easedOn),
      changedOn: strand.changedAt === null ? NEVER : dayNumber(dayOf(strand.changedAt)),
      lastOn: NEVER,
    },
    noRuns,
  );

/** A strand that waits for another is open from its opening on; one that has already risen was opened long ago. */
export const isOpen = (strand: Pick<Strand, 'gate' | 'openedOn' | 'level' | 'start'>): boolean =>
  strand.gate === null || strand.openedOn !== null || strand.level > strand.start;

/**
 * What the machine knows of a stored strand after the practices up to a day: its level as it was last decided, and the
 * sessions since then. Those dated after that day do not count.
 * @param logs of the student, in their order (`inOrder`)
 * @param today YYYY-MM-DD
 * @param cap no more than this is asked, for what is noted of the person
 */
export function stateOfStrand(
  strand: Strand,
  logs: readonly PracticeLog[],
  rules: Rules,
  today: string,
  cap: number | null = null,
): StrandState {
  const changed = strand.changedAt === null ? -Infinity : Date.parse(strand.changedAt);
  return logs
    .filter((log) => log.day <= today)
    .reduce((state, log) => {
      if (!hasStrand(log, strand)) return state;
      // What was before the last change of the level only tells when it was practised.
      if (Date.parse(log.startedAt) <= changed) return stateOf({ ...state, lastOn: dayNumber(log.day) }, state);
      return withSession(state, sessionOf(log, strand, cap)!, rules);
    }, storedState(strand));
}
