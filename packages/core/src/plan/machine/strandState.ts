import { ALL_DONE } from '../../practice/allDone';
import type { Plan } from '../../goals/plan';
import type { LimitFrom } from '../../limits/axisLimits';
import type { RaiseRule } from '../../schools/school';

/** A day that never was: before every gap and every pause. */
export const NEVER = -1_000_000;

/**
 * All that the machine remembers of a strand (sources: Raising the load). Days are day numbers; what a session left behind is kept
 * as runs at the present level, so that a state is small and a season of them quick.
 */
export interface StrandState {
  /** Unrounded; the dose is it rounded down to the step. */
  readonly level: number;
  /** A strand that waits for another is closed, and is not practised. */
  readonly open: boolean;
  /** Levels before eases and gaps, the latest last: they are found again, not earned again. */
  readonly lost: readonly number[];
  readonly raisedOn: number;
  readonly easedOn: number;
  /** When the level last changed, however it did. */
  readonly changedOn: number;
  readonly lastOn: number;
  /** Days of a gap that was practised over without an answer; 0 when there is none. */
  readonly gap: number;
  /** Sessions running at this level, as far as the rules look: all of the dose met; met and not too hard; too little met; alignment lost too early. */
  readonly metRun: number;
  readonly goodRun: number;
  readonly shortRun: number;
  readonly looseRun: number;
  /** Which of the last three sessions were at the easing mark: bit 0 is the latest. */
  readonly hard: number;
  /** Sessions at this level, as far as the rules look. */
  readonly sessions: number;
  /** The latest session came after a gap in which the dose has to be found again. */
  readonly back: boolean;
}

/** One session of a strand as the machine sees it. */
export interface Session {
  readonly day: number;
  /** Share of the dose that was met with alignment kept, the least of all sides, 0–1. */
  readonly share: number;
  /** Share of the round in which alignment was kept, 0–1. */
  readonly kept: number;
  readonly effort: number | null;
  /** Whether it asked for the present dose or more; less is kept in the log and is no test of it. */
  readonly counts: boolean;
}

/** What does not change while a strand is raised. */
export interface Ladder {
  readonly step: number;
  /** Each raise is the next rung, whole, and each ease the one before. */
  readonly byRungs: boolean;
  /** The dose it is never eased below. */
  readonly first: number;
  readonly target: number;
  /** The largest dose there is room for, the smallest of its limits; null where nothing limits. */
  readonly most: number | null;
  /** What limits it. */
  readonly mostBy: LimitFrom;
  /** No more than this is ever asked, for what is noted of the person; null where nothing is. */
  readonly cap: number | null;
  /** How much of the rules' growth a raise has, 0–1: half of it since a plateau, else all. */
  readonly growthShare: number;
}

/** The numbers of the machine: the school's raise rule and the plan's growth. */
export interface Rules {
  readonly growth: number;
  readonly sessionsToRaise: number;
  readonly effortCeiling: number;
  readonly easeEffort: number;
  readonly partlyMet: number;
  readonly stayGapDays: number;
  readonly easeGapDays: number;
  readonly retestGapDays: number;
}

/**
 * Weeks in which as many practices take place as a raise wants; whoever practises seldom is raised seldom.
 * @param practiceDays ISO weekdays of practice, at least one
 */
export const weeksOfRaise = (
  { sessionsToRaise }: Pick<RaiseRule, 'sessionsToRaise'>,
  practiceDays: readonly number[],
): number => Math.max(1, Math.ceil(sessionsToRaise / practiceDays.length));

/**
 * What a raise may add to a strand, 0–1: what the weeks in which it is earned may add, and no more than a whole week may grow, or it might have
 * to wait for ever.
 * @param practiceDays ISO weekdays of practice, at least one
 */
export const growthOf = (
  { growthPerWeek }: Pick<Plan, 'growthPerWeek'>,
  rule: Pick<RaiseRule, 'loadGrowth' | 'sessionsToRaise'>,
  practiceDays: readonly number[],
): number => Math.min(growthPerWeek * weeksOfRaise(rule, practiceDays), rule.loadGrowth);

/** @param practiceDays ISO weekdays of practice, at least one */
export const rulesOf = (
  plan: Pick<Plan, 'growthPerWeek'>,
  rule: RaiseRule,
  practiceDays: readonly number[],
): Rules => ({
  growth: growthOf(plan, rule, practiceDays),
  sessionsToRaise: rule.sessionsToRaise,
  effortCeiling: rule.effortCeiling,
  easeEffort: rule.easeEffort,
  partlyMet: rule.partlyMet,
  stayGapDays: rule.stayGapDays,
  easeGapDays: rule.easeGapDays,
  retestGapDays: rule.retestGapDays,
});

/** From this share on a dose counts as met. */
export const MET = ALL_DONE;
/** Days between two raises, between two eases, and after an ease before a raise (sources: Raising the load). */
export const DAYS_BETWEEN_RAISES = 7;
export const DAYS_BETWEEN_EASES = 7;
export const DAYS_AFTER_EASE = 3;
/** Met sessions after which what was lost is found again. */
export const FIND_AGAIN = 2;

/** What a strand is apart from the sessions at its level. */
export type Standing = Pick<StrandState, 'level' | 'open' | 'lost' | 'raisedOn' | 'easedOn' | 'changedOn' | 'lastOn'>;

/** What the sessions at a level have left behind. */
export type Runs = Omit<StrandState, keyof Standing>;

/** Every state is made here, so that all have one shape: a season asks for hundreds of thousands. */
export function stateOf(standing: Standing, runs: Runs): StrandState {
  return {
    level: standing.level,
    open: standing.open,
    lost: standing.lost,
    raisedOn: standing.raisedOn,
    easedOn: standing.easedOn,
    changedOn: standing.changedOn,
    lastOn: standing.lastOn,
    gap: runs.gap,
    metRun: runs.metRun,
    goodRun: runs.goodRun,
    shortRun: runs.shortRun,
    looseRun: runs.looseRun,
    hard: runs.hard,
    sessions: runs.sessions,
    back: runs.back,
  };
}

/** The level a strand has had, also while it is eased; 0 while it is closed. */
export function knownLevel({ open, level, lost }: Pick<StrandState, 'open' | 'level' | 'lost'>): number {
  if (!open) return 0;
  return lost.length === 0 ? level : Math.max(level, ...lost);
}

/** Nothing practised at the level yet. */
export const noRuns: Runs = {
  gap: 0,
  metRun: 0,
  goodRun: 0,
  shortRun: 0,
  looseRun: 0,
  hard: 0,
  sessions: 0,
  back: false,
};

/** A strand at a level, before its first session. */
export const newState = (level: number, open = true): StrandState =>
  stateOf({ level, open, lost: [], raisedOn: NEVER, easedOn: NEVER, changedOn: NEVER, lastOn: NEVER }, noRuns);
