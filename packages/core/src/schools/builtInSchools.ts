import type { School } from './school';

/** Values of the raise rule where neither school nor teacher says otherwise (sources: Raising the load). */
export const defaultRaiseRule: School['raise'] = {
  growthPerWeek: 0.1,
  raisesPerFamily: 2,
  loadGrowth: 0.1,
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

const conventions = {
  breathLink: 'natural',
  belly: 'expands',
  pauses: 'none',
  pressure: 'whole sole',
  toes: 'parallel',
  fullShift: 'seven tenths',
  height: 'level',
  pelvis: 'hanging',
  eyes: 'level',
  attention: 'inside',
  counted: 'repetitions',
  precision: 'loose',
  movedBy: 'waist',
  sidesEqual: true,
  countsOf: 1,
  rungOrder: ['time', 'bend', 'share', 'arms'],
  keptOnPurpose: [],
} satisfies Partial<School>;

export const softSchool: School = {
  ...conventions,
  id: 'school-soft',
  name: 'Soft hall',
  note: 'For health: loosen when tired and begin again, the held time still counts. One side whole, then the other; the breath is left alone.',
  fatigueRule: 'ease',
  sideOrder: 'whole',
  settleSeconds: 10,
  changeSeconds: 5,
  raise: { ...defaultRaiseRule, effortCeiling: 6 },
};

export const strictSchool: School = {
  ...conventions,
  id: 'school-strict',
  name: 'Long-stand hall',
  note: 'For endurance: stay, breathe and go on while it only burns; pain always stops. The weight goes over whole, the line of the knee is exact, sides alternate.',
  fatigueRule: 'endurance',
  pressure: 'ball',
  fullShift: 'all',
  pelvis: 'tucked',
  eyes: 'following',
  attention: 'outside',
  precision: 'strict',
  movedBy: 'feet',
  countsOf: 8,
  rungOrder: ['bend', 'share', 'time', 'arms'],
  sideOrder: 'alternating',
  settleSeconds: 5,
  changeSeconds: 3,
  raise: { ...defaultRaiseRule, effortCeiling: 8 },
};

export const breathSchool: School = {
  ...conventions,
  id: 'school-breath',
  name: 'Breath hall',
  note: 'Everything rides on the breath: a movement takes as long as its breath, the body rises with the breath in and sinks with the breath out, holds are counted in breaths. Slower comes before longer.',
  fatigueRule: 'ease',
  breathLink: 'linked',
  belly: 'reversed',
  pauses: 'short',
  pressure: 'centre',
  toes: 'slightly out',
  height: 'rising',
  eyes: 'closed',
  counted: 'breaths',
  countsOf: 3,
  rungOrder: ['time', 'arms', 'bend', 'share'],
  sideOrder: 'whole',
  settleSeconds: 15,
  changeSeconds: 8,
  raise: { ...defaultRaiseRule, growthPerWeek: 0.05, sessionsToRaise: 3, effortCeiling: 4, easeEffort: 7 },
};

/** The schools a new space starts with; the teacher edits them or adds more. */
export const builtInSchools: readonly School[] = [softSchool, strictSchool, breathSchool];
