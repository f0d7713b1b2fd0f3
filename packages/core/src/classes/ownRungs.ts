import { changedWords } from '../care/caredRoutine';
import type { Exercise } from '../library/exercise';
import { longestHoldWithin } from '../findings/onBody';
import type { OwnRung } from '../practice/classJournal';
import type { PracticeLog } from '../practice/log';
import { practisedRoutine } from '../plan/practisedRoutine';
import { doseOn } from '../plan/planDay';
import type { Plan, Strand } from '../plan/plan';
import { isOpen } from '../plan/stateOfStrand';
import { stopReasons } from '../plan/stopReasons';
import { dayNumber, dayOfNumber } from '../days/dayNumber';
import { segmentValue, withSegmentValue } from '../axis/segmentAxis';
import type { ExerciseSegment, Routine } from '../routine/routine';
import type { School } from '../schools/school';
import type { Measure } from '../students/measure';
import type { Student } from '../students/student';
import { bodyOfStudent, capacityOfStudent } from '../students/studentBody';

/** What is known of a student when a class looks at what he or she does in it. */
export interface RungRecords {
  readonly student: Student;
  readonly school: School;
  readonly plans: readonly Plan[];
  readonly measures: readonly Measure[];
  readonly logs: readonly PracticeLog[];
}

interface Found {
  readonly plan: Plan;
  readonly strand: Strand;
}

/** The holds of somebody without a goal are cut to whole steps of this, s. */
const HOLD_STEP = 5;

/** The strands that a segment of a class stands for: of a plan for this very routine, else of any with that exercise. */
function strandsFor(segment: ExerciseSegment, routine: Routine, plans: readonly Plan[]): Found[] {
  const all = plans.flatMap((plan) => plan.strands.map((strand): Found => ({ plan, strand })));
  const here = all.filter(({ plan, strand }) => plan.routineId === routine.id && strand.segmentId === segment.id);
  if (here.length > 0) return here;
  const elsewhere = all.filter(({ strand }) => strand.exerciseId === segment.exerciseId);
  // Two goals of one exercise may stand in two segments; one practice counts for one of them.
  return elsewhere.filter(({ strand }) => strand.segmentId === elsewhere[0]?.strand.segmentId);
}

/** No more than goals of another routine have by now. */
const noMoreThan = (segment: ExerciseSegment, exercise: Exercise, found: readonly Found[], day: string) =>
  found.reduce((now, { plan, strand }) => {
    const dose = doseOn(plan, strand, day);
    return segmentValue(now, exercise, strand.axis) > dose ? withSegmentValue(now, strand.axis, dose) : now;
  }, segment);

/** A hold that nobody set a goal for goes no further than the school's budget on this body. */
function withinBudget(segment: ExerciseSegment, exercise: Exercise, records: RungRecords, shelf: Shelf, day: string) {
  if (segment.dose.kind !== 'hold') return segment;
  const { student, school, measures, logs } = records;
  const { body } = bodyOfStudent(student);
  const capacity = capacityOfStudent(student, measures, day, { logs, exercises: [...shelf.values()], school });
  const longest = longestHoldWithin({ school, person: { body, capacity } }, { segment, exercise });
  if (segment.dose.holdSeconds <= longest) return segment;
  const holdSeconds = Math.max(HOLD_STEP, Math.floor(longest / HOLD_STEP) * HOLD_STEP);
  return { ...segment, dose: { ...segment.dose, holdSeconds } };
}

type Shelf = ReadonlyMap<string, Exercise>;

/** Of somebody without a plan signs to stop count for so many days: there is nothing that could be cleared. House value. */
const SIGN_DAYS = 7;

/** Since when signs to stop count for a drill without a goal: since the last one was cleared. */
function clearedFor(plans: readonly Plan[], day: string): string | null {
  const strands = plans.flatMap((plan) => plan.strands);
  if (strands.length === 0) return `${dayOfNumber(dayNumber(day) - SIGN_DAYS)}T00:00:00Z`;
  return strands.reduce<string | null>(
    (last, { clearedAt }) => (clearedAt !== null && (last === null || clearedAt > last) ? clearedAt : last),
    null,
  );
}

/**
 * What a student does in each exercise of a class's routine: the dose and posture of the goals there are, in this routine or
 * for the same exercise in another, else what the body allows; with what is noted of the student taken care of.
 * @param day YYYY-MM-DD
 */
export function ownRungs(routine: Routine, records: RungRecords, shelf: Shelf, day: string): OwnRung[] {
  const { student, school, plans, measures, logs } = records;
  const exercisesOf = routine.segments.filter((segment) => segment.type === 'exercise');
  const foundFor = new Map(exercisesOf.map((segment) => [segment.id, strandsFor(segment, routine, plans)]));
  const plan = plans.find((entry) => entry.routineId === routine.id) ?? null;
  const closed = (segment: ExerciseSegment): boolean => {
    const found = foundFor.get(segment.id)!;
    return found.length > 0 && !found.some(({ strand }) => isOpen(strand));
  };
  const out = new Map(
    exercisesOf.flatMap((segment): [string, string][] => {
      const found = foundFor.get(segment.id)!;
      const clearedAt = found.length > 0 ? found[0]!.strand.clearedAt : clearedFor(plans, day);
      const [sign] = stopReasons({ ...segment, segmentId: segment.id, clearedAt }, logs, school.raise, shelf);
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
      return found.length > 0
        ? noMoreThan(segment, exercise, found, day)
        : withinBudget(segment, exercise, records, shelf, day);
    });
  const leftOut = new Set(out.keys());
  const own = practisedRoutine(
    { ...routine, segments: base },
    plan,
    student,
    measures,
    shelf,
    school,
    day,
    leftOut,
    logs,
  );
  return exercisesOf.map((segment): OwnRung => {
    const isMine = ({ id }: { readonly id: string }): boolean => id === segment.id || id === `${segment.id}-instead`;
    const changed = own.changed.filter((entry) => isMine(entry.segment));
    const mine = own.routine.segments.find(
      (entry): entry is ExerciseSegment => entry.type === 'exercise' && isMine(entry),
    );
    return {
      segmentId: segment.id,
      own: mine ?? null,
      // Another drill is no practice of the goal that it stands for.
      countsFor:
        mine?.exerciseId === segment.exerciseId ? (foundFor.get(segment.id)![0]?.strand.segmentId ?? null) : null,
      because: (out.get(segment.id) ?? changed.map(changedWords).join(' ')).slice(0, 400),
    };
  });
}
