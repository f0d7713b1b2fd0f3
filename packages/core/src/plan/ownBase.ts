import { axisWords } from '../axis/axisWords';
import { segmentValue, withSegmentValue } from '../axis/segmentAxis';
import { isInsteadOf, type Changed } from '../care/caredRoutine';
import type { Exercise } from '../library/exercise';
import { isHeld } from '../library/heldSeconds';
import { axisLimits } from '../limits/axisLimits';
import type { PersonRecord } from '../person/personRecord';
import type { ExerciseSegment, Routine } from '../routine/routine';
import { goalsOf, type SegmentGoal } from './lockedSegments';
import { practiceDaysOf } from './planContext';
import { doseOn } from './planDay';
import { isOpen } from './stateOfStrand';

/** What is held without a goal is cut to whole steps of this, s. */
const HOLD_STEP = 5;

/** No more than goals of another routine have by now. */
const noMoreThan = (
  segment: ExerciseSegment,
  exercise: Exercise,
  found: readonly SegmentGoal[],
  person: PersonRecord,
): ExerciseSegment =>
  found.reduce((now, { plan, strand }) => {
    const dose = doseOn(plan, strand, person.today, practiceDaysOf(person.student));
    return segmentValue(now, exercise, strand.axis) > dose ? withSegmentValue(now, strand.axis, dose) : now;
  }, segment);

/** What nobody set a goal for goes no further than the strength allows; null where it does not. */
function withinStrength(segment: ExerciseSegment, exercise: Exercise, person: PersonRecord): Changed | null {
  const axis = segment.dose.kind === 'breath' ? 'breaths' : 'time';
  if (!isHeld(exercise, segment.dose)) return null;
  const step = axis === 'time' ? HOLD_STEP : 1;
  const value = segmentValue(segment, exercise, axis);
  const { school, shelf } = person;
  const { limits } = axisLimits({ segment, exercise, school, person, shelf }, axis, step, value);
  const [first] = limits.filter(({ from, dose }) => (from === 'strength' || from === 'guess') && dose < value);
  if (first === undefined) return null;
  const dose = Math.max(step, Math.floor(first.dose / step) * step);
  return {
    segment: withSegmentValue(segment, axis, dose),
    exerciseName: exercise.name,
    asks: axisWords(value, axis),
    instead: axisWords(dose, axis),
    limit: { name: 'standSeconds', value: dose, because: first.reason, rule: first.mend, side: null },
  };
}

/** Segments of a routine of which every goal there is, here or in another routine, still waits for another goal. */
export const closedIn = (routine: Routine, { plans }: Pick<PersonRecord, 'plans'>): ReadonlySet<string> =>
  new Set(
    routine.segments.flatMap((segment) => {
      if (segment.type !== 'exercise') return [];
      const goals = goalsOf(segment, routine.id, plans);
      return goals.length > 0 && !goals.some(({ strand }) => isOpen(strand)) ? [segment.id] : [];
    }),
  );

/** A routine with its exercises changed; the same one where nothing is. */
const eachChanged = (
  routine: Routine,
  change: (segment: ExerciseSegment, exercise: Exercise) => ExerciseSegment,
  shelf: PersonRecord['shelf'],
): Routine => {
  const segments = routine.segments.map((segment) => {
    const exercise = segment.type === 'exercise' ? shelf.get(segment.exerciseId) : undefined;
    return segment.type !== 'exercise' || exercise === undefined ? segment : change(segment, exercise);
  });
  return segments.every((segment, at) => segment === routine.segments[at]) ? routine : { ...routine, segments };
};

/**
 * A routine as it is for a person before the doses of its own plan and what is noted of the person: what has a goal only in another routine is
 * asked for no more than that. The hall, class, sheet and calendar all begin with it.
 */
export const ownBase = (routine: Routine, person: PersonRecord): Routine =>
  eachChanged(
    routine,
    (segment, exercise) => {
      const found = goalsOf(segment, routine.id, person.plans);
      const here = found.some(({ plan, strand }) => plan.routineId === routine.id && strand.segmentId === segment.id);
      return here ? segment : noMoreThan(segment, exercise, found, person);
    },
    person.shelf,
  );

/**
 * A routine in which what nobody set a goal for is held no longer than the strength allows, with what was changed. The hall, class, sheet and
 * calendar all end with it.
 */
export function withinStrengths(
  routine: Routine,
  person: PersonRecord,
): { readonly routine: Routine; readonly changed: readonly Changed[] } {
  const changed: Changed[] = [];
  const hasGoal = (segment: ExerciseSegment): boolean =>
    goalsOf(segment, routine.id, person.plans).length > 0 ||
    person.plans.some(({ strands }) => strands.some(({ segmentId }) => isInsteadOf(segment.id, segmentId)));
  const cut = eachChanged(
    routine,
    (segment, exercise) => {
      const less = hasGoal(segment) ? null : withinStrength(segment, exercise, person);
      if (less === null) return segment;
      changed.push(less);
      return less.segment;
    },
    person.shelf,
  );
  return { routine: cut, changed };
}
