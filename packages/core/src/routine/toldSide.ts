import type { ExerciseSegment } from './routine';

/** On which side a drill is told and drawn on paper: the right one where it is done on both. */
export function toldSide({ dose }: Pick<ExerciseSegment, 'dose'>): 'left' | 'right' {
  const sides = new Set(dose.amounts.filter(({ amount }) => amount > 0).map(({ side }) => side));
  return sides.has('right') || !sides.has('left') ? 'right' : 'left';
}
