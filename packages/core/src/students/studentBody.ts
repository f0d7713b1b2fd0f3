import { bodyOf, standardBody, type Body } from '../body/body';
import { USUAL_ANKLE_RANGE } from '../body/bendLimits';
import type { KnownCapacity } from '../endurance/postureAnswers';
import { strengthOfHold } from '../endurance/capacity';
import { learnedStrength, togetherPrior, type LearnedStrength } from '../endurance/learnedStrength';
import { dayNumber } from '../days/dayNumber';
import { practisedHolds, type Practised } from './practisedHolds';
import type { LimitedBy } from '../endurance/limits';
import { capacityGuess } from '../endurance/capacityGuess';
import { measuresOf, type Measure } from './measure';
import type { Student } from './student';

export interface StudentBody {
  readonly body: Body;
  /** What was not measured and is taken from the standard body. */
  readonly assumed: readonly ('stature' | 'mass')[];
}

const metres = (centimetres: number | null): number | undefined =>
  centimetres === null ? undefined : centimetres / 100;

/**
 * The body of a student, with the standard one where nothing was measured.
 * @throws RangeError when a measured part cannot belong to that stature
 */
export function bodyOfStudent(
  student: Pick<Student, 'statureCm' | 'massKg' | 'shankCm' | 'thighCm' | 'footCm'> | null,
): StudentBody {
  if (student === null) return { body: standardBody, assumed: ['stature', 'mass'] };
  const { statureCm, massKg } = student;
  const parts = Object.entries({
    shank: metres(student.shankCm),
    thigh: metres(student.thighCm),
    foot: metres(student.footCm),
  }).filter(([, value]) => value !== undefined);
  return {
    body: bodyOf({
      stature: metres(statureCm) ?? standardBody.stature,
      mass: massKg ?? standardBody.mass,
      ...Object.fromEntries(parts),
    }),
    assumed: [...(statureCm === null ? ['stature' as const] : []), ...(massKg === null ? ['mass' as const] : [])],
  };
}

/** Why a measured length cannot belong to this student; null when all can. */
export function bodyProblem(student: Student): string | null {
  try {
    bodyOfStudent(student);
    return null;
  } catch (error) {
    if (error instanceof RangeError) return error.message;
    throw error;
  }
}

/** Where a strength comes from. */
export type StrengthFrom = 'test holds' | 'practice' | 'guess';
/** What is known of the legs or the arms, N·m; eight times in ten it is between `least` and `most`. */
export interface KnownStrength extends LearnedStrength {
  readonly from: StrengthFrom;
  /** How many practices have told of it. */
  readonly practices: number;
}
export interface StudentCapacity extends KnownCapacity {
  readonly legs: KnownStrength;
  readonly arms: KnownStrength;
}

/** A guess, or a test, may be this factor too high or too low (one standard deviation). House values. */
const GUESS_FACTOR = 1.5;
export const TEST_FACTOR = 1.1;
/** A test counts half after so many days: a body changes. House value. */
const TEST_HALF_LIFE = 182;
/** What practice has narrowed to this, the ends of eight in ten as a ratio, is known without a test. House value. */
const KNOWN_RATIO = 1.6;
/** Age taken when the year of birth is not known. */
const USUAL_AGE = 45;
/** Test holds older than this many days no longer count. House value. */
const STALE_DAYS = 365;

/** The ends of eight in ten as a factor on both sides. */
const spreadOf = ({ least, most }: LearnedStrength): number => Math.sqrt(most / least);

/**
 * What legs and arms can give: from test holds of the last year, else a guess by age and habit; and from what each practice
 * has told since, the older the less (sources: Capacity).
 * @param practised left out where practices are not at hand
 */
export function capacityOfStudent(
  student: Student | null,
  measures: readonly Measure[],
  today: string,
  practised: Practised | null = null,
): StudentCapacity {
  const { body } = bodyOfStudent(student);
  const year = Number(today.slice(0, 4));
  const age = student?.birthYear == null ? USUAL_AGE : Math.max(0, Math.min(120, year - student.birthYear));
  const guess = capacityGuess({ mass: body.mass, age, habit: student?.habit ?? 'active', stature: body.stature });
  const holds = measuresOf(measures, 'hold').filter((hold) => dayNumber(today) - dayNumber(hold.day) <= STALE_DAYS);
  const { evidence, practices } =
    practised === null || student === null ? { evidence: [], practices: 0 } : practisedHolds(body, practised, today);
  const factor = student?.capacityFactor ?? 1;
  const known = (by: LimitedBy, guessed: number): KnownStrength => {
    const tests = student === null ? [] : holds.filter(({ stoppedBy }) => stoppedBy === by);
    const opinions = tests.flatMap((hold) => {
      const momentNm = strengthOfHold(body, hold);
      const weight = 2 ** (-(dayNumber(today) - dayNumber(hold.day)) / TEST_HALF_LIFE);
      return momentNm === null ? [] : [{ momentNm: momentNm * factor, factor: TEST_FACTOR, weight }];
    });
    const tested = opinions.length > 0;
    const prior = togetherPrior([{ momentNm: guessed * factor, factor: GUESS_FACTOR, weight: 1 }, ...opinions]);
    const learned = learnedStrength(prior, by, evidence);
    const narrow = learned.most / learned.least <= KNOWN_RATIO;
    return { ...learned, practices, from: tested ? 'test holds' : narrow ? 'practice' : 'guess' };
  };
  const legs = known('legs', guess.kneeNm);
  const arms = known('arms', guess.shoulderNm);
  return {
    kneeNm: legs.momentNm,
    shoulderNm: arms.momentNm,
    spread: { legs: spreadOf(legs), arms: spreadOf(arms) },
    guessed: { legs: legs.from === 'guess', arms: arms.from === 'guess' },
    legs,
    arms,
  };
}

/** Degrees of ankle a centimetre of the knee-to-wall test is worth (after Bennell et al. 1998; from memory). */
const DEGREES_PER_CM = 3.6;

/** The ankle's range from the newest knee-to-wall test of the stiffer side, else the usual one. */
export function ankleRangeOf(measures: readonly Measure[]): number {
  const tests = measuresOf(measures, 'knee to wall');
  const newest = (['left', 'right'] as const).flatMap((side) => tests.find((test) => test.side === side) ?? []);
  if (newest.length === 0) return USUAL_ANKLE_RANGE;
  const degrees = Math.min(...newest.map((test) => test.cm)) * DEGREES_PER_CM;
  return Math.max(5, Math.min(60, degrees));
}

/** Breaths a minute at rest, from the newest measure; null when none was taken. */
export const restingBreathOf = (measures: readonly Measure[]): number | null =>
  measuresOf(measures, 'resting breath')[0]?.perMinute ?? null;
