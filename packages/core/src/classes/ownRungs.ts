import { changedWords, insteadOf, isInsteadOf } from '../care/caredRoutine';
import type { Exercise } from '../library/exercise';
import { isHeld } from '../library/heldSeconds';
import type { OwnRung } from '../practice/classJournal';
import { axisLimits } from '../limits/axisLimits';
import type { PersonRecord } from '../person/personRecord';
import { practiceDaysOf } from '../plan/planContext';
import { takenCareOf } from '../plan/practisedRoutine';
import { dosedRoutine } from '../plan/dosedRoutine';
import { doseOn } from '../plan/planDay';
import { isOpen } from '../plan/stateOfStrand';
import { goalsOf, lockedSegments, type SegmentGoal } from '../plan/lockedSegments';
import { segmentValue, withSegmentValue } from '../axis/segmentAxis';
import type { ExerciseSegment, Routine } from '../routine/routine';

/** What is held without a goal is cut to whole steps of this, s. */
const HOLD_STEP = 5;

/** No more than goals of another routine have by now. */
const noMoreThan = (
  segment: ExerciseSegment,
  exercise: Exercise,
  found: readonly SegmentGoal[],
  person: PersonRecord,
) =>
  found.reduce((now, { plan, strand }) => {
    const dose = doseOn(plan, strand, person.today, practiceDaysOf(person.student));
    return segmentValue(now, exercise, strand.axis) > dose ? withSegmentValue(now, strand.axis, dose) : now;
  }, segment);

/** What nobody set a goal for goes no further than its limits; what is noted of the person is taken care of later. */
function withinLimits(segment: ExerciseSegment, exercise: Exercise, person: PersonRecord): ExerciseSegment {
  const axis = segment.dose.kind === 'breath' ? 'breaths' : 'time';
  if (!isHeld(exercise, segment.dose)) return segment;
  const step = axis === 'time' ? HOLD_STEP : 1;
  const value = segmentValue(segment, exercise, axis);
  const { school, shelf } = person;
  const { limits } = axisLimits({ segment, exercise, school, person, shelf }, axis, step, value);
  const [first] = limits.filter(({ from, dose }) => (from === 'strength' || from === 'guess') && dose < value);
  return first === undefined
    ? segment
    : withSegmentValue(segment, axis, Math.max(step, Math.floor(first.dose / step) * step));
}

/**
 * What a student does in each exercise of a class's routine: the dose and posture of the goals there are, in this routine or
 * for the same exercise in another, else what the body allows; with what is noted of the student taken care of.
 */
export function ownRungs(routine: Routine, person: PersonRecord): OwnRung[] {
  const { student, plans, shelf, today: day } = person;
  const exercisesOf = routine.segments.filter((segment) => segment.type === 'exercise');
  const foundFor = new Map(exercisesOf.map((segment) => [segment.id, goalsOf(segment, routine.id, plans)]));
  const plan = plans.find((entry) => entry.routineId === routine.id) ?? null;
  const closed = (segment: ExerciseSegment): boolean => {
    const found = foundFor.get(segment.id)!;
    return found.length > 0 && !found.some(({ strand }) => isOpen(strand));
  };
  const locked = lockedSegments(routine, person);
  const out = new Map(
    exercisesOf.flatMap((segment): [string, string][] => {
      const sign = locked.get(segment.id);
      if (sign !== undefined) return [[segment.id, `stopped until it is cleared. ${sign}`]];
      return closed(segment) ? [[segment.id, 'not opened yet']] : [];
    }),
  );
  const base = exercisesOf
    .filter(({ id }) => !out.has(id))
    .map((segment) => {
      const exercise = shelf.get(segment.exerciseId);
      const found = foundFor.get(segment.id)!;
      if (exercise === undefined || found.some((entry) => entry.plan === plan)) return segment;
      return found.length > 0 ? noMoreThan(segment, exercise, found, person) : withinLimits(segment, exercise, person);
    });
  const leftOut = new Set(out.keys());
  const practiceDays = practiceDaysOf(student);
  const based = { ...routine, segments: base };
  const own = takenCareOf(
    plan === null ? based : dosedRoutine(based, plan, day, practiceDays, leftOut),
    person,
    plan?.strands,
    plan === null ? undefined : (strand) => doseOn(plan, strand, day, practiceDays),
  );
  return exercisesOf.map((segment): OwnRung => {
    const isMine = ({ id }: { readonly id: string }): boolean => id === segment.id || isInsteadOf(id, segment.id);
    const changed = own.changed.filter((entry) => isMine(entry.segment));
    const mine = own.routine.segments.find(
      (entry): entry is ExerciseSegment => entry.type === 'exercise' && isMine(entry),
    );
    return {
      segmentId: segment.id,
      own: mine ?? null,
      countsFor: countedFor(mine, segment, foundFor.get(segment.id)![0]?.strand.segmentId ?? null),
      because: (out.get(segment.id) ?? changed.map(changedWords).join(' ')).slice(0, 400),
    };
  });
}

/** For which goal it is written down; another drill stands beside it, and counts only where the teacher lets it. */
function countedFor(mine: ExerciseSegment | undefined, segment: ExerciseSegment, goal: string | null): string | null {
  if (mine === undefined || goal === null) return null;
  return mine.exerciseId === segment.exerciseId ? goal : insteadOf(goal);
}
