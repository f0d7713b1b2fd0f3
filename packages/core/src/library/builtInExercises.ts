import { breathing } from './breathing';
import { closing } from './closing';
import type { Exercise } from './exercise';
import { reeling } from './reeling';
import { standing } from './standing';
import { stepping } from './stepping';
import { strength } from './strength';
import { warmUp } from './warmUp';

/** The exercises every space has. Values are common practice; the words are ours. */
export const builtInExercises: readonly Exercise[] = [
  ...standing,
  ...reeling,
  ...breathing,
  ...strength,
  ...stepping,
  ...warmUp,
  ...closing,
];
