import type { FigurePose } from '../figure/pose';
import type { Point3 } from '../figure/point3';
import {
  isSideView,
  marksWanted,
  type FilmFrom,
  type FilmJoint,
  type FilmSide,
  type FilmSpot,
  type MarkName,
  type Still,
} from './still';

/** The joint of a computed figure that a mark stands for, m. */
export function jointOf(pose: FigurePose, name: MarkName): Point3 {
  const [joint, side] = name.split(' ') as [string, FilmSide];
  switch (joint as 'head' | FilmJoint) {
    case 'head':
      return pose.head;
    case 'shoulder':
    case 'elbow':
    case 'wrist':
      return pose.arms[side][joint as 'shoulder'];
    case 'hip':
    case 'knee':
      return pose.legs[side][joint as 'hip'];
    case 'ankle':
    case 'heel':
    case 'toe':
      return pose.feet[side][joint as 'ankle'];
  }
}

/** A computed figure as it looks from there, from far away: px at so many to the metre, its own zero in the picture’s. */
export const seenAt = ({ x, y, z }: Point3, from: FilmFrom, pxPerMetre: number): FilmSpot => {
  const across = { right: x, left: -x, front: -z, behind: z }[from];
  return { x: across * pxPerMetre, y: -y * pxPerMetre };
};

/** The marks that a perfect picture of a computed figure would have. */
export const poseMarks = (pose: FigurePose, from: FilmFrom, pxPerMetre = 500): Partial<Record<MarkName, FilmSpot>> =>
  Object.fromEntries(marksWanted(from).map((name) => [name, seenAt(jointOf(pose, name), from, pxPerMetre)]));

/**
 * Where a point of a computed figure, m, falls on a still over which it is laid, standing on the marked feet; null where size or feet are missing.
 */
export function laidOver(
  { from, marks, plumb }: Pick<Still, 'from' | 'marks' | 'plumb'>,
  pose: FigurePose,
  cmPerPx: number | null,
): ((point: Point3) => FilmSpot) | null {
  const names: readonly MarkName[] = isSideView(from) ? [`heel ${from}`] : ['ankle left', 'ankle right'];
  const feet = names.map((name) => marks[name]);
  if (cmPerPx === null || feet.some((spot) => spot === undefined)) return null;
  const mean = (spots: readonly FilmSpot[]): FilmSpot => ({
    x: spots.reduce((sum, { x }) => sum + x, 0) / spots.length,
    y: spots.reduce((sum, { y }) => sum + y, 0) / spots.length,
  });
  const seen = (point: Point3): FilmSpot => seenAt(point, from, 100 / cmPerPx);
  const [there, here] = [mean(feet as FilmSpot[]), mean(names.map((name) => seen(jointOf(pose, name))))];
  const tilt = plumb === null ? 0 : Math.atan2(plumb.to.x - plumb.from.x, plumb.to.y - plumb.from.y);
  const [sin, cos] = [Math.sin(tilt), Math.cos(tilt)];
  return (point) => {
    const spot = seen(point);
    const [x, y] = [spot.x - here.x, spot.y - here.y];
    return { x: there.x + x * cos + y * sin, y: there.y - x * sin + y * cos };
  };
}

/** The same of its joints that are marked in that view. */
export function poseOver(
  still: Pick<Still, 'from' | 'marks' | 'plumb'>,
  pose: FigurePose,
  cmPerPx: number | null,
): Partial<Record<MarkName, FilmSpot>> | null {
  const at = laidOver(still, pose, cmPerPx);
  if (at === null) return null;
  return Object.fromEntries(marksWanted(still.from).map((name) => [name, at(jointOf(pose, name))]));
}

/** A drawing of a body as it is seen from far away: its size, px, how many of them are a metre, and how high its middle is, m, over the middle of the floor. */
export interface FarDrawing {
  readonly width: number;
  readonly height: number;
  readonly pxPerMetre: number;
  readonly middleM: number;
}

/** How that drawing is laid over a still: the six numbers of an affine map of its px to those of the still, as in SVG. */
export function drawingOver(
  from: FilmFrom,
  at: (point: Point3) => FilmSpot,
  { width, height, pxPerMetre, middleM }: FarDrawing,
): readonly [number, number, number, number, number, number] {
  const beside = { right: { x: 1, z: 0 }, left: { x: -1, z: 0 }, front: { x: 0, z: -1 }, behind: { x: 0, z: 1 } }[from];
  const zero = at({ x: 0, y: 0, z: 0 });
  const metre = (to: Point3): FilmSpot => ({ x: at(to).x - zero.x, y: at(to).y - zero.y });
  const [across, up] = [metre({ ...beside, y: 0 }), metre({ x: 0, y: 1, z: 0 })];
  const [left, top] = [width / 2 / pxPerMetre, middleM + height / 2 / pxPerMetre];
  return [
    across.x / pxPerMetre,
    across.y / pxPerMetre,
    -up.x / pxPerMetre,
    -up.y / pxPerMetre,
    zero.x - left * across.x + top * up.x,
    zero.y - left * across.y + top * up.y,
  ];
}

const lines: readonly (readonly [string, string])[] = [
  ['heel', 'toe'],
  ['ankle', 'knee'],
  ['knee', 'hip'],
  ['hip', 'shoulder'],
  ['shoulder', 'elbow'],
  ['elbow', 'wrist'],
];

/** Which marks are joined by lines, as far as that view has them. */
export function markLines(from: FilmFrom): (readonly [MarkName, MarkName])[] {
  const wanted = marksWanted(from);
  const sides = (['left', 'right'] as const).flatMap((side) =>
    lines.map(([a, b]) => [`${a} ${side}`, `${b} ${side}`] as [MarkName, MarkName]),
  );
  const across: (readonly [MarkName, MarkName])[] = [
    ['hip left', 'hip right'],
    ['shoulder left', 'shoulder right'],
    ['ankle left', 'toe left'],
    ['ankle right', 'toe right'],
  ];
  const side = from === 'left' || from === 'right';
  return [...sides, ...(side ? [] : across)].filter(([a, b]) => wanted.includes(a) && wanted.includes(b));
}

/** A line of a picture between two marks, and of which side it is. */
export interface MarkLine {
  readonly side: FilmSide | 'both';
  readonly from: FilmSpot;
  readonly to: FilmSpot;
}

/** The side a mark, or another point, is of. */
export const sideOfMark = (name: string): FilmSide | 'both' =>
  name.endsWith(' left') ? 'left' : name.endsWith(' right') ? 'right' : 'both';

/** The lines between those marks that are set. */
export function drawnLines(from: FilmFrom, spots: Readonly<Partial<Record<MarkName, FilmSpot>>>): MarkLine[] {
  return markLines(from).flatMap(([a, b]) => {
    const [start, end] = [spots[a], spots[b]];
    if (start === undefined || end === undefined) return [];
    return [{ side: sideOfMark(a) === sideOfMark(b) ? sideOfMark(a) : 'both', from: start, to: end }];
  });
}
