import type { LimitedBy } from '../endurance/capacity';
import type { Exercise } from '../library/exercise';
import { partsOf, type Part } from '../routine/findings/finding';
import { longestHoldWithin } from '../routine/findings/onBody';
import type { Routine } from '../routine/routine';
import { segmentPosture } from '../routine/turned';
import { settlePosture, type SettledPosture } from '../schools/conventions';
import type { School } from '../schools/school';
import type { Measure } from '../students/measure';
import type { Student } from '../students/student';
import { ankleRangeOf, bodyOfStudent, capacityOfStudent } from '../students/studentBody';
import { withDoses } from './dosedRoutine';
import type { RungBody } from './nextRung';
import type { Plan } from './plan';

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
  /**
   * The longest hold within the school's budget by whichever of legs and arms is known, s; Infinity where nothing limits.
   */
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
  const guessed = { legs: capacity.legsFrom === 'guess', arms: capacity.armsFrom === 'guess' };
  const known = (['legs', 'arms'] as const).filter((by) => !guessed[by]);
  const { body } = bodyOfStudent(student);
  const context = {
    routine: withDoses(routine, plan, (strand) => strand.level, new Set()),
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
        guessed,
        longestHold: longestHoldWithin(context, part, known),
      };
      return [[strand.id, place] as const];
    }),
  );
}

/** The largest dose of each hold within the budget, where something is known that limits it; by the strand's id. */
export const mostDosesOf = (
  plan: Pick<Plan, 'strands'>,
  places: ReadonlyMap<string, StrandPlace>,
): Map<string, number> =>
  new Map(
    plan.strands.flatMap((strand): [string, number][] => {
      const most = places.get(strand.id)?.longestHold ?? Number.POSITIVE_INFINITY;
      return strand.axis === 'time' && Number.isFinite(most) ? [[strand.id, most]] : [];
    }),
  );
