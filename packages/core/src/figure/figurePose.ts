import { rad } from '../words/angles';
import type { Body } from '../body/body';
import { bentLeg } from '../body/bowGeometry';
import { HIP_JOINTS } from '../body/jointMoments';
import type { Palm } from '../library/keyframe';
import type { Posture } from '../library/exercise';
import { settlePosture, type SettledPosture } from '../schools/conventions';
import type { School } from '../schools/school';
import { placeArm } from './arms';
import { stillMoment, type CycleMoment } from './cycleMoment';
import { centreOfMass3 } from './centreOfMass3';
import { flatLegs, raised, rolledFoot, seatedLeg, type FlatLeg } from './flatLegs';
import { add, scaled, UP, type Point3 } from './point3';
import type { FigurePose, FootSide, PoseArm, PoseFoot, PoseLeg } from './pose';

const mix = (a: number, b: number, share: number): number => a + (b - a) * share;

/** How high a lifted foot is drawn, as a share of stature. */
const LIFT = 0.07;
/** How far the head goes up with hands overhead, degrees; a house value for drawing. */
const LOOK_UP = 30;
/** A head turns no further than this on its trunk, degrees; a house value for drawing. */
const HEAD_TURN = 60;

type Role = 'working' | 'other';

/** A foot where it stands, and the leg that stands on it, still flat. */
interface Limb {
  readonly role: Role;
  readonly side: FootSide;
  /** 1 right, -1 left. */
  readonly sign: number;
  readonly leg: FlatLeg;
  /** Where the toes point, and where the knee goes when it bends. */
  readonly toes: Point3;
  readonly kneeTo: Point3;
  readonly foot: PoseFoot;
  readonly place: Point3;
}

interface Whole {
  readonly body: Body;
  readonly posture: SettledPosture;
  readonly moment: CycleMoment;
  readonly working: FootSide;
  /** Seen square to the working foot: no toes turned out. */
  readonly square: boolean;
}

const otherSide = (side: FootSide): FootSide => (side === 'right' ? 'left' : 'right');
const sideOf = (role: Role, working: FootSide): FootSide => (role === 'working' ? working : otherSide(working));

function limbOf({ body, posture, moment, working, square }: Whole, role: Role, flat: FlatLeg): Limb {
  const { lengths } = body;
  const side = sideOf(role, working);
  const sign = side === 'right' ? 1 : -1;
  const rolled = rolledFoot(body, moment.heel[role]);
  const turned = role === 'working' ? moment.toesOutDeg : moment.otherToesOutDeg;
  const out = square ? 0 : (turned ?? (role === 'working' ? posture.toesOutDeg : posture.otherToesOutDeg));
  const pointing = (degrees: number): Point3 => ({ x: Math.cos(rad(degrees)), y: 0, z: sign * Math.sin(rad(degrees)) });
  const toes = pointing(out);
  const ahead = ((role === 'working' ? 1 : -1) * moment.ahead * lengths.foot) / 2;
  const lifted = moment.lifted === role;
  const up = lifted ? moment.lift * LIFT * body.stature : 0;
  const place = { x: ahead, y: up, z: (sign * moment.stanceWidth * lengths.shoulderBreadth) / 2 };
  const onFoot = (along: number): Point3 => add(place, scaled(toes, along));
  const share = role === 'working' ? moment.weight : 1 - moment.weight;
  const foot: PoseFoot = {
    heel: { ...onFoot(rolled.heelAlong), y: up + rolled.heelUp },
    toe: onFoot(lengths.foot),
    ankle: { ...onFoot(lengths.foot / 4 + rolled.ankleAlong), y: lengths.ankleHeight + up + rolled.ankleUp },
    toesOutDeg: out,
    share: posture.seated ? 0.5 : share,
    lifted,
    pressure: { ...onFoot(posture.pressurePoint * lengths.foot), y: up },
  };
  const kneeTo = square || posture.seated ? toes : pointing(out + posture.kneesOutDeg);
  return { role, side, sign, leg: raised(flat, rolled), toes, kneeTo, foot, place };
}

/** Where the legs carry the pelvis: the standing foot does, a lifted one only follows. */
function pelvisOver(limbs: readonly Limb[], weight: Point3): Point3 {
  const carrying = limbs.filter(({ foot }) => !foot.lifted);
  const all = carrying.reduce((sum, { foot }) => sum + Math.max(0.01, foot.share), 0);
  const x = carrying.reduce(
    (sum, { foot, leg, toes, place }) => sum + (Math.max(0.01, foot.share) / all) * (place.x + leg.hip.x * toes.x),
    0,
  );
  return { x, y: Math.min(...limbs.map(({ leg }) => leg.hip.y)), z: weight.z };
}

/** A leg below a pelvis: the knee stays where the legs put it while the pelvis turns above it. */
function legOf({ lengths }: Body, { sign, leg, foot, kneeTo }: Limb, pelvis: Point3, across: Point3): PoseLeg {
  const half = (HIP_JOINTS * lengths.hipBreadth) / 2;
  const hip = add(pelvis, scaled(across, sign * half));
  const unturned = { ...pelvis, z: pelvis.z + sign * half };
  const share = lengths.shank / (lengths.shank + lengths.thigh);
  if (foot.lifted) {
    const flat = bentLeg(lengths.shank, lengths.thigh, { x: foot.ankle.x, y: foot.ankle.y }, unturned);
    return { ankle: foot.ankle, hip, knee: { ...flat.knee, z: mix(foot.ankle.z, unturned.z, share) } };
  }
  const ahead = leg.knee.x - leg.ankle.x;
  const sideways = mix(foot.ankle.z, unturned.z, share) + ahead * kneeTo.z;
  return { ankle: foot.ankle, hip, knee: { x: foot.ankle.x + ahead * kneeTo.x, y: leg.knee.y, z: sideways } };
}

/** Where a palm faces in space. */
function palmTo(palm: Palm | null, sign: number, facing: Point3, across: Point3): Point3 | null {
  switch (palm) {
    case null:
      return null;
    case 'in':
      return scaled(across, -sign);
    case 'out':
      return scaled(across, sign);
    case 'up':
      return UP;
    case 'down':
      return scaled(UP, -1);
    case 'forward':
      return facing;
    case 'back':
      return scaled(facing, -1);
  }
}

/** How the head turns and looks up, by what the eyes do. */
function headOf({ moment }: Whole, turnDeg: number, working: FootSide): { headTurnDeg: number; lookUpDeg: number } {
  const { eyes, hand, otherHand } = moment;
  const raisedHands = Math.max(hand?.up ?? 0, otherHand?.up ?? 0) > 1.3;
  const lookUpDeg = eyes === 'up' && raisedHands ? LOOK_UP : 0;
  if (eyes === 'ahead')
    return { headTurnDeg: Math.max(turnDeg - HEAD_TURN, Math.min(turnDeg + HEAD_TURN, 0)), lookUpDeg };
  if (eyes !== 'following' || hand === null) return { headTurnDeg: turnDeg, lookUpDeg };
  const to = (Math.atan2(hand.out, Math.max(0.1, hand.forward)) * 180) / Math.PI;
  const sign = working === 'right' ? 1 : -1;
  return { headTurnDeg: turnDeg + sign * Math.max(-HEAD_TURN, Math.min(HEAD_TURN, to)), lookUpDeg };
}

type Built = Omit<FigurePose, 'centreOfMass' | 'statics' | 'weight'>;

/** The whole body above its feet, with the pelvis in one place. */
function assemble(whole: Whole, limbs: readonly [Limb, Limb], pelvis: Point3): Built {
  const { body, posture, moment, working } = whole;
  const { lengths } = body;
  const turn = (working === 'right' ? 1 : -1) * moment.turnDeg;
  const hipTurn = turn * moment.hipsShare;
  const facing = { x: Math.cos(rad(turn)), y: 0, z: Math.sin(rad(turn)) };
  const acrossAt = (degrees: number): Point3 => ({ x: -Math.sin(rad(degrees)), y: 0, z: Math.cos(rad(degrees)) });
  const across = acrossAt(turn);
  const pitch = rad(posture.trunkPitchDeg);
  const spine = add(scaled(facing, Math.sin(pitch)), scaled(UP, Math.cos(pitch)));
  const shoulders = add(pelvis, scaled(spine, lengths.trunk));
  const arm = ({ role, sign }: Limb): PoseArm => ({
    ...placeArm({
      body,
      posture,
      sign,
      pelvis,
      shoulders,
      facing,
      across,
      target: role === 'working' ? moment.hand : moment.otherHand,
    }),
    palm: palmTo(role === 'working' ? moment.palm : moment.otherPalm, sign, facing, across),
  });
  const by = <T>(of: (limb: Limb) => T): Record<FootSide, T> =>
    ({ [limbs[0].side]: of(limbs[0]), [limbs[1].side]: of(limbs[1]) }) as Record<FootSide, T>;
  return {
    body,
    working,
    seated: posture.seated,
    feet: by(({ foot }) => foot),
    legs: by((limb) => legOf(body, limb, pelvis, acrossAt(hipTurn))),
    arms: by(arm),
    pelvis,
    shoulders,
    head: add(shoulders, scaled(spine, lengths.headBeyondShoulder)),
    turnDeg: turn,
    hipTurnDeg: hipTurn,
    ...headOf(whole, turn, working),
    headDrop: lengths.shank + lengths.thigh + lengths.ankleHeight - pelvis.y,
  };
}

/** Moving the pelvis moves all but the feet: a few rounds bring the centre of mass over the point. */
const ROUNDS = 6;

/**
 * A posture, or one moment of a cycle, as a body in space. Seen square to the working foot (`square`)
 * the legs stand exactly where the statics put them; seen from the front and from above the toes turn
 * out and the pelvis shifts until the centre of mass is over the point between the feet where the
 * weight falls. Limits: a leg that goes out to the side is not shortened in the side view.
 */
export function figurePose(
  body: Body,
  posture: SettledPosture,
  moment: CycleMoment,
  working: FootSide,
  square = false,
): FigurePose {
  const whole: Whole = { body, posture, moment, working, square };
  const flat = posture.seated ? null : flatLegs(body, posture, moment);
  const seat = seatedLeg(body);
  const limbs = [
    limbOf(whole, 'working', flat?.working ?? seat),
    limbOf(whole, 'other', flat?.other ?? seat),
  ] as const satisfies readonly Limb[];
  const [{ foot: first }, { foot: second }] = limbs;
  if (posture.seated) {
    const weight = { x: seat.hip.x, y: 0, z: 0 };
    const pose = assemble(whole, [...limbs], pelvisOver(limbs, weight));
    const mass = centreOfMass3(pose);
    return { ...pose, centreOfMass: mass, weight: { ...mass, y: 0 }, statics: null };
  }
  const weight: Point3 = {
    x: first.share * first.pressure.x + second.share * second.pressure.x,
    y: 0,
    z: first.share * first.pressure.z + second.share * second.pressure.z,
  };
  let pelvis = pelvisOver(limbs, weight);
  let pose = assemble(whole, [...limbs], pelvis);
  let mass = centreOfMass3(pose);
  for (let round = 0; round < ROUNDS; round += 1) {
    pelvis = { x: pelvis.x + (weight.x - mass.x), y: pelvis.y, z: pelvis.z + (weight.z - mass.z) };
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
