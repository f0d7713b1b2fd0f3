import { dayNumber } from '../days/dayNumber';
import { NEVER, newState, type Rules } from '../plan/machine/strandState';
import type { SeasonCalendar, SeasonProblem, SeasonRails, SeasonStrand } from '../plan/season/seasonProblem';

/** A Monday. */
export const seasonStart = dayNumber('2026-01-05');

export const seasonRules: Rules = {
  growth: 0.25,
  sessionsToRaise: 2,
  effortCeiling: 7,
  easeEffort: 9,
  partlyMet: 0.7,
  stayGapDays: 8,
  easeGapDays: 15,
  retestGapDays: 29,
};

/** Practice on every day from the first Monday on; no week is another. */
export const daily: SeasonCalendar = {
  start: seasonStart,
  today: seasonStart,
  practiceDays: [1, 2, 3, 4, 5, 6, 7],
  holidays: [],
  frozenWeeks: new Set<number>(),
  lighterEvery: 0,
  lighterCut: 0.4,
};

/** A strand that weighs 1 and takes a tenth of a minute for each unit; closed where it waits for another. */
export const seasonStrand = (change: Partial<SeasonStrand> & { level: number; target: number }): SeasonStrand => ({
  id: 's',
  family: 'standing',
  segment: change.id ?? 's',
  state: newState(change.level, (change.gate ?? null) === null),
  ladder: {
    step: 1,
    byRungs: false,
    first: 1,
    target: change.target,
    most: null,
    mostBy: 'strength',
    cap: null,
    growthShare: 1,
  },
  targetDay: seasonStart + 70,
  gate: null,
  pointUntil: 0,
  easierUntil: NEVER,
  levelBefore: (change.gate ?? null) === null ? change.level : 0,
  loadPerUnit: 1,
  minutesPerUnit: 0.1,
  lightens: true,
  overrules: [],
  ...change,
});

/** Rails that are in nobody's way. */
export const wideRails: SeasonRails = {
  raisesPerFamily: 9,
  loadGrowth: 9,
  usualLoad: 0,
  baseLoad: 0,
  baseMinutes: 0,
  sessionMinutes: null,
};

export const seasonProblem = (
  strands: readonly SeasonStrand[],
  { rails, ...change }: Partial<Omit<SeasonProblem, 'rails'>> & { rails?: Partial<SeasonRails> } = {},
): SeasonProblem => ({
  strands,
  calendar: daily,
  rules: seasonRules,
  rails: { ...wideRails, ...rails },
  mostWeeks: 9,
  ...change,
});
