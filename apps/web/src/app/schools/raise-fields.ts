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
    label: 'Weekly increase, at most',
    unit: '%',
    min: 1,
    max: 25,
    scale: 100,
    why: '2–10 % is the usual advice for strength work (ACSM 2009, from memory).',
  },
  {
    key: 'raisesPerFamily',
    label: 'Raises in one family a week, at most',
    unit: '',
    min: 1,
    max: 20,
    scale: 1,
    why: 'One at a time is the careful rule; with one, a plan of six goals takes twice as long. Our own value.',
  },
  {
    key: 'loadGrowth',
    label: 'Weekly load may rise by',
    unit: '%',
    min: 1,
    max: 100,
    scale: 100,
    why: 'Over the last full week or the usual one, whichever is larger. An exercise that opens uses it up. Our own value.',
  },
  {
    key: 'sessionsToRaise',
    label: 'Full practices in a row before a raise',
    unit: 'running',
    min: 1,
    max: 6,
    scale: 1,
    why: 'Two in a row is the usual advice (ACSM 2009, from memory).',
  },
  {
    key: 'effortCeiling',
    label: 'Effort for a raise, up to',
    unit: 'of 10',
    min: 1,
    max: 10,
    scale: 1,
    why: 'Our own value.',
  },
  {
    key: 'easeEffort',
    label: 'Ease at effort from',
    unit: 'of 10',
    min: 2,
    max: 10,
    scale: 1,
    why: 'Twice in the last three practices; one hard day alone is only watched. Our own value.',
  },
  {
    key: 'partlyMet',
    label: 'Ease below this share of the dose',
    unit: '%',
    min: 0,
    max: 100,
    scale: 100,
    why: 'Below it twice in a row, the dose goes one step down. Our own value.',
  },
  {
    key: 'stopPain',
    label: 'Stop at joint pain from',
    unit: 'of 10',
    min: 1,
    max: 10,
    scale: 1,
    why: 'The exercise is locked until you unlock it. Our own value.',
  },
  {
    key: 'stayGapDays',
    label: 'No raise after days off, from',
    unit: 'days',
    min: 1,
    max: 365,
    scale: 1,
    why: 'Our own value.',
  },
  {
    key: 'easeGapDays',
    label: 'One step down after days off, from',
    unit: 'days',
    min: 1,
    max: 365,
    scale: 1,
    why: 'Our own value.',
  },
  {
    key: 'retestGapDays',
    label: 'Test again after days off, from',
    unit: 'days',
    min: 1,
    max: 365,
    scale: 1,
    why: 'Our own value.',
  },
  {
    key: 'lighterEvery',
    label: 'A lighter week every',
    unit: 'weeks',
    min: 0,
    max: 12,
    scale: 1,
    why: '0 means never. Our own value.',
  },
  {
    key: 'lighterCut',
    label: 'Lighter week: reduce by',
    unit: '%',
    min: 0,
    max: 90,
    scale: 100,
    why: 'Our own value.',
  },
];
