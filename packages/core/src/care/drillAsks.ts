import { breathRate } from '../breath/breathRate';
import { longestPause, slowedPattern } from '../breath/breathCare';
import type { BreathPattern } from '../breath/breathPattern';
import type { Body } from '../body/body';
import { segmentEndurance } from '../endurance/routineEffort';
import type { Strength } from '../endurance/strength';
import { cycleMoment, isPlayable } from '../figure/cycleMoment';
import type { BreathDose, Dose } from '../library/dose';
import type { Exercise, Posture } from '../library/exercise';
import { isHeld, stillSeconds } from '../library/heldSeconds';
import type { ExerciseSegment } from '../routine/routine';
import { segmentPosture } from '../routine/turned';
import type { School } from '../schools/school';
import { ROLLED_DEG, type NotedLimit } from '../screening/limits';

/** A body that is asked something, and how strong it is. */
export interface AskedBody {
  readonly body: Body;
  readonly capacity: Strength;
}

/** A segment with its drill, and the school it is done in. */
export interface AskedDrill {
  readonly segment: ExerciseSegment;
  readonly exercise: Exercise;
  readonly school: School;
}

type Limb = 'left' | 'right';

/** A hand as high as this, in trunk lengths from the hips, is above the chest; from the second on above the head. */
export const CHEST = 0.9;
const ABOVE_HEAD = 1.3;
/** Arms raised so far are above the head, degrees. */
const OVERHEAD_DEG = 120;
/** A drill that bends the knees by this much and more in each repetition is a squat, degrees. */
const SQUAT = 20;
/** A leg that carries this much carries most of the weight. */
const MOST_WEIGHT = 0.6;
/** Instants a cycle is looked at. */
const INSTANTS = 32;

export const framesOf = ({ phases }: Pick<Exercise, 'phases'>) =>
  phases.flatMap(({ via, end }) => (end === null ? [] : [...via, end]));

/** The sides on which a dose is done; `both` where they work together. */
export const workedSides = ({ amounts }: Dose): ReadonlySet<string> =>
  new Set(amounts.flatMap(({ side, amount }) => (amount > 0 ? [side] : [])));

/** The pattern of the last and slowest breath of a dose. */
export const slowestBreath = ({ pattern, slowing, amounts }: BreathDose): BreathPattern =>
  slowedPattern(pattern, slowing, Math.max(...amounts.map(({ amount }) => amount)));

/** The bends a leg goes through, degrees; of one side only what that leg does where the drill is done on `works`. */
function bendsOf(exercise: Exercise, posture: Posture, limb: Limb | null, works: string): number[] {
  // A foot that is off the floor carries nothing: the other leg may bend as it likes.
  const hangs = limb !== null && works !== 'both' && works !== limb && posture.otherLifted;
  if (posture.seated || hangs) return [0];
  return [posture.kneeBendDeg, ...framesOf(exercise).flatMap(({ bendDeg }) => (bendDeg === null ? [] : [bendDeg]))];
}

/** How high the hands come, in trunk lengths; of one side only that hand. */
const handsOf = (exercise: Exercise, limb: Limb | null, works: string): number[] =>
  framesOf(exercise)
    .flatMap(({ hand, otherHand }) =>
      limb === null || works === 'both' ? [hand, otherHand] : [works === limb ? hand : otherHand],
    )
    .flatMap((hand) => (hand === null ? [] : [hand.up]));

/** The quickest turn from the end of one part to that of the next, degrees a second. */
function turnSpeed({ phases }: Pick<Exercise, 'phases'>, dose: Dose): number {
  if (dose.kind !== 'cycle') return 0;
  return phases.reduce((quickest, { end, share }, at) => {
    const before = phases.at(at - 1)!.end;
    if (end === null || before === null) return quickest;
    return Math.max(quickest, Math.abs(end.turnDeg - before.turnDeg) / (share * dose.cycleSeconds));
  }, 0);
}

/** The largest of something over the moments of a cycle; 0 where its movement is not known. */
function mostInCycle({ exercise, school }: AskedDrill, of: (moment: Turning) => number): number {
  if (!isPlayable(exercise)) return 0;
  let most = 0;
  for (let at = 0; at < INSTANTS; at += 1) most = Math.max(most, of(cycleMoment(exercise, school, at / INSTANTS)!));
  return most;
}
type Turning = NonNullable<ReturnType<typeof cycleMoment>>;

/** How long the arms are above the head at a time, s. */
function overheadSeconds({ segment: { dose }, exercise, school }: AskedDrill, posture: Posture): number {
  if (posture.shoulderRaiseDeg < OVERHEAD_DEG) return 0;
  if (dose.kind !== 'cycle') return stillSeconds(dose);
  if (!isPlayable(exercise)) return dose.cycleSeconds;
  const moments = Array.from({ length: INSTANTS }, (_, at) => cycleMoment(exercise, school, at / INSTANTS)!);
  const up = moments.filter(({ hand, otherHand }) => Math.max(hand?.up ?? 0, otherHand?.up ?? 0) > ABOVE_HEAD).length;
  return (up / INSTANTS) * dose.cycleSeconds + dose.staySeconds;
}

/** A hand that stays within this is still, one below this is low: shoulder breadths and trunk lengths. */
const STILL_HAND = 0.2;
const LOW_HAND = 0.5;

/** Whether a hand has nothing to do, so that it can hold on to something: arms low, and no way of their own in the cycle. */
export function handsAreFree(exercise: Pick<Exercise, 'posture' | 'phases' | 'family'>): boolean {
  if (exercise.posture.shoulderRaiseDeg >= 30) return false;
  const frames = framesOf(exercise);
  // In a walk low hands only swing along.
  const low = frames.every(({ hand, otherHand }) => Math.max(hand?.up ?? 0, otherHand?.up ?? 0) < LOW_HAND);
  if (exercise.family === 'stepping') return low;
  return (['hand', 'otherHand'] as const).every((which) => {
    const places = frames.map((frame) => frame[which]);
    return (['out', 'forward', 'up'] as const).every((along) => {
      const values = places.flatMap((place) => (place === null ? [] : [place[along]]));
      return values.length === 0 || Math.max(...values) - Math.min(...values) <= STILL_HAND;
    });
  });
}

/** How hard a hold is for a body, 10 is all there is, more is beyond it; 0 for what moves. */
function holdEffort({ segment, exercise, school }: AskedDrill, { body, capacity }: AskedBody): number {
  if (!isHeld(exercise, segment.dose)) return 0;
  return (10 * stillSeconds(segment.dose)) / segmentEndurance(segment, exercise, body, capacity, school);
}

/**
 * What a drill asks of a limit: degrees, breadths, seconds, a rate; true or false for what it does or not. Read from the posture and
 * every moment of the cycle, of holds in seconds and in breaths alike.
 * @param sides those it is done on
 */
export function drillAsks(
  drill: AskedDrill,
  { name, side, value }: Pick<NotedLimit, 'name' | 'side' | 'value'>,
  whose: AskedBody,
  sides: ReadonlySet<string> = workedSides(drill.segment.dose),
): number | boolean {
  const { segment, exercise } = drill;
  const posture = segmentPosture(segment, exercise);
  const moving = framesOf(exercise);
  const { dose } = segment;
  const does = (movement: Exercise['movements'][number]): boolean => exercise.movements.includes(movement);
  const most = (of: (works: string) => readonly number[]): number => Math.max(0, ...[...sides].flatMap(of));
  const handOn = segment.turned?.handOn === true;
  switch (name) {
    case 'bendDeg':
      return most((works) => bendsOf(exercise, posture, side, works));
    case 'armsDeg': {
      const hands = [...sides].flatMap((works) => handsOf(exercise, side, works));
      if (moving.length === 0 || hands.length === 0) return posture.shoulderRaiseDeg;
      return hands.some((up) => up > CHEST) ? 90 : 0;
    }
    case 'overheadSeconds':
      return overheadSeconds(drill, posture);
    case 'foldDeg':
      return does('rolls the back')
        ? ROLLED_DEG
        : Math.max(posture.trunkPitchDeg, ...moving.map(({ shape }) => shape?.trunk?.leanDeg ?? 0));
    case 'width':
      return posture.seated ? 0 : Math.max(posture.stanceWidth, ...moving.map((frame) => frame.stanceWidth ?? 0));
    case 'twistDeg':
      return mostInCycle(drill, ({ turnDeg, hipsShare }) => Math.abs(turnDeg) * (1 - hipsShare));
    case 'turnOnLegDeg':
      if (posture.seated) return 0;
      return mostInCycle(drill, ({ turnDeg, hipsShare, weight }) =>
        Math.max(weight, 1 - weight) < MOST_WEIGHT ? 0 : Math.abs(turnDeg) * hipsShare,
      );
    case 'turnSpeed':
      return turnSpeed(exercise, dose);
    case 'standSeconds':
      return posture.seated ? 0 : stillSeconds(dose);
    case 'effort':
      return holdEffort(drill, whose);
    case 'noLift':
      return !handOn && !posture.seated && (posture.otherLifted || moving.some(({ lifted }) => lifted !== 'none'));
    case 'noToes':
      return !handOn && moving.some(({ heel }) => heel !== 'none');
    case 'noSwing':
      return does('swings a leg') && (value === 'at all' || !handOn);
    case 'noSquat':
      return (
        exercise.family === 'strength' &&
        [...sides].some((works) => {
          const bends = bendsOf(exercise, posture, side, works);
          return Math.max(...bends) - Math.min(...bends) >= SQUAT;
        })
      );
    case 'noCrossing':
      return does('crosses a leg');
    case 'noStepAcross':
      return does('steps across');
    case 'noSeatedLean':
      return does('leans while seated');
    case 'noHeadCircles':
      return does('circles the head');
    case 'noHeadBack':
      return does('tips the head back');
    case 'noBounce':
      return does('bounces');
    case 'noBelly':
      return does('works the belly');
    case 'noHeldBreath':
      return dose.kind === 'breath' && longestPause(slowestBreath(dose)) > 0;
    case 'breathShare':
      return dose.kind === 'breath' ? breathRate(slowestBreath(dose)) : Infinity;
  }
}
