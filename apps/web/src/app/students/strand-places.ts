import {
  ankleRangeOf,
  bodyOfStudent,
  capacityOfStudent,
  dosedRoutine,
  longestHoldWithin,
  partsOf,
  segmentPosture,
  settlePosture,
  type Exercise,
  type LimitedBy,
  type Measure,
  type Part,
  type Plan,
  type Routine,
  type RungBody,
  type School,
  type SettledPosture,
  type Student,
} from '@pomek/core';

/** Where a strand stands on its student's body. */
export interface StrandPlace {
  readonly exercise: Exercise;
  /** How the student stands in it now, with what the plan turned. */
  readonly posture: SettledPosture;
  /** As the routine has it. */
  readonly base: SettledPosture;
  readonly body: RungBody;
  /** What was never tested: what it gives is a guess. */
  readonly guessed: Readonly<Record<LimitedBy, boolean>>;
  /** The longest hold within the school's budget, s; Infinity where nothing limits. */
  readonly longestHold: number;
}

/** The place of every strand whose segment and exercise are still there, by the strand's id. */
export function strandPlaces(
  student: Student,
  measures: readonly Measure[],
  plan: Plan,
  routine: Routine,
  exercises: readonly Exercise[],
  school: School,
  today: string,
): ReadonlyMap<string, StrandPlace> {
  const capacity = capacityOfStudent(student, measures, today);
  const ankleRangeDeg = ankleRangeOf(measures);
  const { body } = bodyOfStudent(student);
  const context = {
    routine: dosedRoutine(routine, plan, today),
    exercises: new Map(exercises.map((exercise) => [exercise.id, exercise])),
    school,
    person: {
      name: student.name,
      body,
      capacity,
      ankleRangeDeg,
      restingBreath: null,
      conditions: student.conditions,
      learned: null,
      reached: [],
    },
    effort: null,
    newId: () => '',
  };
  const stood = ({ segment, exercise }: Part): SettledPosture =>
    settlePosture(segmentPosture(segment, exercise), school);
  const parts = partsOf(context);
  const asRoutine = new Map(partsOf({ ...context, routine }).map((part) => [part.segment.id, part]));
  return new Map(
    plan.strands.flatMap((strand) => {
      const part = parts.find((entry) => entry.segment.id === strand.segmentId);
      if (part === undefined) return [];
      const place: StrandPlace = {
        exercise: part.exercise,
        posture: stood(part),
        base: stood(asRoutine.get(strand.segmentId)!),
        body: { body, capacity, ankleRangeDeg },
        guessed: { legs: capacity.legsFrom === 'guess', arms: capacity.armsFrom === 'guess' },
        longestHold: longestHoldWithin(context, part),
      };
      return [[strand.id, place] as const];
    }),
  );
}
