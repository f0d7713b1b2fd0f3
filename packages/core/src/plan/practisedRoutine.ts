import { caredRoutine, isInsteadOf, type Changed } from '../care/caredRoutine';
import type { Plan, Strand } from '../goals/plan';
import type { PersonRecord } from '../person/personRecord';
import type { Routine } from '../routine/routine';
import { withStageDoses } from '../routine/stageDose';
import { dosedRoutine } from './dosedRoutine';
import { insteadDose } from './insteadDose';
import { closedIn, ownBase, withinStrengths } from './ownBase';
import { practiceDaysOf } from './planContext';
import { doseOn } from './planDay';
import { lockedSegments } from './lockedSegments';

/** What a student really practises of a routine. */
export interface OwnPractice {
  readonly routine: Routine;
  /** What is done otherwise for what is noted of the student, and why. */
  readonly changed: readonly Changed[];
  /** Segments that a sign to stop has locked, whether they are left out or not. */
  readonly locked: ReadonlySet<string>;
  /** Segments whose goals still wait for another one. */
  readonly closed: ReadonlySet<string>;
}

/**
 * What a student really practises of a routine today: with the doses and postures of the plan, without what a sign to stop has locked, and with
 * what is noted of the body taken care of. Today, the way into the hall, the hall, class, sheet and handout all go through here.
 * @param withLocked what is locked stays in
 */
export function practisedRoutine(routine: Routine, person: PersonRecord, withLocked = false): OwnPractice {
  const { plans, student, today } = person;
  const plan = plans.find(({ routineId }) => routineId === routine.id);
  const locked = new Set(lockedSegments(routine, person).keys());
  const closed = closedIn(routine, person);
  const leftOut: ReadonlySet<string> = new Set([...closed, ...(withLocked ? [] : locked)]);
  const base = ownBase(without(routine, leftOut), person);
  const practiceDays = practiceDaysOf(student);
  const dosed = plan === undefined ? base : dosedRoutine(base, plan, today, practiceDays, leftOut);
  const dose = (strand: Strand): number => (plan === undefined ? 0 : doseOn(plan, strand, today, practiceDays));
  const cared = takenCareOf(dosed, person, plan?.strands, dose);
  return { routine: cared.routine, changed: cared.changed, locked, closed };
}

const without = (routine: Routine, leftOut: ReadonlySet<string>): Routine =>
  leftOut.size === 0 ? routine : { ...routine, segments: routine.segments.filter(({ id }) => !leftOut.has(id)) };

/** What a student practises of a plan today, without what is locked by a sign to stop; null where its routine is gone. */
export function practisedOn(plan: Pick<Plan, 'routineId'>, person: PersonRecord): Routine | null {
  const routine = person.routines.find(({ id }) => id === plan.routineId);
  return routine === undefined ? null : practisedRoutine(routine, person).routine;
}

/**
 * A routine with doses put in, with what is noted of a student taken care of, and nothing without a goal held longer than the strength allows.
 * @param strands of its plan; what is done instead of one has its dose where the teacher lets it count
 * @param dose of a strand
 */
export function takenCareOf(
  dosed: Routine,
  person: PersonRecord,
  strands: readonly Strand[] = [],
  dose: (strand: Strand) => number = () => 0,
): { readonly routine: Routine; readonly changed: readonly Changed[] } {
  const cared = caredFor(dosed, person, strands, dose);
  const cut = withinStrengths(cared.routine, person);
  return { routine: cut.routine, changed: [...cared.changed, ...cut.changed] };
}

function caredFor(
  dosed: Routine,
  person: PersonRecord,
  strands: readonly Strand[],
  dose: (strand: Strand) => number,
): { readonly routine: Routine; readonly changed: readonly Changed[] } {
  const staged = new Set(strands.filter(({ axis }) => axis === 'stage').map(({ segmentId }) => segmentId));
  const cared = caredRoutine(withStageDoses(dosed, staged, person.shelf), person, person.shelf, person.school);
  const counting = strands.filter(({ insteadCounts }) => insteadCounts);
  if (counting.length === 0 || cared.changed.length === 0) return cared;
  const segments = cared.routine.segments.map((segment) => {
    if (segment.type !== 'exercise') return segment;
    return counting
      .filter(({ segmentId }) => isInsteadOf(segment.id, segmentId))
      .reduce((now, strand) => insteadDose(now, strand, dose(strand)) ?? now, segment);
  });
  // With its dose it may go beyond another limit.
  const again = caredRoutine({ ...cared.routine, segments }, person, person.shelf, person.school);
  return { routine: again.routine, changed: [...cared.changed, ...again.changed] };
}
