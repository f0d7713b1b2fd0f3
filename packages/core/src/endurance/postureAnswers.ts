import { balanceLimit, retractableStep, sideStep, toeLineBend, USUAL_ANKLE_RANGE } from '../body/bendLimits';
import type { Body } from '../body/body';
import { stanceOfPosture } from '../schools/stanceOfPosture';
import { postureStatics } from '../body/statics';
import type { SettledPosture } from '../schools/conventions';
import { bentBy, UNSURE_DEG } from './exchange';
import { bowKnees, bowOfPosture, limitTime, postureLoads, type Limit, type LimitedBy, type Loads } from './limits';
import type { LoadedJoint, Strength } from './strength';
import { keyOf, Remembered } from './remembered';

/** What a person's joints can give, N·m, and how sure that is. */
export interface KnownCapacity extends Strength {
  /** Factors ×/÷: 1 when it was measured well. */
  readonly spread: Readonly<Record<LimitedBy, number>>;
  /** What was neither tested nor learned from practice. */
  readonly guessed: Readonly<Record<LimitedBy, boolean>>;
}

export interface HoldTime {
  readonly seconds: number;
  /** With the bend read five degrees wrong, and the capacity at either end of its range. */
  readonly least: number;
  readonly most: number;
  /** Longer than forty minutes: the joint is not what limits here. */
  readonly unlimited: boolean;
  /** Below the efforts that were ever measured. */
  readonly extrapolated: boolean;
  /** The joint that gives out. */
  readonly joint: LoadedJoint;
}

export interface PostureAnswers {
  /** Knee beyond the toe line, m; negative behind it. */
  readonly kneePastToes: number;
  /** The bend at which the knee meets the toe line, degrees; null when it never does. */
  readonly toeLineBendDeg: number | null;
  /** The bend that uses up the ankle, degrees; null when none does. */
  readonly balanceLimitDeg: number | null;
  readonly headDrop: number;
  readonly limitedBy: Limit;
  readonly legs: HoldTime;
  readonly arms: HoldTime;
  readonly back: HoldTime;
  /** Beyond the free hip joint, with all the weight on the other leg, m. */
  readonly retractableStep: number;
  /** How far to the side it can be placed, foot to foot, m. */
  readonly sideStep: number;
  /** How much the rear leg of a bow is too short for the step, m. */
  readonly stepTooLong: number;
}

const MOST_BEND = 120;

/** The bend at which the front knee of a bow reaches its toe line, degrees; null when it never does. */
function bowToeLine(body: Body, posture: SettledPosture): number | null {
  const past = (kneeBendDeg: number): number => bowOfPosture(body, { ...posture, kneeBendDeg }).kneePastToes;
  for (let bend = 1; bend <= MOST_BEND; bend += 1) if (past(bend) >= 0) return bend;
  return null;
}

/** The loads as they may be: the bend read wrong, and in a bow either way in which the feet may share the force. */
function likelyLoads(body: Body, posture: SettledPosture, by: Limit): Loads[] {
  const bends = by === 'legs' ? [-UNSURE_DEG, 0, UNSURE_DEG] : [0];
  return bends.flatMap((change) => {
    const bent = bentBy(posture, change);
    const loads = postureLoads(body, bent);
    if (by !== 'legs' || posture.ahead <= 0 || posture.otherLifted) return [loads];
    const { least, most } = bowKnees(body, bent, bowOfPosture(body, bent)).front;
    return [least, most].map((kneeNm): Loads => ({ ...loads, kneeNm }));
  });
}

function holdTime(body: Body, posture: SettledPosture, capacity: KnownCapacity, by: Limit): HoldTime {
  const middle = limitTime(postureLoads(body, posture), capacity, by);
  const { kneeNm, shoulderNm, spread } = capacity;
  // Back and calf are reckoned from the legs as a whole.
  const limb = by === 'arms' ? 'arms' : 'legs';
  const ends = likelyLoads(body, posture, by).flatMap((loads) =>
    [1 / spread[limb], spread[limb]].map(
      (factor) => limitTime(loads, { kneeNm: kneeNm * factor, shoulderNm: shoulderNm * factor }, by).seconds,
    ),
  );
  const { seconds, unlimited, extrapolated, joint } = middle;
  return {
    seconds,
    unlimited,
    extrapolated,
    joint,
    least: Math.min(seconds, ...ends),
    most: Math.max(seconds, ...ends),
  };
}

const sitting: HoldTime = {
  seconds: Infinity,
  least: Infinity,
  most: Infinity,
  unlimited: true,
  extrapolated: true,
  joint: 'knee',
};

/** Which of legs, arms and back gives out first. */
export const firstLimit = ({ legs, arms, back }: Pick<PostureAnswers, 'legs' | 'arms' | 'back'>): Limit => {
  const first = Math.min(legs.seconds, arms.seconds, back.seconds);
  return first === arms.seconds && arms.seconds < legs.seconds ? 'arms' : first === legs.seconds ? 'legs' : 'back';
};

/**
 * What a teacher asks of a posture on one body (sources: Posture; How long a posture holds; Capacity): the knee against the toe line, how
 * low, what gives out first and when, how far the free foot may go. In a bow the knee, its moment and the step come
 * from the geometry of both feet; the range then holds both ways in which they may share the force along the floor.
 * @param ankleRangeDeg 5–60
 */
export function postureAnswers(
  body: Body,
  posture: SettledPosture,
  capacity: KnownCapacity,
  ankleRangeDeg = USUAL_ANKLE_RANGE,
): PostureAnswers {
  const key = [keyOf(body), keyOf(capacity), JSON.stringify(posture), String(ankleRangeDeg)].join('|');
  return answered.get(key, () => workedOut(body, posture, capacity, ankleRangeDeg));
}

/** The postures of a class of thirty, once each. */
const answered = new Remembered<PostureAnswers>(2000);

function workedOut(
  body: Body,
  posture: SettledPosture,
  capacity: KnownCapacity,
  ankleRangeDeg: number,
): PostureAnswers {
  const stance = stanceOfPosture(posture);
  const statics = postureStatics(body, stance);
  const bow = posture.ahead > 0 ? bowOfPosture(body, posture) : null;
  const legs = posture.seated ? sitting : holdTime(body, posture, capacity, 'legs');
  const arms = holdTime(body, posture, capacity, 'arms');
  const back = holdTime(body, posture, capacity, 'back');
  const straight = body.lengths.shank + body.lengths.thigh + body.lengths.ankleHeight;
  const headDrop = bow === null ? statics.headDrop : Math.max(0, straight - bow.front.hip.y);
  const sunk = Math.min(headDrop, body.lengths.shank + body.lengths.thigh);
  return {
    kneePastToes: bow?.kneePastToes ?? statics.kneePastToes,
    toeLineBendDeg: bow === null ? toeLineBend(body, stance) : bowToeLine(body, posture),
    balanceLimitDeg: balanceLimit(body, stance, ankleRangeDeg),
    headDrop,
    limitedBy: firstLimit({ legs, arms, back }),
    legs,
    arms,
    back,
    retractableStep: retractableStep(body, sunk),
    sideStep: sideStep(body, sunk),
    stepTooLong: bow?.tooLong ?? 0,
  };
}
