import type { School } from './school';

/** Values of the raise rule where neither school nor teacher says otherwise (model §10). */
export const defaultRaiseRule: School['raise'] = {
  growthPerWeek: 0.1,
  lighterEvery: 4,
  lighterCut: 0.4,
  sessionsToRaise: 2,
  effortCeiling: 7,
  easeEffort: 9,
  partlyMet: 0.7,
  stopPain: 4,
  stayGapDays: 8,
  easeGapDays: 15,
  retestGapDays: 29,
};

export const softSchool: School = {
  id: 'school-soft',
  name: 'Soft hall',
  note: 'For health: loosen when tired and begin again, the held time still counts. One side whole, then the other.',
  fatigueRule: 'ease',
  sideOrder: 'whole',
  sidesEqual: true,
  settleSeconds: 10,
  changeSeconds: 5,
  raise: { ...defaultRaiseRule, effortCeiling: 6 },
};

export const strictSchool: School = {
  id: 'school-strict',
  name: 'Long-stand hall',
  note: 'For endurance: stay, breathe and go on while it only burns; pain always stops. Sides alternate.',
  fatigueRule: 'endurance',
  sideOrder: 'alternating',
  sidesEqual: true,
  settleSeconds: 5,
  changeSeconds: 3,
  raise: { ...defaultRaiseRule, effortCeiling: 8 },
};

/** The schools a new space starts with; the teacher edits them or adds more. */
export const builtInSchools: readonly School[] = [softSchool, strictSchool];
