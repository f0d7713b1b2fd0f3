import { turnedBy } from '../routine/turned';
import type { Routine, Turned } from '../routine/routine';
import { withSegmentValue } from '../axis/segmentAxis';
import type { Plan, Strand } from '../goals/plan';
import { doseOn } from './planDay';
import { isOpen } from './stateOfStrand';
import { isEasierOn } from './strandSessions';

/** In which segment each exercise of the strands stands, so that they count what was written down; the first counts. */
export const strandSegments = (plans: readonly Pick<Plan, 'strands'>[]): ReadonlyMap<string, string> =>
  new Map(
    plans
      .flatMap((plan) => plan.strands)
      .toReversed()
      .map((strand) => [strand.exerciseId, strand.segmentId]),
  );

const whatIsSet = (turned: Partial<Turned> | undefined): Partial<Turned> =>
  Object.fromEntries(Object.entries(turned ?? {}).filter(([, value]) => value !== null));

/** How a student's plan turns the posture of a segment otherwise than the routine has it. */
export const postureIn = ({ postures }: Pick<Plan, 'postures'>, segmentId: string): Partial<Turned> =>
  whatIsSet(postures.find((entry) => entry.segmentId === segmentId)?.turned);

/**
 * What is easier for a while in a segment, after a plateau; nothing on most days.
 * @param day YYYY-MM-DD
 */
export const easierOn = ({ strands }: Pick<Plan, 'strands'>, segmentId: string, day: string): Partial<Turned> =>
  whatIsSet(strands.find((strand) => strand.segmentId === segmentId && isEasierOn(strand, day))?.easier?.turned);

/** Segments of which every strand still waits for another: they are not practised yet. */
export function closedSegments(plan: Pick<Plan, 'strands'>): ReadonlySet<string> {
  const open = new Set(plan.strands.filter(isOpen).map(({ segmentId }) => segmentId));
  return new Set(plan.strands.map(({ segmentId }) => segmentId).filter((id) => !open.has(id)));
}

/**
 * The routine a student practises on a day: the strands of the plan put in at their present dose and posture, without
 * those that are not opened yet.
 * @param practiceDays of the student
 * @param leftOut segments that are not practised, as those of locked strands
 */
export function dosedRoutine(
  routine: Routine,
  plan: Plan,
  day: string,
  practiceDays: readonly number[],
  leftOut: ReadonlySet<string> = new Set(),
): Routine {
  const out = new Set([...leftOut, ...closedSegments(plan)]);
  return withDoses(routine, plan, (strand) => doseOn(plan, strand, day, practiceDays), out, day);
}

/**
 * The routine of a plan with a dose for each strand, in the student's postures.
 * @param day YYYY-MM-DD; with it, also what is easier for a while
 */
export function withDoses(
  routine: Routine,
  plan: Plan,
  dose: (strand: Strand) => number,
  leftOut: ReadonlySet<string>,
  day: string | null = null,
): Routine {
  const kept = routine.segments.filter(({ id }) => !leftOut.has(id));
  const segments = kept.map((segment) => {
    if (segment.type !== 'exercise') return segment;
    const dosed = plan.strands
      .filter((strand) => strand.segmentId === segment.id)
      .reduce(
        (current, strand) => withSegmentValue(current, strand.axis, dose(strand)),
        turnedBy(segment, postureIn(plan, segment.id)),
      );
    return day === null ? dosed : turnedBy(dosed, easierOn(plan, segment.id, day));
  });
  return { ...routine, segments };
}
