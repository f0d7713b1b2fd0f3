import { dayNumber } from '../days/dayNumber';
import { percent } from '../words/percent';
import { shortDay } from '../words/shortDay';
import type { Plan, Strand } from '../goals/plan';
import type { DoseLimit } from '../limits/axisLimits';
import type { StrandForecast, StrandWeek } from './planForecast';
import { growthWords, type Growth } from './growth';
import type { Rail } from './season/seasonProblem';
import { doseLimitWords } from './doseLimitWords';
import { doseOf, gridOf, nextDose } from './steps';
import { axisLabels, axisWords } from '../axis/axisWords';

/** What a guard rail says, in a teacher's words. */
export const railWords: Record<Rail, string> = {
  load: 'the whole week may not weigh more yet',
  family: 'another goal of its family goes up this week',
  minutes: 'the practice has no more minutes',
  order: 'it makes room for another goal',
  gate: 'it opens after another goal',
  axis: 'the same exercise goes up in another way this week',
  strength: 'more is beyond the school’s budget by what is known of the strength',
  guess: 'more is beyond what the strength could be, by a guess',
  noted: 'no more is asked with what is noted of the person',
  instead: 'another exercise is done instead, for what is noted of the person',
  alignment: 'beyond it the knees pass the toes, or the heels lift',
};

/** The rail that holds a strand, with the strand it waits for by its name. */
export function heldWords(
  { rail, waitsFor }: { readonly rail: Rail; readonly waitsFor: number | string | null },
  strands: readonly Pick<Strand, 'id' | 'exerciseName' | 'axis'>[],
): string {
  const other = typeof waitsFor === 'number' ? strands[waitsFor] : strands.find(({ id }) => id === waitsFor);
  if (other === undefined) return railWords[rail];
  switch (rail) {
    case 'family':
      return `${other.exerciseName} of the same family goes up this week`;
    case 'order':
      return `it waits for ${other.exerciseName}, whose day is nearer`;
    case 'gate':
      return `it opens after ${other.exerciseName}`;
    case 'axis':
      return `the same exercise goes up in another way this week: ${axisLabels[other.axis]}`;
    default:
      return `${railWords[rail]}; ${other.exerciseName} goes up first`;
  }
}

/**
 * Why a week of a plan asks for its dose, and why not for more.
 * @param growth what a raise may add
 * @param limit the smallest limit of the strand
 * @param days what each practice day asks for: a raise within the running week is told
 */
export function weekReason(
  plan: Plan,
  strand: Strand,
  week: StrandWeek,
  growth: Growth = { share: plan.growthPerWeek, weeks: 1 },
  limit?: DoseLimit,
  days: StrandForecast['days'] = [],
): string {
  switch (week.kind) {
    case 'now':
      return nowWords(strand, week, days);
    case 'raise':
      return week.level >= strand.target
        ? 'The goal.'
        : `Up${withSaved(strand, week, growth)}; not more, since it may grow by at most ${growthWords(growth)}.`;
    case 'carry': {
      const grid = gridOf(strand);
      const next = axisWords(nextDose(doseOf(week.level, grid), grid), strand.axis);
      return `The same; ${growthWords(growth)} has not yet filled the step to ${next}.`;
    }
    case 'found':
      return 'Found again: met at the lower dose, the old one comes back in one step.';
    case 'eased':
      return 'One step down after the time without practice.';
    case 'held':
      return week.rail === null
        ? 'The same: the next raise is still being earned.'
        : `The same; ${heldWords({ ...week, rail: week.rail }, plan.strands)}.`;
    case 'lighter':
      return lighterWords(plan, strand, week);
    case 'holiday':
      return 'Holiday: nothing is raised, and the dose is found again after it.';
    case 'frozen':
      return 'Frozen by you: nothing is raised.';
    case 'overruled': {
      const reason = strand.overrules.find((entry) => entry.week === week.week)?.reason ?? '';
      return `Set by you${reason === '' ? '.' : `: ${reason}`}`;
    }
    case 'reached':
      return doseOf(week.level, gridOf(strand)) < strand.target
        ? `As far as it goes${limit === undefined ? '.' : `: ${doseLimitWords(strand, limit)!}`}`
        : 'Goal reached: stay with it.';
    case 'closed':
      return week.rail === 'gate'
        ? `Not practised yet: ${heldWords({ ...week, rail: week.rail }, plan.strands)}.`
        : 'Not practised yet.';
    case 'locked':
      return 'Locked after a sign to stop; nothing is planned until you clear it.';
  }
}

/** A step that is more than the growth, since what did not fill one before is in it, is said to be so. */
function withSaved(strand: Strand, { level, dose }: StrandWeek, { share }: Growth): string {
  const before = doseOf(level / (1 + share), gridOf(strand));
  return dose > before * (1 + share) + 1e-6 ? ', with what was saved up' : '';
}

/** Today's dose and, where more is asked before the week is over, that: the next week goes up from there. */
function nowWords(strand: Strand, week: StrandWeek, days: StrandForecast['days']): string {
  const end = dayNumber(week.day) + 7;
  const last = days.findLast(({ day }) => dayNumber(day) < end);
  if (last === undefined || last.dose <= week.dose) return 'Today’s dose.';
  const from = days.find(({ dose }) => dose >= last.dose)!;
  return `Today’s dose; ${axisWords(last.dose, strand.axis)} from ${shortDay(from.day)} on, if all goes well.`;
}

/** What a lighter week really takes off. */
function lighterWords(plan: Plan, strand: Strand, { dose, level }: StrandWeek): string {
  const full = doseOf(level, gridOf(strand));
  const every = `every ${ordinal(plan.lighterEvery)} week`;
  if (dose >= full - 1e-6) return `A lighter week, ${every}: this is already the smallest dose, and nothing is raised.`;
  return `A lighter week, ${every}: ${percent((full - dose) / full)} less than ${axisWords(full, strand.axis)}.`;
}

function ordinal(value: number): string {
  const endings: Record<string, string> = { one: 'st', two: 'nd', few: 'rd', other: 'th' };
  return `${value}${endings[new Intl.PluralRules('en', { type: 'ordinal' }).select(value)]!}`;
}
