import type { Body } from '../body/body';
import { breathPeriod } from '../breath/breathPeriod';
import { stanceOfPosture } from '../schools/stanceOfPosture';
import { postureStatics } from '../body/statics';
import type { Exercise } from '../library/exercise';
import { predictedEffort } from './predictedEffort';
import type { ExerciseSegment, Routine } from '../routine/routine';
import { takesTurns } from '../library/sideOrder';
import { timeline, type Span } from '../routine/timeline';
import type { SettledPosture } from '../schools/conventions';
import type { School } from '../schools/school';
import { isPlayable } from '../figure/cycleMoment';
import type { BodyLoads } from './drillLoads';
import { segmentLoads } from './segmentLoads';
import { softTimeToFailure } from './enduranceTime';
import {
  FatigueWalk,
  MOST_TARGET,
  movingFlow,
  passageOf,
  recoveryFactor,
  type FatigueSegment,
  type Passage,
} from './fatigue';
import { bowOfPosture, jointEffort, jointsOf, lasting, lineOf, parametersOf, type Limit } from './limits';
import { LEAST_EFFORT, relativeEffort } from './relativeEffort';
import { keptFatigue } from './restAllowance';
import { jointCapacity, type LegJoint, type LoadedJoint, type Strength } from './strength';

export const limbs = ['left leg', 'right leg', 'left arm', 'right arm', 'back'] as const;
export type Limb = (typeof limbs)[number];

export interface SegmentEffort {
  readonly segmentId: string;
  /** 0–10, of the longest hold or round alone, fresh. */
  readonly effort: number;
  /** What gives out first in it, by which joint, and after how many seconds when fresh. */
  readonly limitedBy: Limit;
  readonly joint: LoadedJoint;
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
  /** The first limb to give out, when one does, and by which joint; s from the start. */
  readonly failure: {
    readonly limb: Limb;
    readonly joint: LoadedJoint;
    readonly segmentId: string;
    readonly atSeconds: number;
  } | null;
}

type Role = 'working' | 'other';
/** Share of its capacity that an instant asks of each joint. */
interface Instant {
  readonly legs: Readonly<Record<Role, Readonly<Record<LegJoint, number>>>>;
  readonly arms: Readonly<Record<Role, number>>;
  readonly back: number;
}

const ofMoment = (momentNm: number, joint: 'trunk' | 'shoulder', strength: Strength): number =>
  momentNm <= 0 ? LEAST_EFFORT : relativeEffort(momentNm, jointCapacity(joint, strength, 0));

function instantOf(loads: BodyLoads, strength: Strength): Instant {
  const leg = (role: Role): Readonly<Record<LegJoint, number>> => ({
    knee: jointEffort(loads[role], 'knee', strength),
    ankle: jointEffort(loads[role], 'ankle', strength),
    hip: jointEffort(loads[role], 'hip', strength),
  });
  return {
    legs: { working: leg('working'), other: leg('other') },
    arms: {
      working: ofMoment(loads.workingArmNm, 'shoulder', strength),
      other: ofMoment(loads.otherArmNm, 'shoulder', strength),
    },
    back: ofMoment(loads.trunkNm, 'trunk', strength),
  };
}

/** A segment as the simulation takes it. */
interface Drill {
  readonly segment: ExerciseSegment;
  readonly exercise: Exercise;
  readonly posture: SettledPosture;
  /** One for what is held; evenly through a cycle for what moves. */
  readonly instants: readonly Instant[];
  /** From one repetition to the next the other side works. */
  readonly swaps: boolean;
  /** How long one repetition takes, s; 1 for what is held. */
  readonly cycleSeconds: number;
}

/** A joint of one side that is simulated by itself. */
interface Part {
  readonly limb: Limb;
  readonly joint: LoadedJoint;
  /** What an instant asks of it, with the left or the right side working. */
  readonly target: (instant: Instant, leftWorks: boolean) => number;
}

const role = (side: 'left' | 'right', leftWorks: boolean): Role =>
  (side === 'left') === leftWorks ? 'working' : 'other';

const parts: readonly Part[] = [
  ...(['left', 'right'] as const).flatMap((side) => [
    ...(jointsOf.legs as readonly LegJoint[]).map((joint): Part => ({
      limb: `${side} leg`,
      joint,
      target: ({ legs }, leftWorks) => legs[role(side, leftWorks)][joint],
    })),
    {
      limb: `${side} arm` as const,
      joint: 'shoulder' as const,
      target: ({ arms }: Instant, leftWorks: boolean) => arms[role(side, leftWorks)],
    },
  ]),
  { limb: 'back', joint: 'trunk', target: ({ back }) => back },
];

/** A stretch of time in which nothing changes; null is rest. The repetitions of a drill share theirs. */
interface Piece {
  readonly seconds: number;
  readonly instant: Instant | null;
  readonly leftWorks: boolean;
  readonly drill: Drill | null;
}

/** A piece in its place. */
interface Placed {
  readonly spanIndex: number;
  readonly piece: Piece;
}

/** The lengths of the repetitions of a span, s: each breath of a slowing drill is longer than the one before. */
function repetitions({ durationMs, amount: asked, slowing }: Span): number[] {
  const seconds = durationMs / 1000;
  const amount = Math.max(1, Math.round(asked));
  const weights = Array.from({ length: amount }, (_, index) => slowing ** index);
  const whole = weights.reduce((sum, weight) => sum + weight, 0);
  return weights.map((weight) => (seconds * weight) / whole);
}

function piecesOf(span: Span, drill: Drill | undefined): Placed[] {
  const { index: spanIndex } = span;
  if (span.amount === 0 || drill === undefined)
    return [{ spanIndex, piece: { seconds: span.durationMs / 1000, instant: null, leftWorks: true, drill: null } }];
  const leftFirst = span.side !== 'right';
  const { instants, exercise } = drill;
  const made = new Map<string, readonly Placed[]>();
  return repetitions(span).flatMap((length, number) => {
    const swapped = exercise.phasesSwap && number % 2 === 1;
    const key = `${length} ${swapped}`;
    const same =
      made.get(key) ??
      instants.map((instant): Placed => {
        const seconds = length / instants.length;
        return { spanIndex, piece: { seconds, instant, leftWorks: leftFirst !== swapped, drill } };
      });
    made.set(key, same);
    return same;
  });
}

/** A joint after the whole of a routine. */
interface Run extends Part {
  readonly failureAt: number | null;
  /** The least reserve in each piece. */
  readonly reserves: Float64Array;
}

/** What moving does to a joint: up to which load it recovers, and how much of what tires it its rests leave. */
type Moving = Pick<FatigueSegment, 'freeFlow' | 'kept'>;

/** What is held is always at its heaviest and never rests: moving makes no difference there. */
function movingOf(part: Part, drill: Drill): (leftWorks: boolean) => Moving {
  const { instants, swaps, cycleSeconds } = drill;
  const of = (...leftWorks: readonly boolean[]): Moving => {
    const targets = leftWorks.flatMap((left) => instants.map((instant) => Math.min(1, part.target(instant, left))));
    return {
      freeFlow: movingFlow(Math.max(...targets)),
      kept: keptFatigue(lineOf[part.joint], targets, leftWorks.length * cycleSeconds) * goesRound(part.joint, drill),
    };
  };
  if (swaps) {
    const both = of(true, false);
    return () => both;
  }
  const [left, right] = [of(true), of(false)];
  return (leftWorks) => (leftWorks ? left : right);
}

function runOf(part: Part, pieces: readonly Placed[]): Run {
  const moving = new Map<Drill, ReturnType<typeof movingOf>>();
  const segmentOf = ({ seconds, instant, leftWorks, drill }: Piece): FatigueSegment => {
    if (instant === null || drill === null) return { seconds, target: 0 };
    const moves = moving.get(drill) ?? movingOf(part, drill);
    moving.set(drill, moves);
    return { seconds, target: Math.min(1, part.target(instant, leftWorks)), ...moves(leftWorks) };
  };
  const parameters = parametersOf(part.joint);
  const passages = new Map<Piece, Passage>();
  const walk = new FatigueWalk();
  const reserves = new Float64Array(pieces.length);
  pieces.forEach(({ piece }, index) => {
    let passage = passages.get(piece);
    if (passage === undefined) passages.set(piece, (passage = passageOf(parameters, segmentOf(piece))));
    reserves[index] = walk.go(passage);
  });
  return { ...part, failureAt: walk.failureAt, reserves };
}

/** The reserve of each limb in each piece: the least of its joints, never below 0 in what is shown. */
function reservesOf(runs: readonly Run[], count: number): Record<Limb, Float64Array> {
  const reserves = Object.fromEntries(limbs.map((limb) => [limb, new Float64Array(count).fill(1)])) as Record<
    Limb,
    Float64Array
  >;
  for (const { limb, reserves: own } of runs) {
    const least = reserves[limb];
    for (let at = 0; at < count; at += 1) if (own[at]! < least[at]!) least[at] = own[at]!;
  }
  return reserves;
}

/** Points of the course at most: what lies between two is told by its lowest moment. */
const MOST_POINTS = 160;
const FRESH = Object.fromEntries(limbs.map((limb) => [limb, 1])) as Record<Limb, number>;

function courseOf(pieces: readonly Placed[], reserves: Readonly<Record<Limb, Float64Array>>): ReservePoint[] {
  const apart = pieces.reduce((sum, { piece }) => sum + piece.seconds, 0) / MOST_POINTS;
  const points: ReservePoint[] = [{ atSeconds: 0, reserve: FRESH }];
  let atSeconds = 0;
  let lowest: Record<Limb, number> = { ...FRESH };
  pieces.forEach(({ piece }, index) => {
    atSeconds += piece.seconds;
    for (const limb of limbs) lowest[limb] = Math.min(lowest[limb], Math.max(0, reserves[limb][index]!));
    if (atSeconds - points.at(-1)!.atSeconds < apart && index !== pieces.length - 1) return;
    points.push({ atSeconds, reserve: lowest });
    lowest = { ...FRESH };
  });
  return points;
}

/**
 * How long a joint lasts through targets that follow one another evenly, over and over, s: the endurance of the highest of
 * them, longer by as much as the compartments last longer at the mean load than at the highest, and by what its rests within the
 * cycle take away (sources: Fatigue and reserve). Of targets that do not change it is the endurance of a hold.
 * @param goesRound how much of what would tire it tires it, 0–1; see `ROUND_THE_SHOULDER`
 */
export function cycleEndurance(
  joint: LoadedJoint,
  targets: readonly number[],
  cycleSeconds: number,
  goesRound = 1,
): number {
  const line = lineOf[joint];
  const peak = Math.min(MOST_TARGET, Math.max(...targets));
  const mean = targets.reduce((sum, target) => sum + Math.min(MOST_TARGET, target), 0) / targets.length;
  const free = movingFlow(peak);
  const factor = targets.reduce((sum, target) => sum + recoveryFactor(Math.min(1, target), free), 0) / targets.length;
  const longer = softTimeToFailure(line, peak, mean, factor) / softTimeToFailure(line, peak);
  return (lasting(joint, peak).seconds * longer) / (keptFatigue(line, targets, cycleSeconds) * goesRound);
}

/**
 * In an arm that moves the work goes round the muscles of its shoulder: so much of what would tire it held still does. House value: five
 * minutes of stepping clouds are ordinary at seventy (common practice), three of a round-armed stand are not.
 */
const ROUND_THE_SHOULDER = 0.6;
const goesRound = (joint: LoadedJoint, { exercise }: Pick<Drill, 'exercise'>): number =>
  joint === 'shoulder' && isPlayable(exercise) ? ROUND_THE_SHOULDER : 1;

interface First {
  readonly limitedBy: Limit;
  readonly joint: LoadedJoint;
  readonly seconds: number;
}

/** What gives out first when a drill goes on and on, fresh. */
function firstOf(drill: Drill): First {
  const { instants, swaps, cycleSeconds } = drill;
  // There is a part for the limb that works and one for the other: one side tells of both.
  const sides = swaps ? [true, false] : [true];
  const lasts = (part: Part): number =>
    cycleEndurance(
      part.joint,
      sides.flatMap((leftWorks) => instants.map((instant) => part.target(instant, leftWorks))),
      sides.length * cycleSeconds,
      goesRound(part.joint, drill),
    );
  return parts
    .map((part): First => ({
      limitedBy: part.limb === 'back' ? 'back' : part.limb.endsWith('leg') ? 'legs' : 'arms',
      joint: part.joint,
      seconds: Math.min(MOST, lasts(part)),
    }))
    .reduce((first, other) => (other.seconds < first.seconds ? other : first));
}

/** Longer is not told, s. */
const MOST = 24 * 3600;

function kneeOf(body: Body, posture: SettledPosture): number | null {
  if (posture.seated) return null;
  if (posture.ahead <= 0) return postureStatics(body, stanceOfPosture(posture)).kneePastToes;
  return bowOfPosture(body, posture).kneePastToes;
}

/** How long one repetition takes; a breath in which nothing moves is no cycle of the body. */
const repetitionSeconds = (dose: ExerciseSegment['dose']): number =>
  dose.kind === 'hold' ? 1 : dose.kind === 'cycle' ? dose.cycleSeconds + dose.staySeconds : breathPeriod(dose.pattern);

function drillOf(segment: ExerciseSegment, exercise: Exercise, body: Body, strength: Strength, school: School): Drill {
  const { posture, loads } = segmentLoads(segment, exercise, body, school);
  const swaps = exercise.phasesSwap || takesTurns(segment.dose, segment.sideOrder);
  const instants = loads.map((entry) => instantOf(entry, strength));
  return { segment, exercise, posture, instants, swaps, cycleSeconds: repetitionSeconds(segment.dose) };
}

/** How long a segment can be held or gone on with, fresh, s. */
export const segmentEndurance = (...of: Parameters<typeof drillOf>): number => firstOf(drillOf(...of)).seconds;

/** How long one works on end, ms: sides that take turns are one stretch. */
function stretches(work: readonly Span[]): number[] {
  const found: number[] = [];
  for (const { turn, durationMs } of work) {
    if (turn === 1) found.push(durationMs);
    else found.push(found.pop()! + durationMs);
  }
  return found;
}

/** How hard a segment is by itself, fresh, 0–10: as `routineEffort` has it, without what the whole leaves of the reserve. */
export function segmentEffort(routine: Routine, ...of: Parameters<typeof drillOf>): number {
  const [{ id }] = of;
  const work = timeline(routine).spans.filter((span) => span.segmentId === id && span.amount > 0);
  return work.length === 0 ? 0 : predictedEffort(Math.max(...stretches(work)) / 1000, segmentEndurance(...of));
}

/** Longer than this a joint is not what limits, s. */
const UNLIMITED = 40 * 60;

/**
 * What a routine asks of legs, arms and back: effort and endurance of each segment, the knee against the toe line, and the
 * reserve left through the whole of it; holds as they are held, drills as they move (sources: Posture; Fatigue and reserve; Load). Limits: as the
 * statics and the fatigue model; strength that was not measured is a guess.
 */
export function routineEffort(
  routine: Routine,
  exercises: ReadonlyMap<string, Exercise>,
  body: Body,
  strength: Strength,
  school: School,
): RoutineEffort {
  const line = timeline(routine);
  const drills = new Map<string, Drill>();
  for (const segment of routine.segments) {
    const exercise = segment.type === 'exercise' ? exercises.get(segment.exerciseId) : undefined;
    if (exercise === undefined || segment.type !== 'exercise') continue;
    drills.set(segment.id, drillOf(segment, exercise, body, strength, school));
  }
  const pieces = line.spans.flatMap((span) => piecesOf(span, drills.get(span.segmentId)));
  const runs = parts.map((part) => runOf(part, pieces));
  const reserves = reservesOf(runs, pieces.length);
  const segments = [...drills.values()].flatMap((drill): SegmentEffort[] => {
    const { id } = drill.segment;
    const work = line.spans.filter((span) => span.segmentId === id && span.amount > 0);
    if (work.length === 0) return [];
    const first = firstOf(drill);
    const askedSeconds = Math.max(...stretches(work)) / 1000;
    const least = (limb: Limb): number =>
      pieces.reduce(
        (value, { spanIndex }, at) =>
          line.spans[spanIndex]!.segmentId === id ? Math.min(value, reserves[limb][at]!) : value,
        1,
      );
    return [
      {
        segmentId: id,
        effort: predictedEffort(askedSeconds, first.seconds),
        limitedBy: first.limitedBy,
        joint: first.joint,
        enduranceSeconds: first.seconds,
        unlimited: first.seconds > UNLIMITED,
        askedSeconds,
        kneePastToes: kneeOf(body, drill.posture),
        reserve: Object.fromEntries(limbs.map((limb) => [limb, least(limb)])) as Record<Limb, number>,
      },
    ];
  });
  const failed = runs.filter(({ failureAt }) => failureAt !== null).sort((a, b) => a.failureAt! - b.failureAt!)[0];
  const course = courseOf(pieces, reserves);
  if (failed === undefined) return { segments, course, failure: null };
  const atSeconds = failed.failureAt!;
  const span = line.spans.findLast((entry) => entry.startMs / 1000 <= atSeconds)!;
  return {
    segments,
    course,
    failure: { limb: failed.limb, joint: failed.joint, segmentId: span.segmentId, atSeconds },
  };
}
