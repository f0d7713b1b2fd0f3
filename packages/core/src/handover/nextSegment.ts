import type { ExerciseSegment } from '../routine/routine';
import type { Sheet } from './sheet';

/** An exercise of a sheet as it is practised on a day, or else on the next day that it comes up. */
export function nextSegment(
  { days, practices }: Pick<Sheet, 'days' | 'practices'>,
  exerciseId: string,
  today: string,
): ExerciseSegment | undefined {
  const ahead = days.filter(({ day }) => day >= today).map(({ practice }) => practices[practice]!);
  return [...ahead, ...practices]
    .flatMap(({ routine }) => routine.segments)
    .filter((part) => part.type === 'exercise')
    .find((part) => part.exerciseId === exerciseId);
}
