import {
  isDue,
  lockedStrands,
  verdict,
  type Correction,
  type Decision,
  type Exercise,
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

/** What is stored of one student that verdicts rest on. */
export interface StudentRecords {
  readonly logs: readonly PracticeLog[];
  readonly decisions: readonly Decision[];
  readonly corrections: readonly Correction[];
  readonly exercises: readonly Exercise[];
}

/** The verdicts on every strand of a student's plans, as the core computes them from what is stored. */
export function strandVerdicts(
  plans: readonly Plan[],
  { logs, decisions, corrections, exercises }: StudentRecords,
  school: School,
  today: string,
): StrandVerdict[] {
  const shelf = new Map(exercises.map((exercise) => [exercise.id, exercise]));
  return plans.flatMap((plan) => {
    const locked = new Set(lockedStrands(plan, logs, school.raise, shelf));
    return plan.strands.map((strand) => {
      const found = verdict(plan, strand, logs, school.raise, today, corrections, shelf);
      return {
        plan,
        strand,
        verdict: found,
        due: isDue(found, decisions, logs, school.raise),
        locked: locked.has(strand),
      };
    });
  });
}
