import { checkRange } from '../words/checkRange';
import type { Body } from '../body/body';
import type { SettledPosture } from '../schools/conventions';
import { limitTime, postureLoads, type Limit } from './limits';
import type { Strength } from './strength';

export interface SecondsRange {
  readonly seconds: number;
  /** When every bend was really five degrees less or more than it was taken for. */
  readonly least: number;
  readonly most: number;
}

/** A bend is read so far wrong at most, degrees. */
export const UNSURE_DEG = 5;

/** The posture with its bend read so many degrees wrong. */
export const bentBy = (posture: SettledPosture, change: number): SettledPosture => ({
  ...posture,
  kneeBendDeg: Math.max(0, Math.min(150, posture.kneeBendDeg + change)),
});

/**
 * Equal-effort exchange: a hold of `seconds` in posture `from` uses the share seconds/ET of capacity; in posture `to` the same
 * share lasts that much of its own endurance time (sources: Capacity). The range is for both bends read five degrees wrong alike.
 */
export function equalEffort(
  body: Body,
  strength: Strength,
  by: Limit,
  from: SettledPosture,
  seconds: number,
  to: SettledPosture,
): SecondsRange {
  checkRange('seconds', seconds, 0, Number.MAX_VALUE);
  const endurance = (posture: SettledPosture): number => limitTime(postureLoads(body, posture), strength, by).seconds;
  const at = (change: number): number => (seconds / endurance(bentBy(from, change))) * endurance(bentBy(to, change));
  const all = [at(0), at(-UNSURE_DEG), at(UNSURE_DEG)] as const;
  return { seconds: all[0], least: Math.min(...all), most: Math.max(...all) };
}
