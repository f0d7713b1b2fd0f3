import { reachOf, type FigurePose, type FigureView } from '@pomek/core';

/** From where the body is looked at: degrees round it, from its front to its right, and up. */
export interface Stand {
  readonly roundDeg: number;
  readonly upDeg: number;
}

/** Where one stands for each view. */
export const stands: Readonly<Record<FigureView, Stand>> = {
  front: { roundDeg: 0, upDeg: 8 },
  side: { roundDeg: 90, upDeg: 5 },
  behind: { roundDeg: 180, upDeg: 8 },
  above: { roundDeg: 180, upDeg: 88 },
};

/** The same for a picture that nobody can turn: a little aslant it shows more of what is before and behind. */
export const aslant: Readonly<Record<FigureView, Stand>> = {
  front: { roundDeg: 22, upDeg: 5 },
  side: { roundDeg: 64, upDeg: 5 },
  behind: { roundDeg: 158, upDeg: 5 },
  above: stands.above,
};

/** Degrees for a pixel dragged, and for a press of an arrow key. */
const DRAG_DEG = 0.45;
const KEY_DEG = 15;
const turns: Readonly<Record<string, Stand>> = {
  ArrowLeft: { roundDeg: -KEY_DEG, upDeg: 0 },
  ArrowRight: { roundDeg: KEY_DEG, upDeg: 0 },
  ArrowUp: { roundDeg: 0, upDeg: KEY_DEG },
  ArrowDown: { roundDeg: 0, upDeg: -KEY_DEG },
};

/** Nobody looks from below the floor. */
const turnedBy = (from: Stand, roundDeg: number, upDeg: number): Stand => ({
  roundDeg: from.roundDeg + roundDeg,
  upDeg: Math.max(-4, Math.min(88, from.upDeg + upDeg)),
});

/** Where one stands after dragging so many px. */
export const draggedTo = (from: Stand, rightPx: number, downPx: number): Stand =>
  turnedBy(from, rightPx * DRAG_DEG, downPx * DRAG_DEG);

/** Where one stands after a key; null where it is none that turns. */
export function turnedByKey(from: Stand, key: string): Stand | null {
  const by = turns[key];
  return by === undefined ? null : turnedBy(from, by.roundDeg, by.upDeg);
}

/** On the way from one stand to another, softly and by the shorter way round. @param share of the way, 0–1 */
export function between(from: Stand, to: Stand, share: number): Stand {
  const round = ((((to.roundDeg - from.roundDeg) % 360) + 540) % 360) - 180;
  const soft = share * share * (3 - 2 * share);
  return { roundDeg: from.roundDeg + soft * round, upDeg: from.upDeg + soft * (to.upDeg - from.upDeg) };
}

/** What is to be seen whole: how high something goes, and how far from the middle line to any side, m. */
export interface Extent {
  readonly highest: number;
  readonly reach: number;
  /** What is left around it; more where it stands on a screen. */
  readonly margin?: number;
}

/** Room that is always left to either side, and over hands, m; over the head, as a share of stature. */
const [LEAST_REACH, OVER_HANDS, OVER_HEAD] = [0.42, 0.06, 1.03];

/**
 * How much room a body takes up, m.
 * @param pose as it stands now
 * @param most how high and how far it goes in all that is shown
 */
export const extentOf = (pose: FigurePose, most: Partial<Extent> = {}): Extent => ({
  highest: Math.max(OVER_HEAD * pose.body.stature, (most.highest ?? 0) + OVER_HANDS),
  reach: Math.max(LEAST_REACH, most.reach ?? 0, reachOf(pose)),
});
