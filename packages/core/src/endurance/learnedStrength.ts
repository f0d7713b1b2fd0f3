import { checkRange } from '../words/checkRange';
import { logLimitTime, type LimitedBy, type Loads } from './limits';

/** What a hold says: it lasted so long, and what gave out, if anything did. */
export interface HoldEvidence {
  readonly loads: Loads;
  /** Of one hold with its alignment kept, s. */
  readonly seconds: number;
  /** Null: it was ended, or met; nothing gave out. */
  readonly gaveOut: LimitedBy | null;
  /** How much it still counts, 0–1. */
  readonly weight: number;
}
/** What is thought of a strength before any practice, N·m, and a factor ×/÷ for one standard deviation of its logarithm. */
export interface StrengthPrior {
  readonly momentNm: number;
  readonly factor: number;
}
export interface LearnedStrength {
  /** The middle, N·m. */
  readonly momentNm: number;
  /** Eight times in ten it is between these, N·m. */
  readonly least: number;
  readonly most: number;
}

/** One day a hold fails sooner, another later: standard deviation of the logarithm of the time. House value. */
const DAY_TO_DAY = Math.log(1.25);
/** From so many standard deviations below the endurance time on a hold without failing says nothing more. */
const NOTHING = -6;
/** The grid goes so many standard deviations to either side of what was thought before, at least by this factor. */
const WIDE = 4;
const AT_LEAST = 4;
const STEPS = 160;

/** Several opinions of one strength as one: each counts by how sure it is, and by its weight. */
export function togetherPrior(opinions: readonly (StrengthPrior & { readonly weight: number })[]): StrengthPrior {
  const sure = opinions.map(({ factor, weight }) => weight / Math.log(factor) ** 2);
  const whole = sure.reduce((sum, one) => sum + one, 0);
  const middle = opinions.reduce((sum, { momentNm }, index) => sum + sure[index]! * Math.log(momentNm), 0) / whole;
  return { momentNm: Math.exp(middle), factor: Math.exp(1 / Math.sqrt(whole)) };
}

/** The normal distribution (Abramowitz & Stegun 26.2.17, error under 1e-7; from memory). */
export function normalBelow(value: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(value));
  const poly = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  const tail = (Math.exp((-value * value) / 2) / Math.sqrt(2 * Math.PI)) * poly;
  return value >= 0 ? 1 - tail : tail;
}

/** From here on outwards the tail is reckoned by its series. */
const FAR = -5;

/** The logarithm of the normal distribution, also so far out that its value is next to nothing (Abramowitz & Stegun 26.2.12; from memory). */
export function logNormalBelow(value: number): number {
  if (value >= FAR) return Math.log(normalBelow(value));
  const squared = value * value;
  const series = 1 - 1 / squared + 3 / squared ** 2 - 15 / squared ** 3 + 105 / squared ** 4;
  return -squared / 2 - Math.log(-value * Math.sqrt(2 * Math.PI)) + Math.log(series);
}

/** Holds of one posture, length and end are the same evidence, the more often the more. */
function grouped(evidence: readonly HoldEvidence[], by: LimitedBy): HoldEvidence[] {
  const byLoads = new Map<Loads, Map<number, HoldEvidence>>();
  for (const hold of evidence) {
    const own = byLoads.get(hold.loads) ?? new Map<number, HoldEvidence>();
    byLoads.set(hold.loads, own);
    const key = Math.round(hold.seconds) * (hold.gaveOut === by ? -1 : 1);
    own.set(key, { ...hold, weight: (own.get(key)?.weight ?? 0) + hold.weight });
  }
  return [...byLoads.values()].flatMap((own) => [...own.values()]);
}

/**
 * A strength learned from practice (sources: Capacity): a log-normal opinion before it, from a guess or a test; the time to failure
 * log-normal about the endurance time, so that a hold that gave out says “about so strong” and any other “at least”; summed
 * up on a grid of the logarithm. Limits: a hold says nothing of the other limb but that it lasted.
 */
export function learnedStrength(
  prior: StrengthPrior,
  by: LimitedBy,
  evidence: readonly HoldEvidence[],
): LearnedStrength {
  checkRange('prior.momentNm', prior.momentNm, 0.1, 5000);
  checkRange('prior.factor', prior.factor, 1.0001, 10);
  const deviation = Math.log(prior.factor);
  const holds = grouped(evidence, by);
  const wide = Math.max(WIDE, Math.log(AT_LEAST) / deviation);
  const grid = Array.from({ length: STEPS + 1 }, (_, index) => wide * ((2 * index) / STEPS - 1));
  const strengths = grid.map((z) => Math.log(prior.momentNm) + z * deviation);
  const likelihoods = grid.map((z) => -(z * z) / 2);
  for (const { loads, seconds, gaveOut, weight } of holds) {
    const lasting = logLimitTime(loads, by);
    const held = Math.log(seconds);
    for (let index = 0; index < grid.length; index += 1) {
      const beyond = (held - lasting(strengths[index]!)) / DAY_TO_DAY;
      // Far within what it could have been, a hold says nothing.
      if (gaveOut !== by && beyond < NOTHING) break;
      likelihoods[index]! += weight * (gaveOut === by ? -(beyond * beyond) / 2 : logNormalBelow(-beyond));
    }
  }
  const highest = Math.max(...likelihoods);
  const shares = likelihoods.map((log) => Math.exp(log - highest));
  const whole = shares.reduce((sum, share) => sum + share, 0);
  const quantile = (wanted: number): number => {
    let gone = 0;
    for (let index = 0; index < shares.length; index += 1) {
      const share = shares[index]! / whole;
      if (gone + share >= wanted) {
        // Within its step the share is spread evenly.
        const z = grid[index]! + ((2 * wide) / STEPS) * ((wanted - gone) / share - 0.5);
        return prior.momentNm * Math.exp(z * deviation);
      }
      gone += share;
    }
    return prior.momentNm * Math.exp(wide * deviation);
  };
  return { momentNm: quantile(0.5), least: quantile(0.1), most: quantile(0.9) };
}
