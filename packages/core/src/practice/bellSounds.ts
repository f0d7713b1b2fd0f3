import type { BellSound } from './bells';

/** A struck bell: its pitch in hertz, how long it sounds in seconds, how loud it begins, 0–1. */
export interface Struck {
  readonly hertz: number;
  readonly seconds: number;
  readonly loud: number;
}

export const bellSounds: Readonly<Record<BellSound, Struck>> = {
  begin: { hertz: 660, seconds: 1.6, loud: 0.5 },
  turn: { hertz: 740, seconds: 0.5, loud: 0.25 },
  change: { hertz: 495, seconds: 1.2, loud: 0.5 },
  rest: { hertz: 396, seconds: 1.6, loud: 0.45 },
  soon: { hertz: 880, seconds: 0.35, loud: 0.18 },
  end: { hertz: 330, seconds: 3.5, loud: 0.6 },
};

/** A repetition is over, where it is counted by a sound. */
export const countSound: Struck = { hertz: 1180, seconds: 0.09, loud: 0.14 };

/** Overtones of a struck bell: multiple of the pitch, share of the loudness. */
export const overtones = [
  [1, 1],
  [2.02, 0.45],
  [2.76, 0.2],
] as const;

/** How loud a bell still is where it ends. */
export const FADED = 0.0001;
