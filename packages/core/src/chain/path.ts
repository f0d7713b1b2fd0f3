import type { Exercise } from '../library/exercise';
import { walkPath, type Place, type Step } from '../routine/room';
import { ROOM_MARGIN } from '../routine/roomPath';
import { rad } from '../words/angles';
import type { Chain, Piece } from './chain';
import { mirroredPiece, stepOf, travelOf } from './travel';

/** How a chain ends on the floor. */
export type ChainEnd =
  /** No piece leaves its place. */
  | { readonly kind: 'stays' }
  /** Where it began, facing as it began. */
  | { readonly kind: 'closes' }
  /** Turned: so many times through, and it ends where it first began. */
  | { readonly kind: 'after'; readonly times: number }
  /** Elsewhere, so that it can only begin again after a way back; m from where it began, by the facing of the beginning. */
  | { readonly kind: 'away'; readonly ahead: number; readonly right: number; readonly turnDeg: number };

export interface ChainPath {
  /** Where it begins, facing the front, and where each piece ends; m from the least of the floor it needs, margin and all. */
  readonly places: readonly Place[];
  /** The way to the other side, from where the first one ends; empty where it is played to one side only. */
  readonly mirrored: readonly Place[];
  /** The floor that one person needs, m, with the room for arms around it. */
  readonly width: number;
  readonly depth: number;
  /** How it ends as it is played: to one side, or to both. */
  readonly end: ChainEnd;
}

/** Somebody who ends no further from the beginning than this stands where it began, m. Our own value. */
const SAME_PLACE = 0.25;
/** So often at most is a chain played on until it closes by itself. Our own value. */
const MOST_TIMES = 12;

const round360 = (deg: number): number => ((deg % 360) + 360) % 360;
const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/**
 * How a way ends. After a turn of t degrees each time through, the places of n = 360 / gcd(t, 360) times lie evenly around a
 * circle and their sum is none: plane geometry.
 */
function endOf(places: readonly Place[]): ChainEnd {
  const [first, last] = [places[0]!, places.at(-1)!];
  const [dx, dy] = [last.x - first.x, last.y - first.y];
  const turnDeg = round360(last.facingDeg - first.facingDeg);
  const moves = places.some(({ x, y, facingDeg }) => {
    return Math.hypot(x - first.x, y - first.y) > 1e-9 || round360(facingDeg - first.facingDeg) !== 0;
  });
  if (!moves) return { kind: 'stays' };
  if (turnDeg === 0 && Math.hypot(dx, dy) <= SAME_PLACE) return { kind: 'closes' };
  const times = 360 / divisor(Math.round(turnDeg), 360);
  if (turnDeg !== 0 && times <= MOST_TIMES) return { kind: 'after', times };
  const [sin, cos] = [Math.sin(rad(first.facingDeg)), Math.cos(rad(first.facingDeg))];
  return { kind: 'away', ahead: dx * sin + dy * cos, right: dx * cos - dy * sin, turnDeg };
}

const stepsOf = (chain: Chain, pieces: readonly Piece[], shelf: ReadonlyMap<string, Exercise>): Step[] =>
  pieces.map((piece) => stepOf(travelOf(piece, shelf.get(piece.exerciseId ?? ''), chain.stepMetres), chain));

/** All times through that lead back to the beginning, for the floor it takes. */
function onUntilItCloses(start: Place, once: readonly Step[], end: ChainEnd): Place[] {
  const times = end.kind === 'after' ? end.times : 1;
  return walkPath(start, Array.from({ length: times }, () => once).flat());
}

/**
 * The way of a chain over the floor, piece by piece, to its other side too where it is played to both; how much floor it takes,
 * and whether it can begin again where it ends.
 * @param shelf exercises by id, for pieces that are one and say nothing else of their way
 */
export function chainPath(chain: Chain, shelf: ReadonlyMap<string, Exercise>): ChainPath {
  const once = stepsOf(chain, chain.pieces, shelf);
  const other = chain.bothSides ? stepsOf(chain, chain.pieces.map(mirroredPiece), shelf) : [];
  const from: Place = { x: 0, y: 0, facingDeg: 0 };
  const whole = walkPath(from, [...once, ...other]);
  const end = endOf(whole);
  const all = onUntilItCloses(from, [...once, ...other], end);
  const [xs, ys] = [all.map(({ x }) => x), all.map(({ y }) => y)];
  const [left, near] = [Math.min(...xs) - ROOM_MARGIN, Math.min(...ys) - ROOM_MARGIN];
  const placed = whole.map((place): Place => ({ ...place, x: place.x - left, y: place.y - near }));
  return {
    places: placed.slice(0, once.length + 1),
    mirrored: chain.bothSides ? placed.slice(once.length) : [],
    width: Math.max(...xs) + ROOM_MARGIN - left,
    depth: Math.max(...ys) + ROOM_MARGIN - near,
    end,
  };
}
