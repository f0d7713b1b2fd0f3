import { addDays, differenceInCalendarDays, formatISO, parseISO } from 'date-fns';
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

/** A week is a holiday when most of its days are. */
const MOST_DAYS = 4;

/** Whether a week of the plan (from 0) is one without practice. */
export function isHolidayWeek(plan: Pick<Plan, 'startsOn' | 'holidays'>, week: number): boolean {
  if (plan.holidays.length === 0) return false;
  const first = parseISO(plan.startsOn);
  const days = Array.from({ length: 7 }, (_, day) =>
    formatISO(addDays(first, week * 7 + day), { representation: 'date' }),
  );
  const off = days.filter((day) => plan.holidays.some(({ from, to }) => day >= from && day <= to));
  return off.length >= MOST_DAYS;
}

/** What the teacher set for a strand in a week; undefined when nothing. */
export const overruleIn = (strand: Pick<Strand, 'overrules'>, week: number): Strand['overrules'][number] | undefined =>
  strand.overrules.find((entry) => entry.week === week);

/** The dose of a strand at its present level in a given week; what the teacher set for the week comes first. */
export function doseInWeek(plan: Plan, strand: Pick<Strand, 'level' | 'step' | 'overrules'>, week: number): number {
  const set = overruleIn(strand, week);
  if (set !== undefined) return set.dose;
  const cut = isLighterWeek(plan, week) ? 1 - plan.lighterCut : 1;
  return doseOf(strand.level * cut, strand.step);
}

/** The dose of a strand on a day: its level, less the cut of a lighter week. */
export function doseOn(plan: Plan, strand: Strand, day: string): number {
  return doseInWeek(plan, strand, weekOf(plan, day));
}
