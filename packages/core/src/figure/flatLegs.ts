import { rad } from '../words/angles';
import { ANKLE_ALONG, BALL_ALONG, type Body } from '../body/body';
import { stanceOfPosture } from '../schools/stanceOfPosture';
import { postureStatics, type Point, type PostureStatics } from '../body/statics';
import type { SettledPosture } from '../schools/conventions';
import type { CycleMoment } from './cycleMoment';
import { levelBow } from './levelBow';

/** Nearer than this heel to heel, in m, two feet stand side by side. */
const SIDE_BY_SIDE = 0.02;

/** A leg seen from the side, m; x from its own heel. */
export interface FlatLeg {
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
export function flatLegs(body: Body, posture: SettledPosture, moment: CycleMoment): Legs {
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

export interface RolledFoot {
  readonly heelAlong: number;
  readonly heelUp: number;
  readonly ankleAlong: number;
  readonly ankleUp: number;
}

/** Where heel and ankle go when a heel is lifted, m from where they are flat; `heel` 0–1. */
export function rolledFoot({ lengths }: Body, heel: number): RolledFoot {
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
export function raised({ ankle, knee, hip }: FlatLeg, { ankleAlong, ankleUp }: RolledFoot): FlatLeg {
  const up = (point: Point): Point => ({ x: point.x + ankleAlong, y: point.y + ankleUp });
  return { ankle: up(ankle), knee: up(knee), hip: up(hip) };
}

/** A leg on a seat: shin plumb, thigh level. */
export function seatedLeg({ lengths }: Body): FlatLeg {
  const ankle = { x: lengths.foot / 4, y: lengths.ankleHeight };
  const knee = { x: ankle.x, y: ankle.y + lengths.shank };
  return { ankle, knee, hip: { x: knee.x - lengths.thigh, y: knee.y } };
}
