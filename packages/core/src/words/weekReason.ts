import type { Plan, Strand } from '../plan/plan';
import type { StrandWeek } from '../plan/planForecast';
import type { Rail } from '../plan/season';
import { doseOf } from '../plan/steps';
import { axisWords } from './axisWords';

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** What a guard rail says, in a teacher's words. */
export const railWords: Record<Rail, string> = {
  load: 'the whole week may not weigh more yet',
  family: 'another strand of its family goes up this week',
  minutes: 'the session has no more minutes',
  gate: 'it opens after another strand',
  capacity: 'more would ask too much of the legs or arms',
};

/** Why a week of a plan asks for its dose, and why not for more. */
export function weekReason(plan: Plan, strand: Strand, week: StrandWeek): string {
  switch (week.kind) {
    case 'now':
      return 'Where the strand stands now.';
    case 'raise':
      return week.level >= strand.target
        ? 'The target.'
        : `Up; not more, since a week may add at most ${percent(plan.growthPerWeek)}.`;
    case 'carry': {
      const next = axisWords(doseOf(week.level, strand.step) + strand.step, strand.axis);
      return `The same; ${percent(plan.growthPerWeek)} a week has not yet filled the step to ${next}.`;
    }
    case 'held':
      return week.rail === null ? 'The same.' : `The same; ${railWords[week.rail]}.`;
    case 'lighter':
      return `A lighter week: ${percent(plan.lighterCut)} less, every ${ordinal(plan.lighterEvery)} week.`;
    case 'holiday':
      return 'Holiday: nothing is raised, and the dose is found again after it.';
    case 'frozen':
      return 'Frozen by you: nothing is raised.';
    case 'overruled': {
      const reason = strand.overrules.find((entry) => entry.week === week.week)?.reason ?? '';
      return `Set by you${reason === '' ? '.' : `: ${reason}`}`;
    }
    case 'reached':
      return 'Target reached: keep it.';
    case 'locked':
      return 'Locked after a sign to stop; nothing is planned until you clear it.';
  }
}

function ordinal(value: number): string {
  const endings: Record<string, string> = { one: 'st', two: 'nd', few: 'rd', other: 'th' };
  return `${value}${endings[new Intl.PluralRules('en', { type: 'ordinal' }).select(value)]!}`;
}
