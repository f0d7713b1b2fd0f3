import type { Ruling } from './judge';
import { NEVER, unpractised, type StrandState } from './strandState';

/** As many lost levels are remembered. */
const MOST_LOST = 10;

/** The state after a ruling that was accepted on a day; the same state when it changes nothing. Pure. */
export function applied(state: StrandState, ruling: Ruling, day: number): StrandState {
  const { level, because } = ruling;
  if (level === null) return state;
  if (because === 'opens') return { ...unpractised(state), open: true, raisedOn: day, changedOn: day, lastOn: NEVER };
  if (ruling.kind === 'ease') {
    const lost = [...state.lost, state.level].slice(-MOST_LOST);
    return { ...unpractised(state), level, lost, easedOn: day, changedOn: day };
  }
  const lost = state.lost.length === 0 ? state.lost : state.lost.filter((before) => before > level);
  return { ...unpractised(state), level, lost, raisedOn: day, changedOn: day };
}
