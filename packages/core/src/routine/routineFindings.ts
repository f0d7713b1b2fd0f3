import type { Exercise } from '../library/exercise';
import type { School } from '../schools/school';
import type { Routine } from './routine';
import { unevenness, type Unevenness } from './unevenness';

export type Finding =
  | { readonly kind: 'uneven'; readonly segmentId: string; readonly name: string; readonly uneven: Unevenness }
  | { readonly kind: 'unknown-exercise'; readonly segmentId: string; readonly exerciseId: string }
  | { readonly kind: 'nothing-to-do'; readonly segmentId: string; readonly name: string };

/** What is wrong in a routine: unequal sides or directions, a dose of nothing, an exercise that is gone. */
export function routineFindings(
  routine: Routine,
  exercises: ReadonlyMap<string, Exercise>,
  school: Pick<School, 'sidesEqual'>,
): Finding[] {
  return routine.segments.flatMap((segment): Finding[] => {
    if (segment.type !== 'exercise') return [];
    const exercise = exercises.get(segment.exerciseId);
    const segmentId = segment.id;
    if (exercise === undefined) return [{ kind: 'unknown-exercise', segmentId, exerciseId: segment.exerciseId }];
    const { name } = exercise;
    if (segment.dose.amounts.every((row) => row.amount === 0)) return [{ kind: 'nothing-to-do', segmentId, name }];
    if (segment.unevenOnPurpose || !school.sidesEqual) return [];
    return unevenness(segment.dose).map((uneven) => ({ kind: 'uneven', segmentId, name, uneven }));
  });
}
