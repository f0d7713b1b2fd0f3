import type { Body } from '../body/body';
import { bowAtHeight, bowGeometry, type BowGeometry } from '../body/bowGeometry';
import { stanceOfPosture } from '../schools/stanceOfPosture';
import type { SettledPosture } from '../schools/conventions';
import type { CycleMoment } from './cycleMoment';

/** With the working leg behind, the height is that of the weight in the middle. */
const MIDDLE = 0.5;

/**
 * Both legs of a bow while the weight goes between the feet: the hips stay as high as the posture has them with its own
 * share of the weight and the bend of the moment, so that nobody bobs.
 * @param bow the posture as the front leg has it at the moment: share, distance and toes
 * @param posture of the exercise
 */
export function levelBow(
  body: Body,
  bow: SettledPosture,
  posture: Pick<SettledPosture, 'weightShare'>,
  moment: Pick<CycleMoment, 'bendDeg' | 'ahead'>,
): BowGeometry {
  const ahead = bow.ahead * body.lengths.foot;
  const own = { ...stanceOfPosture(bow), kneeBendDeg: moment.bendDeg };
  const share = moment.ahead > 0 ? posture.weightShare : MIDDLE;
  const { front } = bowGeometry(body, { ...own, weightShare: share }, ahead, bow.otherToesOutDeg);
  return bowAtHeight(body, own, ahead, bow.otherToesOutDeg, front.hip.y);
}
