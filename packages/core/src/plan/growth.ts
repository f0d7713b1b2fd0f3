import { percent } from '../words/percent';
import type { Plan, Strand } from '../goals/plan';
import type { RaiseRule } from '../schools/school';
import { growthOf, weeksOfRaise } from './machine/strandState';
import { growthShare } from './plateau/wholeSteps';

/** How much a raise of a goal adds at most, and in how many weeks it is earned. */
export interface Growth {
  /** 0–1 */
  readonly share: number;
  readonly weeks: number;
}

/**
 * What a raise may add to a goal: by half as much since a plateau.
 * @param practiceDays ISO weekdays of practice, at least one
 */
export const growthOfStrand = (
  strand: Pick<Strand, 'halfSteps'>,
  plan: Pick<Plan, 'growthPerWeek'>,
  rule: Pick<RaiseRule, 'loadGrowth' | 'sessionsToRaise'>,
  practiceDays: readonly number[],
): Growth => ({
  share: growthOf(plan, rule, practiceDays) * growthShare(strand),
  weeks: weeksOfRaise(rule, practiceDays),
});

/** `10 % a week`, or for whoever practises seldom `10 % in 3 weeks`. */
export const growthWords = ({ share, weeks }: Growth): string =>
  weeks === 1 ? `${percent(share)} a week` : `${percent(share)} in ${weeks} weeks`;
