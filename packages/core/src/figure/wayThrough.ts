import { add, lengthOf, minus, scaled, type Point3 } from './point3';

/** What comes before, where it goes from and to, and what comes after. */
export type Four<T> = readonly [T, T, T, T];

/** Nearer than this two places are one, m or what else is counted. */
const SAME = 1e-4;
/** A way turns no wider than so many times its shorter side. House value, by eye. */
const WIDEST = 1.5;

/** Which way, and how fast, it passes the middle one of three places; it stands where it stays. */
function passing(a: Point3, b: Point3, c: Point3): Point3 {
  const shorter = Math.min(lengthOf(minus(b, a)), lengthOf(minus(c, b)));
  if (shorter < SAME) return { x: 0, y: 0, z: 0 };
  const through = scaled(minus(c, a), 0.5);
  return scaled(through, Math.min(1, (WIDEST * shorter) / Math.max(SAME, lengthOf(through))));
}

/**
 * A place on the way from the second of four places to the third, on a curve that knows where it comes from and goes to (cubic,
 * after Catmull & Rom, A class of local interpolating splines, 1974). What stays, stays.
 * @param share of the way, 0–1
 */
export function placeOnWay([a, b, c, d]: Four<Point3>, share: number): Point3 {
  if (lengthOf(minus(c, b)) < SAME) return add(b, scaled(minus(c, b), share));
  const [s, r] = [share, 1 - share];
  return [
    scaled(b, (1 + 2 * s) * r * r),
    scaled(passing(a, b, c), s * r * r),
    scaled(c, s * s * (3 - 2 * s)),
    scaled(passing(b, c, d), -s * s * r),
  ].reduce(add);
}

/** As `placeOnWay`, of a number, and never beyond the two it goes between. */
export function numberOnWay([a, b, c, d]: Four<number>, share: number): number {
  const at = (x: number): Point3 => ({ x, y: 0, z: 0 });
  const { x } = placeOnWay([at(a), at(b), at(c), at(d)], share);
  return Math.max(Math.min(b, c), Math.min(Math.max(b, c), x));
}
