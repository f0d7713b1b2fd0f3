import type { Side } from '../library/dose';
import type { Routine, Segment } from './routine';

const other: Record<Side, Side> = { both: 'both', left: 'right', right: 'left' };

/** A segment with left and right exchanged. */
export function mirrorSegment(segment: Segment): Segment {
  if (segment.type !== 'exercise') return segment;
  const amounts = segment.dose.amounts.map((row) => ({ ...row, side: other[row.side] }));
  return { ...segment, dose: { ...segment.dose, amounts } };
}

/** A routine with left and right exchanged throughout; mirrored twice it is the same again. */
export function mirrorRoutine(routine: Routine): Routine {
  return { ...routine, segments: routine.segments.map(mirrorSegment) };
}
