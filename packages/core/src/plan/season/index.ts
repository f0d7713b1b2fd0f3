export * from './planSeason';
export * from './playWeek';
export * from './seasonCalendar';
export * from './seasonProblem';
export * from './playSeasons';
export type { Outcome } from './playedSeason';
