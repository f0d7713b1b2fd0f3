import { rad } from '../words/angles';
import { GRAVITY, massFractions, type Body } from '../body/body';
import { stanceOfPosture } from '../schools/stanceOfPosture';
import { levelBow } from '../figure/levelBow';
import { cycleMoment, stillMoment, unturnedEnds, isPlayable, type CycleMoment } from '../figure/cycleMoment';
import { figurePose, postureAt } from '../figure/figurePose';
import type { PoseArm } from '../figure/pose';
import { add, dot, minus, scaled, type Point3 } from '../figure/point3';
import type { Exercise } from '../library/exercise';
import type { Hand } from '../library/keyframe';
import type { HandPlace } from '../library/shape';
import type { SettledPosture } from '../schools/conventions';
import type { School } from '../schools/school';
import { bowKnees, postureLoads, stanceLoads, type Loads } from './limits';

/** What one instant of a drill asks of each limb, N·m. */
export interface BodyLoads {
  readonly working: Loads;
  readonly other: Loads;
  readonly trunkNm: number;
  readonly workingArmNm: number;
  readonly otherArmNm: number;
}

/** Instants a cycle is looked at. */
export const INSTANTS = 16;
/** Nearer than this heel to heel, in feet, two feet stand side by side. */
const SIDE_BY_SIDE = 0.1;

/** A hand as near as this rests on hip, thigh or belly: shoulder breadths out and forward, trunk lengths up. House values. */
const RESTING = { out: 0.75, forward: 0.35, up: 0.5 } as const;

/** Whether a hand lies on the body, so that its arm does no work. */
export const isResting = ({ out, forward, up }: Hand): boolean =>
  Math.abs(out) <= RESTING.out && Math.abs(forward) <= RESTING.forward && up <= RESTING.up;

const unloaded = (loads: Loads): Loads => ({ ...loads, kneeNm: 0, ankleNm: 0, hipNm: 0 });

/** How an arm's parts hang before and beside its shoulder, kg·m. */
function armLever({ mass, centres, lengths }: Body, arm: PoseArm): Point3 {
  const between = (from: Point3, to: Point3, share: number): Point3 => add(from, scaled(minus(to, from), share));
  const alongHand = minus(arm.hand, arm.wrist);
  const reach = Math.hypot(alongHand.x, alongHand.y, alongHand.z);
  const parts: readonly (readonly [number, Point3])[] = [
    [massFractions.upperArm, between(arm.shoulder, arm.elbow, centres.upperArm)],
    [massFractions.forearm, between(arm.elbow, arm.wrist, centres.forearm)],
    [massFractions.hand, add(arm.wrist, scaled(alongHand, (centres.hand * lengths.hand) / reach))],
  ];
  const lever = parts
    .map(([share, point]) => scaled(minus(point, arm.shoulder), share * mass))
    .reduce(add, { x: 0, y: 0, z: 0 });
  return { ...lever, y: 0 };
}

/** Both legs at an instant: side by side by their shares, one before the other by the geometry of a bow. */
function legsAt(body: Body, posture: SettledPosture, moment: CycleMoment): readonly [Loads, Loads] {
  const leg = (share: number, bend: number): Loads =>
    stanceLoads(body, { ...stanceOfPosture(posture), kneeBendDeg: bend, weightShare: share });
  const sides: readonly [number, number] = [moment.weight, 1 - moment.weight];
  const [working, other] = sides.map((share) => leg(share, moment.bendDeg)) as [Loads, Loads];
  if (moment.lifted === 'working') return [unloaded(working), leg(1, moment.bendDeg)];
  if (moment.lifted === 'other') return [leg(1, moment.bendDeg), unloaded(other)];
  if (Math.abs(moment.ahead) < SIDE_BY_SIDE) return [working, other];
  const front = moment.ahead > 0 ? 0 : 1;
  const bow = {
    ...posture,
    ahead: Math.abs(moment.ahead),
    kneeBendDeg: moment.bendDeg,
    weightShare: sides[front],
    otherToesOutDeg: front === 0 ? posture.otherToesOutDeg : posture.toesOutDeg,
  };
  const geometry = levelBow(body, bow, posture, moment);
  const knees = bowKnees(body, bow, geometry);
  const bend = (degrees: number): number => Math.max(0, Math.min(150, degrees));
  const frontLeg = { ...leg(sides[front], bend(geometry.frontBendDeg)), kneeNm: knees.front.likely };
  const rearLeg = { ...leg(sides[1 - front]!, bend(geometry.rearBendDeg)), kneeNm: knees.rear.likely };
  return front === 0 ? [frontLeg, rearLeg] : [rearLeg, frontLeg];
}

/** A hand that lies on the body below the shoulder carries its arm. */
const carries = ({ lies, hand, shoulder }: PoseArm): boolean => lies && hand.y < shoulder.y;

/** Whether a hand is in a place of its own, and not where the posture has it. */
const placed = ({ stands: [, from, to] }: CycleMoment['shape']['arm']): boolean =>
  [from, to].some(({ hand, on }) => hand !== null || on !== null);

/** Who sits leans on hands, elbows or a chair, and who stands on the hands that lie on the legs: so much of a lean is left to the back. House value. */
const SEATED_LEAN = 0.5;
const PROPPED = 0.5;

/** What a hand leans on. */
const onLegs: ReadonlySet<HandPlace> = new Set([
  'thigh',
  'outer thigh',
  'inner thigh',
  'knee',
  'other knee',
  'outer shin',
  'inner shin',
  'ankle',
]);
/** How much of a lean both hands leave to the back. */
function leftToBack(seated: boolean, { arm, otherArm }: CycleMoment['shape']): number {
  if (seated) return SEATED_LEAN;
  const leans = [arm, otherArm].filter(({ stands: [, from, to] }) =>
    [from, to].every(({ on }) => on !== null && onLegs.has(on)),
  );
  return 1 - (leans.length / 2) * (1 - PROPPED);
}

function loadsAt(body: Body, own: SettledPosture, moment: CycleMoment): BodyLoads {
  const posture = postureAt(own, moment);
  const [working, other] = posture.seated
    ? ([0, 1].map(() => unloaded(postureLoads(body, posture))) as [Loads, Loads])
    : legsAt(body, posture, moment);
  const pose = figurePose(body, own, moment, 'right');
  const turn = rad(pose.turnDeg);
  const facing = { x: Math.cos(turn), y: 0, z: Math.sin(turn) };
  const still = stanceLoads(body, stanceOfPosture(posture));
  /** What the arm asks of its shoulder, and of the back. */
  const arm = (hand: Hand | null, doing: CycleMoment['shape']['arm'], place: PoseArm): readonly [number, number] => {
    if (!placed(doing)) return [Math.abs(still.shoulderNm), still.shoulderNm];
    if (carries(place) || (hand !== null && isResting(hand))) return [0, 0];
    const lever = armLever(body, place);
    return [GRAVITY * Math.hypot(lever.x, lever.z), GRAVITY * dot(lever, facing)];
  };
  const [workingArmNm, forward] = arm(moment.hand, moment.shape.arm, pose.arms.right);
  const [otherArmNm, otherForward] = arm(moment.otherHand, moment.shape.otherArm, pose.arms.left);
  const leaning = (still.trunkNm - 2 * still.shoulderNm) * leftToBack(posture.seated, moment.shape);
  const trunkNm = leaning + forward + otherForward;
  return { working, other, workingArmNm, otherArmNm, trunkNm };
}

/** A held posture: the working leg, the other one with the rest of the weight, both arms alike. */
export function holdLoads(body: Body, posture: SettledPosture): BodyLoads {
  const loads = postureLoads(body, posture);
  const { weightShare: weight, kneeBendDeg: bendDeg, ahead } = posture;
  const [, other] = legsAt(body, posture, { ...atRest, weight, bendDeg, ahead });
  const free = posture.seated || posture.otherLifted;
  return {
    working: posture.seated ? unloaded(loads) : loads,
    other: free ? unloaded(other) : other,
    trunkNm: loads.trunkNm * leftToBack(posture.seated, stillMoment({ posture }).shape),
    workingArmNm: Math.abs(loads.shoulderNm),
    otherArmNm: Math.abs(loads.shoulderNm),
  };
}

const atRest: CycleMoment = {
  phase: 0,
  within: 0,
  breath: 'free',
  weight: 0.5,
  turnDeg: 0,
  bendDeg: 0,
  stanceWidth: 1,
  ahead: 0,
  lifted: 'none',
  lift: 0,
  hand: null,
  otherHand: null,
  ...unturnedEnds,
};

/** Drills of this family go down and come up in each repetition. */
const RISING: Exercise['family'] = 'strength';
/** From this lean on a drill without known moments is taken to go down to it and come up again, degrees. */
const LEANS = 20;
/** How far down it is, moment by moment. */
const DOWN_AND_UP = [0.25, 0.75, 1, 0.75] as const;
/** A back that is rounded bone by bone hangs in its ligaments and nearer to the hips: so much is left to its muscles. House value. */
const ROUNDED = 0.5;

/** A drill that leans down and comes up, of which the moments are not known. */
function leaning(body: Body, exercise: Exercise, posture: SettledPosture): BodyLoads[] {
  const muscles = exercise.movements.includes('rolls the back') ? ROUNDED : 1;
  return DOWN_AND_UP.map((share) => {
    const loads = holdLoads(body, { ...posture, trunkPitchDeg: posture.trunkPitchDeg * share });
    return { ...loads, trunkNm: loads.trunkNm * muscles };
  });
}

/**
 * What a drill asks of the body instant by instant, evenly through one cycle (sources: Fatigue and reserve): of one whose movement is known its
 * own moments; of another the weight here and across, or low and half way up. Nothing that moves is reckoned as held still.
 * @param posture as it is done, with the school's conventions
 * @returns in the words of the working side
 */
export function cycleLoads(
  body: Body,
  exercise: Exercise,
  posture: SettledPosture,
  school: School,
): readonly BodyLoads[] {
  if (isPlayable(exercise)) {
    const turned = { ...exercise, posture };
    const muscles = exercise.movements.includes('rolls the back') ? ROUNDED : 1;
    return Array.from({ length: INSTANTS }, (_, index) => {
      const loads = loadsAt(body, posture, cycleMoment(turned, school, (index + 0.5) / INSTANTS)!);
      return { ...loads, trunkNm: loads.trunkNm * muscles };
    });
  }
  const here = holdLoads(body, posture);
  if (exercise.family === RISING) return [here, holdLoads(body, { ...posture, kneeBendDeg: posture.kneeBendDeg / 2 })];
  if (posture.trunkPitchDeg >= LEANS) return leaning(body, exercise, posture);
  return [here, { ...here, working: here.other, other: here.working }];
}
