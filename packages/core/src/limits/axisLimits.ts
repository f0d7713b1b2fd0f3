import * as z from 'zod';
import { isPostureAxis, type Axis } from '../axis/axis';
import { LEAST_OF_POSTURE, segmentValue, withSegmentValue } from '../axis/segmentAxis';
import { KNEE_SEEN, postureStatics } from '../body/statics';
import { caredSegment, type Changed } from '../care/caredRoutine';
import { bowOfPosture } from '../endurance/limits';
import type { Exercise } from '../library/exercise';
import { breathsIn, isHeld, stillSeconds } from '../library/heldSeconds';
import type { KnownBody } from '../person/personRecord';
import type { ExerciseSegment } from '../routine/routine';
import { segmentPosture } from '../routine/turned';
import { settlePosture } from '../schools/conventions';
import type { School } from '../schools/school';
import { stanceOfPosture } from '../schools/stanceOfPosture';
import { holdLimits } from './holdLimit';

/** What limits a dose: strength that is known, strength that is a guess, knees and heels, what is noted of the person, the minutes of a session. */
export const limitsFrom = ['strength', 'guess', 'alignment', 'noted', 'instead', 'minutes'] as const;
export type LimitFrom = (typeof limitsFrom)[number];

/** One limit of one goal. */
export const DoseLimitSchema = z.object({
  /** The largest dose it allows, in the units of the axis. */
  dose: z.number().min(0).max(1e6),
  from: z.enum(limitsFrom),
  /** Completes “2:00 min is …”: what it comes from. */
  reason: z.string().max(400),
  /** What would lift it. */
  mend: z.string().max(200),
});
export type DoseLimit = z.infer<typeof DoseLimitSchema>;

/** A segment as it is practised, whose goal it is, and in which school. */
export interface LimitedDrill {
  readonly segment: ExerciseSegment;
  readonly exercise: Exercise;
  readonly school: School;
  readonly person: KnownBody;
  readonly shelf: ReadonlyMap<string, Exercise>;
}

/** A step is too long from here, m. */
const LONG_STEP = 0.02;

/** Whether a posture keeps knees behind the toes, heels on the floor and its step within the rear leg's reach. */
function isAligned({ segment, exercise, school, person }: LimitedDrill): boolean {
  const posture = settlePosture(segmentPosture(segment, exercise), school);
  if (posture.seated) return true;
  const { kneePastToes, shankTiltDeg } = postureStatics(person.body, stanceOfPosture(posture));
  const bow = posture.ahead > 0 ? bowOfPosture(person.body, posture) : null;
  const past = (bow?.kneePastToes ?? kneePastToes) > KNEE_SEEN;
  return !past && (bow?.tooLong ?? 0) <= LONG_STEP && shankTiltDeg <= person.ankleRangeDeg;
}

/** How long the posture of a segment may be held for strength; see `holdLimits`. */
export const strengthOf = ({ segment, exercise, school, person }: LimitedDrill) =>
  isHeld(exercise, segment.dose)
    ? holdLimits(person, settlePosture(segmentPosture(segment, exercise), school), school)
    : [];

const limbNames = { legs: 'the legs', arms: 'the arms', back: 'the back' } as const;

/** The last step that is all right before one that is not; null where all are. */
type Allowed = (ok: (at: LimitedDrill) => boolean) => number | null;

function strengthLimit(drill: LimitedDrill, axis: Axis, allowed: Allowed): DoseLimit[] {
  const [first] = strengthOf(drill);
  const from = first === undefined || first.guessed ? 'guess' : 'strength';
  const made = (dose: number, limb: keyof typeof limbNames): DoseLimit => ({
    dose,
    from,
    reason:
      from === 'guess'
        ? `all that ${limbNames[limb]} could hold by a guess from age, habit and size`
        : `what the school’s budget allows by what is known of ${limbNames[limb]}`,
    mend: from === 'guess' ? 'A test hold, or practice, tells more.' : 'A new test hold may allow more.',
  });
  if (axis === 'time' && drill.segment.dose.kind === 'hold')
    return first === undefined ? [] : [made(first.seconds, first.by)];
  if (axis === 'breaths' && drill.segment.dose.kind === 'breath')
    return first === undefined ? [] : [made(breathsIn(drill.segment.dose, first.seconds), first.by)];
  if (!isPostureAxis(axis) && axis !== 'pace') return [];
  const dose = allowed((at) => {
    const [least] = strengthOf(at);
    return least === undefined || stillSeconds(at.segment.dose) <= least.seconds + 1e-9;
  });
  return dose === null ? [] : [made(dose, first?.by ?? 'legs')];
}

const NOTED_MEND = 'It stands as long as it is noted of the person.';

/** What is noted of the person against a goal: its limit, and the drill that is done instead whatever the dose. */
function notedLimit(drill: LimitedDrill, axis: Axis, most: number, allowed: Allowed): AxisLimits {
  const { person, shelf, school, exercise } = drill;
  if (person.noted.length === 0) return { limits: [], instead: null };
  const isOther = ({ segment }: Pick<Changed, 'segment'>): boolean => segment.exerciseId !== exercise.id;
  const instead = caredSegment(drill.segment, person, shelf, school).changed.find(isOther) ?? null;
  if (instead !== null) {
    const dose = segmentValue(drill.segment, exercise, axis);
    const reason = `where it stays: with ${instead.limit.because}, ${instead.instead} is done instead`;
    return { instead, limits: [{ dose, from: 'instead', reason, mend: NOTED_MEND }] };
  }
  const valueOf = (segment: ExerciseSegment): number => segmentValue(segment, exercise, axis);
  const { changed } = caredSegment(withSegmentValue(drill.segment, axis, most), person, shelf, school);
  const binding = changed.find((one) => isOther(one) || valueOf(one.segment) < most - 1e-9);
  if (binding === undefined) return { limits: [], instead: null };
  const last = changed.at(-1)!;
  // Where a larger dose takes another drill, the largest that does not.
  const dose = isOther(last)
    ? allowed((at) => !caredSegment(at.segment, person, shelf, school).changed.some(isOther))
    : valueOf(last.segment);
  if (dose === null) return { limits: [], instead: null };
  const reason = `as much as is asked with ${binding.limit.because}`;
  return { instead: null, limits: [{ dose, from: 'noted', reason, mend: NOTED_MEND }] };
}

/** What a strand may come to on its axis: every limit, the smallest first, and what is done instead of the drill. */
export interface AxisLimits {
  readonly limits: readonly DoseLimit[];
  readonly instead: Changed | null;
}

/**
 * The one list of limits of a goal: what strength, alignment and what is noted of the person allow on an axis. Plan maker, verdict, weeks,
 * forecast, chance, calendar, findings, class, hall, sheet and handout all ask it (sources: Raising the load).
 * @param step of the axis; postures are tried step by step
 * @param most the largest dose that is asked about
 */
export function axisLimits(drill: LimitedDrill, axis: Axis, step: number, most: number): AxisLimits {
  const at = (value: number): LimitedDrill => ({ ...drill, segment: withSegmentValue(drill.segment, axis, value) });
  const allowed: Allowed = (ok) => {
    const least = isPostureAxis(axis) ? LEAST_OF_POSTURE[axis] : step;
    let last: number | null = null;
    for (let number = Math.ceil(least / step - 1e-6); number * step <= most + 1e-6; number += 1) {
      const value = number * step;
      const fine = ok(at(value));
      if (!fine && last !== null) return last;
      if (fine) last = value;
    }
    return null;
  };
  const aligned = isPostureAxis(axis) ? allowed(isAligned) : null;
  const noted = notedLimit(drill, axis, most, allowed);
  const limits = [
    ...strengthLimit(drill, axis, allowed),
    ...(aligned === null
      ? []
      : [
          {
            dose: aligned,
            from: 'alignment' as const,
            reason: 'as far as knees stay behind the toes and heels on the floor',
            mend: 'A knee-to-wall test may allow more.',
          },
        ]),
    ...noted.limits,
  ];
  return { limits: limits.toSorted((a, b) => a.dose - b.dose), instead: noted.instead };
}

/** Longer is not looked for, s, and whole steps of this. */
const LONGEST = 7200;
const HOLD_STEP = 5;

/** The longest hold that all limits allow of a segment that is held for a time, s; Infinity where nothing does, or where it is not. */
export const longestHold = (drill: LimitedDrill): number =>
  drill.segment.dose.kind === 'hold'
    ? (axisLimits(drill, 'time', HOLD_STEP, LONGEST).limits[0]?.dose ?? Number.POSITIVE_INFINITY)
    : Number.POSITIVE_INFINITY;
