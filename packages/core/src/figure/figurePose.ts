import type { Body } from '../body/body';
import type { Posture } from '../library/exercise';
import { settlePosture, type SettledPosture } from '../schools/conventions';
import type { School } from '../schools/school';
import { placeArm } from './arms';
import type { Placed } from './bodyPlaces';
import { stillMoment, type CycleMoment } from './cycleMoment';
import { centreOfMass3 } from './centreOfMass3';
import { flatLegs, seatedLeg } from './flatLegs';
import {
  carried,
  hipHeight,
  laidOnKnee,
  legOf,
  limbOf,
  pelvisOver,
  sideOf,
  withinReach,
  type Limb,
  type Role,
  type Whole,
} from './legs';
import { level, type Point3 } from './point3';
import type { FigurePose, FootSide, PoseArm } from './pose';
import { spineOver } from './spine';

type Built = Omit<FigurePose, 'centreOfMass' | 'statics' | 'weight'>;

/** How much of a rounding weighs like a lean: the trunk hangs from its upper end. House value. */
const ROUND_LEANS = 0.45;

/** The posture as it is at a moment of its drill: leaning so far, and pressed on there. */
export function postureAt<P extends SettledPosture>(posture: P, { shape }: Pick<CycleMoment, 'shape'>): P {
  const { leanDeg, roundDeg } = shape.trunk;
  if (leanDeg === null && roundDeg === 0 && shape.pressurePoint === null) return posture;
  const lean = (leanDeg ?? posture.trunkPitchDeg) + ROUND_LEANS * roundDeg;
  return {
    ...posture,
    trunkPitchDeg: Math.max(-30, Math.min(100, lean)),
    pressurePoint: shape.pressurePoint ?? posture.pressurePoint,
  };
}

/** Rounds in which two arms that take turns lying on each other come to terms. */
const MUTUAL = 5;

/** Both arms: first the one whose hand lies on nothing of the other. */
function armsOf(whole: Whole, placed: Placed): Record<FootSide, PoseArm> {
  const { body, posture, moment, working } = whole;
  const { shape } = moment;
  const { chestTurnDeg } = placed.spine;
  const onOther = (role: Role): boolean =>
    (role === 'working' ? shape.arm : shape.otherArm).stands.some(
      ({ on }) => on !== null && on.startsWith('other ') && on !== 'other knee',
    );
  const arm = (role: Role, other: PoseArm | null): PoseArm =>
    placeArm({
      body,
      posture,
      side: sideOf(role, working),
      placed,
      facing: level(chestTurnDeg),
      across: level(chestTurnDeg + 90),
      moment: role === 'working' ? shape.arm : shape.otherArm,
      other,
    });
  const [first, second]: readonly [Role, Role] = onOther('working') ? ['other', 'working'] : ['working', 'other'];
  let one = arm(first, null);
  let two = arm(second, one);
  // From one hand on the other arm to the other one on this: each has to know where the other is.
  for (let round = 0; onOther(first) && round < MUTUAL; round += 1) {
    one = arm(first, two);
    two = arm(second, one);
  }
  return { [sideOf(first, working)]: one, [sideOf(second, working)]: two } as Record<FootSide, PoseArm>;
}

/** The whole body above its feet, with the pelvis in one place. */
function assemble(whole: Whole, limbs: readonly [Limb, Limb], pelvis: Point3): Built {
  const { body, posture, moment, working } = whole;
  const { lengths } = body;
  const spine = spineOver(body, posture.trunkPitchDeg, moment, working, pelvis);
  const [first, second] = limbs.map((limb) => carried(whole, limb, pelvis)) as [Limb, Limb];
  const across = level(spine.hipTurnDeg + 90);
  const other = { foot: second.foot, leg: legOf(whole, second, pelvis, across) };
  const mine = laidOnKnee(whole, first, legOf(whole, first, pelvis, across), other.leg, moment.shape.footOnKnee);
  const by = <T>(one: T, two: T): Record<FootSide, T> =>
    ({ [first.side]: one, [second.side]: two }) as Record<FootSide, T>;
  const hipDrop = lengths.shank + lengths.thigh + lengths.ankleHeight - Math.min(first.leg.hip.y, second.leg.hip.y);
  const { leanDeg, roundDeg } = moment.shape.trunk;
  const bows = roundDeg !== 0 || (leanDeg !== null && leanDeg !== whole.upright);
  const bowed = bows ? lengths.trunk + lengths.headBeyondShoulder - (spine.head.y - pelvis.y) : 0;
  const legs = by(mine.leg, other.leg);
  const placed: Placed = { body, pelvis, spine, legs, toes: by(first.toes, second.toes) };
  return {
    body,
    working,
    seated: posture.seated,
    feet: by(mine.foot, other.foot),
    legs,
    arms: armsOf(whole, placed),
    pelvis,
    spine,
    shoulders: spine.shoulders,
    head: spine.head,
    turnDeg: spine.turnDeg,
    hipTurnDeg: spine.hipTurnDeg,
    headTurnDeg: spine.headTurnDeg,
    lookUpDeg: spine.lookUpDeg,
    headDrop: hipDrop + bowed,
  };
}

/** Moving the pelvis moves all but the feet: a few rounds bring the centre of mass over the point. */
const ROUNDS = 6;
/** Nearer than this it is over it, m. */
const BALANCED = 1e-6;

/**
 * A posture, or one moment of a cycle, as a body in space. Seen square to the working foot (`square`)
 * the legs stand exactly where the statics put them; seen from the front and from above the toes turn
 * out and the pelvis shifts until the centre of mass is over the point between the feet where the
 * weight falls. Limits: a leg that goes out to the side is not shortened in the side view.
 */
export function figurePose(
  body: Body,
  own: SettledPosture,
  moment: CycleMoment,
  working: FootSide,
  square = false,
): FigurePose {
  const posture = postureAt(own, moment);
  const whole: Whole = { body, posture, moment, working, square, upright: own.trunkPitchDeg };
  const flat = posture.seated ? null : flatLegs(body, posture, moment);
  const seat = seatedLeg(body);
  const limbs = [
    limbOf(whole, 'working', flat?.working ?? seat),
    limbOf(whole, 'other', flat?.other ?? seat),
  ] as const satisfies readonly Limb[];
  const [{ foot: first }, { foot: second }] = limbs;
  if (posture.seated) {
    const weight = { x: seat.hip.x, y: 0, z: 0 };
    const pose = assemble(whole, [...limbs], { ...weight, y: hipHeight(whole, limbs) });
    const mass = centreOfMass3(pose);
    return { ...pose, centreOfMass: mass, weight: { ...mass, y: 0 }, statics: null };
  }
  const weight: Point3 = {
    x: first.share * first.pressure.x + second.share * second.pressure.x,
    y: 0,
    z: first.share * first.pressure.z + second.share * second.pressure.z,
  };
  let pelvis = withinReach(whole, limbs, pelvisOver(whole, weight, hipHeight(whole, limbs)));
  let pose = assemble(whole, [...limbs], pelvis);
  let mass = centreOfMass3(pose);
  for (let round = 0; round < ROUNDS && Math.hypot(weight.x - mass.x, weight.z - mass.z) > BALANCED; round += 1) {
    const over = { x: pelvis.x + (weight.x - mass.x), y: pelvis.y, z: pelvis.z + (weight.z - mass.z) };
    pelvis = withinReach(whole, limbs, over);
    pose = assemble(whole, [...limbs], pelvis);
    mass = centreOfMass3(pose);
  }
  return { ...pose, centreOfMass: mass, weight, statics: flat?.statics ?? null };
}

/** A posture held still as a school stands, as a body in space; see {@link figurePose}. */
export function stillPose(body: Body, posture: Posture, school: School, working: FootSide, square = false): FigurePose {
  const settled = settlePosture(posture, school);
  return figurePose(body, settled, stillMoment({ posture: settled }), working, square);
}
