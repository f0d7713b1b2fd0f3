import type { Body } from '../body/body';
import { rad } from '../words/angles';
import type { CycleMoment } from './cycleMoment';
import type { FootSide } from './pose';
import { add, cross, level, mixed, scaled, unit, UP, type Point3 } from './point3';

/** Where the spine bends between pelvis and shoulders, as a share of the trunk. House value. */
export const WAIST = 0.45;
/** How much of the whole rounding is gone in the middle of the lower and of the upper part of the spine. House values. */
const ROUNDED = { low: 0.25, high: 0.85 } as const;
/** How much of a bend to the side. House values. */
const ASIDE = { low: 0.35, high: 1 } as const;
/** How far the head goes up with hands overhead, degrees; a house value for drawing. */
const LOOK_UP = 30;
/** A head turns no further than this on its trunk, degrees; a house value for drawing. */
const HEAD_TURN = 60;
/** Nor does it look ahead from a deeper fold than this, degrees. House value. */
const HEAD_BACK = 45;
/** Half of a nod and of a tilt is made by the neck. House value. */
const NECK = 0.5;

/** Trunk and head of a body in space. */
export interface Spine {
  /** Where the spine bends, where it ends, and the middle of the head. */
  readonly waist: Point3;
  readonly shoulders: Point3;
  readonly head: Point3;
  /** The way of its lower and its upper part, of unit length. */
  readonly low: Point3;
  readonly high: Point3;
  /** Which way pelvis and chest face, and the right of the chest, of unit length. */
  readonly pelvisFront: Point3;
  readonly chestFront: Point3;
  readonly chestAcross: Point3;
  /** Which way the head looks, and its crown, of unit length. */
  readonly look: Point3;
  readonly crown: Point3;
  /** Turned to its right, degrees. */
  readonly turnDeg: number;
  readonly hipTurnDeg: number;
  readonly chestTurnDeg: number;
  readonly headTurnDeg: number;
  /** How far the head looks up, degrees; below 0 down. */
  readonly lookUpDeg: number;
}

/** What of a moment moves the spine. */
type Carried = Pick<CycleMoment, 'shape' | 'turnDeg' | 'hipsShare' | 'eyes' | 'hand' | 'otherHand'>;

/** A point of the spine, 0 at the pelvis and 1 at the shoulders: it bends at the waist. */
export const spineAt = (
  pelvis: Point3,
  { waist, shoulders }: Pick<Spine, 'waist' | 'shoulders'>,
  share: number,
): Point3 =>
  share < WAIST ? mixed(pelvis, waist, share / WAIST) : mixed(waist, shoulders, (share - WAIST) / (1 - WAIST));

/** How the head turns and looks up, by what the eyes do. */
function gazeOf(
  { eyes, hand, otherHand }: Pick<CycleMoment, 'eyes' | 'hand' | 'otherHand'>,
  turnDeg: number,
  sign: number,
): { turnDeg: number; upDeg: number } {
  const raisedHands = Math.max(hand?.up ?? 0, otherHand?.up ?? 0) > 1.3;
  const upDeg = eyes === 'up' && raisedHands ? LOOK_UP : 0;
  if (eyes === 'ahead') return { turnDeg: Math.max(turnDeg - HEAD_TURN, Math.min(turnDeg + HEAD_TURN, 0)), upDeg };
  if (eyes !== 'following' || hand === null) return { turnDeg, upDeg };
  const to = (Math.atan2(hand.out, Math.max(0.1, hand.forward)) * 180) / Math.PI;
  return { turnDeg: turnDeg + sign * Math.max(-HEAD_TURN, Math.min(HEAD_TURN, to)), upDeg };
}

/**
 * The spine above a pelvis: it leans from the hips, rounds and bends aside part by part, the chest twists against the pelvis, and
 * the head is carried as the school looks or as the drill says.
 * @param trunkPitchDeg how far the posture leans where the moment says nothing of it
 */
export function spineOver(
  { lengths }: Pick<Body, 'lengths'>,
  trunkPitchDeg: number,
  moment: Carried,
  working: FootSide,
  pelvis: Point3,
): Spine {
  const sign = working === 'right' ? 1 : -1;
  const { trunk, head } = moment.shape;
  const turnDeg = sign * moment.turnDeg;
  const hipTurnDeg = turnDeg * moment.hipsShare;
  const chestTurnDeg = turnDeg + sign * trunk.twistDeg;
  const lean = trunk.leanDeg ?? trunkPitchDeg;
  const [facing, aside] = [level(turnDeg), level(turnDeg + 90)];
  /** A way up that leans forward, and to the working side. */
  const going = (forwardDeg: number, asideDeg: number): Point3 =>
    add(
      scaled(
        add(scaled(facing, Math.sin(rad(forwardDeg))), scaled(UP, Math.cos(rad(forwardDeg)))),
        Math.cos(rad(asideDeg)),
      ),
      scaled(aside, sign * Math.sin(rad(asideDeg))),
    );
  /** What faces a way where the spine leans so far forward. */
  const front = (towards: Point3, forwardDeg: number): Point3 =>
    add(scaled(towards, Math.cos(rad(forwardDeg))), scaled(UP, -Math.sin(rad(forwardDeg))));
  const [lowDeg, highDeg] = [lean + ROUNDED.low * trunk.roundDeg, lean + ROUNDED.high * trunk.roundDeg];
  const low = going(lowDeg, ASIDE.low * trunk.asideDeg);
  const high = going(highDeg, ASIDE.high * trunk.asideDeg);
  const waist = add(pelvis, scaled(low, WAIST * lengths.trunk));
  const shoulders = add(waist, scaled(high, (1 - WAIST) * lengths.trunk));
  const chestFront = front(level(chestTurnDeg), highDeg);

  const seen = gazeOf(moment, chestTurnDeg, sign);
  const carried = lean + trunk.roundDeg;
  const { share } = head;
  const mix = (gaze: number, own: number): number => gaze + (own - gaze) * share;
  // Left to the school, the head stays level as far as the neck lets it.
  const downDeg = mix(Math.max(0, carried - HEAD_BACK) - seen.upDeg, carried + head.nodDeg);
  const headTurnDeg = mix(seen.turnDeg, chestTurnDeg + sign * head.turnDeg);
  const tiltDeg = share * head.tiltDeg + ASIDE.high * trunk.asideDeg * share;
  const neck = going(
    carried + share * NECK * head.nodDeg,
    trunk.asideDeg * (1 - (1 - NECK) * (1 - share)) + share * NECK * head.tiltDeg,
  );
  const face = level(headTurnDeg);
  const look = front(face, downDeg);
  const upright = add(scaled(face, Math.sin(rad(downDeg))), scaled(UP, Math.cos(rad(downDeg))));
  const crown = unit(
    add(scaled(upright, Math.cos(rad(tiltDeg))), scaled(cross(look, upright), sign * Math.sin(rad(tiltDeg)))),
  );
  return {
    waist,
    shoulders,
    head: add(shoulders, scaled(neck, lengths.headBeyondShoulder)),
    low,
    high,
    pelvisFront: front(level(hipTurnDeg), lowDeg),
    chestFront,
    chestAcross: unit(cross(chestFront, high)),
    look,
    crown,
    turnDeg,
    hipTurnDeg,
    chestTurnDeg,
    headTurnDeg,
    lookUpDeg: -downDeg,
  };
}
