import type { BreathPattern } from './breathPattern';
import { breathPeriod } from './breathPeriod';
import { breathsWithin } from './breathsWithin';

/** A hold given in breaths, as seconds. */
export const secondsOfBreaths = (breaths: number, pattern: BreathPattern): number => breaths * breathPeriod(pattern);

/** A hold given in seconds, as whole breaths. */
export const breathsOfSeconds = (seconds: number, pattern: BreathPattern): number =>
  breathsWithin(seconds, breathPeriod(pattern));
