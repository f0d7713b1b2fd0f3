import { addDays, differenceInCalendarDays, formatISO, parseISO } from 'date-fns';
import { isLightened } from '../axis/axis';
import type { Plan, Strand } from '../goals/plan';
import { isLighter, type LighterWeeks } from './season/seasonCalendar';
import { doseOf, gridOf, lighterDose, type Grid } from './steps';

/** Which week of the plan a day falls in, from 0; days before the start count as week 0. */
export function weekOf(plan: Pick<Plan, 'startsOn'>, day: string): number {
  return Math.max(0, Math.floor(differenceInCalendarDays(parseISO(day), parseISO(plan.startsOn)) / 7));
}

/** The first day of a week of the plan. */
export const firstDayOf = (plan: Pick<Plan, 'startsOn'>, week: number): string =>
  formatISO(addDays(parseISO(plan.startsOn), week * 7), { representation: 'date' });

/** What the teacher set for a strand in a week; undefined when nothing. */
export const overruleIn = (strand: Pick<Strand, 'overrules'>, week: number): Strand['overrules'][number] | undefined =>
  strand.overrules.find((entry) => entry.week === week);

/** A strand as a week asks for it. */
export interface WeeklyStrand extends Pick<Strand, 'overrules'> {
  readonly level: number;
  readonly grid: Grid;
  /** A lighter week asks for less of it. */
  readonly lightens: boolean;
  /** No more than this is ever asked, for what is noted of the person; null where nothing is. */
  readonly cap: number | null;
}

/** The dose of a strand at its present level in a given week; what the teacher set for the week comes first, what is noted of the person last. */
export function doseInWeek(
  weeks: LighterWeeks & Pick<Plan, 'lighterCut'>,
  { level, grid, overrules, lightens, cap }: WeeklyStrand,
  week: number,
): number {
  const set = overruleIn({ overrules }, week);
  const full = doseOf(level, grid);
  const own = lightens && isLighter(weeks, week) ? lighterDose(full, weeks.lighterCut, grid.step) : full;
  const dose = set === undefined ? own : set.dose;
  return cap === null ? dose : Math.min(dose, cap);
}

/**
 * The dose of a strand on a day: its level, less the cut of a lighter week.
 * @param practiceDays of the student
 */
export const doseOn = (plan: Plan, strand: Strand, day: string, practiceDays: readonly number[]): number =>
  doseInWeek(
    { ...plan, practiceDays },
    {
      level: strand.level,
      grid: gridOf(strand),
      overrules: strand.overrules,
      lightens: isLightened(strand.axis),
      cap: null,
    },
    weekOf(plan, day),
  );
