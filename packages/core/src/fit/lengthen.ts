import { axesOf, axisValue, withAxisValue } from '../axis/doseAxis';
import { defaultStep } from '../axis/defaultStep';
import type { School } from '../schools/school';
import type { Segment } from '../routine/routine';

/** How much longer or shorter a rest or teaching time gets at a step, s. */
const PAUSE_STEP = 15;

/** The smallest step of a segment in its own measure: seconds, repetitions or breaths. */
export function stepOf(segment: Segment, school: Pick<School, 'countsOf'>): number {
  if (segment.type !== 'exercise') return PAUSE_STEP;
  const axis = axesOf(segment.dose)[0]!;
  return axis === 'time' ? defaultStep('time', axisValue(segment.dose, axis), school) : school.countsOf;
}

/** A segment longer (or, with a negative number, shorter) by so many steps; never less than one step. */
export function lengthened(segment: Segment, steps: number, school: Pick<School, 'countsOf'>): Segment {
  const step = stepOf(segment, school);
  const next = (value: number, most: number): number => {
    // The first step goes to the grid of the step, as a ruler would.
    const onGrid = steps > 0 ? Math.floor(value / step + 1e-9) : Math.ceil(value / step - 1e-9);
    return Math.max(step, Math.min(most, (onGrid + steps) * step));
  };
  if (steps === 0) return segment;
  if (segment.type !== 'exercise') return { ...segment, seconds: next(segment.seconds, 7200) };
  const axis = axesOf(segment.dose)[0]!;
  const value = next(axisValue(segment.dose, axis), axis === 'time' ? 7200 : 9999);
  return { ...segment, dose: withAxisValue(segment.dose, axis, value) };
}
