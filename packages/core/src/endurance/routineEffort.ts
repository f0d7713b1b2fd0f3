import type { Body } from '../body/body';
import { postureStatics, type Stance } from '../body/statics';
import type { Exercise, Family, Posture } from '../library/exercise';
import { predictedEffort } from '../load/practiceLoad';
import { segmentPosture } from '../routine/turned';
import type { Routine } from '../routine/routine';
import { timeline, type Span } from '../routine/timeline';
import type { LimitedBy } from './capacity';
import type { CapacityGuess } from './capacityGuess';
import { enduranceTime } from './enduranceTime';
import { simulateFatigue, type FatigueSegment } from './fatigue';
import { joints } from './joints';
import { LEAST_EFFORT, relativeEffort } from './relativeEffort';

/** What is needed of an exercise. */
export type Drill = Pick<Exercise, 'posture' | 'family'>;

export type Limb = 'left leg' | 'right leg' | 'left arm' | 'right arm';
export const limbs: readonly Limb[] = ['left leg', 'right leg', 'left arm', 'right arm'];

export interface SegmentEffort {
  readonly segmentId: string;
  /** 0–10, of the longest hold or round alone, fresh. */
  readonly effort: number;
  /** What gives out first in this posture, and after how many seconds when fresh. */
  readonly limitedBy: LimitedBy;
  readonly enduranceSeconds: number;
  readonly unlimited: boolean;
  readonly askedSeconds: number;
  /** Knee beyond the toe line at this bend, m; negative behind it; null when seated. */
  readonly kneePastToes: number | null;
  /** Least reserve of each limb in the segment, after all that came before it. */
  readonly reserve: Readonly<Record<Limb, number>>;
}
/** The reserve of each limb at a moment, s from the start. */
export interface ReservePoint {
  readonly atSeconds: number;
  readonly reserve: Readonly<Record<Limb, number>>;
}
export interface RoutineEffort {
  readonly segments: readonly SegmentEffort[];
  /** How the reserve runs through the routine, from the start to the end. */
  readonly course: readonly ReservePoint[];
  /** The first limb to give out, when one does; s from the start. */
  readonly failure: { readonly limb: Limb; readonly segmentId: string; readonly atSeconds: number } | null;
}

/** Where the weight presses when neither exercise nor school says otherwise. */
const WHOLE_SOLE = 0.5;
/** The simulator takes no target above this: nobody holds all of a capacity. */
const MOST_TARGET = 0.99;

const stanceOf = (posture: Posture, weightShare: number): Stance => ({
  kneeBendDeg: posture.kneeBendDeg,
  trunkPitchDeg: posture.trunkPitchDeg,
  shoulderRaiseDeg: posture.shoulderRaiseDeg,
  elbowBendDeg: posture.elbowBendDeg,
  pressurePoint: posture.pressurePoint ?? WHOLE_SOLE,
  weightShare,
});

interface Efforts {
  readonly working: number;
  readonly other: number;
  readonly arm: number;
  readonly kneePastToes: number | null;
  /** Legs half way up, for drills that go down and come up; null where the height is kept. */
  readonly risen: Pick<Efforts, 'working' | 'other'> | null;
}

/** Drills of this family go down and come up in each repetition. */
const RISING: Family = 'strength';

function effortsOf({ posture, family }: Drill, body: Body, capacity: CapacityGuess): Efforts {
  const at = (share: number, bend = posture.kneeBendDeg): number =>
    postureStatics(body, { ...stanceOf(posture, share), kneeBendDeg: bend }).kneeMomentNm;
  const statics = postureStatics(body, stanceOf(posture, posture.weightShare));
  const leg = (share: number, bend?: number): number =>
    posture.seated ? LEAST_EFFORT : relativeEffort(at(share, bend), capacity.kneeNm);
  const half = posture.kneeBendDeg / 2;
  return {
    working: leg(posture.weightShare),
    other: leg(1 - posture.weightShare),
    arm: relativeEffort(statics.shoulderMomentNm, capacity.shoulderNm),
    kneePastToes: posture.seated ? null : statics.kneePastToes,
    risen:
      family === RISING ? { working: leg(posture.weightShare, half), other: leg(1 - posture.weightShare, half) } : null,
  };
}

const REST: Record<Limb, number> = { 'left leg': 0, 'right leg': 0, 'left arm': 0, 'right arm': 0 };
const FRESH: Record<Limb, number> = { 'left leg': 1, 'right leg': 1, 'left arm': 1, 'right arm': 1 };

function onSide(efforts: Efforts, side: Span['side'], swapped: boolean): Record<Limb, number> {
  const leftWorks = (side === 'right') === swapped;
  const legs = leftWorks ? [efforts.working, efforts.other] : [efforts.other, efforts.working];
  return { 'left leg': legs[0]!, 'right leg': legs[1]!, 'left arm': efforts.arm, 'right arm': efforts.arm };
}

/** The pieces of constant effort in a span: each repetition moves the weight across and back, or goes down and comes up. */
function pieces(span: Span, efforts: Efforts | undefined): { seconds: number; targets: Record<Limb, number> }[] {
  const seconds = span.durationMs / 1000;
  if (span.amount === 0 || efforts === undefined) return [{ seconds, targets: REST }];
  if (span.kind !== 'cycle') return [{ seconds, targets: onSide(efforts, span.side, false) }];
  const half = seconds / span.amount / 2;
  const second =
    efforts.risen === null
      ? onSide(efforts, span.side, true)
      : onSide({ ...efforts, ...efforts.risen }, span.side, false);
  const turn = [onSide(efforts, span.side, false), second];
  return Array.from({ length: span.amount * 2 }, (_, index) => ({ seconds: half, targets: turn[index % 2]! }));
}

interface Piece {
  readonly spanIndex: number;
  readonly seconds: number;
  readonly targets: Record<Limb, number>;
}

function runLimb(limb: Limb, all: readonly Piece[]): ReturnType<typeof simulateFatigue> {
  const parameters = limb.endsWith('leg') ? joints.knee : joints.shoulder;
  return simulateFatigue(
    parameters,
    all.map(({ seconds, targets }): FatigueSegment => ({ seconds, target: Math.min(MOST_TARGET, targets[limb]) })),
  );
}

/** Points of the course at most: what lies between two is told by its lowest moment. */
const MOST_POINTS = 160;

function courseOf(
  all: readonly Piece[],
  runs: Readonly<Record<Limb, ReturnType<typeof simulateFatigue>>>,
): ReservePoint[] {
  const apart = all.reduce((sum, piece) => sum + piece.seconds, 0) / MOST_POINTS;
  const points: ReservePoint[] = [{ atSeconds: 0, reserve: FRESH }];
  let atSeconds = 0;
  let lowest: Record<Limb, number> = { ...FRESH };
  all.forEach((piece, index) => {
    atSeconds += piece.seconds;
    for (const limb of limbs) lowest[limb] = Math.min(lowest[limb], Math.max(0, runs[limb].spans[index]!.reserve));
    if (atSeconds - points.at(-1)!.atSeconds < apart && index !== all.length - 1) return;
    points.push({ atSeconds, reserve: lowest });
    lowest = { ...FRESH };
  });
  return points;
}

/**
 * What a routine asks of legs and arms: effort and endurance of each segment's posture, the knee against
 * the toe line, and the reserve left through the whole of it (model §2, §4, §9). Limits: as the statics
 * and the fatigue model; capacity that was not measured is a guess.
 */
export function routineEffort(
  routine: Routine,
  exercises: ReadonlyMap<string, Drill>,
  body: Body,
  capacity: CapacityGuess,
): RoutineEffort {
  const line = timeline(routine);
  const efforts = new Map<string, Efforts>();
  for (const segment of routine.segments) {
    const drill = segment.type === 'exercise' ? exercises.get(segment.exerciseId) : undefined;
    if (drill === undefined || segment.type !== 'exercise') continue;
    efforts.set(segment.id, effortsOf({ ...drill, posture: segmentPosture(segment, drill) }, body, capacity));
  }
  const all = line.spans.flatMap((span): Piece[] =>
    pieces(span, efforts.get(span.segmentId)).map((piece) => ({ ...piece, spanIndex: span.index })),
  );
  const runs = Object.fromEntries(limbs.map((limb) => [limb, runLimb(limb, all)])) as Record<
    Limb,
    ReturnType<typeof simulateFatigue>
  >;
  const segments = routine.segments.flatMap((segment): SegmentEffort[] => {
    const own = efforts.get(segment.id);
    const work = line.spans.filter((span) => span.segmentId === segment.id && span.amount > 0);
    if (own === undefined || work.length === 0) return [];
    const least = (limb: Limb): number =>
      all.reduce(
        (value, piece, index) =>
          line.spans[piece.spanIndex]!.segmentId === segment.id
            ? Math.min(value, runs[limb].spans[index]!.reserve)
            : value,
        1,
      );
    const legs = enduranceTime('knee', Math.min(1, own.working));
    const arms = enduranceTime('shoulder', Math.min(1, own.arm));
    const limitedBy = arms.seconds < legs.seconds ? 'arms' : 'legs';
    const first = limitedBy === 'arms' ? arms : legs;
    const askedSeconds = Math.max(...work.map((span) => span.durationMs)) / 1000;
    return [
      {
        segmentId: segment.id,
        effort: predictedEffort(askedSeconds, first.seconds),
        limitedBy,
        enduranceSeconds: first.seconds,
        unlimited: first.unlimited,
        askedSeconds,
        kneePastToes: own.kneePastToes,
        reserve: Object.fromEntries(limbs.map((limb) => [limb, least(limb)])) as Record<Limb, number>,
      },
    ];
  });
  const course = courseOf(all, runs);
  const failed = limbs
    .filter((limb) => runs[limb].failureAt !== null)
    .sort((a, b) => runs[a].failureAt! - runs[b].failureAt!)[0];
  if (failed === undefined) return { segments, course, failure: null };
  const atSeconds = runs[failed].failureAt!;
  const span = line.spans.findLast((entry) => entry.startMs / 1000 <= atSeconds)!;
  return { segments, course, failure: { limb: failed, segmentId: span.segmentId, atSeconds } };
}
