import { addDays, formatISO, parseISO } from 'date-fns';
import { axisWords } from '../axis/axisWords';
import type { Routine } from '../routine/routine';
import { timeline } from '../routine/timeline';
import { isInsteadOf, type Changed } from '../care/caredRoutine';
import { segmentValue } from '../axis/segmentAxis';
import type { Plan, Strand } from '../goals/plan';
import type { PersonRecord } from '../person/personRecord';
import { contextOf } from './contextOf';
import { withDoses } from './dosedRoutine';
import { closedIn, ownBase } from './ownBase';
import { practiceDaysOf } from './planContext';
import { weekOf } from './planDay';
import { takenCareOf } from './practisedRoutine';
import { isLighter } from './season/seasonCalendar';
import { planForecast } from './planForecast';
import { MOST_WEEKS } from './seasonOfPlan';

/** A practice day of a plan that is to come. */
export interface PlannedDay {
  readonly day: string;
  readonly lighter: boolean;
  /** Length of the routine with the doses of that day, s. */
  readonly seconds: number;
  /** The routine with those doses, as this person practises it. */
  readonly routine: Routine;
  /** What is done otherwise for what is noted of the person. */
  readonly changed: readonly Changed[];
  /** What each goal asks for on that day, in words; what is locked or not opened yet says so. */
  readonly goals: readonly {
    readonly strandId: string;
    readonly name: string;
    readonly words: string;
    readonly asked: boolean;
  }[];
}

/**
 * The practice days of a plan with the doses that it has for each, as the machine would set them; holidays have none. The
 * calendar and the week card are made from it.
 * @param weeks from today on
 * @throws RangeError when the student has no practice days, the routine is gone, or `weeks` is not 1–156.
 */
export function plannedDays(plan: Plan, person: PersonRecord, weeks: number): PlannedDay[] {
  const context = contextOf(plan, person);
  const { student, shelf } = person;
  const { routine, today } = context;
  if (student.practiceDays.length === 0) throw new RangeError('practiceDays: the student has no practice days yet');
  if (routine === undefined) throw new RangeError('routine: the routine of the plan is gone');
  if (!(weeks >= 1 && weeks <= MOST_WEEKS)) throw new RangeError(`weeks must be between 1 and ${MOST_WEEKS}`);
  const until = lastDayOf(today, weeks);
  const forecast = planForecast(context, until);
  const weeksOf = { ...plan, practiceDays: practiceDaysOf(student) };
  const base = ownBase(routine, person);
  const closed = closedIn(routine, person);
  const doses = new Map(
    forecast.strands.map(({ strandId, days }) => [strandId, new Map(days.map(({ day, dose }) => [day, dose]))]),
  );
  return forecast.practiceDays
    .filter((day) => day <= until)
    .map((day): PlannedDay => {
      const dose = (strand: Strand): number | undefined => doses.get(strand.id)?.get(day);
      const open = new Set(
        plan.strands.filter((strand) => dose(strand) !== undefined).map(({ segmentId }) => segmentId),
      );
      const out = new Set([
        ...plan.strands.map(({ segmentId }) => segmentId).filter((id) => !open.has(id)),
        // What waits in this plan opens on a day of its own.
        ...[...closed].filter((id) => !plan.strands.some(({ segmentId }) => segmentId === id)),
        ...context.lockedSegments,
      ]);
      const planned = (strand: Strand): number => dose(strand) ?? strand.start;
      const dosed = withDoses(base, plan, planned, out, day);
      const cared = takenCareOf(dosed, person, plan.strands, planned);
      return {
        day,
        lighter: isLighter(weeksOf, weekOf(plan, day)),
        seconds: timeline(cared.routine).totalMs / 1000,
        routine: cared.routine,
        changed: cared.changed,
        goals: plan.strands.map((strand) => {
          const shut = context.lockedSegments.has(strand.segmentId);
          const asked = dose(strand) !== undefined && !shut;
          const left = shut ? 'left out until it is cleared' : 'not opened yet';
          return {
            strandId: strand.id,
            name: strand.exerciseName,
            words: asked ? askedWords(strand, cared, shelf) : left,
            asked,
          };
        }),
      };
    });
}

/** What a goal asks for as it is really practised: its dose, or what is done instead. */
function askedWords(
  strand: Strand,
  { routine, changed }: Pick<PlannedDay, 'routine' | 'changed'>,
  shelf: PersonRecord['shelf'],
): string {
  const own = routine.segments.find(({ id }) => id === strand.segmentId);
  const exercise = shelf.get(strand.exerciseId);
  if (own?.type === 'exercise' && exercise !== undefined)
    return axisWords(segmentValue(own, exercise, strand.axis), strand.axis);
  const other = changed.find(({ segment }) => isInsteadOf(segment.id, strand.segmentId));
  return other === undefined ? axisWords(strand.level, strand.axis) : `${other.instead} instead`;
}

/** The last day of so many weeks from a day on, YYYY-MM-DD. */
export const lastDayOf = (today: string, weeks: number): string =>
  formatISO(addDays(parseISO(today), weeks * 7 - 1), { representation: 'date' });
