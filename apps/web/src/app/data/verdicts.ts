import {
  contextOf,
  isDue,
  planVerdicts,
  type Decision,
  type Plan,
  type Strand,
  type StudentRecords,
  type Verdict,
  type VerdictKind,
} from '@pomek/core';

/** What waits for the teacher: the weightiest first. */
export const verdictWeight: Readonly<Record<VerdictKind, number>> = { stop: 0, ease: 1, raise: 2, stay: 3 };

export interface StrandVerdict {
  readonly plan: Plan;
  readonly strand: Strand;
  readonly verdict: Verdict;
  readonly due: boolean;
  readonly locked: boolean;
}

/** The verdicts on every strand of a student's plans, as the core computes them from what is stored. */
export function strandVerdicts(
  plans: readonly Plan[],
  decisions: readonly Decision[],
  records: StudentRecords,
  today: string,
): StrandVerdict[] {
  return plans.flatMap((plan) => {
    const verdicts = planVerdicts(contextOf(plan, records, today));
    return plan.strands.map((strand, index) => {
      const verdict = verdicts[index]!;
      return {
        plan,
        strand,
        verdict,
        due: isDue(verdict, decisions, records.logs, records.school.raise, today),
        locked: verdict.kind === 'stop',
      };
    });
  });
}
