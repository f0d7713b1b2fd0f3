import { FIND_AGAIN, MET, NEVER, noRuns, stateOf, type Rules, type Session, type StrandState } from './strandState';

/** Whether the level was lowered, or set, in answer to the gap that ends on `day`. */
export const gapAnswered = ({ lastOn, changedOn }: StrandState, rules: Pick<Rules, 'easeGapDays'>): boolean =>
  changedOn >= lastOn + rules.easeGapDays;

/** What was met before a long gap no longer counts; a gap that nobody answered is remembered. */
const forgetful = (state: StrandState, days: number, rules: Rules): StrandState =>
  stateOf({ ...state, lastOn: NEVER }, { ...noRuns, gap: gapAnswered(state, rules) ? 0 : days });

/**
 * The state after a session (sources: Raising the load). Sessions come in the order of their days. Pure; the state given stays as it is.
 * Written out field by field: a forecast plays hundreds of thousands of sessions.
 */
export function withSession(state: StrandState, session: Session, rules: Rules): StrandState {
  const { day, share, kept, effort, counts } = session;
  const days = state.lastOn === NEVER ? 0 : day - state.lastOn;
  if (days >= rules.easeGapDays) return withSession(forgetful(state, days, rules), session, rules);
  let { gap, metRun, goodRun, shortRun, looseRun, hard, sessions, back } = state;
  if (counts) {
    // Runs are counted as far as the rules look, so that waiting makes no new states.
    const most = rules.sessionsToRaise > FIND_AGAIN ? rules.sessionsToRaise : FIND_AGAIN;
    const met = share >= MET;
    metRun = met ? Math.min(most, metRun + 1) : 0;
    goodRun = met && effort !== null && effort <= rules.effortCeiling ? Math.min(most, goodRun + 1) : 0;
    shortRun = share < rules.partlyMet ? Math.min(most, shortRun + 1) : 0;
    looseRun = kept < rules.partlyMet ? Math.min(most, looseRun + 1) : 0;
    hard = ((hard << 1) & 7) | (effort !== null && effort >= rules.easeEffort ? 1 : 0);
    sessions = Math.min(most, sessions + 1);
    back = days >= rules.stayGapDays;
    // The old dose, met often enough after a gap that nobody answered, is found again as it was; once more, and it may rise.
    if (gap > 0 && metRun >= FIND_AGAIN) [gap, back] = [0, true];
  }
  return {
    level: state.level,
    open: state.open,
    lost: state.lost,
    raisedOn: state.raisedOn,
    easedOn: state.easedOn,
    changedOn: state.changedOn,
    lastOn: day,
    gap,
    metRun,
    goodRun,
    shortRun,
    looseRun,
    hard,
    sessions,
    back,
  };
}
