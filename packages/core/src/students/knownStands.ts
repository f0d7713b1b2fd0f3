import type { Body } from '../body/body';
import { postureAnswers } from '../endurance/postureAnswers';
import { holdWords } from '../endurance/answerWords';
import type { Posture } from '../library/exercise';
import { settlePosture } from '../schools/conventions';
import type { School } from '../schools/school';
import type { StudentCapacity } from './studentBody';
import { strengthWords } from './strengthWords';

/** A plain stand at shoulder width, and the same with round arms. */
const stand: Posture = {
  seated: false,
  kneeBendDeg: 30,
  trunkPitchDeg: 0,
  shoulderRaiseDeg: 45,
  elbowBendDeg: 45,
  weightShare: 0.5,
  pressurePoint: null,
  stanceWidth: 1,
  ahead: 0,
  toesOutDeg: null,
  otherToesOutDeg: null,
  otherLifted: false,
  shape: null,
};

/** What is known of legs and arms, as the time of a stand with round arms at 30°, and from where it is known. */
export function knownStands(body: Body, capacity: StudentCapacity, school: School): string[] {
  const { legs, arms } = postureAnswers(body, settlePosture(stand, school), capacity);
  return [
    `Legs, bent 30°: ${holdWords(legs)}. ${strengthWords(capacity.legs)}`,
    `Arms, round before the chest: ${holdWords(arms)}. ${strengthWords(capacity.arms)}`,
  ];
}
