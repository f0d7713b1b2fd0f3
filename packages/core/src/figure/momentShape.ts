import type { Posture } from '../library/exercise';
import type { Hand, Keyframe } from '../library/keyframe';
import type { Palm } from '../library/palm';
import { plainArm, plainHead, plainShape, plainTrunk } from '../library/plainShape';
import type { ArmShape, HandPlace, HeadShape, Shape, TrunkShape } from '../library/shape';
import type { Four } from './wayThrough';

/** Where a hand is in one stand: at a place of the body, at a place before it, or as the posture has it. */
export interface ArmStand {
  readonly hand: Hand | null;
  readonly on: HandPlace | null;
  readonly laid: ArmShape['laid'];
  readonly palm: Palm | null;
}

/** An arm on its way from the second of four stands to the third. */
export interface ArmMoment extends Omit<ArmShape, 'on' | 'laid' | 'palm'> {
  readonly stands: Four<ArmStand>;
  /** How far it is on the way, 0–1. */
  readonly share: number;
}

/** What trunk, head, arms and knees do at an instant. */
export interface ShapeMoment {
  readonly trunk: TrunkShape;
  /** How far the head is its own, 0 where the school looks to 1. */
  readonly head: HeadShape & { readonly share: number };
  readonly arm: ArmMoment;
  readonly otherArm: ArmMoment;
  readonly kneesAsideDeg: number;
  /** Along the foot; null as in the posture. */
  readonly pressurePoint: number | null;
  /** How far the working foot lies on the other knee, 0–1. */
  readonly footOnKnee: number;
}

const asPosture: ArmStand = { hand: null, on: null, laid: 'palm', palm: null };
export const restingArm: ArmMoment = {
  ...plainArm,
  stands: [asPosture, asPosture, asPosture, asPosture],
  share: 0,
};
/** A body that does nothing beside its posture. */
export const restingShape: ShapeMoment = {
  trunk: plainTrunk,
  head: { ...plainHead, share: 0 },
  arm: restingArm,
  otherArm: restingArm,
  kneesAsideDeg: 0,
  pressurePoint: null,
  footOnKnee: 0,
};

/** A shape of which nothing is left open that its posture says. */
function settled(shape: Shape | null, { shape: own, trunkPitchDeg }: Pick<Posture, 'shape' | 'trunkPitchDeg'>): Shape {
  const base = own ?? plainShape;
  const said = shape ?? base;
  const trunk = said.trunk ?? base.trunk ?? plainTrunk;
  return {
    ...said,
    trunk: { ...trunk, leanDeg: trunk.leanDeg ?? trunkPitchDeg },
    head: said.head ?? base.head,
    arm: said.arm ?? base.arm,
    otherArm: said.otherArm ?? base.otherArm,
    pressurePoint: said.pressurePoint ?? base.pressurePoint,
  };
}

type Said = Pick<Keyframe, 'shape' | 'hand' | 'otherHand' | 'palm' | 'otherPalm'>;

const armStand = (shape: ArmShape | null, hand: Hand | null, palm: Palm | null): ArmStand => ({
  hand,
  on: shape?.on ?? null,
  laid: shape?.laid ?? 'palm',
  palm: palm ?? shape?.palm ?? null,
});

/**
 * What the body does beside its stand on the way from the second of four stands to the third.
 * @param between how a number goes on its way through the four
 */
export function shapeBetween(
  frames: Four<Said>,
  posture: Pick<Posture, 'shape' | 'trunkPitchDeg'>,
  share: number,
  between: (numbers: Four<number>) => number,
): ShapeMoment {
  const four = <T>(of: (at: 0 | 1 | 2 | 3) => T): Four<T> => [of(0), of(1), of(2), of(3)];
  const shapes = four((at) => settled(frames[at].shape, posture));
  const number = (of: (shape: Shape) => number): number => between(four((at) => of(shapes[at])));
  const ownHead = (at: 1 | 2): number => (shapes[at].head === null ? 0 : 1);
  // A head that comes from where the school looks goes straight to its own place.
  const heads = four((at) => shapes[at].head ?? shapes[2].head ?? shapes[1].head ?? plainHead);
  const head = (of: (head: HeadShape) => number): number => between(four((at) => of(heads[at])));
  const arm = (which: 'arm' | 'otherArm'): ArmMoment => {
    const said = (of: (arm: ArmShape) => number): number => number((shape) => of(shape[which] ?? plainArm));
    const [hand, palm] = which === 'arm' ? (['hand', 'palm'] as const) : (['otherHand', 'otherPalm'] as const);
    return {
      shoulderUp: said(({ shoulderUp }) => shoulderUp),
      shoulderForward: said(({ shoulderForward }) => shoulderForward),
      elbowUpDeg: said(({ elbowUpDeg }) => elbowUpDeg),
      wristBendDeg: said(({ wristBendDeg }) => wristBendDeg),
      wristAsideDeg: said(({ wristAsideDeg }) => wristAsideDeg),
      closed: said(({ closed }) => closed),
      stands: four((at) => armStand(shapes[at][which], frames[at][hand], frames[at][palm])),
      share,
    };
  };
  const pressed = shapes.some(({ pressurePoint }) => pressurePoint !== null);
  return {
    trunk: {
      leanDeg: number(({ trunk }) => trunk!.leanDeg!),
      roundDeg: number(({ trunk }) => trunk!.roundDeg),
      asideDeg: number(({ trunk }) => trunk!.asideDeg),
      twistDeg: number(({ trunk }) => trunk!.twistDeg),
    },
    head: {
      share: ownHead(1) + (ownHead(2) - ownHead(1)) * share,
      nodDeg: head(({ nodDeg }) => nodDeg),
      turnDeg: head(({ turnDeg }) => turnDeg),
      tiltDeg: head(({ tiltDeg }) => tiltDeg),
    },
    arm: arm('arm'),
    otherArm: arm('otherArm'),
    kneesAsideDeg: number(({ kneesAsideDeg }) => kneesAsideDeg),
    pressurePoint: pressed ? number(({ pressurePoint }) => pressurePoint ?? MIDDLE) : null,
    footOnKnee: number(({ footOnKnee }) => (footOnKnee ? 1 : 0)),
  };
}

/** Where the weight presses where one stand says it and the next does not, along the foot. House value. */
const MIDDLE = 0.5;
