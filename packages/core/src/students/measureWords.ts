import { dayWords } from '../words/dayWords';
import { percent } from '../words/percent';
import { USUAL_ANKLE_RANGE } from '../body/bendLimits';
import { SLOW_SHARE } from '../breath/breathCare';
import { shareFromScales } from '../body/twoScales';
import { standardBody, type Body } from '../body/body';
import { SHALLOW_BEND, strengthOfHold } from '../endurance/capacity';
import { chairStandNorm, isShortOneLeg, oneLegNorm, TANDEM_SECONDS } from '../screening/norms';
import { durationWords } from '../words/durationWords';
import type { Measure, MeasureOf } from './measure';
import { ankleRangeOf, TEST_FACTOR } from './studentBody';

/** What was measured, as one reads it. */
export function measureValue(measure: Measure): string {
  switch (measure.kind) {
    case 'hold':
      return `${durationWords(measure.seconds)} at ${Math.round(measure.stance.kneeBendDeg)}°, stopped by the ${measure.stoppedBy}`;
    case 'one-leg stand':
      return `${durationWords(measure.seconds)} on the ${measure.side}`;
    case 'chair stand':
      return `${measure.count} times in 30 s`;
    case 'tandem stand':
      return durationWords(measure.seconds);
    case 'two scales':
      return `${measure.leftKg} kg left, ${measure.rightKg} kg right`;
    case 'knee to wall':
      return `${measure.cm} cm on the ${measure.side}`;
    case 'resting breath':
      return `${measure.perMinute} a minute`;
  }
}

/**
 * What a result means, in plain words; never a diagnosis (norms: Springer et al. 2007, CDC STEADI; from
 * memory).
 * @param age years; null when not known
 */
export function measureMeaning(measure: Measure, age: number | null): string {
  switch (measure.kind) {
    case 'hold':
      return measure.stance.kneeBendDeg < SHALLOW_BEND
        ? 'So high that the bones carry nearly all: test at 30° or lower.'
        : `From it the ${measure.stoppedBy} are estimated in every posture.`;
    case 'one-leg stand': {
      const norm = age === null ? null : oneLegNorm(age);
      if (norm === null) return 'With the year of birth it can be compared.';
      if (isShortOneLeg(measure.seconds, age))
        return `Well under the ${norm} s usual at this age: keep a chair within reach.`;
      return measure.seconds < norm
        ? `Under the ${norm} s usual at this age.`
        : `At or above the ${norm} s usual at this age.`;
    }
    case 'chair stand': {
      const [women, men] = age === null ? [null, null] : [chairStandNorm(age, 'female'), chairStandNorm(age, 'male')];
      if (women === null || men === null) return 'Norms begin at 60 years.';
      if (measure.count < Math.min(women, men))
        return 'Below average for the age: higher stance, first doses a third lower.';
      return measure.count < Math.max(women, men)
        ? `Average begins at ${women} for women and ${men} for men of this age: between the two nothing acts.`
        : 'Average or better for the age.';
    }
    case 'tandem stand':
      return measure.seconds < TANDEM_SECONDS
        ? `Under ${TANDEM_SECONDS} s: a raised risk of falling. Keep a chair within reach, and speak of it to a licensed practitioner.`
        : `${TANDEM_SECONDS} s or more: as it should be.`;
    case 'two scales': {
      const { share, error } = shareFromScales(measure.leftKg, measure.rightKg, measure.wantedLeft);
      return `${percent(share)} on the left, ${percent(measure.wantedLeft)} was wanted: off by ${Math.round(Math.abs(error) * 100)} points.`;
    }
    case 'knee to wall': {
      // As it is said, so it is compared.
      const range = Math.round(ankleRangeOf([measure]));
      return `An ankle of about ${range}°, ${range < USUAL_ANKLE_RANGE ? 'stiffer than' : 'as good as'} the usual ${USUAL_ANKLE_RANGE}°: it sets how low the heel stays down.`;
    }
    case 'resting breath':
      return measure.perMinute > 20
        ? 'Quicker than the ordinary 12 to 20 at rest: count again after a quiet minute.'
        : `Slow patterns are cautioned under ${(measure.perMinute * SLOW_SHARE).toFixed(1)} a minute.`;
  }
}

/** One test may be this factor off: a change is one only beyond what two may differ by. House value. */
const TWO_TESTS = TEST_FACTOR ** 2;

/** How the strength changed between two test holds of the same limb, whatever their postures. */
function holdTrend(hold: MeasureOf<'hold'>, before: MeasureOf<'hold'>, body: Body): string {
  const [now, then] = [strengthOfHold(body, hold), strengthOfHold(body, before)];
  if (hold.stoppedBy !== before.stoppedBy || now === null || then === null) return '';
  const points = Math.round(100 * (now / then - 1));
  const change = `${hold.stoppedBy} ${points < 0 ? '−' : '+'}${Math.abs(points)} % since ${dayWords(before.day)}`;
  const ratio = Math.max(now / then, then / now);
  return ratio > TWO_TESTS ? change : `${change}: no more than two tests differ by`;
}

/** How a repeated measure changed since the one before of the same kind and side; empty for the first. */
export function measureTrend(measure: Measure, before: Measure | undefined, body = standardBody): string {
  if (measure.kind === 'hold') return before?.kind === 'hold' ? holdTrend(measure, before, body) : '';
  const number = (value: Measure): number | null =>
    'seconds' in value
      ? value.seconds
      : value.kind === 'chair stand'
        ? value.count
        : value.kind === 'knee to wall'
          ? value.cm
          : value.kind === 'resting breath'
            ? value.perMinute
            : null;
  const [now, then] = [number(measure), before === undefined ? null : number(before)];
  if (now === null || then === null || then === 0 || before === undefined) return '';
  const change = Math.round((100 * (now - then)) / then);
  return change === 0
    ? `as on ${dayWords(before.day)}`
    : `${change > 0 ? '+' : '−'}${Math.abs(change)} % since ${dayWords(before.day)}`;
}
