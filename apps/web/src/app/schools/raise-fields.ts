import type { RaiseRule } from '@pomek/core';

export interface RaiseField {
  readonly key: keyof RaiseRule;
  readonly label: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  /** The stored value times this is shown. */
  readonly scale: number;
  readonly why: string;
}

/** The numbers of the raise rule with what each one does. */
export const raiseFields: readonly RaiseField[] = [
  {
    key: 'growthPerWeek',
    label: 'Growth a week, at most',
    unit: '%',
    min: 1,
    max: 25,
    scale: 100,
    why: '2–10 % is the usual advice for strength work (ACSM 2009, from memory).',
  },
  {
    key: 'raisesPerFamily',
    label: 'Raises of one family a week, at most',
    unit: '',
    min: 1,
    max: 20,
    scale: 1,
    why: 'One at a time is the careful rule; with one, a plan of six strands takes twice as long. House value.',
  },
  {
    key: 'loadGrowth',
    label: 'The whole week may weigh more by',
    unit: '%',
    min: 1,
    max: 100,
    scale: 100,
    why: 'Over the last full week or the usual one, whichever is larger. An exercise that opens takes it up. House value.',
  },
  {
    key: 'sessionsToRaise',
    label: 'Met sessions before a raise',
    unit: 'running',
    min: 1,
    max: 6,
    scale: 1,
    why: 'Two running is the usual advice (ACSM 2009, from memory).',
  },
  {
    key: 'effortCeiling',
    label: 'Effort for a raise, up to',
    unit: 'of 10',
    min: 1,
    max: 10,
    scale: 1,
    why: 'House value.',
  },
  {
    key: 'easeEffort',
    label: 'Effort that eases, from',
    unit: 'of 10',
    min: 2,
    max: 10,
    scale: 1,
    why: 'Twice in the last three sessions; one hard day alone is only watched. House value.',
  },
  {
    key: 'partlyMet',
    label: 'Still partly met, from',
    unit: '%',
    min: 0,
    max: 100,
    scale: 100,
    why: 'Below it twice running, the dose goes one rung down. House value.',
  },
  {
    key: 'stopPain',
    label: 'Joint pain that stops, from',
    unit: 'of 10',
    min: 1,
    max: 10,
    scale: 1,
    why: 'The strand is locked until you clear it. House value.',
  },
  {
    key: 'stayGapDays',
    label: 'Days off: nothing raised, from',
    unit: 'days',
    min: 1,
    max: 365,
    scale: 1,
    why: 'House value.',
  },
  {
    key: 'easeGapDays',
    label: 'Days off: one rung down, from',
    unit: 'days',
    min: 1,
    max: 365,
    scale: 1,
    why: 'House value.',
  },
  {
    key: 'retestGapDays',
    label: 'Days off: test again, from',
    unit: 'days',
    min: 1,
    max: 365,
    scale: 1,
    why: 'House value.',
  },
  {
    key: 'lighterEvery',
    label: 'A lighter week every',
    unit: 'weeks',
    min: 0,
    max: 12,
    scale: 1,
    why: '0 means never. House value.',
  },
  { key: 'lighterCut', label: 'Taken off in it', unit: '%', min: 0, max: 90, scale: 100, why: 'House value.' },
];
