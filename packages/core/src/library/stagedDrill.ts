import { upperFirst } from '../words/firstLetter';
import type { Exercise, Phase, Posture } from './exercise';
import type { Hand, Keyframe } from './keyframe';
import { plainArm, plainHead, plainShape, plainTrunk } from './plainShape';
import type { ArmShape, Shape } from './shape';
import type { Stage, StagePosture } from './teaching';

/** Between what the legs do and what the hands do in the words of a part. */
const LEGS_THEN_HANDS = ';';

const onHip: ArmShape = { ...plainArm, on: 'hip' };
/** So much of each part is moved in where it stops at its end, our own value. */
const MOVED_IN = 2 / 3;
/** What is said while it stops. */
export const STOP_WORDS = 'Stop';

/** A hand that rests: on the hip, or where it lay. */
const resting = (arm: ArmShape | null | undefined): ArmShape => (arm?.on == null ? onHip : arm);

/** Which hands are at rest. */
interface Rests {
  readonly hand: boolean;
  readonly otherHand: boolean;
}

/** A shape with one or both hands at rest. */
function restedShape(shape: Shape | null, rests: Rests): Shape | null {
  if (!rests.hand && !rests.otherHand) return shape;
  const whole = shape ?? plainShape;
  return {
    ...whole,
    arm: rests.hand ? resting(whole.arm) : whole.arm,
    otherArm: rests.otherHand ? resting(whole.otherArm) : whole.otherArm,
  };
}

/** A stand with the hands at rest that do not move. */
function restedFrame(frame: Keyframe, rests: Rests): Keyframe {
  return {
    ...frame,
    ...(rests.hand ? { hand: null, palm: null } : {}),
    ...(rests.otherHand ? { otherHand: null, otherPalm: null } : {}),
    shape: restedShape(frame.shape, rests),
  };
}

const restsOf = ({ moves, hands }: Stage): Rests => {
  const allRest = moves === 'legs' || moves === 'shift' || moves === 'turn';
  return { hand: allRest || hands === 'other', otherHand: allRest || hands === 'working' };
};

/** A stand of which only the part that moves in the stage is left. */
function movedFrame(frame: Keyframe, stage: Stage): Keyframe {
  const rested = restedFrame(frame, restsOf(stage));
  switch (stage.moves) {
    case 'all':
    case 'legs':
      return rested;
    case 'shift':
      return { ...rested, turnDeg: 0 };
    case 'turn':
      return { ...rested, weight: 0.5, bendDeg: null, stanceWidth: null, ahead: null, lifted: 'none', heel: 'none' };
    case 'arms':
      return {
        ...rested,
        weight: 0.5,
        turnDeg: 0,
        bendDeg: null,
        stanceWidth: null,
        ahead: null,
        lifted: 'none',
        heel: 'none',
        toesOutDeg: null,
        otherToesOutDeg: null,
        shape: rested.shape === null ? null : { ...rested.shape, trunk: null, head: null, kneesAsideDeg: 0 },
      };
  }
}

const mix = (from: number, to: number, share: number): number => from + (to - from) * share;
const mixHand = (from: Hand | null, to: Hand | null, share: number): Hand | null =>
  from === null || to === null
    ? to
    : {
        out: mix(from.out, to.out, share),
        forward: mix(from.forward, to.forward, share),
        up: mix(from.up, to.up, share),
      };
/** A shape, number by number, on its way from another. */
function mixShape(from: Shape | null, to: Shape | null, posture: Posture, share: number): Shape | null {
  if (from === null && to === null) return null;
  const [one, other] = [from ?? plainShape, to ?? plainShape];
  const [back, there] = [one.trunk ?? plainTrunk, other.trunk ?? plainTrunk];
  const [low, head] = [one.head ?? plainHead, other.head ?? plainHead];
  const arm = (was: ArmShape | null, is: ArmShape | null): ArmShape | null =>
    is === null && was === null
      ? null
      : {
          ...(is ?? plainArm),
          shoulderUp: mix((was ?? plainArm).shoulderUp, (is ?? plainArm).shoulderUp, share),
          shoulderForward: mix((was ?? plainArm).shoulderForward, (is ?? plainArm).shoulderForward, share),
        };
  return {
    ...other,
    trunk: {
      leanDeg: mixValue(back.leanDeg, there.leanDeg, posture.trunkPitchDeg, share),
      roundDeg: mix(back.roundDeg, there.roundDeg, share),
      asideDeg: mix(back.asideDeg, there.asideDeg, share),
      twistDeg: mix(back.twistDeg, there.twistDeg, share),
    },
    head:
      one.head === null && other.head === null
        ? null
        : {
            nodDeg: mix(low.nodDeg, head.nodDeg, share),
            turnDeg: mix(low.turnDeg, head.turnDeg, share),
            tiltDeg: mix(low.tiltDeg, head.tiltDeg, share),
          },
    arm: arm(one.arm, other.arm),
    otherArm: arm(one.otherArm, other.otherArm),
    kneesAsideDeg: mix(one.kneesAsideDeg, other.kneesAsideDeg, share),
  };
}

const mixValue = (from: number | null, to: number | null, usual: number, share: number): number | null =>
  to === null && from === null ? null : mix(from ?? usual, to ?? usual, share);

/** Heels that come up only so far. */
const smallerHeels = ({ shape }: Keyframe, size: number): Shape => ({
  ...(shape ?? plainShape),
  heelUp: (shape?.heelUp ?? 1) * size,
});

/** A stand on its way from where the movement begins: so much of it. */
function smallerFrame(frame: Keyframe, home: Keyframe, posture: Posture, size: number): Keyframe {
  if (size === 1) return frame;
  return {
    ...frame,
    turnDeg: mix(home.turnDeg, frame.turnDeg, size),
    bendDeg: mixValue(home.bendDeg, frame.bendDeg, posture.kneeBendDeg, size),
    stanceWidth: mixValue(home.stanceWidth, frame.stanceWidth, posture.stanceWidth, size),
    ahead: mixValue(home.ahead, frame.ahead, posture.ahead, size),
    hand: mixHand(home.hand, frame.hand, size),
    otherHand: mixHand(home.otherHand, frame.otherHand, size),
    shape: frame.heel === 'none' ? mixShape(home.shape, frame.shape, posture, size) : smallerHeels(frame, size),
  };
}

/** A stand with the weight where the stage has it, all through the movement. */
const weighted = (frame: Keyframe, weight: number | null): Keyframe =>
  weight === null || frame.lifted !== 'none' ? frame : { ...frame, weight };

const isSame = (one: Keyframe, other: Keyframe): boolean => JSON.stringify(one) === JSON.stringify(other);

/** What is said of the hands, without the one that rests. */
function ofHands(words: string, hands: Stage['hands']): string {
  if (hands === 'both') return words;
  const rests = hands === 'working' ? '{other}' : '{working}';
  const left = words.split(', ').filter((clause) => !clause.includes(rests) && !clause.startsWith('both '));
  return left.length === 0 ? words : left.join(', ');
}

/** What is said of a part where only the legs, only the arms, or only one hand moves. */
function clauseOf(words: string, { moves, hands }: Stage): string {
  const at = words.indexOf(LEGS_THEN_HANDS);
  if (at < 0) return words;
  const [legs, arms] = [words.slice(0, at).trim(), ofHands(words.slice(at + 1).trim(), hands)];
  if (moves === 'all') return `${legs}; ${arms}`;
  return moves === 'arms' ? upperFirst(arms) : legs;
}

/** What is called of a part where only the legs, only the arms, or only one hand moves: nothing where it would be of the others. */
function callOf(call: string, { moves, hands, stops }: Stage): string {
  const at = call.indexOf(',');
  const legs = at < 0 ? call : call.slice(0, at);
  if (moves === 'arms') return at < 0 ? '' : upperFirst(call.slice(at + 1).trim());
  // Where it stops there is less time.
  return moves === 'all' && hands === 'both' && !stops ? call : legs;
}

/** A part and the stop after it. */
function stopping(part: Phase): Phase[] {
  return [
    { ...part, share: part.share * MOVED_IN },
    {
      ...part,
      name: STOP_WORDS,
      reversed: STOP_WORDS,
      call: STOP_WORDS,
      callReversed: '',
      breath: 'free',
      heldBreaths: 0,
      via: [],
      points: [],
      share: part.share * (1 - MOVED_IN),
    },
  ];
}

/** The parts of a movement as they are done in a stage; a part in which nothing moves any more is left out. */
function stagedParts({ phases, posture }: Exercise, stage: Stage): Phase[] {
  if (phases.length === 0 || phases.some(({ end }) => end === null)) return phases;
  const weight = stage.posture?.weightShare ?? null;
  const home = movedFrame(phases.at(-1)!.end!, stage);
  const frameOf = (frame: Keyframe): Keyframe =>
    weighted(smallerFrame(movedFrame(frame, stage), home, posture, stage.size), weight);
  const moved = phases.map((part): Phase => ({
    ...part,
    name: clauseOf(part.name, stage),
    reversed: clauseOf(part.reversed, stage),
    call: callOf(part.call, stage),
    callReversed: callOf(part.callReversed, stage),
    end: frameOf(part.end!),
    via: part.via.map(frameOf),
  }));
  const moving = moved.filter(
    ({ end, via }, index) =>
      via.length > 0 || !isSame(end!, moved.at(index - 1)!.end!) || phases[index]!.heldBreaths > 0,
  );
  const left = moving.length < 2 ? moved : moving;
  const total = left.reduce((sum, { share }) => sum + share, 0);
  const parts = left.map((part) => ({ ...part, share: part.share / total }));
  return stage.stops ? parts.flatMap(stopping) : parts;
}

/** Hands that rest on the hips: arms low, elbows bent. Degrees. */
const HANDS_ON_HIPS = { shoulderRaiseDeg: 5, elbowBendDeg: 70 } as const;

/** The posture of a drill in one of its stages. @param stage null is the whole drill */
export function stagedPosture({ posture, phases }: Pick<Exercise, 'posture' | 'phases'>, stage: Stage | null): Posture {
  if (stage === null) return posture;
  const rests = restsOf(stage);
  const low = rests.hand && rests.otherHand && phases.length > 0 ? HANDS_ON_HIPS : {};
  const set: Partial<StagePosture> = stage.posture ?? {};
  const even = stage.moves === 'arms' || stage.moves === 'turn';
  const own = { ...posture, ...low };
  const weightShare = set.weightShare ?? (even ? 0.5 : own.weightShare);
  const arm = set.handsOn == null ? null : { ...plainArm, on: set.handsOn };
  return {
    ...own,
    kneeBendDeg: set.kneeBendDeg ?? own.kneeBendDeg,
    shoulderRaiseDeg: set.shoulderRaiseDeg ?? own.shoulderRaiseDeg,
    elbowBendDeg: set.elbowBendDeg ?? own.elbowBendDeg,
    ahead: set.ahead ?? own.ahead,
    stanceWidth: set.stanceWidth ?? own.stanceWidth,
    weightShare,
    otherLifted: (set.otherLifted ?? own.otherLifted) && weightShare === 1,
    shape: arm === null ? own.shape : { ...(own.shape ?? plainShape), arm, otherArm: arm },
  };
}

/** What of a way in is about the hands. */
const OF_HANDS = /\b(arms?|palms?|hands?|elbows?|wrists?|fingers?)\b/i;
const HANDS_REST = 'Lay the hands on the hips.';

/** The way in where the hands rest: what it says of them is not done. */
const wayInWithoutHands = (wayIn: readonly string[]): string[] => [
  ...wayIn.filter((line) => !OF_HANDS.test(line)),
  HANDS_REST,
];

/**
 * A drill as it is done in one of its stages: its posture, its parts with their words, and where the attention goes.
 * @param stage null is the whole drill
 */
export function stagedDrill(exercise: Exercise, stage: Stage | null): Exercise {
  if (stage === null) return exercise;
  const rests = restsOf(stage);
  const inPlace = stage.moves === 'arms' || stage.moves === 'turn' || stage.moves === 'shift';
  return {
    ...exercise,
    posture: stagedPosture(exercise, stage),
    phases: stagedParts(exercise, stage),
    wayIn: rests.hand && rests.otherHand ? wayInWithoutHands(exercise.wayIn) : exercise.wayIn,
    // One hand at a time is done with each.
    twoSided: exercise.twoSided || (stage.hands !== 'both' && exercise.phases.length > 0),
    travel: inPlace ? null : exercise.travel,
    phasesSwap: exercise.phasesSwap && !inPlace,
    attention: stage.attention.length > 0 ? stage.attention : exercise.attention,
  };
}
