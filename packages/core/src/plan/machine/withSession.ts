import { FIND_AGAIN, MET, NEVER, unpractised, type Rules, type Session, type StrandState } from './strandState';

/** Whether the level was lowered, or set, in answer to the gap that ends on `day`. */
export const gapAnswered = ({ lastOn, changedOn }: StrandState, rules: Pick<Rules, 'easeGapDays'>): boolean =>
  changedOn >= lastOn + rules.easeGapDays;

/**
 * The state after a session (model §10). Sessions come in the order of their days. Pure; the state given stays as it is.
 */
export function withSession(state: StrandState, session: Session, rules: Rules): StrandState {
  const { day, share, kept, effort, counts } = session;
  const days = state.lastOn === NEVER ? 0 : day - state.lastOn;
  const forgotten = days >= rules.easeGapDays;
  // What was met before a long gap no longer counts.
  const before = forgotten ? unpractised(state) : state;
  const gap = forgotten ? (gapAnswered(state, rules) ? 0 : days) : state.gap;
  const { level, open, lost, raisedOn, easedOn, changedOn } = state;
  if (!counts) return { ...before, lastOn: day, gap };
  const met = share >= MET;
  const metRun = met ? before.metRun + 1 : 0;
  const after = {
    level,
    open,
    lost,
    raisedOn,
    easedOn,
    changedOn,
    lastOn: day,
    gap,
    metRun,
    goodRun: met && effort !== null && effort <= rules.effortCeiling ? before.goodRun + 1 : 0,
    shortRun: share < rules.partlyMet ? before.shortRun + 1 : 0,
    looseRun: kept < rules.partlyMet ? before.looseRun + 1 : 0,
    hard: ((before.hard << 1) & 7) | (effort !== null && effort >= rules.easeEffort ? 1 : 0),
    sessions: before.sessions + 1,
    back: days >= rules.stayGapDays && !forgotten,
  };
  // The old dose, met often enough after a gap that nobody answered, is found again as it was.
  return gap > 0 && metRun >= FIND_AGAIN ? { ...unpractised(after), lastOn: day } : after;
}
