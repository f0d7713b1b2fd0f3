import { rad } from '../words/angles';
import { checkRange } from '../words/checkRange';

/** One step of a stepping drill or a sequence: a way to go and a turn of the facing. */
export interface Step {
  /** To the right of the facing, m; negative to the left. */
  readonly right: number;
  /** Along the facing, m; negative backward. */
  readonly forward: number;
  /** Turn after the step, degrees clockwise. */
  readonly turnDeg: number;
}
export interface Place {
  /** From the left wall and from the back wall of the room, m, seen by one facing the front. */
  readonly x: number;
  readonly y: number;
  /** Degrees clockwise from facing the front. */
  readonly facingDeg: number;
}
export interface Room {
  readonly width: number;
  readonly depth: number;
  /** Room an arm's swing needs to every wall, m. */
  readonly margin: number;
}

const turned = (facing: number, by: number): number => (((facing + by) % 360) + 360) % 360;

/** The places one comes to, step by step, the start first. */
export function walkPath(start: Place, steps: readonly Step[]): Place[] {
  const path = [start];
  for (const { right, forward, turnDeg } of steps) {
    const { x, y, facingDeg } = path.at(-1)!;
    const [sin, cos] = [Math.sin(rad(facingDeg)), Math.cos(rad(facingDeg))];
    path.push({
      x: x + right * cos + forward * sin,
      y: y - right * sin + forward * cos,
      facingDeg: turned(facingDeg, turnDeg),
    });
  }
  return path;
}

const inside = ({ width, depth, margin }: Room, { x, y }: Place): boolean =>
  x >= margin - 1e-9 && x <= width - margin + 1e-9 && y >= margin - 1e-9 && y <= depth - margin + 1e-9;

/** The first step, from 0, after which one stands outside the room; null when the floor is enough. */
export function runsOutAt(room: Room, path: readonly Place[]): number | null {
  const index = path.findIndex((place) => !inside(room, place));
  return index < 0 ? null : Math.max(0, index - 1);
}

/** How many times a step fits one after the other before the floor ends. */
export function stepsThatFit(room: Room, start: Place, step: Step, most = 1000): number {
  checkRange('most', most, 0, 10_000);
  let place = start;
  for (let count = 0; count < most; count += 1) {
    place = walkPath(place, [step])[1]!;
    if (!inside(room, place)) return count;
  }
  return most;
}
