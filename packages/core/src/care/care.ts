import { breathRate } from '../breath/breathRate';
import { longestPause, quickenedPattern, USUAL_REST } from '../breath/breathCare';
import type { Dose } from '../library/dose';
import type { Exercise } from '../library/exercise';
import { stillSeconds, withStillSeconds } from '../library/heldSeconds';
import { newSegment } from '../routine/commands';
import type { ExerciseSegment } from '../routine/routine';
import { turnedBy } from '../routine/turned';
import { HAND_ON } from '../routine/turnedWords';
import type { School } from '../schools/school';
import { limitsOf, type LimitName, type NotedLimit } from '../screening/limits';
import type { Noted } from '../screening/noted';
import {
  CHEST,
  drillAsks,
  framesOf,
  handsAreFree,
  slowestBreath,
  workedSides,
  type AskedBody,
  type AskedDrill,
} from './drillAsks';

/** What a person's file says of one segment: in what it goes too far, why, and how it stays. */
export interface Care {
  readonly limit: NotedLimit;
  /** What it asks: `a bend of 35°`. */
  readonly asks: string;
  /** What is done instead: `a bend of 20°`, `only the right`, or another drill by its name. */
  readonly instead: string;
  readonly segment: ExerciseSegment;
}

/** Of whom something is noted. */
export interface CaredPerson extends AskedBody {
  readonly noted: readonly Noted[];
  /** Breaths a minute at rest; null when not taken. */
  readonly restingBreath: number | null;
}

/** The least rate that a share of the rate at rest comes to, breaths a minute. */
const leastRate = (share: number, resting: number | null): number => share * (resting ?? USUAL_REST);

/** Whether what is asked goes beyond a limit; of the breath it is the slower rate that does. */
function beyond({ name, value }: NotedLimit, asks: number | boolean, resting: number | null): boolean {
  if (typeof value !== 'number') return asks === true;
  if (name === 'breathShare') return (asks as number) < leastRate(value, resting) - 1e-9;
  // From an effort on it is too much, all else may go as far as its limit.
  return name === 'effort' ? (asks as number) >= value - 1e-6 : (asks as number) > value + 1e-6;
}

const rate = (perMinute: number): string => `${perMinute.toFixed(1)} breaths a minute`;
const seconds = (value: number): string => String(Math.round(value * 10) / 10);

/** What is ruled out as a whole, in words. */
export const movementWords: Readonly<Partial<Record<LimitName, string>>> = {
  noLift: 'a foot off the floor',
  noToes: 'a rise on the toes',
  noSwing: 'a leg that swings',
  noSquat: 'going down and up on the knees',
  noCrossing: 'a leg crossed',
  noStepAcross: 'a step across',
  noSeatedLean: 'a deep lean while seated',
  noHeadCircles: 'circles of the head',
  noHeadBack: 'the head tipped back',
  noBounce: 'bouncing',
  noBelly: 'pressing or drawing in the belly',
};

/** What a limit is asked for, in words. */
function said(name: LimitName, value: number, dose: Dose): string {
  switch (name) {
    case 'bendDeg':
      return `a bend of ${Math.round(value)}°`;
    case 'armsDeg':
      return value > 45 ? 'arms above the chest' : `arms at ${Math.round(value)}°`;
    case 'overheadSeconds':
      return `arms above the head for ${Math.round(value)} s`;
    case 'foldDeg':
      return value >= 90 ? 'the back rolled down' : `a fold of ${Math.round(value)}°`;
    case 'width':
      return `a stance of ${value} shoulders`;
    case 'twistDeg':
      return `a twist of ${Math.round(value)}°`;
    case 'turnOnLegDeg':
      return `a turn of ${Math.round(value)}° on the loaded leg`;
    case 'turnSpeed':
      return 'a quick turn';
    case 'standSeconds':
      return `${Math.round(value)} s in one stand`;
    case 'effort':
      return `effort ${Math.min(10, Math.round(value))} of 10`;
    case 'noHeldBreath':
      return dose.kind === 'breath' ? `a breath held for ${seconds(longestPause(slowestBreath(dose)))} s` : '';
    case 'breathShare':
      return rate(value);
    default:
      return movementWords[name]!;
  }
}

/** A segment that keeps to a limit, and what is done instead, in words. */
interface Adjusted {
  readonly segment: ExerciseSegment;
  readonly instead: string;
}

/** A time in one place as it is cut: the seconds of a hold, the breaths of one that is counted in them. */
function cutTo(segment: ExerciseSegment, most: number): Adjusted {
  const dose = withStillSeconds(segment.dose, most);
  const breaths = Math.max(...dose.amounts.map(({ amount }) => amount));
  const words = dose.kind === 'breath' ? `${breaths} breaths, ${Math.round(stillSeconds(dose))} s` : `${most} s`;
  return { segment: { ...segment, dose }, instead: words };
}

const CUT_STEP = 5;

/**
 * The longest time in one place that stays under a limit of effort, s: effort goes with the time. A hold on the five seconds, breaths as many as
 * fit. What is no longer than that is left alone, so that whatever is cut and whatever is left come to the same.
 */
function longestUnder(drill: AskedDrill, limit: NotedLimit, person: CaredPerson): number {
  const { dose } = drill.segment;
  const effort = drillAsks(drill, limit, person) as number;
  const longest = (stillSeconds(dose) * (limit.value as number)) / effort - 1e-6;
  return dose.kind === 'breath' ? longest : Math.max(CUT_STEP, Math.floor(longest / CUT_STEP) * CUT_STEP);
}

/** Whether a drill goes beyond a limit. */
function isBeyond(drill: AskedDrill, limit: NotedLimit, person: CaredPerson): boolean {
  const asks = drillAsks(drill, limit, person);
  if (limit.name !== 'effort' || asks === 0) return beyond(limit, asks, person.restingBreath);
  return stillSeconds(drill.segment.dose) > longestUnder(drill, limit, person) + 1e-9;
}

/** The segment turned, shortened, slowed, held on to or breathed otherwise so that it keeps to a limit; null where that takes another drill. */
function adjusted(drill: AskedDrill, limit: NotedLimit, person: CaredPerson): Adjusted | null {
  const { segment, exercise } = drill;
  const value = limit.value as number;
  const frames = framesOf(exercise);
  const { dose } = segment;
  const turned = (part: Parameters<typeof turnedBy>[1]): Adjusted => ({
    segment: turnedBy(segment, part),
    instead: said(limit.name, value, dose),
  });
  switch (limit.name) {
    case 'bendDeg':
      return frames.some(({ bendDeg }) => (bendDeg ?? 0) > value) ? null : turned({ kneeBendDeg: value });
    case 'armsDeg':
      return frames.some(({ hand, otherHand }) => Math.max(hand?.up ?? 0, otherHand?.up ?? 0) > CHEST)
        ? null
        : turned({ shoulderRaiseDeg: value });
    case 'width':
      return frames.some(({ stanceWidth }) => (stanceWidth ?? 0) > value) ? null : turned({ stanceWidth: value });
    case 'standSeconds':
      return cutTo(segment, value);
    case 'overheadSeconds':
      return dose.kind === 'cycle' ? null : cutTo(segment, value);
    case 'effort':
      return cutTo(segment, longestUnder(drill, limit, person));
    case 'turnSpeed': {
      if (dose.kind !== 'cycle') return null;
      const speed = drillAsks(drill, limit, person) as number;
      const cycleSeconds = Math.ceil(((dose.cycleSeconds * speed) / value) * 2) / 2;
      return { segment: { ...segment, dose: { ...dose, cycleSeconds } }, instead: `slowly, ${cycleSeconds} s each` };
    }
    case 'noLift':
    case 'noToes':
    case 'noSwing':
      return handsAreFree(exercise) && limit.value !== 'at all'
        ? { segment: turnedBy(segment, { handOn: true }), instead: HAND_ON }
        : null;
    case 'noHeldBreath': {
      if (dose.kind !== 'breath') return null;
      const pattern = { ...dose.pattern, fullPauseSeconds: 0, emptyPauseSeconds: 0 };
      return { segment: { ...segment, dose: { ...dose, pattern } }, instead: 'no pause' };
    }
    case 'breathShare': {
      if (dose.kind !== 'breath') return null;
      const least = leastRate(value, person.restingBreath);
      const even = { ...dose, slowing: 1 };
      const pattern = breathRate(dose.pattern) < least ? quickenedPattern(dose.pattern, least) : dose.pattern;
      return { segment: { ...segment, dose: { ...even, pattern } }, instead: rate(breathRate(pattern)) };
    }
    default:
      return null;
  }
}

/** The segment without the side that has the limit, where the other side keeps to it; null where both go beyond it. */
function otherSideOnly(drill: AskedDrill, limit: NotedLimit, person: CaredPerson): Adjusted | null {
  const { side } = limit;
  const { segment } = drill;
  const other = side === 'left' ? 'right' : 'left';
  if (side === null || !workedSides(segment.dose).has(other)) return null;
  if (beyond(limit, drillAsks(drill, limit, person, new Set([other])), person.restingBreath)) return null;
  const amounts = segment.dose.amounts.map((row) => (row.side === side ? { ...row, amount: 0 } : row));
  return { segment: { ...segment, dose: { ...segment.dose, amounts } }, instead: `only the ${other}` };
}

/** As often as this a segment is looked at again: what one limit changes may still be beyond another. */
const ROUNDS = 8;

/** The first of some limits that a drill goes beyond. */
const firstBeyond = (drill: AskedDrill, limits: readonly NotedLimit[], person: CaredPerson): NotedLimit | undefined =>
  limits.find((limit) => isBeyond(drill, limit, person));

/** A drill of its own as it keeps to all limits without being another one; null where it cannot. */
function fitted(exercise: Exercise, school: School, limits: readonly NotedLimit[], person: CaredPerson) {
  let segment = newSegment('variant', exercise, school);
  const words: string[] = [];
  for (let round = 0; round < ROUNDS; round += 1) {
    const drill = { segment, exercise, school };
    const limit = firstBeyond(drill, limits, person);
    if (limit === undefined) return { exercise, segment, words };
    const change = adjusted(drill, limit, person);
    if (change === null) return null;
    segment = change.segment;
    words.push(change.instead);
  }
  return null;
}

/** Families in which a variant is looked for after the drill's own. */
const quietFamilies = ['standing', 'breathing', 'closing'] as const;

/** The nearest drill that keeps to all limits: of the same family as it is, then changed; else a quiet one. */
function variant(exercise: Exercise, shelf: readonly Exercise[], school: School, person: CaredPerson) {
  const limits = limitsOf(person.noted);
  const families = [exercise.family, ...quietFamilies.filter((family) => family !== exercise.family)];
  for (const family of families) {
    const found = shelf
      .filter((other) => other.family === family && other.id !== exercise.id)
      .flatMap((other) => fitted(other, school, limits, person) ?? []);
    const best = found.find(({ words }) => words.length === 0) ?? found[0];
    if (best !== undefined) return best;
  }
  return null;
}

/** Which limits of a person a segment goes beyond, without looking for what could be done instead. */
export function limitsPassed(drill: AskedDrill, person: CaredPerson): NotedLimit[] {
  return limitsOf(person.noted).filter((limit) => isBeyond(drill, limit, person));
}

/**
 * What is noted of a person against one segment of a routine (sources: What is noted of a body): each limit it
 * goes beyond, with the reason, and the segment as it stays: higher, lower arms, shorter, slower, with a hand on something, without a
 * pause, on the other side only, or the nearest drill that keeps to all limits.
 */
export function careFor(drill: AskedDrill, person: CaredPerson, shelf: readonly Exercise[]): Care[] {
  const { segment, exercise, school } = drill;
  return limitsPassed(drill, person).flatMap((limit): Care[] => {
    const asks = said(limit.name, Number(drillAsks(drill, limit, person)), segment.dose);
    const same = adjusted(drill, limit, person) ?? otherSideOnly(drill, limit, person);
    if (same !== null) return [{ limit, asks, ...same }];
    const other = variant(exercise, shelf, school, person);
    if (other === null) return [];
    const instead = [`“${other.exercise.name}”`, ...other.words].join(', ');
    return [{ limit, asks, instead, segment: { ...other.segment, id: segment.id, roundId: segment.roundId } }];
  });
}
