import { addDays, formatISO, parseISO } from 'date-fns';
import { axisWords } from '../axis/axisWords';
import type { Student } from '../students/student';
import type { Routine } from '../routine/routine';
import { timeline } from '../routine/timeline';
import { withDoses } from './dosedRoutine';
import type { Strand } from './plan';
import type { PlanContext } from './planContext';
import { isLighterWeek, weekOf } from './planDay';
import { planForecast } from './planForecast';
import { MOST_WEEKS } from './seasonOfPlan';
import { lockedStrands } from './stopReasons';

/** A practice day of a plan that is to come. */
export interface PlannedDay {
  readonly day: string;
  readonly lighter: boolean;
  /** Length of the routine with the doses of that day, s. */
  readonly seconds: number;
  /** The routine with those doses. */
  readonly routine: Routine;
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
export function plannedDays(context: PlanContext, student: Student, weeks: number): PlannedDay[] {
  const { plan, routine, today } = context;
  if (student.practiceDays.length === 0) throw new RangeError('practiceDays: the student has no practice days yet');
  if (routine === undefined) throw new RangeError('routine: the routine of the plan is gone');
  if (!(weeks >= 1 && weeks <= MOST_WEEKS)) throw new RangeError(`weeks must be between 1 and ${MOST_WEEKS}`);
  const until = lastDayOf(today, weeks);
  const forecast = planForecast({ ...context, practiceDays: student.practiceDays }, until);
  const locked = new Set(lockedStrands(plan, context.logs, context.rule, context.exercises).map(({ id }) => id));
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
      const out = new Set(plan.strands.map(({ segmentId }) => segmentId).filter((id) => !open.has(id)));
      const dosed = withDoses(routine, plan, (strand) => dose(strand) ?? strand.start, out);
      return {
        day,
        lighter: isLighterWeek(plan, weekOf(plan, day)),
        seconds: timeline(dosed).totalMs / 1000,
        routine: dosed,
        goals: plan.strands.map((strand) => {
          const asked = dose(strand);
          const left = locked.has(strand.id) ? 'left out until it is cleared' : 'not opened yet';
          return {
            strandId: strand.id,
            name: strand.exerciseName,
            words: asked === undefined ? left : axisWords(asked, strand.axis),
            asked: asked !== undefined,
          };
        }),
      };
    });
}

/** The last day of so many weeks from a day on, YYYY-MM-DD. */
export const lastDayOf = (today: string, weeks: number): string =>
  formatISO(addDays(parseISO(today), weeks * 7 - 1), { representation: 'date' });
