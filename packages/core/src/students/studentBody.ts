import { bodyOf, standardBody, type Body } from '../body/body';
import { USUAL_ANKLE_RANGE } from '../body/bendLimits';
import type { KnownCapacity } from '../body/postureAnswers';
import { capacityFromHolds, type LimitedBy } from '../endurance/capacity';
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
export function bodyOfStudent(student: Student | null): StudentBody {
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

export interface StudentCapacity extends KnownCapacity {
  /** Where each number comes from. */
  readonly legsFrom: 'test holds' | 'guess';
  readonly armsFrom: 'test holds' | 'guess';
}

/** A guess may be this factor too high or too low. House value. */
const GUESS_SPREAD = 1.4;
/** One test hold may be this factor off. House value. */
const TEST_SPREAD = 1.1;
/** Age taken when the year of birth is not known. */
const USUAL_AGE = 45;
/** Test holds older than this many days no longer count. House value. */
const STALE_DAYS = 365;

const daysBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / 86_400_000;

/** What legs and arms can give: from test holds of the last year, else a guess by age and habit. */
export function capacityOfStudent(
  student: Student | null,
  measures: readonly Measure[],
  today: string,
): StudentCapacity {
  const { body } = bodyOfStudent(student);
  const year = Number(today.slice(0, 4));
  const age = student?.birthYear == null ? USUAL_AGE : Math.max(0, Math.min(120, year - student.birthYear));
  const guess = capacityGuess(body.mass, age, 'unknown', student?.habit ?? 'active');
  const holds = measuresOf(measures, 'hold').filter((hold) => daysBetween(hold.day, today) <= STALE_DAYS);
  const tested = (by: LimitedBy): number | null =>
    holds.some((hold) => hold.stoppedBy === by) ? capacityFromHolds(body, holds, by).momentNm : null;
  const factor = student?.capacityFactor ?? 1;
  const legs = student === null ? null : tested('legs');
  const arms = student === null ? null : tested('arms');
  return {
    kneeNm: (legs ?? guess.kneeNm) * factor,
    shoulderNm: (arms ?? guess.shoulderNm) * factor,
    spread: legs === null || arms === null ? GUESS_SPREAD : TEST_SPREAD,
    legsFrom: legs === null ? 'guess' : 'test holds',
    armsFrom: arms === null ? 'guess' : 'test holds',
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
