import { addDays, differenceInCalendarDays, formatISO, parseISO } from 'date-fns';
import { isLightened } from '../axis/axis';
import type { Plan, Strand } from './plan';
import { isLighter } from './season/seasonCalendar';
import { doseOf } from './steps';

/** Which week of the plan a day falls in, from 0; days before the start count as week 0. */
export function weekOf(plan: Pick<Plan, 'startsOn'>, day: string): number {
  return Math.max(0, Math.floor(differenceInCalendarDays(parseISO(day), parseISO(plan.startsOn)) / 7));
}

/** The first day of a week of the plan. */
export const firstDayOf = (plan: Pick<Plan, 'startsOn'>, week: number): string =>
  formatISO(addDays(parseISO(plan.startsOn), week * 7), { representation: 'date' });

/** Whether a week (from 0) is one of the lighter ones: every k-th. */
export const isLighterWeek = (plan: Pick<Plan, 'lighterEvery'>, week: number): boolean => isLighter(plan, week);

/** What the teacher set for a strand in a week; undefined when nothing. */
export const overruleIn = (strand: Pick<Strand, 'overrules'>, week: number): Strand['overrules'][number] | undefined =>
  strand.overrules.find((entry) => entry.week === week);

/**
 * The dose of a strand at its present level in a given week; what the teacher set for the week comes first.
 * @param strand `lightens`: a lighter week asks for less of it
 */
export function doseInWeek(
  plan: Pick<Plan, 'lighterEvery' | 'lighterCut'>,
  strand: Pick<Strand, 'level' | 'step' | 'overrules'> & { readonly lightens: boolean },
  week: number,
): number {
  const set = overruleIn(strand, week);
  if (set !== undefined) return set.dose;
  const cut = strand.lightens && isLighter(plan, week) ? 1 - plan.lighterCut : 1;
  return doseOf(strand.level * cut, strand.step);
}

/** The dose of a strand on a day: its level, less the cut of a lighter week. */
export function doseOn(plan: Plan, strand: Strand, day: string): number {
  return doseInWeek(plan, { ...strand, lightens: isLightened(strand.axis) }, weekOf(plan, day));
}
