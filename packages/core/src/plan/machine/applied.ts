import type { Ruling } from './judge';
import { NEVER, noRuns, stateOf, type StrandState } from './strandState';

/** As many lost levels are remembered. */
const MOST_LOST = 10;

/** What of a ruling is accepted. */
export type Accepted = Pick<Ruling, 'kind' | 'because' | 'level'>;

/** The state after a ruling that was accepted on a day; the same state when it changes nothing. Pure. */
export function applied(state: StrandState, ruling: Accepted, day: number): StrandState {
  const { level, because } = ruling;
  if (level === null) return state;
  const { raisedOn, easedOn, lastOn, open } = state;
  if (because === 'opens') {
    const opened = { level, open: true, lost: state.lost, raisedOn: day, easedOn, changedOn: day, lastOn: NEVER };
    return stateOf(opened, noRuns);
  }
  if (ruling.kind === 'ease') {
    const lost = [...state.lost, state.level].slice(-MOST_LOST);
    return stateOf({ level, open, lost, raisedOn, easedOn: day, changedOn: day, lastOn }, noRuns);
  }
  const lost = state.lost.length === 0 ? state.lost : state.lost.filter((before) => before > level);
  return stateOf({ level, open, lost, raisedOn: day, easedOn, changedOn: day, lastOn }, noRuns);
}
