import { doseOf, nextDose } from '../steps';
import {
  DAYS_AFTER_EASE,
  DAYS_BETWEEN_EASES,
  DAYS_BETWEEN_RAISES,
  FIND_AGAIN,
  NEVER,
  type Ladder,
  type Rules,
  type StrandState,
} from './strandState';
import { gapAnswered } from './withSession';

/** Why nothing is raised on a day: a holiday, a lighter week, a week that the teacher froze, an easier posture for a while. */
export type Pause = 'holiday' | 'lighter' | 'frozen' | 'easier';

/** What may stand in the way of a raise besides the strand's own sessions; it is only looked at when one is due. */
export interface Bars {
  /** A checkpoint that holds the strand is being worked on. */
  readonly point: boolean;
  /** No raise on this day; null when there may be one. */
  readonly pause: Pause | null;
  /** Whether the strand it waits for has come far enough. */
  readonly gateOpen: boolean;
  /** Whether it is its turn under the rails of the whole plan. */
  readonly turn: boolean;
}
export const noBars: Bars = { point: false, pause: null, gateOpen: true, turn: true };

/** Why a ruling is what it is. */
export type Because =
  | 'raise'
  | 'found'
  | 'opens'
  | 'gap'
  | 'retest'
  | 'short'
  | 'loose'
  | 'hard'
  | 'find first'
  | 'wait for practice'
  | 'floor'
  | 'up and down'
  | 'eased lately'
  | 'begin'
  | 'partly'
  | 'watch'
  | 'run'
  | 'effort'
  | 'back'
  | 'point'
  | 'after ease'
  | 'reached'
  | 'instead'
  | 'capacity'
  | 'holiday'
  | 'lighter'
  | 'frozen'
  | 'easier'
  | 'week'
  | 'gate'
  | 'turn';

/** What the machine says of a strand on a day. */
export interface Ruling {
  readonly kind: 'raise' | 'stay' | 'ease';
  readonly because: Because;
  /** The level after it; null when it stays. */
  readonly level: number | null;
  /** Whether days alone may change it; otherwise it stands until the next practice, or until a gap. */
  readonly passing: boolean;
}

const staying = (because: Because, passing = false): Ruling => ({ kind: 'stay', because, level: null, passing });

/** Made once: a season asks for hundreds of thousands. */
const stay = {
  'find first': staying('find first'),
  'wait for practice': staying('wait for practice'),
  floor: staying('floor'),
  'up and down': staying('up and down'),
  'eased lately': staying('eased lately', true),
  begin: staying('begin'),
  partly: staying('partly'),
  watch: staying('watch'),
  run: staying('run'),
  effort: staying('effort'),
  back: staying('back'),
  point: staying('point', true),
  'after ease': staying('after ease', true),
  reached: staying('reached'),
  instead: staying('instead'),
  capacity: staying('capacity'),
  holiday: staying('holiday', true),
  lighter: staying('lighter', true),
  frozen: staying('frozen', true),
  easier: staying('easier', true),
  week: staying('week', true),
  gate: staying('gate', true),
  turn: staying('turn', true),
} as const;

/** One rung down: the level before the last growth, at least one step lower, never below the first dose. */
export function easedLevel({ level }: StrandState, ladder: Ladder, { growth }: Rules): number {
  const { step, first, byRungs, growthShare } = ladder;
  const under = doseOf(level, ladder) - step;
  const lower = byRungs ? under : Math.min(level / (1 + growth * growthShare), under);
  return Math.min(level, Math.max(first, lower));
}

/** The dose at which a target counts as reached: what was set, whatever the step. */
export const reachDose = ({ target }: Pick<Ladder, 'target'>): number => target;

/** The highest dose that is worked towards: the target's, or what the body holds where that is less. */
export const topDose = (ladder: Ladder): number =>
  ladder.most === null ? reachDose(ladder) : Math.min(reachDose(ladder), doseOf(ladder.most, ladder));

/** Whether the dose may go no higher: what the body holds is used up. */
export const atCapacity = ({ level }: Pick<StrandState, 'level'>, ladder: Ladder): boolean =>
  ladder.most !== null &&
  (doseOf(level, ladder) >= ladder.most || nextDose(doseOf(level, ladder), ladder) > ladder.most);

/** The level one raise up. */
export const raisedLevel = (level: number, ladder: Ladder, growth: number): number =>
  Math.min(
    ladder.target,
    ladder.most ?? Infinity,
    ladder.byRungs ? doseOf(level, ladder) + ladder.step : level * (1 + growth * ladder.growthShare),
  );

function easeOrStay(state: StrandState, day: number, ladder: Ladder, rules: Rules, because: Because): Ruling {
  if (day - state.easedOn < DAYS_BETWEEN_EASES) return stay['eased lately'];
  const level = easedLevel(state, ladder, rules);
  return level < state.level ? { kind: 'ease', because, level, passing: true } : stay.floor;
}

function retested(state: StrandState, answered: boolean, ladder: Ladder, rules: Rules): Ruling {
  const level = answered ? state.level : easedLevel(state, ladder, rules);
  return { kind: 'ease', because: 'retest', level: level < state.level ? level : null, passing: true };
}

function ofGap(state: StrandState, day: number, ladder: Ladder, rules: Rules): Ruling | null {
  const days = state.lastOn === NEVER ? 0 : day - state.lastOn;
  const answered = gapAnswered(state, rules);
  if (days >= rules.retestGapDays) {
    // What was eased when the gap began to count is not eased again; the test is wanted all the same.
    return retested(state, answered, ladder, rules);
  }
  // Practised again without an answer: the new baseline is still wanted.
  if (days < rules.easeGapDays && state.gap >= rules.retestGapDays) return retested(state, false, ladder, rules);
  const unanswered = days >= rules.easeGapDays ? !answered : state.gap > 0;
  if (unanswered) {
    const level = easedLevel(state, ladder, rules);
    return level < state.level ? { kind: 'ease', because: 'gap', level, passing: true } : stay.floor;
  }
  if (days >= rules.easeGapDays) return stay['wait for practice'];
  return days >= rules.stayGapDays ? stay['find first'] : null;
}

const BITS = [0, 1, 1, 2, 1, 2, 2, 3] as const;

function ofStrain(state: StrandState, day: number, ladder: Ladder, rules: Rules): Ruling | null {
  if (state.looseRun >= 2) return easeOrStay(state, day, ladder, rules, 'loose');
  if (state.shortRun >= 2) return easeOrStay(state, day, ladder, rules, 'short');
  if (BITS[state.hard]! >= 2) {
    // Hard every other time although it was eased for that: a still lower dose is no answer to it.
    const everyOther = (state.hard & 3) !== 3;
    if (everyOther && state.lost.length > 0) return stay['up and down'];
    return easeOrStay(state, day, ladder, rules, 'hard');
  }
  return null;
}

/** What in the sessions themselves keeps a strand where it is. */
function notMet(state: StrandState, rules: Rules, wanted: number): Ruling | null {
  if (state.sessions === 0) return stay.begin;
  if (state.metRun === 0) return stay.partly;
  if ((state.hard & 1) === 1) return stay.watch;
  if (state.metRun < wanted) return stay.run;
  if (state.goodRun < wanted) return stay.effort;
  return state.back ? stay.back : null;
}

/**
 * Whether the machine has anything to move right after a session of a strand; where not, it stays until the next one. Says no
 * more than `judge` would, and sooner: a forecast asks a million times.
 */
export const mayMove = (
  { goodRun, looseRun, shortRun, hard, gap, open }: StrandState,
  { sessionsToRaise }: Pick<Rules, 'sessionsToRaise'>,
): boolean =>
  goodRun >= Math.min(FIND_AGAIN, sessionsToRaise) ||
  looseRun >= 2 ||
  shortRun >= 2 ||
  BITS[hard]! >= 2 ||
  gap > 0 ||
  !open;

/**
 * The one rule by which a strand is raised, eased or left (sources: Raising the load): today's verdict, the plan, the forecast and the
 * calendar all ask it. Signs to stop come before it; see `stopReasons`.
 * @param day day number
 */
export function judge(state: StrandState, day: number, ladder: Ladder, rules: Rules, bars: Bars): Ruling {
  if (!state.open) {
    if (!bars.gateOpen) return stay.gate;
    if (bars.point) return stay.point;
    if (bars.pause !== null) return stay[bars.pause];
    return bars.turn ? { kind: 'raise', because: 'opens', level: state.level, passing: true } : stay.turn;
  }
  const first = ofGap(state, day, ladder, rules) ?? ofStrain(state, day, ladder, rules);
  if (first !== null) return first;
  if (ladder.mostBy === 'instead') return stay.instead;
  const lost = state.lost.length === 0 ? undefined : state.lost[state.lost.length - 1];
  const wanted = lost === undefined ? rules.sessionsToRaise : FIND_AGAIN;
  const kept = notMet(state, rules, wanted);
  if (kept !== null) return kept;
  if (bars.point) return stay.point;
  if (atCapacity(state, ladder)) return isReached(state, ladder) ? stay.reached : stay.capacity;
  if (lost === undefined && isReached(state, ladder)) return stay.reached;
  if (bars.pause !== null) return stay[bars.pause];
  if (day - state.easedOn < DAYS_AFTER_EASE) return stay['after ease'];
  if (lost !== undefined)
    return { kind: 'raise', because: 'found', level: Math.min(lost, ladder.most ?? lost), passing: true };
  if (day - state.raisedOn < DAYS_BETWEEN_RAISES) return stay.week;
  if (!bars.turn) return stay.turn;
  return { kind: 'raise', because: 'raise', level: raisedLevel(state.level, ladder, rules.growth), passing: true };
}

/** Whether the target counts as reached. */
export const isReached = ({ level }: Pick<StrandState, 'level'>, ladder: Ladder): boolean =>
  doseOf(level, ladder) >= reachDose(ladder);
