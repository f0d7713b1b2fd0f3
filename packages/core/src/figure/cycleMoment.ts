import { swappedFrame } from '../library/cycleFaults';
import type { Exercise, Phase } from '../library/exercise';
import type { Hand, Keyframe, Palm } from '../library/keyframe';
import { conventionsOf } from '../schools/conventions';
import type { School } from '../schools/school';

/** How the body stands at one instant of a cycle; in the words of the working side. */
export interface CycleMoment {
  /** Index of the part, and how far it is, 0–1. */
  readonly phase: number;
  readonly within: number;
  readonly breath: Phase['breath'];
  readonly weight: number;
  readonly turnDeg: number;
  readonly bendDeg: number;
  readonly stanceWidth: number;
  readonly ahead: number;
  readonly lifted: 'none' | 'working' | 'other';
  /** How far off the floor the lifted foot is, 0–1. */
  readonly lift: number;
  readonly hand: Hand | null;
  readonly otherHand: Hand | null;
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
function shareOf(weight: Keyframe['weight'], fullShare: number, ahead: number): number {
  const full = ahead > 0 ? Math.min(FRONT_OF_BOW, fullShare) : fullShare;
  const empty = ahead < 0 ? Math.min(FRONT_OF_BOW, fullShare) : fullShare;
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

/**
 * How the body stands at a moment of a cycle. Between the ends of two parts everything goes softly from
 * one to the other; in a school that rises and sinks, the height goes with the breath.
 * @param at share of the cycle, 0–1; a reversed circle is the same one run backwards
 * @returns null when the exercise has no cycle that can be played
 */
export function cycleMoment(exercise: Exercise, school: School, at: number): CycleMoment | null {
  if (!isPlayable(exercise)) return null;
  const { phases, posture } = exercise;
  const { fullShare, riseDeg } = conventionsOf(school);
  let start = 0;
  let index = 0;
  while (index < phases.length - 1 && at >= start + phases[index]!.share) {
    start += phases[index]!.share;
    index += 1;
  }
  const phase = phases[index]!;
  const within = Math.max(0, Math.min(1, (at - start) / phase.share));
  const share = soft(within);
  const last = phases.at(index - 1)!.end!;
  const before = index === 0 && exercise.phasesSwap ? swappedFrame(last) : last;
  const after = phase.end!;
  const risen = (breath: Phase['breath']): number => (breath === 'in' ? riseDeg : 0);
  const bendOf = (frame: Keyframe, breath: Phase['breath']): number =>
    Math.max(0, (frame.bendDeg ?? posture.kneeBendDeg) - risen(breath));
  // Who steps has to pour all the weight into the front foot.
  const stepping = phases.some(({ end }) => end!.lifted !== 'none');
  const stands = (frame: Keyframe): number => (stepping ? 0 : (frame.ahead ?? posture.ahead));
  const frames = [phases.at(index - 2)!.end!, before, after, phases[(index + 1) % phases.length]!.end!];
  const around = (of: (frame: Keyframe) => Hand | null): (Hand | null)[] => frames.map(of);
  return {
    phase: index,
    within,
    breath: phase.breath,
    weight: mix(
      shareOf(before.weight, fullShare, stands(before)),
      shareOf(after.weight, fullShare, stands(after)),
      share,
    ),
    turnDeg: mix(before.turnDeg, after.turnDeg, share),
    bendDeg: mix(bendOf(before, phases.at(index - 1)!.breath), bendOf(after, phase.breath), share),
    stanceWidth: mix(before.stanceWidth ?? posture.stanceWidth, after.stanceWidth ?? posture.stanceWidth, share),
    ahead: mix(before.ahead ?? posture.ahead, after.ahead ?? posture.ahead, share),
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
    palm: within < 0.5 ? before.palm : after.palm,
    otherPalm: within < 0.5 ? before.otherPalm : after.otherPalm,
    heel: {
      working: mix(heelOf(before, 'working'), heelOf(after, 'working'), share),
      other: mix(heelOf(before, 'other'), heelOf(after, 'other'), share),
    },
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
