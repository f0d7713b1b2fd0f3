import { breathing } from './breathing';
import type { Exercise } from './exercise';
import { reeling } from './reeling';
import { standing } from './standing';
import { stepping, strength } from './strengthAndStepping';
import { closing, warmUp } from './warmUpAndClosing';

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
