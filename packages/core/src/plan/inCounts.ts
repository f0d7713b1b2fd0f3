import type { Routine } from '../routine/routine';
import type { School } from '../schools/school';
import { defaultStep } from '../axis/defaultStep';
import type { Plan } from '../goals/plan';

/**
 * A plan whose counted strands rise in the multiple in which its school counts; before, they rose by ones. Everything else
 * stays as it is.
 */
export function inCounts(
  plan: Plan,
  routines: readonly Pick<Routine, 'id' | 'schoolId'>[],
  schools: readonly Pick<School, 'id' | 'countsOf'>[],
): Plan {
  const routine = routines.find(({ id }) => id === plan.routineId);
  const school = schools.find(({ id }) => id === routine?.schoolId);
  if (school === undefined) return plan;
  const strands = plan.strands.map((strand) => {
    if (strand.axis !== 'repetitions' || strand.step !== 1) return strand;
    return { ...strand, step: defaultStep('repetitions', Math.min(strand.start, strand.level), school) };
  });
  return { ...plan, strands };
}
