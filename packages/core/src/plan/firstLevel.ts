import type { Exercise } from '../library/exercise';
import type { ExerciseSegment } from '../routine/routine';
import type { School } from '../schools/school';
import type { Noted } from '../screening/noted';
import type { Axis } from '../axis/axis';
import { defaultStep } from '../axis/defaultStep';
import { loadsJoints } from './loadsPlace';
import { segmentValue } from '../axis/segmentAxis';
import { floorToStep } from './steps';

/** Where a strand begins. */
export interface FirstLevel {
  readonly level: number;
  /** What was noted that lets it begin lower; null where it begins at the routine's own dose. */
  readonly because: string | null;
}

/** Loosening and closing are light enough for anybody. */
const light: ReadonlySet<Exercise['family']> = new Set(['breathing', 'warm-up', 'closing']);

/** The share of a first dose that is left by what was noted; weak legs act on what loads legs. */
const lowest = (noted: readonly Noted[]): Noted | undefined =>
  noted
    .filter(({ firstShare }) => firstShare !== undefined)
    .reduce<Noted | undefined>(
      (least, one) => (least && least.firstShare! <= one.firstShare! ? least : one),
      undefined,
    );

/**
 * The first dose of a strand: the routine's own, or a third less of time and repetitions for weak legs in what loads the legs
 * (house values), on the step of the axis and never under one step.
 */
export function firstLevel(
  segment: ExerciseSegment,
  exercise: Pick<Exercise, 'posture' | 'phases' | 'stages' | 'family' | 'movements'>,
  axis: Axis,
  school: Pick<School, 'countsOf'>,
  noted: readonly Noted[] = [],
): FirstLevel {
  const own = segmentValue(segment, exercise, axis);
  const less = lowest(noted);
  const applies = (axis === 'time' || axis === 'repetitions') && loadsJoints(exercise) && !light.has(exercise.family);
  if (less === undefined || !applies) return { level: own, because: null };
  const step = defaultStep(axis, own, school);
  const level = Math.max(Math.min(step, own), floorToStep(own * less.firstShare!, step));
  return level < own ? { level, because: less.because } : { level: own, because: null };
}
