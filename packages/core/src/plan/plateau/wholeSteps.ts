import type { Plan, Strand } from '../../goals/plan';
import type { RaiseRule } from '../../schools/school';
import { growthOf } from '../machine/strandState';

/** Since a plateau a goal grows by half as much. */
export const growthShare = ({ halfSteps }: Pick<Strand, 'halfSteps'>): number => (halfSteps === null ? 1 : 0.5);

/** What a week may add to a goal, 0–1: what it may add in its plan, or half of that since a plateau. */
export const growthOfStrand = (
  strand: Pick<Strand, 'halfSteps'>,
  plan: Pick<Plan, 'growthPerWeek'>,
  rule: Pick<RaiseRule, 'loadGrowth'>,
): number => growthOf(plan, rule) * growthShare(strand);

/** A strand whose raises are whole again, as they were before its plateau; the same one where they are. */
export const withWholeSteps = (strand: Strand): Strand =>
  strand.halfSteps === null ? strand : { ...strand, step: strand.halfSteps.step, halfSteps: null };
