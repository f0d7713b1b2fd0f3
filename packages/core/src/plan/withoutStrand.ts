import type { Plan } from '../goals/plan';

/** The plan without a strand: its drill has the routine's own dose again, and what waited for it opens by itself. */
export const withoutStrand = (plan: Plan, strandId: string): Plan => ({
  ...plan,
  strands: plan.strands
    .filter(({ id }) => id !== strandId)
    .map((strand) => (strand.gate?.strandId === strandId ? { ...strand, gate: null } : strand)),
});
