import { caredSegment } from '../care/caredRoutine';
import type { LimitedBy } from '../endurance/limits';
import { partsOf, type Part } from '../findings/finding';
import type { Plan } from '../goals/plan';
import type { Exercise } from '../library/exercise';
import { axisLimits, type AxisLimits, type DoseLimit } from '../limits/axisLimits';
import type { PersonRecord } from '../person/personRecord';
import { segmentPosture } from '../routine/turned';
import { settlePosture, type SettledPosture } from '../schools/conventions';
import { withDoses } from './dosedRoutine';
import type { RungBody } from './nextRung';
import { insteadDose } from './insteadDose';
import { doseOf, gridOf } from './steps';

/** Where a strand stands on its student's body. */
export interface StrandPlace extends AxisLimits {
  readonly exercise: Exercise;
  /** How the student stands in it now, with what the plan turned. */
  readonly posture: SettledPosture;
  /** As the routine has it. */
  readonly base: SettledPosture;
  readonly body: RungBody;
  /** What was neither tested nor learned from practice: what it gives is a guess. */
  readonly guessed: Readonly<Record<LimitedBy, boolean>>;
  /** The smallest limit of its dose up to its target; null where nothing limits it. */
  readonly most: DoseLimit | null;
}

/** The place of every strand whose segment and exercise are still there, by the strand's id. */
export function strandPlaces(plan: Plan, person: PersonRecord): ReadonlyMap<string, StrandPlace> {
  const { school, shelf, body, capacity, ankleRangeDeg, routines } = person;
  const routine = routines.find(({ id }) => id === plan.routineId);
  if (routine === undefined) return new Map();
  const dosed = withDoses(routine, plan, (strand) => doseOf(strand.level, gridOf(strand)), new Set());
  const stood = ({ segment, exercise }: Part): SettledPosture =>
    settlePosture(segmentPosture(segment, exercise), school);
  const parts = new Map(partsOf({ routine: dosed, exercises: shelf }).map((part) => [part.segment.id, part]));
  const asRoutine = new Map(partsOf({ routine, exercises: shelf }).map((part) => [part.segment.id, part]));
  return new Map(
    plan.strands.flatMap((strand) => {
      const part = parts.get(strand.segmentId);
      if (part === undefined) return [];
      const highest = Math.max(strand.target, doseOf(strand.level, gridOf(strand)));
      const drill = { segment: part.segment, exercise: part.exercise, school, person, shelf };
      const own = axisLimits(drill, strand.axis, strand.step, highest);
      // What counts in its place has limits of its own.
      const cared =
        own.instead === null || !strand.insteadCounts ? null : caredSegment(part.segment, person, shelf, school);
      const other = cared === null ? undefined : shelf.get(cared.segment.exerciseId);
      const counted =
        cared === null || other === undefined || insteadDose(cared.segment, strand, 1) === null
          ? null
          : axisLimits({ ...drill, segment: cared.segment, exercise: other }, strand.axis, strand.step, highest);
      const limits = (counted ?? own).limits;
      const [most] = limits.filter(({ dose, from }) => dose < highest - 1e-9 || from === 'instead');
      const place: StrandPlace = {
        exercise: part.exercise,
        posture: stood(part),
        base: stood(asRoutine.get(strand.segmentId)!),
        body: { body, capacity, ankleRangeDeg },
        guessed: capacity.guessed,
        limits,
        instead: own.instead,
        most: most ?? null,
      };
      return [[strand.id, place] as const];
    }),
  );
}

/** The smallest limits of the strands, where something limits them; by the strand's id. */
export const mostDosesOf = (places: ReadonlyMap<string, StrandPlace>): Map<string, DoseLimit> =>
  new Map([...places].flatMap(([id, { most }]): [string, DoseLimit][] => (most === null ? [] : [[id, most]])));
