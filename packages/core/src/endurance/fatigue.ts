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

interface Walk {
  readonly state: FatigueState;
  readonly mostFatigued: number;
  readonly failedAt: number | null;
}

const MOST_CHANGES = 64;
const TINY = 1e-12;

/** Nobody holds all of a capacity: what asks for more is taken for this. */
export const MOST_TARGET = 0.999;

/**
 * The end of a segment through which activation follows its target and fatigue goes one way, below where the target is missed:
 * nearly every moment of a drill. Null where more may happen on the way. The same closed form as `following`.
 */
function straightOn(
  state: FatigueState,
  target: number,
  fatigue: number,
  recovery: number,
  seconds: number,
): FatigueState | null {
  const limit = 1 - target;
  if (state.fatigued > limit) return null;
  const rate = GAIN + fatigue;
  const level = (GAIN * target) / rate;
  const swing = state.active - level;
  const settled = (fatigue * level) / recovery;
  const fast = (fatigue * swing) / (recovery - rate);
  const quick = Math.exp(-rate * seconds);
  const active = level + swing * quick;
  const fatigued = settled + fast * quick + (state.fatigued - settled - fast) * Math.exp(-recovery * seconds);
  if (fatigued > limit) return null;
  // A course of two terms turns once at most: where it does not turn back it went one way.
  const before = fatigue * state.active - recovery * state.fatigued;
  const after = fatigue * active - recovery * fatigued;
  return before * after >= 0 ? { active, fatigued } : null;
}

function walk(
  parameters: JointParameters,
  start: FatigueState,
  { target: asked, seconds, freeFlow, kept = 1 }: FatigueSegment,
): Walk {
  const target = Math.min(MOST_TARGET, asked);
  const fatigue = parameters.fatigue * kept;
  const recovery = parameters.recovery * recoveryFactor(target, freeFlow);
  const straight = straightOn(start, target, fatigue, recovery, seconds);
  if (straight !== null)
    return { state: straight, mostFatigued: Math.max(start.fatigued, straight.fatigued), failedAt: null };
  const limit = 1 - target;
  let state = start;
  let mostFatigued = start.fatigued;
  let failedAt: number | null = null;
  let gone = 0;
  for (let changes = 0; gone < seconds && changes < MOST_CHANGES; changes += 1) {
    // What is fatigued beyond this is not there to be active: the target is missed.
    const missed = state.fatigued > limit + TINY;
    if (missed) failedAt ??= gone;
    const flow = missed ? drained(state, fatigue, recovery) : following(state, target, fatigue, recovery);
    const left = seconds - gone;
    // From where it turns it goes on as from a new beginning: so the highest is always at an end.
    const change = crossing(flow.fatigued, limit, left, !missed);
    const time = Math.min(left, Math.max(change, 1e-9));
    state = { active: at(flow.active, time), fatigued: at(flow.fatigued, time) };
    mostFatigued = Math.max(mostFatigued, state.fatigued);
    gone += time;
  }
  return { state, mostFatigued, failedAt };
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
  const spans: FatigueSpan[] = [];
  let failureAt: number | null = null;
  let state = start;
  let elapsed = 0;
  segments.forEach((segment, index) => {
    // A name is made only for what is out of bounds: an hour of a drill has thousands of segments.
    if (!(segment.target >= 0 && segment.target <= 1)) checkRange(`segments[${index}].target`, segment.target, 0, 1);
    if (!(segment.seconds >= 0 && segment.seconds <= 86_400))
      checkRange(`segments[${index}].seconds`, segment.seconds, 0, 86_400);
    const step = walk(parameters, state, segment);
    if (step.failedAt !== null) failureAt ??= elapsed + step.failedAt;
    state = step.state;
    elapsed += segment.seconds;
    spans.push({ ...state, reserve: reserveOf(step.mostFatigued, Math.min(MOST_TARGET, segment.target)) });
  });
  return { spans, failureAt };
}
