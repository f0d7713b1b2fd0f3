import type { BundleKind } from './bundle';

/** What one record of a kind is called. */
export const kindWords: Readonly<Record<BundleKind, string>> = {
  schools: 'school',
  exercises: 'exercise',
  routines: 'routine',
  students: 'student',
  plans: 'plan',
  logs: 'practice',
  decisions: 'decision',
  measures: 'measure',
  chains: 'chain',
  corrections: 'correction',
  classes: 'class',
  meetings: 'meeting',
  stills: 'picture',
  films: 'film',
  pictures: 'image of a picture',
  recordings: 'recording',
};
