import { checkRange } from '../words/checkRange';
import type { Body } from '../body/body';
import type { Stance } from '../body/statics';
import { capacityFromHolds, holdEndurance, type LimitedBy, type TestHold } from './capacity';

export interface SecondsRange {
  readonly seconds: number;
  /** When every bend was really five degrees less or more than it was taken for. */
  readonly least: number;
  readonly most: number;
}

const UNSURE_DEG = 5;

const bent = (stance: Stance, change: number): Stance => ({
  ...stance,
  kneeBendDeg: Math.max(0, Math.min(150, stance.kneeBendDeg + change)),
});

function ranged(lasting: (change: number) => number): SecondsRange {
  const all = [lasting(0), lasting(-UNSURE_DEG), lasting(UNSURE_DEG)] as const;
  return { seconds: all[0], least: Math.min(...all), most: Math.max(...all) };
}

/**
 * How long a stance can be held, from test holds in other stances. The range is for a bend read five
 * degrees wrong, in the tests and in the stance alike (model §5).
 */
export function enduranceFromHolds(
  body: Body,
  holds: readonly TestHold[],
  by: LimitedBy,
  stance: Stance,
): SecondsRange {
  return ranged((change) => {
    const tests = holds.map((hold) => ({ ...hold, stance: bent(hold.stance, change) }));
    return holdEndurance(body, bent(stance, change), capacityFromHolds(body, tests, by).momentNm, by).seconds;
  });
}

/**
 * Equal-effort exchange: a hold of `seconds` in stance `from` uses the share seconds/ET of capacity;
 * in stance `to` the same share lasts that much of its own endurance time (model §5). The range is
 * for both bends read five degrees wrong alike.
 */
export function equalEffort(
  body: Body,
  capacityNm: number,
  by: LimitedBy,
  from: Stance,
  seconds: number,
  to: Stance,
): SecondsRange {
  checkRange('seconds', seconds, 0, Number.MAX_VALUE);
  const endurance = (stance: Stance): number => holdEndurance(body, stance, capacityNm, by).seconds;
  return ranged((change) => (seconds / endurance(bent(from, change))) * endurance(bent(to, change)));
}
