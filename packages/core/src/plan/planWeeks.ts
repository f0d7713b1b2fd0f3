import { addDays, formatISO, parseISO } from 'date-fns';
import type { Plan, Strand } from './plan';
import { isLighterWeek, weekOf } from './planDay';
import { doseOf } from './steps';

export interface StrandWeek {
  /** Week of the plan, from 0. */
  readonly week: number;
  /** The day the week begins. */
  readonly day: string;
  readonly dose: number;
  readonly kind: 'now' | 'raise' | 'carry' | 'lighter' | 'reached' | 'locked';
  /** Level before rounding, for the reason. */
  readonly level: number;
}

export interface StrandForecast {
  readonly strand: Strand;
  readonly weeks: readonly StrandWeek[];
  /** The day the week begins in which the target is first asked for; null within {@link MOST_WEEKS} never. */
  readonly earliestDay: string | null;
  readonly inTime: boolean;
  /** The dose asked for in the week of the target day. */
  readonly doseOnTargetDay: number;
}

/** As far ahead as a plan looks. */
export const MOST_WEEKS = 156;

const dayOfWeek = (plan: Plan, week: number): string =>
  formatISO(addDays(parseISO(plan.startsOn), week * 7), { representation: 'date' });

function nextWeek(plan: Plan, strand: Strand, week: number, before: StrandWeek): StrandWeek {
  const day = dayOfWeek(plan, week);
  if (isLighterWeek(plan, week)) {
    const dose = doseOf(before.level * (1 - plan.lighterCut), strand.step);
    return { week, day, dose, kind: 'lighter', level: before.level };
  }
  const level = Math.min(strand.target, before.level * (1 + plan.growthPerWeek));
  const dose = doseOf(level, strand.step);
  if (before.level >= strand.target) return { week, day, dose, kind: 'reached', level };
  return { week, day, dose, kind: dose > doseOf(before.level, strand.step) ? 'raise' : 'carry', level };
}

function firstWeek(plan: Plan, strand: Strand, week: number): StrandWeek {
  const lighter = isLighterWeek(plan, week);
  const { level } = strand;
  const dose = doseOf(lighter ? level * (1 - plan.lighterCut) : level, strand.step);
  return { week, day: dayOfWeek(plan, week), dose, kind: lighter ? 'lighter' : 'now', level };
}

/**
 * The weeks of one strand from `today` on: each full week at most the plan's growth above the last
 * full one, raises smaller than a step carried until they fill it, every k-th week lighter. Ends a
 * when the target is reached, or with the target day if that is later.
 * @param locked a stopped strand has no weeks ahead until it is cleared
 */
export function planWeeks(plan: Plan, strand: Strand, today: string, locked = false): StrandForecast {
  const from = weekOf(plan, today);
  const targetWeek = weekOf(plan, strand.targetDay);
  const weeks: StrandWeek[] = [firstWeek(plan, strand, from)];
  if (locked) {
    const { dose } = weeks[0]!;
    return {
      strand,
      weeks: [{ ...weeks[0]!, kind: 'locked' }],
      earliestDay: null,
      inTime: false,
      doseOnTargetDay: dose,
    };
  }
  const reached = (week: StrandWeek): boolean => week.kind !== 'lighter' && week.dose >= strand.target;
  while (weeks.length < MOST_WEEKS) {
    const last = weeks.at(-1)!;
    if (weeks.some(reached) && last.week >= targetWeek) break;
    weeks.push(nextWeek(plan, strand, last.week + 1, last));
  }
  const first = weeks.find(reached);
  const onTarget =
    weeks.findLast((week) => week.week <= Math.max(targetWeek, from) && week.kind !== 'lighter') ?? weeks[0]!;
  return {
    strand,
    weeks,
    earliestDay: first?.day ?? null,
    inTime: first !== undefined && first.day <= strand.targetDay,
    doseOnTargetDay: onTarget.dose,
  };
}
