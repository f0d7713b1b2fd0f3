import type { Checkpoint, Region } from '../alignment/checkpoint';
import type { BreathPattern } from '../breath/breathPattern';
import type { BreathDose, CycleDose, Dose, HoldDose, SideAmount } from './dose';
import type { Exercise, Phase, Posture } from './exercise';
import { plainFrame, type Hand, type Keyframe } from './keyframe';
import { plainArm, plainHead, plainShape, plainTrunk } from './plainShape';
import type { ArmShape, HandPlace, HeadShape, Shape, TrunkShape } from './shape';
import { noSigns, plainStage, plainStagePosture, type Stage, type StagePosture, type teachingShape } from './teaching';

/** Short hands for writing the built-in exercises down. */

const upright: Posture = {
  seated: false,
  kneeBendDeg: 15,
  trunkPitchDeg: 0,
  shoulderRaiseDeg: 0,
  elbowBendDeg: 0,
  weightShare: 0.5,
  pressurePoint: null,
  stanceWidth: 1,
  ahead: 0,
  toesOutDeg: null,
  otherToesOutDeg: null,
  otherLifted: false,
  shape: null,
};

/** An easy upright stance at shoulder width. */
export const standardPosture: Posture = upright;

/** An easy upright stance at shoulder width, changed where `change` says so. */
export const posture = (change: Partial<Posture> = {}): Posture => ({ ...upright, ...change });

/** What the body does beside its stand, changed where `change` says so. */
export const shape = (change: Partial<Shape>): Shape => ({ ...plainShape, ...change });
export const trunk = (change: Partial<TrunkShape>): TrunkShape => ({ ...plainTrunk, ...change });
export const head = (change: Partial<HeadShape>): HeadShape => ({ ...plainHead, ...change });
export const arm = (change: Partial<ArmShape>): ArmShape => ({ ...plainArm, ...change });

/** Both arms alike, and what else the body does. */
export const bothArms = (change: Partial<ArmShape>, more: Partial<Shape> = {}): Shape =>
  shape({ arm: arm(change), otherArm: arm(change), ...more });

/** Both hands on a place of the body. */
export const handsOn = (on: HandPlace, more: Partial<Shape> = {}): Shape => bothArms({ on }, more);

/** One part of a cycle, and how the body stands at its end. */
export const phase = (
  name: string,
  share: number,
  breath: Phase['breath'],
  end: Partial<Keyframe> | null,
  reversed = '',
  heldBreaths = 0,
): Phase => ({
  name,
  share,
  breath,
  reversed,
  call: '',
  callReversed: '',
  heldBreaths,
  end: end === null ? null : { ...plainFrame, ...end },
  via: [],
  points: [],
});

/** A part that goes through stands on its way to its end, after equal times. */
export const through = (part: Phase, ...stands: readonly Partial<Keyframe>[]): Phase => ({
  ...part,
  via: stands.map((stand) => ({ ...plainFrame, ...part.end, ...stand })),
});

/** A hand seen from the trunk: out and forward in shoulder breadths, up in trunk lengths from the hips. */
export const hand = (out: number, forward: number, up: number): Hand => ({ out, forward, up });

/** Both hands at the mirror of one place, the palms alike. */
export const bothHands = (place: Hand, palm: Keyframe['palm'] = null): Partial<Keyframe> => ({
  hand: place,
  otherHand: place,
  palm,
  otherPalm: palm,
});

export const together = (amount: number): SideAmount[] => [{ side: 'both', direction: 'none', amount }];

export const eachSide = (amount: number): SideAmount[] => [
  { side: 'left', direction: 'none', amount },
  { side: 'right', direction: 'none', amount },
];

export const eachSideBothWays = (amount: number): SideAmount[] => [
  { side: 'left', direction: 'forward', amount },
  { side: 'left', direction: 'reversed', amount },
  { side: 'right', direction: 'forward', amount },
  { side: 'right', direction: 'reversed', amount },
];

export const bothWays = (amount: number): SideAmount[] => [
  { side: 'both', direction: 'forward', amount },
  { side: 'both', direction: 'reversed', amount },
];

export const hold = (holdSeconds: number, amounts: SideAmount[], restSeconds = 30): HoldDose => ({
  kind: 'hold',
  holdSeconds,
  byCue: false,
  parts: [],
  restSeconds,
  least: null,
  amounts,
});

export const cycle = (cycleSeconds: number, amounts: SideAmount[], restSeconds = 0): CycleDose => ({
  kind: 'cycle',
  cycleSeconds,
  slowing: 1,
  roundSeconds: null,
  staySeconds: 0,
  stayAfter: null,
  restSeconds,
  least: null,
  amounts,
});

/** So much time a row, with the repetitions counted as they come. */
export const timed = (roundSeconds: number, cycleSeconds: number, amounts: SideAmount[]): CycleDose => ({
  ...cycle(cycleSeconds, amounts),
  roundSeconds,
});

/** From so much on it is enough; 0 is by feel. */
export const enoughFrom = <D extends Dose>(least: number, dose: D): D => ({ ...dose, least });

export const pattern = (
  inSeconds: number,
  fullPauseSeconds: number,
  outSeconds: number,
  emptyPauseSeconds: number,
): BreathPattern => ({ inSeconds, fullPauseSeconds, outSeconds, emptyPauseSeconds });

export const breathe = (breaths: number, rhythm: BreathPattern, slowing = 1): BreathDose => ({
  kind: 'breath',
  pattern: rhythm,
  slowing,
  restSeconds: 0,
  least: null,
  amounts: together(breaths),
});

/** A checkpoint of just one drill. */
export const point = (
  id: string,
  region: Region,
  wanted: string,
  test: string,
  faults: string,
  cue: string,
  safety = false,
): Checkpoint => ({ id, region, wanted, test, faults, cue, safety });

/** A stage: what is done in it, the sign that it is there, and what it changes against the whole drill. */
export const stage = (
  name: string,
  words: string,
  next = '',
  { posture: stood, ...change }: Omit<Partial<Stage>, 'posture'> & { posture?: Partial<StagePosture> } = {},
): Stage => ({
  ...plainStage,
  name,
  words,
  next,
  ...change,
  posture: stood === undefined ? null : { ...plainStagePosture, ...stood },
});

type Optional =
  'handLoads' | 'phasesSwap' | 'travel' | 'swaySeconds' | 'movements' | 'prerequisites' | keyof typeof teachingShape;
type Written = Omit<Exercise, 'origin' | 'twoSided' | 'hasDirections' | Optional> &
  Partial<Pick<Exercise, Optional>> & {
    /** Checkpoints that are looked at in some parts only: the parts, from 0, by the id of the checkpoint. */
    readonly inParts?: Readonly<Record<string, readonly number[]>>;
    /** What is called aloud of each part, and the other way round where that is something else. */
    readonly calls?: readonly (string | readonly [forward: string, reversed: string])[];
  };

/** What is called of a part, both ways. */
const callOf = (call: string | readonly [string, string] = ''): Pick<Phase, 'call' | 'callReversed'> =>
  typeof call === 'string' ? { call, callReversed: '' } : { call: call[0], callReversed: call[1] };

/** A built-in exercise; whether it has sides and directions follows from its default dose. */
export function builtIn({ inParts = {}, calls = [], ...written }: Written): Exercise {
  const { amounts } = written.defaultDose;
  const pointsOf = (part: number): string[] =>
    Object.entries(inParts).flatMap(([id, parts]) => (parts.includes(part) ? [id] : []));
  return {
    handLoads: false,
    phasesSwap: false,
    travel: null,
    swaySeconds: null,
    movements: [],
    prerequisites: [],
    wayIn: [],
    stages: [],
    signs: noSigns,
    attention: [],
    halfWay: '',
    quick: '',
    long: '',
    daily: '',
    ...written,
    phases: written.phases.map((part, index) => ({ ...part, ...callOf(calls[index]), points: pointsOf(index) })),
    origin: 'built-in',
    twoSided: amounts.some((row) => row.side !== 'both'),
    hasDirections: amounts.some((row) => row.direction !== 'none'),
  };
}

export * from './cautions';
