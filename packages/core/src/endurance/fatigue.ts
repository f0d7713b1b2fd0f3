import { checkRange } from '../words/checkRange';
import type { JointParameters } from './joints';

/** Shares of a joint's muscle: active, fatigued; the rest is resting. */
export interface FatigueState {
  readonly active: number;
  readonly fatigued: number;
}
export interface FatigueSegment {
  /** Share of capacity asked for; 0 at rest. */
  readonly target: number;
  readonly seconds: number;
  /** Up to which load it recovers better; as in what is held where it is left out. */
  readonly freeFlow?: number;
  /** How much of what tires it is left after the rests within a movement, 0–1; all of it where it is left out. */
  readonly kept?: number;
}
export interface FatigueSpan extends FatigueState {
  /** Least reserve in the segment: (1 − fatigued − target)/(1 − target); below 0 after failure. */
  readonly reserve: number;
}
export interface FatigueRun {
  /** The state at the end of each segment. */
  readonly spans: readonly FatigueSpan[];
  /** Seconds from the start at which the target is first missed; null when it never is. */
  readonly failureAt: number | null;
}

export const FRESH: FatigueState = { active: 0, fatigued: 0 };

/** Controller gain per s for activation and relaxation. */
const GAIN = 10;
/** Recovery is this many times as fast while nothing is asked for (Looft, Herkert & Frey-Law 2018; from memory). */
const REST_FACTOR = 15;
/** Up to this share of its capacity a muscle does not close its own vessels (Rohmert 1960, from memory). */
const FREE_FLOW = 0.15;

/**
 * How many times as fast a muscle recovers under a load as under a heavy one: fifteen times at rest, and less the nearer the
 * load comes to where it closes its own vessels. In between a straight line, a house choice: a leg that carries little for
 * half of each turn is not at rest, and not at work.
 * @param freeFlow up to which load, share of capacity
 */
export const recoveryFactor = (target: number, freeFlow = FREE_FLOW): number =>
  1 + (REST_FACTOR - 1) * Math.max(0, 1 - target / freeFlow);

/**
 * Up to which load a muscle recovers in a drill that moves: each turn squeezes it and lets it go, so that half of its heaviest
 * moment already lets the blood in (house value). Held moments know nothing of it; without it three minutes a side of slow
 * circles, an ordinary first dose, would look like work to failure.
 * @param peak the heaviest moment of the cycle, share of capacity
 */
export const movingFlow = (peak: number): number => Math.max(FREE_FLOW, peak / 2);

type Term = readonly [factor: number, rate: number];
/** constant + Σ factor·e^(−rate·t): both compartments have this form while one rule of the controller holds. */
interface Course {
  readonly constant: number;
  readonly terms: readonly [quick: Term, slow: Term];
}
interface Flow {
  readonly active: Course;
  readonly fatigued: Course;
}

const at = ({ constant, terms: [quick, slow] }: Course, time: number): number =>
  constant + quick[0] * Math.exp(-quick[1] * time) + slow[0] * Math.exp(-slow[1] * time);

/** Enough resting muscle is left: activation follows the target. */
function following(state: FatigueState, target: number, fatigue: number, recovery: number): Flow {
  const rate = GAIN + fatigue;
  const level = (GAIN * target) / rate;
  const swing = state.active - level;
  const settled = (fatigue * level) / recovery;
  const fast = (fatigue * swing) / (recovery - rate);
  return {
    active: {
      constant: level,
      terms: [
        [swing, rate],
        [0, recovery],
      ],
    },
    fatigued: {
      constant: settled,
      terms: [
        [fast, rate],
        [state.fatigued - settled - fast, recovery],
      ],
    },
  };
}

/** All resting muscle is called up at once: the target is missed. */
function drained(state: FatigueState, fatigue: number, recovery: number): Flow {
  const trace = GAIN + fatigue + recovery;
  const determinant = recovery * (GAIN + fatigue) + GAIN * fatigue;
  const root = Math.sqrt(trace ** 2 - 4 * determinant);
  const rates = [(trace + root) / 2, (trace - root) / 2] as const;
  const active = (GAIN * recovery) / determinant;
  const fatigued = (GAIN * fatigue) / determinant;
  // fatigued' = fatigue·active − recovery·fatigued ties both courses together.
  const start = state.fatigued - fatigued;
  const slope = fatigue * (state.active - active) - recovery * start;
  const second = (slope + rates[0] * start) / (rates[0] - rates[1]);
  const terms: Course['terms'] = [
    [start - second, rates[0]],
    [second, rates[1]],
  ];
  const ofActive = ([factor, rate]: Term): Term => [(factor * (recovery - rate)) / fatigue, rate];
  return {
    active: { constant: active, terms: [ofActive(terms[0]), ofActive(terms[1])] },
    fatigued: { constant: fatigued, terms },
  };
}

/** The one moment at which a course of two terms turns; without end where it has none after 0. */
function turningPoint({ terms: [quick, slow] }: Course): number {
  const ratio = -(slow[0] * slow[1]) / (quick[0] * quick[1]);
  // A ratio below 0 has no logarithm: neither does such a course turn.
  const time = Math.log(ratio) / (slow[1] - quick[1]);
  return time > 0 ? time : Number.POSITIVE_INFINITY;
}

/** When a course goes to the other side of a level, looked for as far as it turns or `seconds` end; that moment where it does not. */
function crossing(course: Course, level: number, seconds: number, upward: boolean): number {
  let low = 0;
  let high = Math.min(seconds, turningPoint(course));
  // It mostly does not: that is seen at its end.
  if (at(course, high) > level !== upward) return high;
  for (let step = 0; step < 60; step += 1) {
    const middle = (low + high) / 2;
    if (at(course, middle) > level === upward) high = middle;
    else low = middle;
  }
  return high;
}

const reserveOf = (fatigued: number, target: number): number => (1 - fatigued - target) / (1 - target);

const MOST_CHANGES = 64;
const TINY = 1e-12;

/** Nobody holds all of a capacity: what asks for more is taken for this. */
export const MOST_TARGET = 0.999;

/** A segment as a joint goes through it: what does not depend on its state, worked out once for all times it comes. */
export interface Passage {
  readonly target: number;
  readonly seconds: number;
  readonly fatigue: number;
  readonly recovery: number;
  /** More than this share fatigued, and the target is missed. */
  readonly limit: number;
  /** `following` at the end of the segment. */
  readonly level: number;
  readonly settled: number;
  readonly quick: number;
  readonly slow: number;
}

/** @throws RangeError that names what is out of bounds. */
export function passageOf(
  parameters: JointParameters,
  { target: asked, seconds, freeFlow, kept = 1 }: FatigueSegment,
  name = 'segment',
): Passage {
  checkRange(`${name}.target`, asked, 0, 1);
  checkRange(`${name}.seconds`, seconds, 0, 86_400);
  const target = Math.min(MOST_TARGET, asked);
  const fatigue = parameters.fatigue * kept;
  const recovery = parameters.recovery * recoveryFactor(target, freeFlow);
  const rate = GAIN + fatigue;
  const level = (GAIN * target) / rate;
  return {
    target,
    seconds,
    fatigue,
    recovery,
    limit: 1 - target,
    level,
    settled: (fatigue * level) / recovery,
    quick: Math.exp(-rate * seconds),
    slow: Math.exp(-recovery * seconds),
  };
}

/**
 * One joint on its way from segment to segment. It leaves nothing behind: an hour of a drill has thousands of segments, and a
 * routine that is laid out is one of hundreds that are looked at.
 */
export class FatigueWalk {
  active: number;
  fatigued: number;
  private elapsed = 0;
  private failed: number | null = null;

  constructor(start: FatigueState = FRESH) {
    this.active = start.active;
    this.fatigued = start.fatigued;
  }

  /** Seconds from the start at which the target is first missed; null while it never was. */
  get failureAt(): number | null {
    return this.failed;
  }

  /** Goes through a segment. @returns the least reserve in it */
  go(passage: Passage): number {
    const before = this.fatigued;
    const most = this.straightOn(passage) ? Math.max(before, this.fatigued) : this.turnByTurn(passage);
    this.elapsed += passage.seconds;
    return reserveOf(most, passage.target);
  }

  /**
   * Goes to the end of a segment through which activation follows its target and fatigue goes one way, below where the target is
   * missed: nearly every moment of a drill. Not where more may happen on the way. The same closed form as `following`.
   */
  private straightOn({ fatigue, recovery, limit, level, settled, quick, slow }: Passage): boolean {
    if (this.fatigued > limit) return false;
    const swing = this.active - level;
    const fast = (fatigue * swing) / (recovery - (GAIN + fatigue));
    const active = level + swing * quick;
    const fatigued = settled + fast * quick + (this.fatigued - settled - fast) * slow;
    if (fatigued > limit) return false;
    // A course of two terms turns once at most: where it does not turn back it went one way.
    const before = fatigue * this.active - recovery * this.fatigued;
    const after = fatigue * active - recovery * fatigued;
    if (before * after < 0) return false;
    this.active = active;
    this.fatigued = fatigued;
    return true;
  }

  /** Goes through a segment from one change of the rule to the next. @returns the most that is fatigued in it */
  private turnByTurn({ target, seconds, fatigue, recovery, limit }: Passage): number {
    let mostFatigued = this.fatigued;
    let gone = 0;
    for (let changes = 0; gone < seconds && changes < MOST_CHANGES; changes += 1) {
      // What is fatigued beyond this is not there to be active: the target is missed.
      const missed = this.fatigued > limit + TINY;
      if (missed) this.failed ??= this.elapsed + gone;
      const flow = missed ? drained(this, fatigue, recovery) : following(this, target, fatigue, recovery);
      const left = seconds - gone;
      // From where it turns it goes on as from a new beginning: so the highest is always at an end.
      const change = crossing(flow.fatigued, limit, left, !missed);
      const time = Math.min(left, Math.max(change, 1e-9));
      this.active = at(flow.active, time);
      this.fatigued = at(flow.fatigued, time);
      mostFatigued = Math.max(mostFatigued, this.fatigued);
      gone += time;
    }
    return mostFatigued;
  }
}

/**
 * Fatigue of one joint through segments of constant target: the three-compartment controller
 * (Xia & Frey Law 2008; parameters Frey-Law, Looft & Heitsman 2012; faster recovery at rest Looft,
 * Herkert & Frey-Law 2018; all from memory). Within a segment each rule of the controller is linear,
 * so its exact solution is used and only the moments at which the rule changes are searched for.
 * Limits: one muscle group, constant moments, no training effect.
 * @throws RangeError that names the segment and its bounds.
 */
export function simulateFatigue(
  parameters: JointParameters,
  segments: readonly FatigueSegment[],
  start: FatigueState = FRESH,
): FatigueRun {
  const walk = new FatigueWalk(start);
  const spans = segments.map((segment, index): FatigueSpan => {
    const reserve = walk.go(passageOf(parameters, segment, `segments[${index}]`));
    return { active: walk.active, fatigued: walk.fatigued, reserve };
  });
  return { spans, failureAt: walk.failureAt };
}
