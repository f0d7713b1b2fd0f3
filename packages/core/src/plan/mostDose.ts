import { stanceOfPosture } from '../schools/stanceOfPosture';
import { postureStatics } from '../body/statics';
import { bowOfPosture, type LimitedBy } from '../endurance/limits';
import type { FindingContext, Part } from '../findings/finding';
import { kneesArePast, longestHoldWithin, stepIsLong } from '../findings/onBody';
import { segmentPosture } from '../routine/turned';
import { settlePosture } from '../schools/conventions';
import { isPostureAxis } from '../axis/axis';
import type { Strand } from './plan';
import type { MostDose } from './planContext';
import { LEAST_OF_POSTURE, withSegmentValue } from '../axis/segmentAxis';

/** What forbids a segment in its posture; null when nothing does. */
function forbidden(context: FindingContext, part: Part, joints: readonly LimitedBy[]): MostDose['by'] | null {
  const { person, school } = context;
  const posture = settlePosture(segmentPosture(part.segment, part.exercise), school);
  if (posture.seated) return null;
  const { kneePastToes, shankTiltDeg } = postureStatics(person.body, stanceOfPosture(posture));
  const bow = posture.ahead > 0 ? bowOfPosture(person.body, posture) : null;
  const past = kneesArePast(bow ?? { kneePastToes });
  const long = bow !== null && stepIsLong({ stepTooLong: bow.tooLong });
  if (past || long || shankTiltDeg > person.ankleRangeDeg) return 'alignment';
  const { dose } = part.segment;
  return dose.kind === 'hold' && dose.holdSeconds > longestHoldWithin(context, part, joints) ? 'capacity' : null;
}

/**
 * The largest dose of a strand that its student's body allows: of a hold, the longest within the school's budget by whichever
 * of legs and arms is known; of a posture, the last step before knees, heels or the length of a step forbid it, or before its
 * hold goes beyond that budget. Null where nothing known limits it up to its target.
 * @param part the segment at its present doses
 * @param joints what was tested, or is known by practice
 */
export function mostDose(
  { axis, step, target, level }: Pick<Strand, 'axis' | 'step' | 'target' | 'level'>,
  part: Part,
  context: FindingContext,
  joints: readonly LimitedBy[],
): MostDose | null {
  if (axis === 'time') {
    const dose = longestHoldWithin(context, part, joints);
    return Number.isFinite(dose) ? { dose, by: 'capacity' } : null;
  }
  if (!isPostureAxis(axis)) return null;
  const steps = Math.floor(Math.max(target, level) / step + 1e-6);
  let allowed = 0;
  for (let at = Math.ceil(LEAST_OF_POSTURE[axis] / step - 1e-6); at <= steps; at += 1) {
    const value = at * step;
    const by = forbidden(context, { ...part, segment: withSegmentValue(part.segment, axis, value) }, joints);
    if (by !== null && allowed > 0) return { dose: allowed, by };
    if (by === null) allowed = value;
  }
  return null;
}
