import { dayNumber, dayOfNumber } from '../days/dayNumber';
import type { Plan, Strand } from '../goals/plan';
import type { PersonRecord } from '../person/personRecord';
import { inOrder } from '../person/practicesThatTell';
import type { ExerciseSegment, Routine } from '../routine/routine';
import { stopReasons } from './stopReasons';

/** A strand with the plan that it is in. */
export interface SegmentGoal {
  readonly plan: Plan;
  readonly strand: Strand;
}

/** The strands that a segment stands for: of a plan for this very routine, else of any with that exercise. */
export function goalsOf(
  segment: Pick<ExerciseSegment, 'id' | 'exerciseId'>,
  routineId: string,
  plans: readonly Plan[],
): SegmentGoal[] {
  const all = plans.flatMap((plan) => plan.strands.map((strand): SegmentGoal => ({ plan, strand })));
  const here = all.filter(({ plan, strand }) => plan.routineId === routineId && strand.segmentId === segment.id);
  if (here.length > 0) return here;
  const elsewhere = all.filter(({ strand }) => strand.exerciseId === segment.exerciseId);
  // Two goals of one exercise may stand in two segments; one practice counts for one of them.
  return elsewhere.filter(({ strand }) => strand.segmentId === elsewhere[0]?.strand.segmentId);
}

/** For somebody without a plan signs to stop count for so many days: there is nothing that could be cleared. House value. */
export const SIGN_DAYS = 7;

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
 * The segments of a routine that a sign to stop has locked, each with the newest sign: drills with a goal as their strands are,
 * and all others that load the place. The hall, class, sheet, calendar and week go by it.
 */
export function lockedSegments(
  routine: Routine,
  { plans, logs, school, shelf, today }: Pick<PersonRecord, 'plans' | 'logs' | 'school' | 'shelf' | 'today'>,
): ReadonlyMap<string, string> {
  const withoutGoal = clearedFor(plans, today);
  // The newest sign is told first, as in the verdict.
  const newest = inOrder(logs).toReversed();
  return new Map(
    routine.segments.flatMap((segment): [string, string][] => {
      if (segment.type !== 'exercise') return [];
      const goals = goalsOf(segment, routine.id, plans);
      const cleared = goals.length > 0 ? goals.map(({ strand }) => strand.clearedAt) : [withoutGoal];
      const [sign] = cleared.flatMap((clearedAt) =>
        stopReasons({ ...segment, segmentId: segment.id, clearedAt }, newest, school.raise, shelf),
      );
      return sign === undefined ? [] : [[segment.id, sign]];
    }),
  );
}
