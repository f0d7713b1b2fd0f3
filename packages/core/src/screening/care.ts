import type { Exercise } from '../library/exercise';
import { newSegment } from '../routine/commands';
import type { ExerciseSegment } from '../routine/routine';
import { segmentPosture, turnedBy } from '../routine/turned';
import type { School } from '../schools/school';
import { limitsOf, type NotedLimit } from './limits';
import type { Condition } from './conditions';

/** What a person's file says of one segment: in what it goes too far, why, and how it stays. */
export interface Care {
  readonly limit: NotedLimit;
  /** What it asks: `a bend of 35°`. */
  readonly asks: string;
  /** What is done instead: `a bend of 20°`, or another drill by its name. */
  readonly instead: string;
  readonly segment: ExerciseSegment;
}

/** A hand as high as this, in trunk lengths from the hips, is above the chest. */
const CHEST = 0.9;
/** A drill that bends the knees by this much and more in each repetition is a squat, degrees. */
const SQUAT = 20;

type Drill = Pick<Exercise, 'posture' | 'phases' | 'family'>;

const frames = ({ phases }: Pick<Drill, 'phases'>) => phases.flatMap(({ end }) => (end === null ? [] : [end]));

/** What a drill asks of each limit: degrees, breadths, seconds; true or false for what it does or not. */
function asked(
  segment: ExerciseSegment,
  exercise: Drill,
  effort: number | null,
): Record<NotedLimit['name'], number | boolean> {
  const posture = segmentPosture(segment, exercise);
  const moving = frames(exercise);
  const bends = [posture.kneeBendDeg, ...moving.flatMap(({ bendDeg }) => (bendDeg === null ? [] : [bendDeg]))];
  const hands = moving
    .flatMap(({ hand, otherHand }) => [hand, otherHand])
    .flatMap((hand) => (hand === null ? [] : [hand.up]));
  const raised = hands.some((up) => up > CHEST) ? 90 : 0;
  const { dose } = segment;
  const held = dose.kind === 'hold' ? dose.holdSeconds : 0;
  return {
    bendDeg: posture.seated ? 0 : Math.max(...bends),
    armsDeg: moving.length === 0 || hands.length === 0 ? posture.shoulderRaiseDeg : raised,
    foldDeg: posture.trunkPitchDeg,
    width: posture.seated ? 0 : posture.stanceWidth,
    standSeconds: posture.seated ? 0 : held,
    effort: dose.kind === 'hold' && effort !== null ? effort : 0,
    noLift: !posture.seated && (posture.otherLifted || moving.some(({ lifted }) => lifted !== 'none')),
    noSquat: exercise.family === 'strength' && Math.max(...bends) - Math.min(...bends) >= SQUAT,
  };
}

const beyond = ({ value }: NotedLimit, asks: number | boolean): boolean =>
  typeof value === 'number' ? (asks as number) > value + 1e-6 : asks === true;

const said: Readonly<Record<NotedLimit['name'], (value: number) => string>> = {
  bendDeg: (value) => `a bend of ${Math.round(value)}°`,
  armsDeg: (value) => (value > 45 ? 'arms above the chest' : `arms at ${Math.round(value)}°`),
  foldDeg: (value) => `a fold of ${Math.round(value)}°`,
  width: (value) => `a stance of ${value} shoulders`,
  standSeconds: (value) => `${Math.round(value)} s in one stand`,
  effort: (value) => `effort ${Math.min(10, Math.round(value))} of 10`,
  noLift: () => 'a foot off the floor',
  noSquat: () => 'going down and up on the knees',
};

/** The segment turned or shortened so that it keeps to a limit; null where that takes another drill. */
function adjusted(
  segment: ExerciseSegment,
  exercise: Drill,
  limit: NotedLimit,
  effort: number | null,
): ExerciseSegment | null {
  const value = limit.value as number;
  const own = frames(exercise);
  const { dose } = segment;
  switch (limit.name) {
    case 'bendDeg':
      return own.some(({ bendDeg }) => (bendDeg ?? 0) > value) ? null : turnedBy(segment, { kneeBendDeg: value });
    case 'armsDeg':
      return own.some(({ hand, otherHand }) => Math.max(hand?.up ?? 0, otherHand?.up ?? 0) > CHEST)
        ? null
        : turnedBy(segment, { shoulderRaiseDeg: value });
    case 'width':
      return turnedBy(segment, { stanceWidth: value });
    case 'standSeconds':
      return dose.kind === 'hold' ? { ...segment, dose: { ...dose, holdSeconds: value } } : null;
    case 'effort': {
      if (dose.kind !== 'hold' || effort === null) return null;
      // Effort goes with the time: a little under the limit, on the five seconds.
      const seconds = Math.floor((dose.holdSeconds * (value - 0.5)) / effort / 5) * 5;
      return { ...segment, dose: { ...dose, holdSeconds: Math.max(5, seconds) } };
    }
    case 'noLift':
      return exercise.posture.otherLifted && own.length === 0 ? turnedBy(segment, { weightShare: FOOT_DOWN }) : null;
    case 'foldDeg':
    case 'noSquat':
      return null;
  }
}

/** With the foot down beside it, this much stays on the standing leg. */
const FOOT_DOWN = 0.9;

/** The nearest drill that keeps to all limits: of the same family, else a plain stand. */
function variant(
  exercise: Exercise,
  shelf: readonly Exercise[],
  school: School,
  limits: readonly NotedLimit[],
): Exercise | null {
  const fits = (other: Exercise): boolean => {
    const segment = newSegment('variant', other, school);
    const asks = asked(segment, other, null);
    return other.id !== exercise.id && limits.every((limit) => !beyond(limit, asks[limit.name]));
  };
  return (
    shelf.find((other) => other.family === exercise.family && fits(other)) ??
    shelf.find((other) => other.family === 'standing' && fits(other)) ??
    null
  );
}

/**
 * What is noted of a person against one segment of a routine (model §11): each limit it goes beyond, with the reason, and the
 * segment as it stays: higher, lower arms, shorter, the foot down, or the nearest drill that keeps to all limits.
 * @param effort reckoned of the segment for this person, 10 is all there is, more is beyond it; null where it is not known
 */
export function careFor(
  segment: ExerciseSegment,
  exercise: Exercise,
  noted: readonly Condition[],
  shelf: readonly Exercise[],
  school: School,
  effort: number | null = null,
): Care[] {
  const limits = limitsOf(noted);
  const asks = asked(segment, exercise, effort);
  return limits
    .filter((limit) => beyond(limit, asks[limit.name]))
    .flatMap((limit): Care[] => {
      const words = said[limit.name](Number(asks[limit.name]));
      const same = adjusted(segment, exercise, limit, effort);
      if (same !== null) {
        const value = limit.name === 'standSeconds' || limit.name === 'effort' ? heldOf(same) : (limit.value as number);
        const instead =
          limit.name === 'noLift'
            ? 'the foot stays down'
            : limit.name === 'effort' || limit.name === 'standSeconds'
              ? `${value} s`
              : said[limit.name](value);
        return [{ limit, asks: words, instead, segment: same }];
      }
      const other = variant(exercise, shelf, school, limits);
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

const heldOf = ({ dose }: ExerciseSegment): number => (dose.kind === 'hold' ? dose.holdSeconds : 0);
