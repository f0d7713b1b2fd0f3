import type { Plan, Strand, VerdictKind } from '../goals/plan';
import { contextOf } from '../plan/contextOf';
import { isDue } from '../plan/decide';
import { planVerdicts, type Verdict } from '../plan/planVerdicts';
import type { PersonRecord } from '../person/personRecord';

/** What waits for the teacher: the weightiest first. */
export const verdictWeight: Readonly<Record<VerdictKind, number>> = { stop: 0, ease: 1, raise: 2, stay: 3 };

export interface StrandVerdict {
  readonly plan: Plan;
  readonly strand: Strand;
  readonly verdict: Verdict;
  readonly due: boolean;
  readonly locked: boolean;
}

/** The verdicts on every strand of a person’s plans. */
export function strandVerdicts(person: PersonRecord): StrandVerdict[] {
  const { decisions, logs, school, today } = person;
  return person.plans.flatMap((plan) => {
    const verdicts = planVerdicts(contextOf(plan, person));
    return plan.strands.map((strand, index) => {
      const verdict = verdicts[index]!;
      return {
        plan,
        strand,
        verdict,
        due: isDue(verdict, decisions, logs, school.raise, today),
        locked: verdict.kind === 'stop',
      };
    });
  });
}
