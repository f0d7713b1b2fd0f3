import { rad } from '../words/angles';
import { bowGeometry, type BowGeometry, type LegPoints } from '../body/bowGeometry';
import { GRAVITY, type Body } from '../body/body';
import { stanceMoments, type StanceMoments } from '../body/jointMoments';
import { stanceOfPosture } from '../schools/stanceOfPosture';
import type { Stance } from '../body/statics';
import type { SettledPosture } from '../schools/conventions';
import { effortFromEndurance, enduranceTime, type Endurance } from './enduranceTime';
import { joints, type JointParameters } from './joints';
import { LEAST_EFFORT, relativeEffort } from './relativeEffort';
import { jointCapacity, peakPerKilogram, kneeShareAt, type LoadedJoint, type Strength } from './strength';

/** What a test hold was stopped by, and what is known of a person. */
export type LimitedBy = 'legs' | 'arms';
/** What gives out first in a posture. */
export type Limit = LimitedBy | 'back';

/** The joints each of them may give out in. */
export const jointsOf: Readonly<Record<Limit, readonly LoadedJoint[]>> = {
  legs: ['knee', 'ankle', 'hip'],
  arms: ['shoulder'],
  back: ['trunk'],
};

/** The side of the hip has no published line of its own: that of the trunk is taken (house choice). */
export const lineOf: Readonly<Record<LoadedJoint, keyof typeof joints>> = {
  knee: 'knee',
  ankle: 'ankle',
  hip: 'trunk',
  trunk: 'trunk',
  shoulder: 'shoulder',
};
export const parametersOf = (joint: LoadedJoint): JointParameters => joints[lineOf[joint]];
export const lasting = (joint: LoadedJoint, effort: number): Endurance =>
  enduranceTime(lineOf[joint], Math.min(1, effort));

/** A moment this small tests nothing, N·m. */
const NO_MOMENT = 0.05;

/** What one moment of a body asks of one leg, one arm and the back; bend of the knee in degrees. */
export interface Loads extends StanceMoments {
  readonly bendDeg: number;
}

/**
 * A deep fold is carried by ligaments: the muscles of the back fall silent (flexion–relaxation, Floyd & Silver 1955, from
 * memory). From the first angle on less, from the second on none; house values.
 */
const FOLD = [50, 80] as const;

/** The loads of a posture over one foot. @param trunkPitchDeg of it, for a deep fold */
export function stanceLoads(body: Body, stance: Stance): Loads {
  const moments = stanceMoments(body, stance);
  const carried = 1 - Math.max(0, Math.min(1, (stance.trunkPitchDeg - FOLD[0]) / (FOLD[1] - FOLD[0])));
  return { ...moments, trunkNm: moments.trunkNm * carried, bendDeg: stance.kneeBendDeg };
}

/** Both ends of what a knee of a bow may carry, and what is reckoned with between them, N·m. */
export interface KneeRange {
  readonly least: number;
  readonly likely: number;
  readonly most: number;
}

/** A force along the floor that goes through hip and foot under a push of the floor straight up, N; forward is above 0. */
const wedge = ({ hip }: LegPoints, at: number, push: number): number => (push * (hip.x - at)) / hip.y;

/**
 * The knees of a bow, N·m, from the geometry of both feet. The feet may press apart, each towards the hip, and as hard as
 * the foot that carries less allows: how much is not known. Both ends are given, none and all of it; reckoned with is what
 * spares the knee that works harder, as a body would find it (house choice). With all the weight on one leg there is
 * nothing to press against.
 * @param posture its share is that of the front leg
 */
export function bowKnees(
  body: Body,
  posture: SettledPosture,
  { front, rear, frontBendDeg, rearBendDeg }: BowGeometry,
): { readonly front: KneeRange; readonly rear: KneeRange } {
  const weight = body.mass * GRAVITY;
  const [frontPush, rearPush] = [posture.weightShare * weight, (1 - posture.weightShare) * weight];
  const frontAt = posture.pressurePoint * body.lengths.foot;
  const rearAt = frontAt * Math.cos(rad(posture.otherToesOutDeg)) - posture.ahead * body.lengths.foot;
  const most = Math.max(0, Math.min(-wedge(front, frontAt, frontPush), wedge(rear, rearAt, rearPush)));
  const upright = { front: frontPush * (front.knee.x - frontAt), rear: rearPush * (rear.knee.x - rearAt) };
  // Pressing apart loads the front knee and spares the rear one.
  const [frontGives, rearGives] = [frontBendDeg, rearBendDeg].map((bend) =>
    kneeShareAt(Math.max(0, Math.min(150, bend))),
  );
  const even =
    (upright.rear * frontGives! - upright.front * rearGives!) / (front.knee.y * rearGives! + rear.knee.y * frontGives!);
  const likely = Math.max(0, Math.min(most, even));
  return {
    front: {
      least: upright.front,
      likely: upright.front + front.knee.y * likely,
      most: upright.front + front.knee.y * most,
    },
    rear: {
      least: upright.rear - rear.knee.y * most,
      likely: upright.rear - rear.knee.y * likely,
      most: upright.rear,
    },
  };
}

/** The two feet of a posture that stands with one ahead. */
export const bowOfPosture = (body: Body, posture: SettledPosture): BowGeometry =>
  bowGeometry(body, stanceOfPosture(posture), posture.ahead * body.lengths.foot, posture.otherToesOutDeg);

/** The loads of a held posture on its working leg; a bow by its own geometry. */
export function postureLoads(body: Body, posture: SettledPosture): Loads {
  const loads = stanceLoads(body, stanceOfPosture(posture));
  if (posture.ahead <= 0 || posture.otherLifted) return loads;
  return { ...loads, kneeNm: bowKnees(body, posture, bowOfPosture(body, posture)).front.likely };
}

const momentOf = (loads: Loads, joint: LoadedJoint): number =>
  ({
    knee: loads.kneeNm,
    ankle: loads.ankleNm,
    hip: loads.hipNm,
    trunk: loads.trunkNm,
    shoulder: Math.abs(loads.shoulderNm),
  })[joint];

/**
 * Share of its capacity that a moment asks of a joint. A moment that stretches the knee, or lies behind ankle or hip, is
 * carried by ligaments and bones: tone only (sources: How long a posture holds).
 */
export const jointEffort = (loads: Loads, joint: LoadedJoint, strength: Strength): number => {
  const moment = momentOf(loads, joint);
  return moment <= 0 ? LEAST_EFFORT : relativeEffort(moment, jointCapacity(joint, strength, loads.bendDeg));
};

export interface LimitTime extends Endurance {
  /** The joint that gives out. */
  readonly joint: LoadedJoint;
  readonly effort: number;
}

/** How long legs, arms or back hold out, by the first of their joints that gives out. */
export function limitTime(loads: Loads, strength: Strength, by: Limit): LimitTime {
  return jointsOf[by]
    .map((joint): LimitTime => {
      const effort = jointEffort(loads, joint, strength);
      return { ...lasting(joint, effort), joint, effort };
    })
    .reduce((first, other) => (other.seconds < first.seconds ? other : first));
}

/**
 * The same as `limitTime` on a scale of logarithms, for many strengths of one posture at once: ln seconds by ln strength, the
 * strength that of the knee at its best bend or of the shoulder.
 */
export function logLimitTime(loads: Loads, by: LimitedBy): (logStrength: number) => number {
  const lines = jointsOf[by].map((joint) => {
    const { b0, b1 } = parametersOf(joint);
    // A capacity is so many times the strength, whatever that is.
    const perStrength = jointCapacity(joint, { kneeNm: 1, shoulderNm: 1 }, loads.bendDeg);
    const moment = momentOf(loads, joint);
    return { from: Math.log(b0), slope: b1, effort: moment <= 0 ? -Infinity : Math.log(moment / perStrength) };
  });
  const least = Math.log(LEAST_EFFORT);
  return (logStrength) => {
    let first = Infinity;
    for (const { from, slope, effort } of lines)
      first = Math.min(first, from + slope * Math.max(least, Math.min(0, effort - logStrength)));
    return first;
  };
}

/**
 * The strength that holds out for just so long: that of the joint that asks for the most of it; of several joints of a leg
 * the strongest that would not have lasted longer. N·m of the knee at its best bend, or of the shoulder; null where the
 * posture does not load them.
 */
export function strengthFor(loads: Loads, seconds: number, by: LimitedBy): number | null {
  const needed = jointsOf[by].flatMap((joint) => {
    const moment = momentOf(loads, joint);
    const capacity = moment / effortFromEndurance(lineOf[joint], seconds);
    if (moment <= NO_MOMENT) return [];
    if (joint === 'shoulder') return [capacity];
    return [
      joint === 'knee'
        ? capacity / kneeShareAt(loads.bendDeg)
        : (capacity * peakPerKilogram.knee) / peakPerKilogram[joint],
    ];
  });
  return needed.length === 0 ? null : Math.max(...needed);
}
