import type { Axis } from '../axis/axis';
import { dayNumber } from '../days/dayNumber';
import type { Exercise } from '../library/exercise';
import type { DoseLimit } from '../limits/axisLimits';
import type { PersonRecord } from '../person/personRecord';
import type { ExerciseSegment, Routine } from '../routine/routine';
import { contextOf } from './contextOf';
import { firstGoal } from './firstGoal';
import { firstLevel } from './firstLevel';
import { newPlan } from './newPlan';
import { newStrand } from './newStrand';
import type { PlanContext } from './planContext';
import { planForecast } from './planForecast';
import { doseOf, gridOf, nextDose } from './steps';

/** A goal that somebody wishes for. */
export interface WishedGoal {
  /** One of the person's routines. */
  readonly routine: Pick<Routine, 'id'>;
  readonly segment: ExerciseSegment;
  readonly exercise: Exercise;
  readonly axis: Axis;
  /** YYYY-MM-DD */
  readonly targetDay: string;
  /** Most that a week may add; as the school has it where it is left out. */
  readonly growthPerWeek?: number;
}

/** What a plan with just this goal would rest on. */
function tried(person: PersonRecord, wish: WishedGoal, target: number): PlanContext | null {
  const { routine, segment, exercise, axis, targetDay, growthPerWeek } = wish;
  const { school, noted, today, student } = person;
  const strand = newStrand('goal', segment, exercise, axis, target, targetDay, school, noted);
  const of = { id: 'tried', studentId: student.id, routineId: routine.id, startsOn: today };
  const { plan } = newPlan(of, [strand], growthPerWeek ?? school.raise.growthPerWeek, school);
  return plan === null ? null : contextOf(plan, person);
}

/** The smallest limit of a goal that is not in a plan yet; null where nothing limits it. */
export const goalLimit = (person: PersonRecord, wish: WishedGoal, target: number): DoseLimit | null =>
  tried(person, wish, target)?.mostDoses.get('goal') ?? null;

/** A goal is proposed that would be reached with this share of the time if all went well: so it is on most days. House value. */
const WITH_ROOM = 0.8;

/**
 * A goal to begin with that can be reached by its day on most days: as far as the plan comes in four fifths of the time, within all limits,
 * and no more than is wished for at first (`firstGoal`); at least the next dose.
 */
export function proposedGoal(person: PersonRecord, wish: WishedGoal): number {
  const { segment, exercise, axis, targetDay } = wish;
  const { school, noted, today } = person;
  const { level } = firstLevel(segment, exercise, axis, school, noted);
  const wished = firstGoal(axis, level, school, exercise);
  const context = tried(person, wish, wished);
  if (context === null || wished <= level) return wished;
  const [forecast] = planForecast(context).strands;
  const start = dayNumber(today);
  const until = start + WITH_ROOM * (dayNumber(targetDay) - start);
  const reached = forecast!.days.filter(({ day }) => dayNumber(day) <= until).map(({ dose }) => dose);
  const limit = context.mostDoses.get('goal')?.dose ?? Number.POSITIVE_INFINITY;
  const grid = gridOf(context.plan.strands[0]!);
  const next = nextDose(doseOf(level, grid), grid);
  return Math.max(
    level,
    limit < next ? level : Math.min(wished, next),
    ...reached.map((dose) => Math.min(wished, dose)),
  );
}
