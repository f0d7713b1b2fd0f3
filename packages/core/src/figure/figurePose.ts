import { rad } from '../words/angles';
import { ANKLE_ALONG, BALL_ALONG, type Body } from '../body/body';
import { bentLeg } from '../body/bowGeometry';
import { HIP_JOINTS } from '../body/jointMoments';
import { stanceOfPosture } from '../schools/stanceOfPosture';
import { postureStatics, type Point, type PostureStatics } from '../body/statics';
import type { SettledPosture } from '../schools/conventions';
import { placeArm } from './arms';
import type { CycleMoment } from './cycleMoment';
import { centreOfMass3 } from './centreOfMass3';
import { levelBow } from './levelBow';
import { add, scaled, UP, type Point3 } from './point3';

export type FootSide = 'left' | 'right';

export interface PoseFoot {
  readonly heel: Point3;
  readonly toe: Point3;
  readonly ankle: Point3;
  /** Degrees outward. */
  readonly toesOutDeg: number;
  /** Share of the body weight on it. */
  readonly share: number;
  readonly lifted: boolean;
  /** Where the weight presses through the sole. */
  readonly pressure: Point3;
}
export interface PoseLeg {
  readonly ankle: Point3;
  readonly knee: Point3;
  readonly hip: Point3;
}
export interface PoseArm {
  readonly shoulder: Point3;
  readonly elbow: Point3;
  readonly wrist: Point3;
  readonly hand: Point3;
}

/** A body in space: x forward, y up, z to its own right, m; the floor is y 0. */
export interface FigurePose {
  readonly body: Body;
  readonly working: FootSide;
  readonly seated: boolean;
  readonly feet: Readonly<Record<FootSide, PoseFoot>>;
  readonly legs: Readonly<Record<FootSide, PoseLeg>>;
  readonly arms: Readonly<Record<FootSide, PoseArm>>;
  readonly pelvis: Point3;
  readonly shoulders: Point3;
  readonly head: Point3;
  /** Pelvis turned to its right, degrees. */
  readonly turnDeg: number;
  readonly centreOfMass: Point3;
  /** Where the weight falls on the floor. */
  readonly weight: Point3;
  /** How far the head has come down, m. */
  readonly headDrop: number;
  /** Of the working leg; null when seated. */
  readonly statics: PostureStatics | null;
}

const mix = (a: number, b: number, share: number): number => a + (b - a) * share;

/** How high a lifted foot is drawn, as a share of stature. */
const LIFT = 0.07;
/** Nearer than this heel to heel, in m, two feet stand side by side. */
const SIDE_BY_SIDE = 0.02;

interface FlatLeg {
  readonly ankle: Point;
  readonly knee: Point;
  readonly hip: Point;
}

interface Legs {
  readonly working: FlatLeg;
  readonly other: FlatLeg;
  readonly statics: PostureStatics;
}

/** Both legs seen from the side; x from the heel of each foot's own place. */
function flatLegs(body: Body, posture: SettledPosture, moment: CycleMoment): Legs {
  const stance = {
    ...stanceOfPosture(posture),
    kneeBendDeg: moment.bendDeg,
    weightShare: Math.max(moment.weight, 1 - moment.weight),
  };
  const statics = postureStatics(body, stance);
  const ahead = moment.ahead * body.lengths.foot;
  if (Math.abs(ahead) < SIDE_BY_SIDE || moment.lifted !== 'none') {
    const { ankle, knee, hip } = statics.joints;
    const leg = { ankle, knee, hip };
    return { working: leg, other: leg, statics };
  }
  const workingInFront = ahead > 0;
  const frontShare = workingInFront ? moment.weight : 1 - moment.weight;
  const rearOut = workingInFront ? posture.otherToesOutDeg : posture.toesOutDeg;
  const front = { ...posture, weightShare: frontShare, ahead: Math.abs(moment.ahead), otherToesOutDeg: rearOut };
  const bow = levelBow(body, front, posture, moment);
  const back = (point: Point): Point => ({ x: point.x + Math.abs(ahead), y: point.y });
  const rear = { ankle: back(bow.rear.ankle), knee: back(bow.rear.knee), hip: back(bow.rear.hip) };
  return workingInFront ? { working: bow.front, other: rear, statics } : { working: rear, other: bow.front, statics };
}

/** How far a foot rolls up over its ball when the heel is lifted all the way, degrees. */
const ROLL = 35;

interface RolledFoot {
  readonly heelAlong: number;
  readonly heelUp: number;
  readonly ankleAlong: number;
  readonly ankleUp: number;
}

/** Where heel and ankle go when a heel is lifted, m from where they are flat; `heel` 0–1. */
function rolledFoot({ lengths }: Body, heel: number): RolledFoot {
  const [sin, cos] = [Math.sin(rad(ROLL * heel)), Math.cos(rad(ROLL * heel))];
  const [back, behind] = [BALL_ALONG * lengths.foot, (BALL_ALONG - ANKLE_ALONG) * lengths.foot];
  return {
    heelAlong: back * (1 - cos),
    heelUp: back * sin,
    ankleAlong: behind * (1 - cos) + lengths.ankleHeight * sin,
    ankleUp: behind * sin + lengths.ankleHeight * (cos - 1),
  };
}

/** A leg that the rolled foot lifts and takes forward. */
function raised({ ankle, knee, hip }: FlatLeg, { ankleAlong, ankleUp }: RolledFoot): FlatLeg {
  const up = (point: Point): Point => ({ x: point.x + ankleAlong, y: point.y + ankleUp });
  return { ankle: up(ankle), knee: up(knee), hip: up(hip) };
}

function seatedLeg({ lengths }: Body): FlatLeg {
  const ankle = { x: lengths.foot / 4, y: lengths.ankleHeight };
  const knee = { x: ankle.x, y: ankle.y + lengths.shank };
  return { ankle, knee, hip: { x: knee.x - lengths.thigh, y: knee.y } };
}

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
  const { lengths } = body;
  const legsFlat = posture.seated ? null : flatLegs(body, posture, moment);
  const seat = seatedLeg(body);
  const turn = (working === 'right' ? 1 : -1) * moment.turnDeg;
  const apart = moment.stanceWidth * lengths.shoulderBreadth;
  const shares = { working: moment.weight, other: 1 - moment.weight };
  const sides = { working, other: working === 'right' ? 'left' : 'right' } as const;

  const built = (['working', 'other'] as const).map((role) => {
    const side = sides[role];
    const sign = side === 'right' ? 1 : -1;
    const flat = legsFlat === null ? seat : legsFlat[role];
    const rolled = rolledFoot(body, moment.heel[role]);
    const leg = raised(flat, rolled);
    const turned = role === 'working' ? moment.toesOutDeg : moment.otherToesOutDeg;
    const out = square ? 0 : (turned ?? (role === 'working' ? posture.toesOutDeg : posture.otherToesOutDeg));
    const direction = { x: Math.cos(rad(out)), y: 0, z: sign * Math.sin(rad(out)) };
    const ahead = ((role === 'working' ? 1 : -1) * moment.ahead * lengths.foot) / 2;
    const lifted = moment.lifted === role;
    const up = lifted ? moment.lift * LIFT * body.stature : 0;
    const place = { x: ahead, y: up, z: (sign * apart) / 2 };
    const onFoot = (along: number): Point3 => add(place, scaled(direction, along));
    const foot: PoseFoot = {
      heel: { ...onFoot(rolled.heelAlong), y: up + rolled.heelUp },
      toe: onFoot(lengths.foot),
      ankle: { ...onFoot(lengths.foot / 4 + rolled.ankleAlong), y: lengths.ankleHeight + up + rolled.ankleUp },
      toesOutDeg: out,
      share: posture.seated ? 0.5 : shares[role],
      lifted,
      pressure: { ...onFoot(posture.pressurePoint * lengths.foot), y: up },
    };
    return { role, side, sign, leg, direction, foot, place };
  });
  const [first, second] = built as [(typeof built)[0], (typeof built)[0]];

  const weight: Point3 = posture.seated
    ? { x: seat.hip.x, y: 0, z: 0 }
    : {
        x: first.foot.share * first.foot.pressure.x + second.foot.share * second.foot.pressure.x,
        y: 0,
        z: first.foot.share * first.foot.pressure.z + second.foot.share * second.foot.pressure.z,
      };
  // The standing foot carries the pelvis; a lifted one only follows.
  const carrying = built.filter((entry) => !entry.foot.lifted);
  const all = carrying.reduce((sum, entry) => sum + Math.max(0.01, entry.foot.share), 0);
  const hipX = carrying.reduce(
    (sum, { foot, leg, direction, place }) =>
      sum + (Math.max(0.01, foot.share) / all) * (place.x + leg.hip.x * direction.x),
    0,
  );
  const hipY = Math.min(...built.map((entry) => entry.leg.hip.y));
  let pelvis: Point3 = { x: hipX, y: hipY, z: weight.z };

  const facing = { x: Math.cos(rad(turn)), y: 0, z: Math.sin(rad(turn)) };
  const across = { x: -Math.sin(rad(turn)), y: 0, z: Math.cos(rad(turn)) };
  const assemble = (): Omit<FigurePose, 'centreOfMass' | 'statics' | 'weight'> => {
    const pitch = rad(posture.trunkPitchDeg);
    const spine = add(scaled(facing, Math.sin(pitch)), scaled(UP, Math.cos(pitch)));
    const shoulders = add(pelvis, scaled(spine, lengths.trunk));
    const head = add(shoulders, scaled(spine, lengths.headBeyondShoulder));
    const half = (HIP_JOINTS * lengths.hipBreadth) / 2;
    const legOf = ({ sign, leg, foot, direction }: (typeof built)[0]): PoseLeg => {
      const hip = add(pelvis, scaled(across, sign * half));
      const unturned = { ...pelvis, z: pelvis.z + sign * half };
      if (foot.lifted) {
        const flat = bentLeg(lengths.shank, lengths.thigh, { x: foot.ankle.x, y: foot.ankle.y }, unturned);
        return {
          ankle: foot.ankle,
          hip,
          knee: { ...flat.knee, z: mix(foot.ankle.z, unturned.z, lengths.shank / (lengths.shank + lengths.thigh)) },
        };
      }
      // The knee stays where the legs put it while the pelvis turns above it.
      const ahead = leg.knee.x - leg.ankle.x;
      const share = lengths.shank / (lengths.shank + lengths.thigh);
      const sideways = mix(foot.ankle.z, unturned.z, share) + ahead * direction.z;
      return {
        ankle: foot.ankle,
        hip,
        knee: { x: foot.ankle.x + ahead * direction.x, y: leg.knee.y, z: sideways },
      };
    };
    const arm = (role: 'working' | 'other'): PoseArm =>
      placeArm({
        body,
        posture,
        sign: sides[role] === 'right' ? 1 : -1,
        pelvis,
        shoulders,
        facing,
        across,
        target: role === 'working' ? moment.hand : moment.otherHand,
      });
    const by = <T>(of: (entry: (typeof built)[0]) => T): Record<FootSide, T> =>
      ({ [first.side]: of(first), [second.side]: of(second) }) as Record<FootSide, T>;
    const straight = lengths.shank + lengths.thigh + lengths.ankleHeight;
    return {
      body,
      working,
      seated: posture.seated,
      feet: by((entry) => entry.foot),
      legs: by(legOf),
      arms: by((entry) => arm(entry.role)),
      pelvis,
      shoulders,
      head,
      turnDeg: turn,
      headDrop: straight - pelvis.y,
    };
  };

  let pose = assemble();
  let mass = centreOfMass3(pose);
  if (!posture.seated) {
    // Moving the pelvis moves all but the feet: a few rounds bring the centre of mass over the point.
    for (let round = 0; round < 6; round += 1) {
      pelvis = { x: pelvis.x + (weight.x - mass.x), y: pelvis.y, z: pelvis.z + (weight.z - mass.z) };
      pose = assemble();
      mass = centreOfMass3(pose);
    }
  }
  return {
    ...pose,
    centreOfMass: mass,
    weight: posture.seated ? { ...mass, y: 0 } : weight,
    statics: legsFlat?.statics ?? null,
  };
}
