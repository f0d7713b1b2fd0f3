import type { Routine } from '../routine/routine';
import { emptyContents, type BundleContents } from './bundle';

/** What one routine needs to be read elsewhere: itself, its school, and the teacher's own exercises in it. */
export function routineContents(routine: Routine, all: Pick<BundleContents, 'schools' | 'exercises'>): BundleContents {
  const used = new Set(routine.segments.map((segment) => (segment.type === 'exercise' ? segment.exerciseId : '')));
  return {
    ...emptyContents(),
    schools: all.schools.filter((school) => school.id === routine.schoolId),
    exercises: all.exercises.filter((exercise) => used.has(exercise.id)),
    routines: [routine],
  };
}
