import * as z from 'zod';
import type { Exercise } from '../library/exercise';
import type { Step } from '../routine/room';
import type { Chain, Piece } from './chain';

/**
 * Where a piece takes whoever plays it: steps along the facing with which it begins, steps to its right, and how far one has
 * turned at its end, degrees clockwise. Backward and to the left are negative.
 */
export const TravelSchema = z.object({
  ahead: z.number().min(-30).max(30),
  right: z.number().min(-30).max(30),
  turnDeg: z.number().int().min(-720).max(720),
});
export type Travel = z.infer<typeof TravelSchema>;

/** A step of somebody who plays a chain, m, unless the chain says otherwise. Our own value; bodies differ. */
export const STEP_METRES = 0.6;

const nowhere: Travel = { ahead: 0, right: 0, turnDeg: 0 };
/** To a tenth of a step, and no minus before a nought. */
const tenth = (steps: number): number => Math.round(steps * 10) / 10 + 0;

/**
 * Where a piece goes: as it is written; where nothing is written, as its drill travels once on its side.
 * @param drill the exercise that it is, where it is one
 */
export function travelOf(piece: Piece, drill: Exercise | undefined, stepMetres: number): Travel {
  if (piece.travel !== null) return piece.travel;
  const goes = drill?.travel ?? null;
  if (goes === null) return nowhere;
  const sign = piece.side === 'left' ? -1 : 1;
  return {
    ahead: tenth(goes.forward / stepMetres),
    right: tenth((sign * goes.out) / stepMetres),
    turnDeg: Math.round(sign * goes.turnDeg) + 0,
  };
}

/** The same to the other side. */
export const mirroredTravel = ({ ahead, right, turnDeg }: Travel): Travel => ({
  ahead,
  right: -right + 0,
  turnDeg: -turnDeg + 0,
});

const otherSide: Readonly<Record<Piece['side'], Piece['side']>> = { both: 'both', left: 'right', right: 'left' };

/** A piece as it is played to the other side. */
export const mirroredPiece = (piece: Piece): Piece => ({
  ...piece,
  side: otherSide[piece.side],
  travel: piece.travel === null ? null : mirroredTravel(piece.travel),
});

/** A way as a step over the floor, m. */
export const stepOf = ({ ahead, right, turnDeg }: Travel, { stepMetres }: Pick<Chain, 'stepMetres'>): Step => ({
  forward: ahead * stepMetres,
  right: right * stepMetres,
  turnDeg,
});
