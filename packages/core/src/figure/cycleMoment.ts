import { swappedFrame } from '../library/cycleFaults';
import type { Exercise, Phase } from '../library/exercise';
import type { Hand, Keyframe } from '../library/keyframe';
import { conventionsOf, settlePosture, widthIn, type Conventions } from '../schools/conventions';
import type { School } from '../schools/school';
import { restingShape, shapeBetween, type ShapeMoment } from './momentShape';
import { numberOnWay, placeOnWay, type Four } from './wayThrough';

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
  /** What trunk, head, arms and knees do beside it. */
  readonly shape: ShapeMoment;
  /** How far each heel is off the floor, 0–1. */
  readonly heel: { readonly working: number; readonly other: number };
  /** Toes outward, degrees; null as in the posture. */
  readonly toesOutDeg: number | null;
  readonly otherToesOutDeg: number | null;
  /** Whether a foot turns on its ball, its heel in the air, and not on the heel. */
  readonly onBall: boolean;
  /** The foot that stands all through a repetition in which the other is lifted, and how both stood at its beginning: it stays where it is. */
  readonly anchor: { readonly role: 'working' | 'other'; readonly ahead: number; readonly width: number } | null;
  /** The least and the most weight on the working leg in the whole repetition, and the widest stand, shoulder breadths. */
  readonly span: { readonly least: number; readonly most: number; readonly width: number };
}

/** Hands and feet of which nothing more is said. */
export const unturnedEnds = {
  hipsShare: 1,
  eyes: 'level',
  shape: restingShape,
  heel: { working: 0, other: 0 },
  toesOutDeg: null,
  otherToesOutDeg: null,
  onBall: false,
  anchor: null,
  span: { least: 0.5, most: 0.5, width: 0 },
} as const;

/** Starts and ends softly, as a body does. */
const soft = (share: number): number => (1 - Math.cos(Math.PI * share)) / 2;
const mix = (a: number, b: number, share: number): number => a + (b - a) * share;

/** A hand on its way from the second to the third of four places: round, not cornered. */
function roundHand([a, b, c, d]: Four<Hand | null>, share: number): Hand | null {
  if (b === null || c === null) return share < 0.5 ? b : c;
  const at = ({ out, forward, up }: Hand) => ({ x: out, y: forward, z: up });
  const { x, y, z } = placeOnWay([at(a ?? b), at(b), at(c), at(d ?? c)], share);
  return { out: x, forward: y, up: z };
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

const heelOf = ({ heel, shape }: Keyframe, role: 'working' | 'other'): number =>
  heel === role || heel === 'both' ? (shape?.heelUp ?? 1) : 0;

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

const onWay = ({ from, to, share }: Way): Ends => ({
  weight: mix(from.weight, to.weight, share),
  turnDeg: mix(from.turnDeg, to.turnDeg, share),
});

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

/** The stands of a cycle one after the other, each with its part; a walk goes on on the other side. */
function standAt({ phases, phasesSwap }: Exercise): (index: number) => Keyframe {
  const stands = phases.flatMap(({ via, end }) => [...via, end!]);
  return (index) => {
    const round = ((index % stands.length) + stands.length) % stands.length;
    const swaps = phasesSwap && Math.abs(Math.floor(index / stands.length)) % 2 === 1;
    return swaps ? swappedFrame(stands[round]!) : stands[round]!;
  };
}

/** So many ways one after the other: with the first it comes into motion, with the last it comes to rest, at one pace between. */
function evenly(share: number, ways: number): number {
  const ramp = 1 / (ways + 1);
  const pace = ways / (1 - ramp);
  if (share < ramp) return (pace * share ** 2) / (2 * ramp);
  if (share > 1 - ramp) return ways - (pace * (1 - share) ** 2) / (2 * ramp);
  return pace * (share - ramp / 2);
}

/** Where one is in a cycle: in which part and how far, and from which of all stands one comes, how far on the way to the next. */
function placeIn(phases: readonly Phase[], at: number) {
  let start = 0;
  let index = 0;
  let stand = 0;
  while (index < phases.length - 1 && at >= start + phases[index]!.share) {
    start += phases[index]!.share;
    stand += phases[index]!.via.length + 1;
    index += 1;
  }
  const within = Math.max(0, Math.min(1, (at - start) / phases[index]!.share));
  const ways = phases[index]!.via.length + 1;
  const gone = ways === 1 ? soft(within) : evenly(within, ways);
  const way = Math.min(ways - 1, Math.floor(gone));
  return { index, within, from: stand + way - 1, share: gone - way };
}

/**
 * How the body stands at a moment of a cycle. Between the ends of two parts everything goes softly from one to the other, through
 * the stands on its way; in a school that rises and sinks, the height goes with the breath.
 * @param at share of the cycle, 0–1; a reversed circle is the same one run backwards
 * @returns null when the exercise has no cycle that can be played
 */
export function cycleMoment(exercise: Exercise, school: School, at: number): CycleMoment | null {
  if (!isPlayable(exercise)) return null;
  const { phases, posture } = exercise;
  const conventions = conventionsOf(school);
  const { riseDeg, leastBendDeg, hipsShare } = conventions;
  const { index, within, from, share: way } = placeIn(phases, at);
  const phase = phases[index]!;
  const stand = standAt(exercise);
  const frames: Four<Keyframe> = [stand(from - 1), stand(from), stand(from + 1), stand(from + 2)];
  const [, before, after] = frames;
  // A part that ends as it began stands still, however its neighbours go.
  const share = before === after ? 0 : way;
  const round = phase.via.length > 0;
  /** Straight from stand to stand; through stands on the way of a part, in a curve. */
  const between = (numbers: Four<number>): number =>
    round ? numberOnWay(numbers, share) : mix(numbers[1], numbers[2], share);
  const number = (of: (frame: Keyframe) => number): number =>
    between([of(frames[0]), of(before), of(after), of(frames[3])]);
  const risen = (breath: Phase['breath']): number => (breath === 'in' ? riseDeg : 0);
  const least = posture.seated ? 0 : leastBendDeg;
  const bendOf = (frame: Keyframe, breath: Phase['breath']): number =>
    Math.max(least, (frame.bendDeg ?? posture.kneeBendDeg) - risen(breath));
  // Who steps has to pour all the weight into the front foot.
  const stepping = phases.some(({ end }) => end!.lifted !== 'none');
  const stands = (frame: Keyframe): number => (stepping ? 0 : (frame.ahead ?? posture.ahead));
  const exchanged = exercise.handLoads && school.risingHand === 'emptying';
  const weightOf = (frame: Keyframe): number => {
    const weight = shareOf(frame.weight, conventions, stands(frame));
    return exchanged ? 1 - weight : weight;
  };
  const endOf = (frame: Keyframe): Ends => ({ weight: weightOf(frame), turnDeg: frame.turnDeg });
  const opening = stand(-1);
  const ends = phases.map(({ end }) => endOf(end!));
  const carried = round
    ? { weight: number(weightOf), turnDeg: number(({ turnDeg }) => turnDeg) }
    : onWay(wayOf(ends, phases, index, within, endOf(opening), school.shiftTurn === 'together'));
  const { weight } = carried;
  const width = widthIn(posture, school);
  const turned = settlePosture(posture, school);
  const ahead = number((frame) => frame.ahead ?? posture.ahead);
  // A heel comes up behind only where both feet stay, one before the other.
  const free = school.rearHeel === 'may lift' && !stepping && Math.abs(ahead) >= 0.5;
  const rear = { working: free && ahead < 0 ? heelUp(1 - weight) : 0, other: free && ahead > 0 ? heelUp(weight) : 0 };
  const heel = (role: 'working' | 'other'): number =>
    Math.max(
      rear[role],
      number((frame) => heelOf(frame, role)),
    );
  const all = phases.flatMap(({ via, end }) => [...via, end!]);
  const toes = (key: 'toesOutDeg' | 'otherToesOutDeg', own: number): number | null =>
    all.some((frame) => frame[key] !== null) ? number((frame) => frame[key] ?? own) : null;
  const lifts = new Set(all.map(({ lifted }) => lifted).filter((lifted) => lifted !== 'none'));
  const [only] = lifts.size === 1 && !exercise.phasesSwap ? lifts : [];
  const weights = [...all.map(weightOf), weight];
  return {
    phase: index,
    within,
    breath: phase.breath,
    ...carried,
    hipsShare,
    bendDeg: Math.max(
      least,
      round
        ? number((frame) => bendOf(frame, phase.breath))
        : mix(bendOf(before, phases.at(index - 1)!.breath), bendOf(after, phase.breath), share),
    ),
    stanceWidth: number((frame) => frame.stanceWidth ?? width),
    ahead,
    lifted: after.lifted,
    lift: after.lifted === 'none' ? 0 : Math.sin(Math.PI * within),
    hand: roundHand([frames[0].hand, before.hand, after.hand, frames[3].hand], share),
    otherHand: roundHand([frames[0].otherHand, before.otherHand, after.otherHand, frames[3].otherHand], share),
    eyes: school.eyes,
    shape: shapeBetween(frames, posture, share, between),
    heel: { working: heel('working'), other: heel('other') },
    toesOutDeg: toes('toesOutDeg', turned.toesOutDeg),
    otherToesOutDeg: toes('otherToesOutDeg', turned.otherToesOutDeg),
    onBall: all.some((frame) => frame.heel !== 'none' && (frame.toesOutDeg !== null || frame.otherToesOutDeg !== null)),
    anchor:
      only === undefined
        ? null
        : {
            role: only === 'working' ? 'other' : 'working',
            ahead: opening.ahead ?? posture.ahead,
            width: opening.stanceWidth ?? width,
          },
    span: {
      least: Math.min(...weights),
      most: Math.max(...weights),
      width: Math.max(...all.map((frame) => frame.stanceWidth ?? width)),
    },
  };
}

/** The still posture as a moment, for figures that do not move. */
export function stillMoment({ posture }: Pick<Exercise, 'posture'>): CycleMoment {
  const stand = { shape: null, hand: null, otherHand: null, palm: null, otherPalm: null };
  return {
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
    shape: shapeBetween([stand, stand, stand, stand], posture, 0, ([, at]) => at),
    span: { least: posture.weightShare, most: posture.weightShare, width: posture.stanceWidth },
  };
}
