import { applied } from '../machine/applied';
import { judge, topDose, type Ruling } from '../machine/judge';
import type { Ladder, Rules, Session, StrandState } from '../machine/strandState';
import { withSession } from '../machine/withSession';
import { doseOf } from '../steps';
import { doseInWeek } from '../planDay';
import { pauseOn, sessionDays, weekOfDay } from './seasonCalendar';
import type { SeasonCalendar, SeasonStrand } from './seasonProblem';

/** What a day asks for in a strand. */
export interface AskedDose {
  readonly day: number;
  readonly dose: number;
  readonly level: number;
}
export interface PlayedWeek {
  readonly state: StrandState;
  /** Whether it rose, or opened, in this week. */
  readonly raised: boolean;
  /** Whether an old level came back in it. */
  readonly found: boolean;
  readonly asked: readonly AskedDose[];
  /** The first practice day that asked for the highest dose it may come to; null when none did. */
  readonly arrival: number | null;
}

type Played = Pick<SeasonStrand, 'ladder' | 'pointUntil' | 'easierUntil' | 'overrules' | 'lightens'>;

/** The dose a level asks for in a week; see `doseInWeek`. */
const askedIn = (
  calendar: SeasonCalendar,
  { overrules, lightens, ladder }: Played,
  level: number,
  week: number,
): number => doseInWeek(calendar, { level, grid: ladder, overrules, lightens, cap: ladder.cap }, week);

/** Whether what is asked is a test of the present dose: all of it, or all that is ever asked of this person; another drill never is. */
export const isTest = (dose: number, full: number, { cap, mostBy }: Pick<Ladder, 'cap' | 'mostBy'>): boolean =>
  mostBy !== 'instead' && dose >= (cap === null ? full : Math.min(cap, full));

/** What the machine says on a day of the season. */
export const rulingOn = (
  { ladder, pointUntil, easierUntil }: Played,
  calendar: SeasonCalendar,
  rules: Rules,
  state: StrandState,
  day: number,
  turn: boolean,
  gateOpen: boolean,
): Ruling =>
  judge(state, day, ladder, rules, {
    point: day < pointUntil,
    pause: pauseOn(calendar, easierUntil, day),
    gateOpen,
    turn,
  });

/** A session in which all that was asked was met. */
export const metSession = (day: number, counts: boolean, { effortCeiling }: Rules): Session => ({
  day,
  share: 1,
  kept: 1,
  effort: effortCeiling,
  counts,
});

/**
 * One week of a strand in which every session is done and met and every verdict is accepted when it is due: on the
 * first day, and before and after each practice.
 * @param turn whether it may rise in this week
 */
export function playWeek(
  strand: Played,
  calendar: SeasonCalendar,
  rules: Rules,
  from: StrandState,
  week: number,
  turn: boolean,
  gateOpen: boolean,
): PlayedWeek {
  let state = from;
  let raised = false;
  let found = false;
  let arrival: number | null = null;
  const asked: AskedDose[] = [];
  const decide = (day: number): void => {
    const ruling = rulingOn(strand, calendar, rules, state, day, turn && !raised, gateOpen);
    if (ruling.because === 'raise' || ruling.because === 'opens') raised = true;
    if (ruling.because === 'found') found = true;
    state = applied(state, ruling, day);
  };
  const { today } = calendar;
  const top = topDose(strand.ladder);
  if (weekOfDay(calendar, today) === week) decide(today);
  for (const day of sessionDays(calendar, week)) {
    if (state.lastOn >= day) continue;
    decide(day);
    if (!state.open) continue;
    const dose = askedIn(calendar, strand, state.level, week);
    asked.push({ day, dose, level: state.level });
    const full = doseOf(state.level, strand.ladder);
    if (arrival === null && Math.min(dose, full) >= top) arrival = day;
    const counts = day > strand.easierUntil && isTest(dose, full, strand.ladder);
    state = withSession(state, metSession(day, counts, rules), rules);
    decide(day);
  }
  return { state, raised, found, asked, arrival };
}
