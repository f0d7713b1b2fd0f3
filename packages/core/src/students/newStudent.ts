import type { Student } from './student';

/** A student of whom only the name is known. */
export const newStudent = (id: string, name: string, schoolId: string): Student => ({
  id,
  name,
  birthYear: null,
  practiceDays: [],
  cautions: [],
  schoolId,
  note: '',
  statureCm: null,
  massKg: null,
  shankCm: null,
  thighCm: null,
  footCm: null,
  habit: 'active',
  capacityFactor: 1,
  conditions: [],
  conditionSides: {},
  ownLimits: [],
  archivedOn: null,
  sheet: null,
});
