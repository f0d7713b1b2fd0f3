import type { FigurePose } from '../figure/pose';
import { add, minus, mixed, scaled, unit, type Point3 } from '../figure/point3';
import { rad } from '../words/angles';
import { doorAt, seenBy, type FilmCamera } from './filmCamera';

// Looked up once: they are asked for at every pixel.
const { max, min, sqrt, round, abs, floor, ceil, hypot } = Math;

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
export function bodyPalette(): Uint8Array {
  const shaded = order.flatMap((cloth) =>
    Array.from({ length: LEVELS }, (_, level) =>
      cloths[cloth].map((value) => round(value * (0.3 + (0.8 * level) / (LEVELS - 1)))).map((v) => min(255, v)),
    ),
  );
  return new Uint8Array([...hallColours.map((colour) => [...colour]), ...shaded].flat());
}

/** The hall behind the body, with a door frame that hangs plumb: drawn upright and looked at by a tilted camera. */
export function emptyHall(camera: FilmCamera): Uint8Array {
  const { width, height } = camera;
  const pixels = new Uint8Array(width * height);
  const back = doorAt(camera);
  const behind = (x: number, y: number): number => {
    if (y > back.floor) return hall.floor;
    if (y > back.floor - 14) return hall.board;
    return abs(x - back.frame) < 4 ? hall.frame : hall.wall;
  };
  const [s, c] = [Math.sin(rad(camera.roll)), Math.cos(rad(camera.roll))];
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const [u, v] = [x - width / 2, y - height / 2];
      pixels[y * width + x] = behind(u * c + v * s + width / 2, -u * s + v * c + height / 2);
    }
  }
  return pixels;
}

/** Folds of a cloth, −1 to 1: the same at the same place of a part, whatever the part does. */
function foldAt(part: number, along: number, across: number): number {
  const smooth = (u: number, v: number): number => {
    const [x, y] = [floor(u), floor(v)];
    const [a, b] = [u - x, v - y];
    const knot = (right: number, down: number): number => {
      const mixedUp = ((x + right) * 374761393 + (y + down) * 668265263 + part * 974711) | 0;
      return (((mixedUp ^ (mixedUp >>> 13)) * 1274126177) >>> 16) & 0xff;
    };
    const upper = knot(0, 0) * (1 - a) + knot(1, 0) * a;
    return (upper * (1 - b) + (knot(0, 1) * (1 - a) + knot(1, 1) * a) * b) / 127.5 - 1;
  };
  return 0.6 * smooth(along / 0.03, across * 2) + 0.4 * smooth(along / 0.012, across * 5);
}

/**
 * A shaded body in a hall as a camera sees it: one byte a pixel, an index of the palette.
 * @param folds how deep the cloth is folded: a share of its light
 */
export function bodyPixels(
  pose: FigurePose,
  camera: FilmCamera,
  turnDeg = 0,
  behind = emptyHall(camera),
  folds = 0,
): Uint8Array {
  const { width, height } = camera;
  const pixels = behind.slice();
  const depths = new Float32Array(width * height).fill(Infinity);
  for (const [part, { from, to, thick, cloth }] of partsOf(pose).entries()) {
    const [a, b] = [seenBy(camera, from, turnDeg), seenBy(camera, to, turnDeg)];
    const radii = [thick[0] * a.scale, thick[1] * b.scale] as const;
    const most = max(...radii);
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const long = dx * dx + dy * dy;
    const first = 4 + order.indexOf(cloth) * LEVELS;
    const metres = hypot(to.x - from.x, to.y - from.y, to.z - from.z);
    const [left, right] = [max(0, floor(min(a.x, b.x) - most)), min(width - 1, ceil(max(a.x, b.x) + most))];
    const [top, bottom] = [max(0, floor(min(a.y, b.y) - most)), min(height - 1, ceil(max(a.y, b.y) + most))];
    for (let y = top; y <= bottom; y += 1) {
      for (let x = left; x <= right; x += 1) {
        const along = long < 1 ? 0 : max(0, min(1, ((x - a.x) * dx + (y - a.y) * dy) / long));
        const radius = radii[0] + (radii[1] - radii[0]) * along;
        const [ox, oy] = [(x - a.x - along * dx) / radius, (y - a.y - along * dy) / radius];
        const inside = 1 - ox * ox - oy * oy;
        if (inside < 0) continue;
        const towards = sqrt(inside);
        const metre = a.scale + (b.scale - a.scale) * along;
        const depth = a.away + (b.away - a.away) * along - (towards * radius) / metre;
        const at = y * width + x;
        if (depth >= depths[at]!) continue;
        depths[at] = depth;
        const lit = max(0, ox * light.x + oy * light.y + towards * light.z);
        const across = (ox * dy - oy * dx) / (long < 1 ? 1 : sqrt(long));
        const shade = folds === 0 ? lit : lit * (1 + folds * foldAt(part, along * metres, across));
        pixels[at] = first + round(max(0, min(1, shade)) * (LEVELS - 1));
      }
    }
  }
  return pixels;
}
