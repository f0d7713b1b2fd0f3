import { checkRange } from '../words/checkRange';
import { enduranceTime } from './enduranceTime';
import type { Joint } from './joints';
import { LEAST_EFFORT } from './relativeEffort';

/** A load this small can be carried without end (Rohmert 1960; from memory). */
const ENDLESS = 0.15;

/**
 * The rest that a held moment wants until it can be held again as well, as a share of the time it was held:
 * 18·(t/T)^1.4·(f − 0.15)^0.5 (Rohmert 1973; from memory). Nothing up to a load of 0.15.
 * @param seconds it was held, t
 * @param enduranceSeconds it could be held, T
 * @param effort share of capacity, 0–1, f
 */
export function restAllowance(seconds: number, enduranceSeconds: number, effort: number): number {
  checkRange('seconds', seconds, 0, Number.MAX_VALUE);
  checkRange('enduranceSeconds', enduranceSeconds, 1e-3, Number.MAX_VALUE);
  checkRange('effort', effort, 0, 1);
  return 18 * (seconds / enduranceSeconds) ** 1.4 * Math.sqrt(Math.max(0, effort - ENDLESS));
}

/** A load rests a joint whole up to the first of these and not at all from the second on, share of capacity. House values. */
const RESTS = [0.1, 0.2] as const;
/** And whole up to the first share of the heaviest load of its cycle, not at all from the second: what is even never rests. House values. */
const LIGHTER = [0.25, 0.75] as const;

const falling = (value: number, [whole, none]: readonly [number, number]): number =>
  Math.max(0, Math.min(1, (none - value) / (none - whole)));
const restingShare = (target: number, peak: number): number => falling(target, RESTS) * falling(target / peak, LIGHTER);

/** How quickly more rest than is allowed for takes fatigue away. House value. */
const STEEP = 1.5;
/** Work always tires more than tone does: what is left of it is at least so many times that. House value. */
const LEAST_KEPT = 2;

/** The longest time a joint is loaded without a break, as a share of a cycle that goes on and on. */
function longestBout(loaded: readonly number[]): number {
  const whole = loaded.reduce((sum, share) => sum + share, 0);
  const broken = loaded.findIndex((share) => share === 0);
  if (broken < 0) return whole / loaded.length;
  let longest = 0;
  let bout = 0;
  for (let step = 1; step <= loaded.length; step += 1) {
    const share = loaded[(broken + step) % loaded.length]!;
    bout = share === 0 ? 0 : bout + share;
    longest = Math.max(longest, bout);
  }
  return longest / loaded.length;
}

/**
 * How much of what tires a joint in a cycle is left when the next one begins, 0–1: all of it where it never rests, half where its
 * rest is just what Rohmert allows for, and the less the longer it rests. A leg that carries for a second and rests for a second goes on
 * for long (house curve between the two).
 * @param targets shares of capacity, evenly through one cycle
 */
export function keptFatigue(joint: Joint, targets: readonly number[], cycleSeconds: number): number {
  checkRange('cycleSeconds', cycleSeconds, 1e-3, 86_400);
  const peak = Math.max(...targets);
  const loaded = targets.map((target) => 1 - restingShare(target, peak));
  const work = loaded.reduce((sum, share) => sum + share, 0);
  const rest = targets.length - work;
  if (work === 0 || rest === 0) return 1;
  const effort = Math.min(1, targets.reduce((sum, target, at) => sum + loaded[at]! * Math.min(1, target), 0) / work);
  const wanted = restAllowance(longestBout(loaded) * cycleSeconds, enduranceTime(joint, effort).seconds, effort) * work;
  const mean = targets.reduce((sum, target) => sum + target, 0) / targets.length;
  return Math.min(1, Math.max((LEAST_KEPT * LEAST_EFFORT) / mean, wanted ** STEEP / (wanted ** STEEP + rest ** STEEP)));
}
