import type { Exercise } from '../library/exercise';
import type { SettledPosture } from '../schools/conventions';
import type { School } from '../schools/school';
import { turnedWords } from '../routine/turnedWords';
import { nextRung, type RungBody } from './nextRung';
import type { Strand } from '../goals/plan';

/** Where a hold is stood. */
interface Place {
  readonly posture: SettledPosture;
  readonly exercise: Pick<Exercise, 'twoSided'>;
  readonly body: RungBody;
}

/**
 * What may be made harder while a raise is being saved up: the next axis of the ladder after the dose itself, by the
 * school's order for a hold; slower for what is counted. Empty where nothing is left.
 */
export function meanwhileWords(
  { axis }: Pick<Strand, 'axis'>,
  place: Place | undefined,
  school: Pick<School, 'rungOrder'>,
): string {
  if (axis === 'repetitions' || axis === 'breaths') return 'the same, slower';
  if (axis !== 'time') return '';
  if (place === undefined || place.posture.seated) return '';
  const rung = nextRung(place.body, place.posture, place.exercise, { level: 1, target: 1 }, school);
  return rung?.turned == null ? '' : turnedWords(rung.turned);
}
