import type { Exercise } from '../library/exercise';
import type { ExerciseSegment } from '../routine/routine';
import type { School } from '../schools/school';
import type { Noted } from '../screening/noted';
import type { Axis } from '../axis/axis';
import { defaultStep } from '../axis/defaultStep';
import { firstLevel } from './firstLevel';
import type { Strand } from '../goals/plan';

/**
 * A strand of a segment that starts at the segment's own dose, or lower for what is noted, and is to reach `target` by `targetDay`.
 * The safety points of its exercise hold it.
 */
export function newStrand(
  id: string,
  segment: ExerciseSegment,
  exercise: Pick<Exercise, 'name' | 'family' | 'checkpoints' | 'posture' | 'phases' | 'stages' | 'movements'>,
  axis: Axis,
  target: number,
  targetDay: string,
  school: Pick<School, 'countsOf'>,
  noted: readonly Noted[] = [],
): Strand {
  const start = firstLevel(segment, exercise, axis, school, noted).level;
  return {
    id,
    segmentId: segment.id,
    exerciseId: segment.exerciseId,
    exerciseName: exercise.name,
    family: exercise.family,
    axis,
    step: defaultStep(axis, start, school),
    start,
    level: start,
    target,
    targetDay,
    raisedOn: null,
    raisedFrom: null,
    easedOn: null,
    lost: [],
    openedOn: null,
    rows: segment.dose.amounts.filter((row) => row.amount > 0).map(({ side, direction }) => ({ side, direction })),
    changedAt: null,
    overrules: [],
    gate: null,
    heldBy: exercise.checkpoints.filter((point) => point.safety).map((point) => point.id),
    insteadCounts: false,
    halfSteps: null,
    easier: null,
    plateauAnsweredAt: null,
    clearedAt: null,
  };
}
