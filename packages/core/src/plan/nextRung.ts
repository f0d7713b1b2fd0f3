import { formatISO } from 'date-fns';
import type { Body } from '../body/body';
import { postureAnswers, type KnownCapacity } from '../endurance/postureAnswers';
import { equalEffort, type SecondsRange } from '../endurance/exchange';
import type { Limit } from '../endurance/limits';
import type { Exercise } from '../library/exercise';
import type { Turned } from '../routine/routine';
import { unturned } from '../routine/turned';
import type { SettledPosture } from '../schools/conventions';
import type { RungAxis, School } from '../schools/school';
import { clock } from '../words/durationWords';
import { turnedWords } from '../routine/turnedWords';
import { inPosture, isPostureAxis } from '../axis/axis';
import { defaultStep } from '../axis/defaultStep';
import type { Decision, Plan, Strand } from '../goals/plan';
import { doseOf, floorToStep, gridOf } from './steps';

/** How much a rung changes: degrees of bend, share of the weight, degrees of arms. House values. */
export const RUNG = { bend: 10, share: 0.1, arms: 15 } as const;
const LOWEST_BEND = 90;
const HIGHEST_ARMS = 90;
/** A new posture begins this much under the equal hold. House value. */
const UNDER = 0.9;
/** The longest hold a dose can have, s. */
const LONGEST_HOLD = 7200;

/** What is asked of a body in a posture. */
export interface RungBody {
  readonly body: Body;
  readonly capacity: KnownCapacity;
  readonly ankleRangeDeg: number;
}

/** One step along one axis: how the posture is turned by it, or null for the hold itself. */
export interface Rung {
  readonly axis: RungAxis;
  readonly turned: Partial<Turned> | null;
}

/**
 * The next rung of a hold by the school's order of axes: the first axis that still has room. The bend
 * has room to the toe line and to balance on this body, the share where one leg can take more, the arms
 * to the height of the shoulders, the time until its target is reached. Null when all is reached.
 */
export function nextRung(
  { body, capacity, ankleRangeDeg }: RungBody,
  posture: SettledPosture,
  exercise: Pick<Exercise, 'twoSided'>,
  strand: Pick<Strand, 'level' | 'target'>,
  school: Pick<School, 'rungOrder'>,
): Rung | null {
  const here = postureAnswers(body, posture, capacity, ankleRangeDeg);
  const deepest = Math.min(LOWEST_BEND, here.toeLineBendDeg ?? LOWEST_BEND, here.balanceLimitDeg ?? LOWEST_BEND);
  const share = Math.min(1, Math.round((posture.weightShare + RUNG.share) * 100) / 100);
  const steps: Readonly<Record<RungAxis, Rung | null>> = {
    time: strand.level < strand.target ? { axis: 'time', turned: null } : null,
    bend:
      !posture.seated && posture.kneeBendDeg + RUNG.bend <= deepest
        ? { axis: 'bend', turned: { kneeBendDeg: posture.kneeBendDeg + RUNG.bend } }
        : null,
    share:
      !posture.seated && exercise.twoSided && share > posture.weightShare
        ? { axis: 'share', turned: { weightShare: share } }
        : null,
    arms:
      posture.shoulderRaiseDeg + RUNG.arms <= HIGHEST_ARMS
        ? { axis: 'arms', turned: { shoulderRaiseDeg: posture.shoulderRaiseDeg + RUNG.arms } }
        : null,
  };
  return school.rungOrder.map((axis) => steps[axis]).find((rung) => rung !== null) ?? null;
}

export interface RungExchange {
  /** The hold of equal effort in the new posture. */
  readonly equal: SecondsRange;
  /** Where to begin, s: a tenth under it, on the step of such a hold. */
  readonly begin: number;
  readonly step: number;
  /** Which gives out first in the new posture. */
  readonly limitedBy: Limit;
  /** Knee beyond the toe line there, m; negative behind it. */
  readonly kneePastToes: number;
  /** The bend goes beyond what balance allows there. */
  readonly beyondBalance: boolean;
}

/**
 * What a hold becomes when its posture changes, at equal effort (sources: Capacity), and where to begin.
 * @param seconds the hold as it is now
 */
export function rungExchange(
  { body, capacity, ankleRangeDeg }: RungBody,
  from: SettledPosture,
  seconds: number,
  to: SettledPosture,
): RungExchange {
  const there = postureAnswers(body, to, capacity, ankleRangeDeg);
  const { limitedBy, kneePastToes, balanceLimitDeg } = there;
  const held = equalEffort(body, capacity, limitedBy, from, seconds, to);
  const capped = (value: number): number => Math.min(value, LONGEST_HOLD);
  const equal = { seconds: capped(held.seconds), least: capped(held.least), most: capped(held.most) };
  const step = defaultStep('time', equal.seconds, { countsOf: 1 });
  return {
    equal,
    begin: Math.max(step, floorToStep(equal.seconds * UNDER, step)),
    step,
    limitedBy,
    kneePastToes,
    beyondBalance: balanceLimitDeg !== null && to.kneeBendDeg > balanceLimitDeg,
  };
}

/** A strand that is itself an axis of the posture stands where the segment was turned to. */
function turnedStrand(strand: Strand, segmentId: string, turned: Partial<Turned>, now: Date): Strand {
  const { axis } = strand;
  if (strand.segmentId !== segmentId || !isPostureAxis(axis)) return strand;
  const value = turned[inPosture[axis].key];
  if (value == null) return strand;
  const level = Math.round(value * inPosture[axis].units * 100) / 100;
  if (level === doseOf(strand.level, gridOf(strand))) return strand;
  return {
    ...strand,
    level,
    start: Math.min(strand.start, level),
    target: Math.max(strand.target, level),
    lost: [],
    raisedFrom: null,
    changedAt: now.toISOString(),
  };
}

/**
 * The plan with a strand's segment in another posture, begun there at `begin` seconds, and the decision
 * to be remembered. Practices before it were another dose and no longer count for a raise.
 * @param turned what differs from the routine's own posture; all null goes back to it
 */
export function takeRung(
  plan: Plan,
  strandId: string,
  turned: Partial<Turned>,
  exchange: Pick<RungExchange, 'equal' | 'begin' | 'step'>,
  id: string,
  now: Date,
): { plan: Plan; decision: Decision } {
  const strand = plan.strands.find((entry) => entry.id === strandId);
  if (strand === undefined) throw new RangeError(`strandId: the plan has no strand “${strandId}”`);
  const { equal, begin, step } = exchange;
  const before = plan.postures.find((entry) => entry.segmentId === strand.segmentId)?.turned ?? unturned;
  const after = { ...before, ...turned };
  const left = Object.values(after).every((value) => value === null);
  const from = doseOf(strand.level, gridOf(strand));
  const others = plan.postures.filter((entry) => entry.segmentId !== strand.segmentId);
  const words = left ? 'the posture of the routine' : turnedWords(after);
  return {
    plan: {
      ...plan,
      postures: left ? others : [...others, { segmentId: strand.segmentId, turned: after }],
      strands: plan.strands.map((entry) =>
        entry.id === strandId
          ? {
              ...entry,
              step,
              halfSteps: null,
              easier: null,
              level: begin,
              start: Math.min(entry.start, begin),
              target: Math.max(entry.target, begin),
              lost: [],
              raisedFrom: null,
              changedAt: now.toISOString(),
            }
          : turnedStrand(entry, strand.segmentId, turned, now),
      ),
    },
    decision: {
      id,
      studentId: plan.studentId,
      planId: plan.id,
      strandId,
      logId: null,
      day: formatISO(now, { representation: 'date' }),
      verdict: 'stay',
      outcome: 'changed',
      from,
      to: begin,
      reasons: [
        `Another posture: ${words}. ${clock(from)} as it was are ${clock(equal.seconds)} there (${clock(equal.least)} to ${clock(equal.most)}); begun at ${clock(begin)}.`,
      ],
      teacherReason: '',
    },
  };
}
