import { PlanSchema, type Plan, type Strand } from '../goals/plan';
import type { School } from '../schools/school';

/**
 * A plan of a routine for a student with the strands that are to grow, from a day on; lighter weeks as the school has them.
 * @param growthPerWeek share a week at most, 0.1 is ten percent
 * @returns the plan, or what is wrong with it in words
 */
export function newPlan(
  of: { readonly id: string; readonly studentId: string; readonly routineId: string; readonly startsOn: string },
  strands: readonly Strand[],
  growthPerWeek: number,
  { raise: { lighterEvery, lighterCut } }: Pick<School, 'raise'>,
): { readonly plan: Plan; readonly wrong: null } | { readonly plan: null; readonly wrong: string } {
  const parsed = PlanSchema.safeParse({ ...of, growthPerWeek, lighterEvery, lighterCut, strands });
  return parsed.success
    ? { plan: parsed.data, wrong: null }
    : { plan: null, wrong: parsed.error.issues.map((issue) => issue.message).join('. ') };
}
