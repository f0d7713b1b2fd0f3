import type { FigurePose } from '../figure/pose';
import type { Point3 } from '../figure/point3';
import { rad } from '../words/angles';
import { jointOf } from './poseMarks';
import { marksWanted, type FilmFrom, type FilmSpot, type MarkName } from './still';

/** A pinhole camera in a hall. Lengths in m, angles in degrees. */
export interface FilmCamera {
  readonly from: FilmFrom;
  readonly away: number;
  readonly high: number;
  /** It stands so far to its own right of the middle of the body. */
  readonly beside: number;
  /** It is tilted so far about its own axis. */
  readonly roll: number;
  /** Px of its focal length, and of the picture. */
  readonly focal: number;
  readonly width: number;
  readonly height: number;
}

export const filmCamera = (change: Partial<FilmCamera> = {}): FilmCamera => ({
  from: 'right',
  away: 3.5,
  high: 1,
  beside: 0,
  roll: 0,
  focal: 1700,
  width: 1280,
  height: 1600,
  ...change,
});

interface Seen extends FilmSpot {
  /** Px of a metre at that distance, and how far away it is. */
  readonly scale: number;
  readonly away: number;
}

/** Where a point of the hall falls in the picture; the body is turned about its own plumb first, degrees. */
export function seenBy(camera: FilmCamera, point: Point3, turnDeg = 0): Seen {
  const [sin, cos] = [Math.sin(rad(turnDeg)), Math.cos(rad(turnDeg))];
  const x = point.x * cos - point.z * sin;
  const z = point.x * sin + point.z * cos;
  const { right, near } = {
    right: { right: x, near: z },
    left: { right: -x, near: -z },
    front: { right: -z, near: x },
    behind: { right: z, near: -x },
  }[camera.from];
  const away = camera.away - near;
  const scale = camera.focal / away;
  const [u, v] = [(right - camera.beside) * scale, (camera.high - point.y) * scale];
  const [s, c] = [Math.sin(rad(camera.roll)), Math.cos(rad(camera.roll))];
  return { x: camera.width / 2 + u * c - v * s, y: camera.height / 2 + u * s + v * c, scale, away };
}

/** Where the joints of a figure fall in the picture: the truth that marks are set by. */
export const marksSeen = (camera: FilmCamera, pose: FigurePose, turnDeg = 0): Partial<Record<MarkName, FilmSpot>> =>
  Object.fromEntries(
    marksWanted(camera.from).map((name: MarkName) => {
      const { x, y } = seenBy(camera, jointOf(pose, name), turnDeg);
      return [name, { x, y }];
    }),
  );

/** How far behind the body the wall of the hall is, m. */
const WALL = 0.6;

/** Where the frame of the door and the edge of the floor are for a camera that is not tilted, px. */
export function doorAt(camera: FilmCamera): { readonly frame: number; readonly floor: number } {
  const upright = { ...camera, roll: 0 };
  const scale = camera.focal / (camera.away + WALL);
  return {
    frame: upright.width / 2 + (-0.62 - camera.beside) * scale,
    floor: upright.height / 2 + camera.high * scale,
  };
}

/** The frame of the door, which hangs plumb, as the camera sees it. */
export function doorSeen(camera: FilmCamera): { readonly from: FilmSpot; readonly to: FilmSpot } {
  const { frame, floor } = doorAt(camera);
  const [s, c] = [Math.sin(rad(camera.roll)), Math.cos(rad(camera.roll))];
  const turned = (x: number, y: number): FilmSpot => {
    const [u, v] = [x - camera.width / 2, y - camera.height / 2];
    return { x: camera.width / 2 + u * c - v * s, y: camera.height / 2 + u * s + v * c };
  };
  return { from: turned(frame, 40), to: turned(frame, floor - 20) };
}
