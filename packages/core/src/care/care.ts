import { breathRate } from '../breath/breathRate';
import { longestPause, USUAL_REST, quickenedPattern, slowedPattern } from '../breath/breathCare';
import type { BreathPattern } from '../breath/breathPattern';
import type { BreathDose, Dose } from '../library/dose';
import type { Exercise } from '../library/exercise';
import { newSegment } from '../routine/commands';
import type { ExerciseSegment } from '../routine/routine';
import { segmentPosture, turnedBy } from '../routine/turned';
import type { School } from '../schools/school';
import { limitsOf, type NotedLimit } from '../screening/limits';
import type { Noted } from '../screening/noted';

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
export interface CaredPerson {
  readonly noted: readonly Noted[];
  /** Breaths a minute at rest; null when not taken. */
  readonly restingBreath: number | null;
}

/** A hand as high as this, in trunk lengths from the hips, is above the chest. */
const CHEST = 0.9;
/** A drill that bends the knees by this much and more in each repetition is a squat, degrees. */
const SQUAT = 20;

type Drill = Pick<Exercise, 'posture' | 'phases' | 'family'>;
type Limb = 'left' | 'right';

const frames = ({ phases }: Pick<Drill, 'phases'>) => phases.flatMap(({ end }) => (end === null ? [] : [end]));

/** The sides on which a dose is done; `both` where they work together. */
const worked = ({ amounts }: Dose): ReadonlySet<string> =>
  new Set(amounts.flatMap(({ side, amount }) => (amount > 0 ? [side] : [])));

/** The pattern of the last and slowest breath of a dose. */
const slowestBreath = ({ pattern, slowing, amounts }: BreathDose): BreathPattern =>
  slowedPattern(pattern, slowing, Math.max(...amounts.map(({ amount }) => amount)));

/** The least rate that a share of the rate at rest comes to, breaths a minute. */
const leastRate = (share: number, resting: number | null): number => share * (resting ?? USUAL_REST);

/** The bends a leg goes through, degrees; of one side only what that leg does where the drill is done on `works`. */
function bendsOf(exercise: Drill, posture: Exercise['posture'], limb: Limb | null, works: string): number[] {
  // A foot that is off the floor carries nothing: the other leg may bend as it likes.
  const hangs = limb !== null && works !== 'both' && works !== limb && posture.otherLifted;
  if (posture.seated || hangs) return [0];
  return [posture.kneeBendDeg, ...frames(exercise).flatMap(({ bendDeg }) => (bendDeg === null ? [] : [bendDeg]))];
}

/** How high the hands come, in trunk lengths; of one side only that hand. */
const handsOf = (exercise: Drill, limb: Limb | null, works: string): number[] =>
  frames(exercise)
    .flatMap(({ hand, otherHand }) =>
      limb === null || works === 'both' ? [hand, otherHand] : [works === limb ? hand : otherHand],
    )
    .flatMap((hand) => (hand === null ? [] : [hand.up]));

/** What a drill asks of a limit: degrees, breadths, seconds, a rate; true or false for what it does or not. */
function asked(
  segment: ExerciseSegment,
  exercise: Drill,
  { name, side }: Pick<NotedLimit, 'name' | 'side'>,
  effort: number | null,
  sides: ReadonlySet<string> = worked(segment.dose),
): number | boolean {
  const posture = segmentPosture(segment, exercise);
  const moving = frames(exercise);
  const { dose } = segment;
  const most = (of: (works: string) => readonly number[]): number => Math.max(0, ...[...sides].flatMap(of));
  switch (name) {
    case 'bendDeg':
      return most((works) => bendsOf(exercise, posture, side, works));
    case 'armsDeg': {
      const hands = [...sides].flatMap((works) => handsOf(exercise, side, works));
      if (moving.length === 0 || hands.length === 0) return posture.shoulderRaiseDeg;
      return hands.some((up) => up > CHEST) ? 90 : 0;
    }
    case 'foldDeg':
      return posture.trunkPitchDeg;
    case 'width':
      return posture.seated ? 0 : posture.stanceWidth;
    case 'standSeconds':
      return !posture.seated && dose.kind === 'hold' ? dose.holdSeconds : 0;
    case 'effort':
      return dose.kind === 'hold' && effort !== null ? effort : 0;
    case 'noLift':
      return !posture.seated && (posture.otherLifted || moving.some(({ lifted }) => lifted !== 'none'));
    case 'noSquat':
      return (
        exercise.family === 'strength' &&
        [...sides].some((works) => {
          const bends = bendsOf(exercise, posture, side, works);
          return Math.max(...bends) - Math.min(...bends) >= SQUAT;
        })
      );
    case 'noHeldBreath':
      return dose.kind === 'breath' && longestPause(slowestBreath(dose)) > 0;
    case 'breathShare':
      return dose.kind === 'breath' ? breathRate(slowestBreath(dose)) : Infinity;
  }
}

/** Whether what is asked goes beyond a limit; of the breath it is the slower rate that does. */
function beyond({ name, value }: NotedLimit, asks: number | boolean, resting: number | null): boolean {
  if (typeof value !== 'number') return asks === true;
  if (name === 'breathShare') return (asks as number) < leastRate(value, resting) - 1e-9;
  return (asks as number) > value + 1e-6;
}

const rate = (perMinute: number): string => `${perMinute.toFixed(1)} breaths a minute`;
const seconds = (value: number): string => String(Math.round(value * 10) / 10);

/** What a limit is asked for, in words. */
function said(name: NotedLimit['name'], value: number, dose: Dose): string {
  switch (name) {
    case 'bendDeg':
      return `a bend of ${Math.round(value)}°`;
    case 'armsDeg':
      return value > 45 ? 'arms above the chest' : `arms at ${Math.round(value)}°`;
    case 'foldDeg':
      return `a fold of ${Math.round(value)}°`;
    case 'width':
      return `a stance of ${value} shoulders`;
    case 'standSeconds':
      return `${Math.round(value)} s in one stand`;
    case 'effort':
      return `effort ${Math.min(10, Math.round(value))} of 10`;
    case 'noLift':
      return 'a foot off the floor';
    case 'noSquat':
      return 'going down and up on the knees';
    case 'noHeldBreath':
      return dose.kind === 'breath' ? `a breath held for ${seconds(longestPause(slowestBreath(dose)))} s` : '';
    case 'breathShare':
      return rate(value);
  }
}

/** A segment that keeps to a limit, and what is done instead, in words. */
interface Adjusted {
  readonly segment: ExerciseSegment;
  readonly instead: string;
}

/** With the foot down beside it, this much stays on the standing leg. */
const FOOT_DOWN = 0.9;

/** The segment turned, shortened or breathed otherwise so that it keeps to a limit; null where that takes another drill. */
function adjusted(
  segment: ExerciseSegment,
  exercise: Drill,
  limit: NotedLimit,
  { restingBreath }: CaredPerson,
  effort: number | null,
): Adjusted | null {
  const value = limit.value as number;
  const own = frames(exercise);
  const { dose } = segment;
  const turned = (part: Parameters<typeof turnedBy>[1]): Adjusted => ({
    segment: turnedBy(segment, part),
    instead: said(limit.name, value, dose),
  });
  const held = (holdSeconds: number): Adjusted | null =>
    dose.kind === 'hold'
      ? { segment: { ...segment, dose: { ...dose, holdSeconds } }, instead: `${holdSeconds} s` }
      : null;
  switch (limit.name) {
    case 'bendDeg':
      return own.some(({ bendDeg }) => (bendDeg ?? 0) > value) ? null : turned({ kneeBendDeg: value });
    case 'armsDeg':
      return own.some(({ hand, otherHand }) => Math.max(hand?.up ?? 0, otherHand?.up ?? 0) > CHEST)
        ? null
        : turned({ shoulderRaiseDeg: value });
    case 'width':
      return turned({ stanceWidth: value });
    case 'standSeconds':
      return held(value);
    case 'effort':
      // Effort goes with the time: a little under the limit, on the five seconds.
      return dose.kind !== 'hold' || effort === null
        ? null
        : held(Math.max(5, Math.floor((dose.holdSeconds * (value - 0.5)) / effort / 5) * 5));
    case 'noLift':
      return exercise.posture.otherLifted && own.length === 0
        ? { segment: turnedBy(segment, { weightShare: FOOT_DOWN }), instead: 'the foot stays down' }
        : null;
    case 'noHeldBreath': {
      if (dose.kind !== 'breath') return null;
      const pattern = { ...dose.pattern, fullPauseSeconds: 0, emptyPauseSeconds: 0 };
      return { segment: { ...segment, dose: { ...dose, pattern } }, instead: 'no pause' };
    }
    case 'breathShare': {
      if (dose.kind !== 'breath') return null;
      const least = leastRate(value, restingBreath);
      const even = { ...dose, slowing: 1 };
      const pattern = breathRate(dose.pattern) < least ? quickenedPattern(dose.pattern, least) : dose.pattern;
      return { segment: { ...segment, dose: { ...even, pattern } }, instead: rate(breathRate(pattern)) };
    }
    case 'foldDeg':
    case 'noSquat':
      return null;
  }
}

/** The segment without the side that has the limit, where the other side keeps to it; null where both go beyond it. */
function otherSideOnly(
  segment: ExerciseSegment,
  exercise: Drill,
  limit: NotedLimit,
  resting: number | null,
): Adjusted | null {
  const { side } = limit;
  const other = side === 'left' ? 'right' : 'left';
  if (side === null || !worked(segment.dose).has(other)) return null;
  if (beyond(limit, asked(segment, exercise, limit, null, new Set([other])), resting)) return null;
  const amounts = segment.dose.amounts.map((row) => (row.side === side ? { ...row, amount: 0 } : row));
  return { segment: { ...segment, dose: { ...segment.dose, amounts } }, instead: `only the ${other}` };
}

/** The nearest drill that keeps to all limits: of the same family, else a plain stand. */
function variant(
  exercise: Exercise,
  shelf: readonly Exercise[],
  school: School,
  limits: readonly NotedLimit[],
  resting: number | null,
): Exercise | null {
  const fits = (other: Exercise): boolean => {
    const segment = newSegment('variant', other, school);
    return (
      other.id !== exercise.id && limits.every((limit) => !beyond(limit, asked(segment, other, limit, null), resting))
    );
  };
  return (
    shelf.find((other) => other.family === exercise.family && fits(other)) ??
    shelf.find((other) => other.family === 'standing' && fits(other)) ??
    null
  );
}

/**
 * What is noted of a person against one segment of a routine (sources: What is noted of a body): each limit it
 * goes beyond, with the reason, and the segment as it stays: higher, lower arms, shorter, the foot down, without a pause, on
 * the other side only, or the nearest drill that keeps to all limits.
 * @param effort reckoned of the segment for this person, 10 is all there is, more is beyond it; null where it is not known
 */
export function careFor(
  segment: ExerciseSegment,
  exercise: Exercise,
  person: CaredPerson,
  shelf: readonly Exercise[],
  school: School,
  effort: number | null = null,
): Care[] {
  const limits = limitsOf(person.noted);
  const resting = person.restingBreath;
  return limits.flatMap((limit): Care[] => {
    const asks = asked(segment, exercise, limit, effort);
    if (!beyond(limit, asks, resting)) return [];
    const words = said(limit.name, Number(asks), segment.dose);
    const same = adjusted(segment, exercise, limit, person, effort) ?? otherSideOnly(segment, exercise, limit, resting);
    if (same !== null) return [{ limit, asks: words, ...same }];
    const other = variant(exercise, shelf, school, limits, resting);
    if (other === null) return [];
    return [
      {
        limit,
        asks: words,
        instead: `“${other.name}”`,
        segment: { ...newSegment(segment.id, other, school), roundId: segment.roundId },
      },
    ];
  });
}
