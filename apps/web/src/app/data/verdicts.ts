import {
  isDue,
  stopReasons,
  strandLines,
  verdict,
  type Decision,
  type Plan,
  type PracticeLog,
  type School,
  type Strand,
  type Verdict,
} from '@pomek/core';

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
  logs: readonly PracticeLog[],
  decisions: readonly Decision[],
  school: School,
  today: string,
): StrandVerdict[] {
  return plans.flatMap((plan) =>
    plan.strands.map((strand) => {
      const found = verdict(plan, strand, logs, school.raise, today);
      const own = logs.filter((log) => strandLines(log, strand).length > 0);
      return {
        plan,
        strand,
        verdict: found,
        due: isDue(found, decisions, logs, school.raise),
        locked: stopReasons(strand, own, school.raise).length > 0,
      };
    }),
  );
}
