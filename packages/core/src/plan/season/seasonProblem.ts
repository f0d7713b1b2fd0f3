import type { Strand } from '../../goals/plan';
import { limitsFrom } from '../../limits/axisLimits';
import type { Ladder, Rules, StrandState } from '../machine/strandState';

/** A guard rail of the whole plan that keeps a strand from rising though its sessions would allow it. */
export const rails = ['family', 'load', 'order', 'gate', 'axis', ...limitsFrom] as const;
export type Rail = (typeof rails)[number];

/** One strand of a season, as it stands on the first day. Days are day numbers, weeks those of the plan. */
export interface SeasonStrand {
  readonly id: string;
  readonly family: string;
  /** What is practised: it rises along one axis at a time. */
  readonly segment: string;
  readonly state: StrandState;
  readonly ladder: Ladder;
  /** The day by which the target is wanted. */
  readonly targetDay: number;
  /** The strand that has to come to a dose before this one opens; null where there is none. */
  readonly gate: { readonly strand: number; readonly dose: number } | null;
  /** Until this day, itself not included, a checkpoint holds it. */
  readonly pointUntil: number;
  /** Up to this day, itself included, an easier posture is practised instead. */
  readonly easierUntil: number;
  /**
   * The level with which it came into the present week of the plan, or that before an ease or a gap; 0 while it was
   * closed.
   */
  readonly levelBefore: number;
  /** Load of a week and minutes of a session that one unit of the level asks for. */
  readonly loadPerUnit: number;
  readonly minutesPerUnit: number;
  /** Whether a lighter week asks for less of it. */
  readonly lightens: boolean;
  /** Doses set by hand for single weeks. */
  readonly overrules: Strand['overrules'];
}

/** The places of strands by the day of their goal, the nearest first; of one day as they come. */
export const byGoalDay = (strands: readonly Pick<SeasonStrand, 'targetDay'>[]): number[] =>
  strands.map((_, index) => index).toSorted((a, b) => strands[a]!.targetDay - strands[b]!.targetDay);

/** The weeks of a season: which days are practised, and when nothing is raised. */
export interface SeasonCalendar {
  /** The first day of week 0 of the plan. */
  readonly start: number;
  /** The first day of the season; days before it are past. */
  readonly today: number;
  /** ISO weekdays of practice. */
  readonly practiceDays: readonly number[];
  readonly holidays: readonly { readonly from: number; readonly to: number }[];
  readonly frozenWeeks: ReadonlySet<number>;
  readonly lighterEvery: number;
  readonly lighterCut: number;
}

/** The rails of the whole plan. */
export interface SeasonRails {
  readonly raisesPerFamily: number;
  /** Largest growth of a full week's load over the usual one or the last full one, whichever is larger. */
  readonly loadGrowth: number;
  /** The student's usual week, in the units of `loadPerUnit`. */
  readonly usualLoad: number;
  /** What the rest of the routine asks for. */
  readonly baseLoad: number;
  readonly baseMinutes: number;
  /** The longest a session may become; null without limit. */
  readonly sessionMinutes: number | null;
}

export interface SeasonProblem {
  readonly strands: readonly SeasonStrand[];
  readonly calendar: SeasonCalendar;
  readonly rules: Rules;
  readonly rails: SeasonRails;
  /** As far as is looked ahead, in weeks. */
  readonly mostWeeks: number;
}
