import { percent } from '../words/percent';
import type { Exercise, Family } from './exercise';
import type { Hand, Keyframe } from './keyframe';
import { swappedShape } from './plainShape';

export interface CycleFault {
  /** Index of the part of the cycle. */
  readonly phase: number;
  readonly kind: 'hand alone' | 'loaded lift';
  readonly message: string;
}

/** Families whose hands follow the body; in the others the arms may move by themselves. */
const led: ReadonlySet<Family> = new Set(['reeling', 'stepping']);

/** What still counts as standing still: shares of weight, degrees, and lengths in shoulder breadths. */
const STILL = { weight: 0.01, degrees: 1, length: 0.03 } as const;
/** A foot with at most this share of the weight on it is empty. */
const EMPTY = 0.02;

const numeric = (weight: Keyframe['weight']): number => (weight === 'full' ? 0.7 : weight === 'empty' ? 0.3 : weight);
const apart = (a: number | null, b: number | null): number =>
  a === null && b === null ? 0 : Math.abs((a ?? 0) - (b ?? 0));

function handMoved(a: Hand | null, b: Hand | null): boolean {
  if (a === null || b === null) return a !== b;
  return Math.hypot(a.out - b.out, a.forward - b.forward, a.up - b.up) > STILL.length;
}

/** Whether a hand goes anywhere, through the air or along the body. */
const handsMoved = (a: Keyframe, b: Keyframe): boolean =>
  handMoved(a.hand, b.hand) ||
  handMoved(a.otherHand, b.otherHand) ||
  a.shape?.arm?.on !== b.shape?.arm?.on ||
  a.shape?.otherArm?.on !== b.shape?.otherArm?.on;

function bodyMoved(a: Keyframe, b: Keyframe): boolean {
  return (
    Math.abs(numeric(a.weight) - numeric(b.weight)) > STILL.weight ||
    Math.abs(a.turnDeg - b.turnDeg) > STILL.degrees ||
    apart(a.bendDeg, b.bendDeg) > STILL.degrees ||
    apart(a.stanceWidth, b.stanceWidth) > STILL.length ||
    apart(a.ahead, b.ahead) > STILL.length
  );
}

/** The same stand, seen from the other side. */
export function swappedFrame(frame: Keyframe): Keyframe {
  const lifted = frame.lifted === 'none' ? 'none' : frame.lifted === 'working' ? 'other' : 'working';
  return {
    ...frame,
    weight: frame.weight === 'full' ? 'empty' : frame.weight === 'empty' ? 'full' : 1 - frame.weight,
    turnDeg: -frame.turnDeg,
    ahead: frame.ahead === null ? null : -frame.ahead,
    lifted,
    hand: frame.otherHand,
    otherHand: frame.hand,
    palm: frame.otherPalm,
    otherPalm: frame.palm,
    heel: frame.heel === 'working' ? 'other' : frame.heel === 'other' ? 'working' : frame.heel,
    toesOutDeg: frame.otherToesOutDeg,
    otherToesOutDeg: frame.toesOutDeg,
    shape: frame.shape === null ? null : swappedShape(frame.shape),
  };
}

/** The share on a foot that is said to be lifted. */
function loadOf(foot: 'working' | 'other', frame: Keyframe): number {
  // “Full” of a school that shifts seven tenths leaves three on the other foot.
  return foot === 'working' ? numeric(frame.weight) : 1 - numeric(frame.weight);
}

/**
 * What is wrong in the parts of a cycle (common practice): a hand that moves while the body stands
 * still, where the hands follow the body; and a foot that is lifted with weight on it.
 */
export function cycleFaults({
  phases,
  family,
  phasesSwap,
}: Pick<Exercise, 'phases' | 'family' | 'phasesSwap'>): CycleFault[] {
  const faults: CycleFault[] = [];
  phases.forEach((phase, index) => {
    const last = phases.at(index - 1)!.end;
    const after = phase.end;
    if (last === null || after === null) return;
    const before = index === 0 && phasesSwap ? swappedFrame(last) : last;
    const stands = [before, ...phase.via, after];
    const part = `part ${index + 1} (“${phase.name}”)`;
    const alone = stands.slice(1).some((stand, at) => handsMoved(stands[at]!, stand) && !bodyMoved(stands[at]!, stand));
    if (led.has(family) && alone) {
      faults.push({
        phase: index,
        kind: 'hand alone',
        message: `${part}: the hand moves while the body stands still; body stops, hand stops`,
      });
    }
    if (after.lifted === 'none') return;
    const foot = after.lifted;
    const load = Math.max(...stands.map((stand) => loadOf(foot, stand)));
    if (load > EMPTY) {
      faults.push({
        phase: index,
        kind: 'loaded lift',
        message: `${part}: the ${foot} foot is lifted with ${percent(load)} of the weight on it; empty it first`,
      });
    }
  });
  return faults;
}
