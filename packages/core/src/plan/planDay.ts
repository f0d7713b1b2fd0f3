import { differenceInCalendarDays, parseISO } from 'date-fns';
import { doseOf } from './steps';
import type { Plan, Strand } from './plan';

/** Which week of the plan a day falls in, from 0; days before the start count as week 0. */
export function weekOf(plan: Pick<Plan, 'startsOn'>, day: string): number {
  return Math.max(0, Math.floor(differenceInCalendarDays(parseISO(day), parseISO(plan.startsOn)) / 7));
}

/** Whether a week (from 0) is one of the lighter ones: every k-th. */
export function isLighterWeek(plan: Pick<Plan, 'lighterEvery'>, week: number): boolean {
  return plan.lighterEvery > 0 && (week + 1) % plan.lighterEvery === 0;
}

/** The dose of a strand at its present level in a given week. */
export function doseInWeek(plan: Plan, strand: Pick<Strand, 'level' | 'step'>, week: number): number {
  const cut = isLighterWeek(plan, week) ? 1 - plan.lighterCut : 1;
  return doseOf(strand.level * cut, strand.step);
}

/** The dose of a strand on a day: its level, less the cut of a lighter week. */
export function doseOn(plan: Plan, strand: Strand, day: string): number {
  return doseInWeek(plan, strand, weekOf(plan, day));
}
