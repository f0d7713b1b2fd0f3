import { swappedFrame } from '../library/cycleFaults';
import type { Exercise, Phase } from '../library/exercise';
import type { Hand, Keyframe, Palm } from '../library/keyframe';
import { conventionsOf, widthIn, type Conventions } from '../schools/conventions';
import type { School } from '../schools/school';

/** How the body stands at one instant of a cycle; in the words of the working side. */
export interface CycleMoment {
  /** Index of the part, and how far it is, 0–1. */
  readonly phase: number;
  readonly within: number;
  readonly breath: Phase['breath'];
  readonly weight: number;
  readonly turnDeg: number;
  /** How much of the turn the hips make, 0–1; above them it is the waist. */
  readonly hipsShare: number;
  readonly bendDeg: number;
  readonly stanceWidth: number;
  readonly ahead: number;
  readonly lifted: 'none' | 'working' | 'other';
  /** How far off the floor the lifted foot is, 0–1. */
  readonly lift: number;
  readonly hand: Hand | null;
  readonly otherHand: Hand | null;
  /** What the eyes do. */
  readonly eyes: School['eyes'];
  readonly palm: Palm | null;
  readonly otherPalm: Palm | null;
  /** How far each heel is off the floor, 0–1. */
  readonly heel: { readonly working: number; readonly other: number };
  /** Toes outward, degrees; null as in the posture. */
  readonly toesOutDeg: number | null;
  readonly otherToesOutDeg: number | null;
}

/** Hands and feet of which nothing more is said. */
export const unturnedEnds = {
  hipsShare: 1,
  eyes: 'level',
  palm: null,
  otherPalm: null,
  heel: { working: 0, other: 0 },
  toesOutDeg: null,
  otherToesOutDeg: null,
} as const;

/** Starts and ends softly, as a body does. */
const soft = (share: number): number => (1 - Math.cos(Math.PI * share)) / 2;
const mix = (a: number, b: number, share: number): number => a + (b - a) * share;

/** Through b to c, on a curve that also knows where it comes from and goes to (Catmull & Rom). */
const curved = (a: number, b: number, c: number, d: number, share: number): number =>
  b + (share / 2) * (c - a + share * (2 * a - 5 * b + 4 * c - d + share * (3 * (b - c) + d - a)));

/** A hand on its way from the second to the third of four places: round, not cornered. */
function roundHand(places: readonly (Hand | null)[], share: number): Hand | null {
  const [a, b, c, d] = places;
  if (b == null || c == null) return (share < 0.5 ? b : c) ?? null;
  const along = (of: (hand: Hand) => number): number => curved(of(a ?? b), of(b), of(c), of(d ?? c), share);
  return { out: along((hand) => hand.out), forward: along((hand) => hand.forward), up: along((hand) => hand.up) };
}

/** In a bow the front leg takes no more than this, however far a school shifts (common practice). */
const FRONT_OF_BOW = 0.7;

/** What a full shift comes to on the working leg. @param ahead of the working foot, where both feet stay in place */
function shareOf(weight: Keyframe['weight'], { fullShare, rearShare }: Conventions, ahead: number): number {
  const front = Math.min(FRONT_OF_BOW, fullShare);
  const full = ahead > 0 ? front : ahead < 0 ? rearShare : fullShare;
  const empty = ahead < 0 ? front : ahead > 0 ? rearShare : fullShare;
  if (weight === 'full') return full;
  return weight === 'empty' ? 1 - empty : weight;
}

const heelOf = ({ heel }: Keyframe, role: 'working' | 'other'): number => (heel === role || heel === 'both' ? 1 : 0);

/** Between two angles that may be left to the posture; null where all is left to it, or the school. */
function mixed(before: number | null, after: number | null, own: number | null, share: number): number | null {
  if (before === null && after === null) return null;
  return mix(before ?? own ?? 0, after ?? own ?? 0, share);
}

/** Whether the whole cycle is known as movement, so that it can be played. */
export const isPlayable = (exercise: Pick<Exercise, 'phases'>): boolean =>
  exercise.phases.length > 0 && exercise.phases.every((phase) => phase.end !== null);

/** Less than this is no shift, and no turn: shares of the weight, degrees. */
const STAYS = { weight: 0.01, turnDeg: 1 } as const;

/** Weight and turn at the end of each part. */
interface Ends {
  readonly weight: number;
  readonly turnDeg: number;
}

/** How far weight and turn are on their way: from the ends of which parts to which, and the share of it. */
interface Way {
  readonly from: Ends;
  readonly to: Ends;
  readonly share: number;
}

/**
 * Where a school lets shift and turn go together, a part that only shifts and the part after it that only turns are one way:
 * both begin with the first and arrive with the second.
 */
function wayOf(
  ends: readonly Ends[],
  phases: readonly Phase[],
  index: number,
  within: number,
  before: Ends,
  joined: boolean,
): Way {
  const at = (part: number): Ends => (part < 0 ? before : ends[part]!);
  const single = { from: index === 0 ? before : at(index - 1), to: at(index), share: soft(within) };
  if (!joined) return single;
  const shifts = (part: number): boolean => Math.abs(at(part).weight - at(part - 1).weight) > STAYS.weight;
  const turns = (part: number): boolean => Math.abs(at(part).turnDeg - at(part - 1).turnDeg) > STAYS.turnDeg;
  const pair = (part: number): boolean =>
    part >= 0 && part + 1 < phases.length && shifts(part) && !turns(part) && turns(part + 1) && !shifts(part + 1);
  const first = pair(index) ? index : pair(index - 1) ? index - 1 : null;
  if (first === null) return single;
  const [one, two] = [phases[first]!.share, phases[first + 1]!.share];
  const gone = first === index ? within * one : one + within * two;
  return { from: at(first - 1), to: at(first + 1), share: soft(gone / (one + two)) };
}

/** From this share in front on a rear heel may come up, all the way up this much higher; how far it then is. House values. */
const HEEL = { from: 0.55, over: 0.15, most: 0.4 } as const;
const heelUp = (front: number): number => HEEL.most * Math.max(0, Math.min(1, (front - HEEL.from) / HEEL.over));

/**
 * How the body stands at a moment of a cycle. Between the ends of two parts everything goes softly from
 * one to the other; in a school that rises and sinks, the height goes with the breath.
 * @param at share of the cycle, 0–1; a reversed circle is the same one run backwards
 * @returns null when the exercise has no cycle that can be played
 */
export function cycleMoment(exercise: Exercise, school: School, at: number): CycleMoment | null {
  if (!isPlayable(exercise)) return null;
  const { phases, posture } = exercise;
  const conventions = conventionsOf(school);
  const { riseDeg, leastBendDeg, hipsShare } = conventions;
  let start = 0;
  let index = 0;
  while (index < phases.length - 1 && at >= start + phases[index]!.share) {
    start += phases[index]!.share;
    index += 1;
  }
  const phase = phases[index]!;
  const within = Math.max(0, Math.min(1, (at - start) / phase.share));
  const last = phases.at(-1)!.end!;
  const opening = exercise.phasesSwap ? swappedFrame(last) : last;
  const before = index === 0 ? opening : phases[index - 1]!.end!;
  const after = phase.end!;
  // A part that ends as it began stands still, however its neighbours go.
  const share = before === after ? 0 : soft(within);
  const risen = (breath: Phase['breath']): number => (breath === 'in' ? riseDeg : 0);
  const bendOf = (frame: Keyframe, breath: Phase['breath']): number =>
    Math.max(posture.seated ? 0 : leastBendDeg, (frame.bendDeg ?? posture.kneeBendDeg) - risen(breath));
  // Who steps has to pour all the weight into the front foot.
  const stepping = phases.some(({ end }) => end!.lifted !== 'none');
  const stands = (frame: Keyframe): number => (stepping ? 0 : (frame.ahead ?? posture.ahead));
  const exchanged = exercise.handLoads && school.risingHand === 'emptying';
  const endOf = (frame: Keyframe): Ends => {
    const weight = shareOf(frame.weight, conventions, stands(frame));
    return { weight: exchanged ? 1 - weight : weight, turnDeg: frame.turnDeg };
  };
  const ends = phases.map(({ end }) => endOf(end!));
  const way = wayOf(ends, phases, index, within, endOf(opening), school.shiftTurn === 'together');
  const weight = mix(way.from.weight, way.to.weight, way.share);
  const width = widthIn(posture, school);
  const ahead = mix(before.ahead ?? posture.ahead, after.ahead ?? posture.ahead, share);
  // A heel comes up behind only where both feet stay, one before the other.
  const free = school.rearHeel === 'may lift' && !stepping && Math.abs(ahead) >= 0.5;
  const rear = { working: free && ahead < 0 ? heelUp(1 - weight) : 0, other: free && ahead > 0 ? heelUp(weight) : 0 };
  const frames = [phases.at(index - 2)!.end!, before, after, phases[(index + 1) % phases.length]!.end!];
  const around = (of: (frame: Keyframe) => Hand | null): (Hand | null)[] => frames.map(of);
  const heel = (role: 'working' | 'other'): number =>
    Math.max(rear[role], mix(heelOf(before, role), heelOf(after, role), share));
  return {
    phase: index,
    within,
    breath: phase.breath,
    weight,
    turnDeg: mix(way.from.turnDeg, way.to.turnDeg, way.share),
    hipsShare,
    bendDeg: mix(bendOf(before, phases.at(index - 1)!.breath), bendOf(after, phase.breath), share),
    stanceWidth: mix(before.stanceWidth ?? width, after.stanceWidth ?? width, share),
    ahead,
    lifted: after.lifted,
    lift: after.lifted === 'none' ? 0 : Math.sin(Math.PI * within),
    hand: roundHand(
      around((frame) => frame.hand),
      share,
    ),
    otherHand: roundHand(
      around((frame) => frame.otherHand),
      share,
    ),
    eyes: school.eyes,
    palm: within < 0.5 ? before.palm : after.palm,
    otherPalm: within < 0.5 ? before.otherPalm : after.otherPalm,
    heel: { working: heel('working'), other: heel('other') },
    toesOutDeg: mixed(before.toesOutDeg, after.toesOutDeg, posture.toesOutDeg, share),
    otherToesOutDeg: mixed(
      before.otherToesOutDeg,
      after.otherToesOutDeg,
      posture.otherToesOutDeg ?? posture.toesOutDeg,
      share,
    ),
  };
}

/** The still posture as a moment, for figures that do not move. */
export const stillMoment = ({ posture }: Pick<Exercise, 'posture'>): CycleMoment => ({
  phase: 0,
  within: 0,
  breath: 'free',
  weight: posture.weightShare,
  turnDeg: 0,
  bendDeg: posture.kneeBendDeg,
  stanceWidth: posture.stanceWidth,
  ahead: posture.ahead,
  lifted: posture.otherLifted ? 'other' : 'none',
  lift: posture.otherLifted ? 1 : 0,
  hand: null,
  otherHand: null,
  ...unturnedEnds,
});
