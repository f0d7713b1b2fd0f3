import { zlibSync } from 'fflate';
import { fromUint8Array } from 'js-base64';
import type { FigurePose } from '../figure/pose';
import { add, minus, mixed, scaled, unit, type Point3 } from '../figure/point3';
import { crc32 } from '../text/crc32';
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

type Cloth = 'skin' | 'top' | 'trousers' | 'shoe' | 'hair';
interface Part {
  readonly from: Point3;
  readonly to: Point3;
  /** Radii at both ends, m. */
  readonly thick: readonly [number, number];
  readonly cloth: Cloth;
}

/** The parts of a body as rounded pieces, thick as shares of its stature (house values). */
function partsOf(pose: FigurePose): Part[] {
  const size = pose.body.stature;
  const part = (from: Point3, to: Point3, first: number, last: number, cloth: Cloth): Part => ({
    from,
    to,
    thick: [first * size, last * size],
    cloth,
  });
  const chest = mixed(pose.pelvis, pose.shoulders, 0.82);
  const spine = unit(minus(pose.shoulders, pose.pelvis));
  const crown = add(pose.head, scaled(spine, 0.025 * size));
  const sides = (['left', 'right'] as const).flatMap((side) => {
    const [foot, leg, arm] = [pose.feet[side], pose.legs[side], pose.arms[side]];
    return [
      part(leg.hip, leg.knee, 0.052, 0.036, 'trousers'),
      part(leg.knee, foot.ankle, 0.036, 0.024, 'trousers'),
      part(foot.heel, foot.toe, 0.022, 0.018, 'shoe'),
      part(foot.ankle, mixed(foot.heel, foot.toe, 0.6), 0.022, 0.02, 'shoe'),
      part(arm.shoulder, arm.elbow, 0.03, 0.024, 'top'),
      part(arm.elbow, arm.wrist, 0.024, 0.016, 'top'),
      part(arm.wrist, arm.hand, 0.017, 0.012, 'skin'),
      part(chest, mixed(chest, arm.shoulder, 0.75), 0.06, 0.038, 'top'),
      part(pose.pelvis, leg.hip, 0.06, 0.052, 'trousers'),
    ];
  });
  return [
    part(pose.pelvis, chest, 0.066, 0.074, 'top'),
    part(pose.shoulders, pose.head, 0.03, 0.03, 'skin'),
    part(pose.head, pose.head, 0.05, 0.05, 'skin'),
    part(crown, crown, 0.05, 0.05, 'hair'),
    ...sides,
  ];
}

const cloths: Record<Cloth, readonly [number, number, number]> = {
  skin: [214, 170, 142],
  top: [92, 112, 132],
  trousers: [58, 62, 78],
  shoe: [40, 38, 38],
  hair: [70, 56, 48],
};
const order = Object.keys(cloths) as Cloth[];
/** Lights that a cloth is drawn in. */
const LEVELS = 32;
const hall = { wall: 0, floor: 1, frame: 2, board: 3 } as const;
const hallColours = [
  [226, 222, 212],
  [178, 158, 132],
  [150, 132, 112],
  [204, 198, 186],
] as const;

/** From where the light comes, in the picture: right, down, towards the camera. */
const light = { x: -0.45, y: -0.6, z: 0.66 };

/** The colours of the picture: those of the hall, then each cloth in its lights. */
function palette(): Uint8Array {
  const shaded = order.flatMap((cloth) =>
    Array.from({ length: LEVELS }, (_, level) =>
      cloths[cloth]
        .map((value) => Math.round(value * (0.3 + (0.8 * level) / (LEVELS - 1))))
        .map((v) => Math.min(255, v)),
    ),
  );
  return new Uint8Array([...hallColours.map((colour) => [...colour]), ...shaded].flat());
}

/** A shaded body in a hall with a door frame that hangs plumb, as a camera sees it: one byte a pixel, an index of the palette. */
function drawn(pose: FigurePose, camera: FilmCamera, turnDeg: number): Uint8Array {
  const { width, height } = camera;
  const pixels = new Uint8Array(width * height);
  const depths = new Float32Array(width * height).fill(Infinity);
  const behind = (x: number, y: number): number => {
    const back = doorAt(camera);
    if (y > back.floor) return hall.floor;
    if (y > back.floor - 14) return hall.board;
    return Math.abs(x - back.frame) < 4 ? hall.frame : hall.wall;
  };
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      // The hall is drawn upright and looked at by a tilted camera.
      const [s, c] = [Math.sin(rad(camera.roll)), Math.cos(rad(camera.roll))];
      const [u, v] = [x - width / 2, y - height / 2];
      pixels[y * width + x] = behind(u * c + v * s + width / 2, -u * s + v * c + height / 2);
    }
  }
  for (const { from, to, thick, cloth } of partsOf(pose)) {
    const [a, b] = [seenBy(camera, from, turnDeg), seenBy(camera, to, turnDeg)];
    const radii = [thick[0] * a.scale, thick[1] * b.scale] as const;
    const most = Math.max(...radii);
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const long = dx * dx + dy * dy;
    const first = 4 + order.indexOf(cloth) * LEVELS;
    const [left, right] = [
      Math.max(0, Math.floor(Math.min(a.x, b.x) - most)),
      Math.min(width - 1, Math.ceil(Math.max(a.x, b.x) + most)),
    ];
    const [top, bottom] = [
      Math.max(0, Math.floor(Math.min(a.y, b.y) - most)),
      Math.min(height - 1, Math.ceil(Math.max(a.y, b.y) + most)),
    ];
    for (let y = top; y <= bottom; y += 1) {
      for (let x = left; x <= right; x += 1) {
        const along = long < 1 ? 0 : Math.max(0, Math.min(1, ((x - a.x) * dx + (y - a.y) * dy) / long));
        const radius = radii[0] + (radii[1] - radii[0]) * along;
        const [ox, oy] = [(x - a.x - along * dx) / radius, (y - a.y - along * dy) / radius];
        const inside = 1 - ox * ox - oy * oy;
        if (inside < 0) continue;
        const towards = Math.sqrt(inside);
        const metre = a.scale + (b.scale - a.scale) * along;
        const depth = a.away + (b.away - a.away) * along - (towards * radius) / metre;
        const at = y * width + x;
        if (depth >= depths[at]!) continue;
        depths[at] = depth;
        const lit = Math.max(0, ox * light.x + oy * light.y + towards * light.z);
        pixels[at] = first + Math.round(lit * (LEVELS - 1));
      }
    }
  }
  return pixels;
}

/** How far behind the body the wall of the hall is, m. */
const WALL = 0.6;

function doorAt(camera: FilmCamera): { readonly frame: number; readonly floor: number } {
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

function chunk(name: string, data: Uint8Array): Uint8Array {
  const made = new Uint8Array(12 + data.length);
  const view = new DataView(made.buffer);
  view.setUint32(0, data.length);
  for (let at = 0; at < 4; at += 1) made[4 + at] = name.charCodeAt(at);
  made.set(data, 8);
  view.setUint32(8 + data.length, crc32(made.subarray(4, 8 + data.length)));
  return made;
}

/** A picture of one byte a pixel as a PNG (ISO/IEC 15948), its colours in a palette. */
export function palettePng(pixels: Uint8Array, width: number, height: number, colours: Uint8Array): Uint8Array {
  const head = new Uint8Array(13);
  const view = new DataView(head.buffer);
  view.setUint32(0, width);
  view.setUint32(4, height);
  head.set([8, 3, 0, 0, 0], 8);
  const rows = new Uint8Array(height * (width + 1));
  for (let y = 0; y < height; y += 1) rows.set(pixels.subarray(y * width, (y + 1) * width), y * (width + 1) + 1);
  const parts = [
    new Uint8Array([137, 80, 78, 71, 13, 10, 26, 10]),
    chunk('IHDR', head),
    chunk('PLTE', colours),
    chunk('IDAT', zlibSync(rows, { level: 9 })),
    chunk('IEND', new Uint8Array(0)),
  ];
  const made = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    made.set(part, at);
    at += part.length;
  }
  return made;
}

/** A computed figure as a shaded body, filmed by a camera, as a data address of a PNG: made-up people for the demo and the tests. */
export function bodyPicture(pose: FigurePose, camera: FilmCamera, turnDeg = 0): string {
  const png = palettePng(drawn(pose, camera, turnDeg), camera.width, camera.height, palette());
  return `data:image/png;base64,${fromUint8Array(png)}`;
}
