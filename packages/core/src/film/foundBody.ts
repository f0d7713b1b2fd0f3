import * as z from 'zod';
import { isSideView, marksWanted, seenFrom, type FilmFrom, type FilmJoint, type FilmSide, type Still } from './still';

/** A point that was found: shares of the picture’s width and height, how much nearer to the camera than the hips (negative), how surely it is seen. */
const FoundPointSchema = z.object({
  x: z.number().min(-10).max(10),
  y: z.number().min(-10).max(10),
  z: z.number().min(-100).max(100),
  visibility: z.number().min(0).max(1),
});
/** The 33 points of a found body, in the order of their topology (sources: Film). */
export const FoundBodySchema = z.array(FoundPointSchema).length(33);
export type FoundBody = z.infer<typeof FoundBodySchema>;

/** The number of each joint among the points: left, right. */
const numbers: Readonly<Record<FilmJoint | 'ear', readonly [left: number, right: number]>> = {
  ear: [7, 8],
  shoulder: [11, 12],
  elbow: [13, 14],
  wrist: [15, 16],
  hip: [23, 24],
  knee: [25, 26],
  ankle: [27, 28],
  heel: [29, 30],
  toe: [31, 32],
};

/** A point seen less surely than this is not set. House value. */
const SEEN = 0.5;
/** From the side the shoulders are narrower than this share of the trunk, from the front broader. House value. */
const SIDEWAYS = 0.35;

type Size = Pick<Still, 'width' | 'height'>;

const spotsOf = (body: FoundBody, { width, height }: Size) => {
  const spot = (number: number) => {
    const { x, y, z, visibility } = body[number]!;
    return { x: x * width, y: y * height, near: -z, sure: visibility };
  };
  return (joint: FilmJoint | 'ear', side: FilmSide) => spot(numbers[joint][side === 'left' ? 0 : 1]);
};

const between = (a: number, b: number): number => (a + b) / 2;

/** From where a found body seems to be seen: its shoulders say whether from the side, its feet or shoulders from which. */
export function foundFrom(body: FoundBody, size: Size): FilmFrom {
  const at = spotsOf(body, size);
  const [left, right] = [at('shoulder', 'left'), at('shoulder', 'right')];
  const trunk = Math.abs(between(left.y, right.y) - between(at('hip', 'left').y, at('hip', 'right').y));
  if (Math.abs(left.x - right.x) > SIDEWAYS * trunk) return right.x < left.x ? 'front' : 'behind';
  const ahead = (side: FilmSide): number => at('toe', side).x - at('heel', side).x;
  return ahead('left') + ahead('right') > 0 ? 'right' : 'left';
}

/**
 * The marks of a found body for a view. Which side is which goes by the view, which the teacher knows: from the side the
 * nearer leg and arm are marked, and a body taken for its own back is turned round.
 */
export function foundMarks(body: FoundBody, size: Size, from: FilmFrom): Still['marks'] {
  const at = spotsOf(body, size);
  const nearness = (side: FilmSide): number => at('hip', side).near + at('shoulder', side).near;
  const nearer: FilmSide = nearness('left') > nearness('right') ? 'left' : 'right';
  const crossed = at('shoulder', 'right').x < at('shoulder', 'left').x !== (from === 'front');
  const sideOf = (side: FilmSide): FilmSide => {
    if (isSideView(from)) return nearer;
    return crossed ? (side === 'left' ? 'right' : 'left') : side;
  };
  const marks: Still['marks'] = {};
  const set = (name: ReturnType<typeof marksWanted>[number], ...spots: readonly ReturnType<typeof at>[]): void => {
    const x = spots.reduce((sum, spot) => sum + spot.x, 0) / spots.length;
    const y = spots.reduce((sum, spot) => sum + spot.y, 0) / spots.length;
    const inside = x >= 0 && x <= size.width && y >= 0 && y <= size.height;
    if (!inside || spots.some(({ sure }) => sure < SEEN)) return;
    marks[name] = { x: Math.round(x * 10) / 10, y: Math.round(y * 10) / 10 };
  };
  for (const name of marksWanted(from)) {
    if (name === 'head') {
      if (isSideView(from)) set(name, at('ear', nearer));
      else set(name, at('ear', 'left'), at('ear', 'right'));
      continue;
    }
    const [joint, side] = name.split(' ') as [FilmJoint, FilmSide];
    set(name, at(joint, sideOf(side)));
  }
  return marks;
}

/** A still with what was found on it: what was marked by hand stays; a picture without marks is looked at as it seems to be seen. */
export function withFound(still: Still, body: FoundBody): Still {
  const byHand = (name: string): boolean =>
    still.marks[name as keyof Still['marks']] !== undefined && !still.found.includes(name as Still['found'][number]);
  const fresh = !Object.keys(still.marks).some(byHand);
  const seen = fresh ? seenFrom(still, foundFrom(body, still)) : still;
  const marks = foundMarks(body, seen, seen.from);
  const found = (Object.keys(marks) as (keyof typeof marks)[]).filter((name) => !byHand(name));
  const kept = Object.fromEntries(Object.entries(seen.marks).filter(([name]) => byHand(name)));
  return { ...seen, marks: { ...kept, ...Object.fromEntries(found.map((name) => [name, marks[name]])) }, found };
}
