import { enduranceTime } from '../endurance/enduranceTime';
import { holdEndurance, limitingMoment, type LimitedBy } from '../endurance/capacity';
import { relativeEffort } from '../endurance/relativeEffort';
import type { SettledPosture } from '../schools/conventions';
import { balanceLimit, retractableStep, toeLineBend, USUAL_ANKLE_RANGE } from './bendLimits';
import type { Body } from './body';
import { bowGeometry } from './bowGeometry';
import { postureStatics, type Stance } from './statics';

/** What a person's joints can give, N·m, and how sure that is. */
export interface KnownCapacity {
  readonly kneeNm: number;
  readonly shoulderNm: number;
  /** A factor ×/÷ on both: 1 when it was measured well. */
  readonly spread: number;
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
}

export interface PostureAnswers {
  /** Knee beyond the toe line, m; negative behind it. */
  readonly kneePastToes: number;
  /** The bend at which the knee meets the toe line, degrees; null when it never does. */
  readonly toeLineBendDeg: number | null;
  /** The bend that uses up the ankle, degrees; null when none does. */
  readonly balanceLimitDeg: number | null;
  readonly headDrop: number;
  readonly limitedBy: LimitedBy;
  readonly legs: HoldTime;
  readonly arms: HoldTime;
  /** Beyond the free hip joint, with all the weight on the other leg, m. */
  readonly retractableStep: number;
  /** How much the rear leg of a bow is too short for the step, m. */
  readonly stepTooLong: number;
}

/** The posture of a working leg as the statics take it. */
export const stanceOfPosture = (posture: SettledPosture): Stance => ({
  kneeBendDeg: posture.kneeBendDeg,
  trunkPitchDeg: posture.trunkPitchDeg,
  shoulderRaiseDeg: posture.shoulderRaiseDeg,
  elbowBendDeg: posture.elbowBendDeg,
  pressurePoint: posture.pressurePoint,
  weightShare: posture.weightShare,
});

const UNSURE_DEG = 5;
const MOST_BEND = 120;
const bentBy = (stance: Stance, change: number): Stance => ({
  ...stance,
  kneeBendDeg: Math.max(0, Math.min(150, stance.kneeBendDeg + change)),
});

/** The bend at which the front knee of a bow reaches its toe line, degrees; null when it never does. */
function bowToeLine(body: Body, posture: SettledPosture): number | null {
  const past = (kneeBendDeg: number): number =>
    bowGeometry(
      body,
      { ...stanceOfPosture(posture), kneeBendDeg },
      posture.ahead * body.lengths.foot,
      posture.otherToesOutDeg,
    ).kneePastToes;
  for (let bend = 1; bend <= MOST_BEND; bend += 1) if (past(bend) >= 0) return bend;
  return null;
}

function holdTime(body: Body, stance: Stance, capacity: KnownCapacity, by: LimitedBy): HoldTime {
  const capacityNm = by === 'legs' ? capacity.kneeNm : capacity.shoulderNm;
  const bends = by === 'legs' ? [-UNSURE_DEG, UNSURE_DEG] : [0];
  const ends = bends.flatMap((change) =>
    [capacityNm / capacity.spread, capacityNm * capacity.spread].map(
      (value) => holdEndurance(body, bentBy(stance, change), value, by).seconds,
    ),
  );
  const middle = holdEndurance(body, stance, capacityNm, by);
  return { ...middle, least: Math.min(middle.seconds, ...ends), most: Math.max(middle.seconds, ...ends) };
}

/** Share of its capacity that a posture asks of the legs or the arms. */
export const effortOf = (body: Body, stance: Stance, capacity: KnownCapacity, by: LimitedBy): number =>
  relativeEffort(limitingMoment(body, stance, by), by === 'legs' ? capacity.kneeNm : capacity.shoulderNm);

/**
 * What a teacher asks of a posture on one body (model §2, §4, §5): the knee against the toe line, how
 * low, what gives out first and when, how far the free foot may go. In a bow the knee and the step come
 * from the geometry of both feet; the moment still from the leg alone, shear neglected.
 * @param ankleRangeDeg 5–60
 */
export function postureAnswers(
  body: Body,
  posture: SettledPosture,
  capacity: KnownCapacity,
  ankleRangeDeg = USUAL_ANKLE_RANGE,
): PostureAnswers {
  const stance = stanceOfPosture(posture);
  const statics = postureStatics(body, stance);
  const bow =
    posture.ahead > 0 ? bowGeometry(body, stance, posture.ahead * body.lengths.foot, posture.otherToesOutDeg) : null;
  const legs = posture.seated
    ? { ...enduranceTime('knee', 0.03), least: Infinity, most: Infinity, unlimited: true }
    : holdTime(body, stance, capacity, 'legs');
  const arms = holdTime(body, stance, capacity, 'arms');
  const straight = body.lengths.shank + body.lengths.thigh + body.lengths.ankleHeight;
  const headDrop = bow === null ? statics.headDrop : Math.max(0, straight - bow.front.hip.y);
  return {
    kneePastToes: bow?.kneePastToes ?? statics.kneePastToes,
    toeLineBendDeg: bow === null ? toeLineBend(body, stance) : bowToeLine(body, posture),
    balanceLimitDeg: balanceLimit(body, stance, ankleRangeDeg),
    headDrop,
    limitedBy: arms.seconds < legs.seconds ? 'arms' : 'legs',
    legs,
    arms,
    retractableStep: retractableStep(body, Math.min(headDrop, body.lengths.shank + body.lengths.thigh)),
    stepTooLong: bow?.tooLong ?? 0,
  };
}
