import type { LimitedBy } from '../endurance/limits';
import type { Exercise } from '../library/exercise';
import { partsOf, type Part } from '../findings/finding';
import type { Routine } from '../routine/routine';
import type { PracticeLog } from '../practice/log';
import { segmentPosture } from '../routine/turned';
import { settlePosture, type SettledPosture } from '../schools/conventions';
import type { School } from '../schools/school';
import type { Measure } from '../students/measure';
import type { Student } from '../students/student';
import { ankleRangeOf, bodyOfStudent, capacityOfStudent } from '../students/studentBody';
import { withDoses } from './dosedRoutine';
import { mostDose } from './mostDose';
import type { RungBody } from './nextRung';
import type { Plan } from './plan';
import type { MostDose } from './planContext';
import { doseOf } from './steps';

/** Where a strand stands on its student's body. */
export interface StrandPlace {
  readonly exercise: Exercise;
  /** How the student stands in it now, with what the plan turned. */
  readonly posture: SettledPosture;
  /** As the routine has it. */
  readonly base: SettledPosture;
  readonly body: RungBody;
  /** What was neither tested nor learned from practice: what it gives is a guess. */
  readonly guessed: Readonly<Record<LimitedBy, boolean>>;
  /** The largest dose the body allows on the strand's axis; null where nothing known limits it. */
  readonly most: MostDose | null;
}

/**
 * The place of every strand whose segment and exercise are still there, by the strand's id.
 * @param logs of the student, which tell how strong legs and arms are
 */
export function strandPlaces(
  student: Student,
  measures: readonly Measure[],
  plan: Plan,
  routine: Routine,
  exercises: readonly Exercise[],
  school: School,
  today: string,
  logs: readonly PracticeLog[] = [],
): ReadonlyMap<string, StrandPlace> {
  const capacity = capacityOfStudent(student, measures, today, { logs, exercises, school });
  const ankleRangeDeg = ankleRangeOf(measures);
  const guessed = { legs: capacity.legs.from === 'guess', arms: capacity.arms.from === 'guess' };
  const known = (['legs', 'arms'] as const).filter((by) => !guessed[by]);
  const { body } = bodyOfStudent(student);
  const context = {
    routine: withDoses(routine, plan, ({ level, step }) => doseOf(level, step), new Set()),
    exercises: new Map(exercises.map((exercise) => [exercise.id, exercise])),
    school,
    person: {
      name: student.name,
      body,
      capacity,
      ankleRangeDeg,
      restingBreath: null,
      noted: [],
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
        most: mostDose(strand, part, context, known),
      };
      return [[strand.id, place] as const];
    }),
  );
}

/** The largest doses that the body allows, where something is known that limits them; by the strand's id. */
export const mostDosesOf = (
  plan: Pick<Plan, 'strands'>,
  places: ReadonlyMap<string, StrandPlace>,
): Map<string, MostDose> =>
  new Map(
    plan.strands.flatMap(({ id }): [string, MostDose][] => {
      const most = places.get(id)?.most ?? null;
      return most === null ? [] : [[id, most]];
    }),
  );
