import { add, cross, dot, lengthOf, minus, scaled, unit, type Point3 } from '../figure/point3';

/** A signed distance, m: below zero inside. */
export type Field = (at: Point3) => number;

/** A round cone: a stretch between two points, as thick as said at each, m. */
export function cone(from: Point3, to: Point3, fromRadius: number, toRadius: number): Field {
  const along = minus(to, from);
  const length2 = dot(along, along);
  return (at) => {
    const off = minus(at, from);
    const t = Math.max(0, Math.min(1, dot(off, along) / length2));
    return lengthOf(minus(off, scaled(along, t))) - (fromRadius + (toRadius - fromRadius) * t);
  };
}

/** Half lengths of an ellipsoid, m: forward, up and across. */
export interface Halves {
  readonly deep: number;
  readonly tall: number;
  readonly wide: number;
}

/** An ellipsoid that faces somewhere and stands along a direction. */
export function ellipsoid(centre: Point3, { deep, tall, wide }: Halves, front: Point3, up: Point3): Field {
  const across = unit(cross(front, up));
  return (at) => {
    const off = minus(at, centre);
    const [x, y, z] = [dot(off, front), dot(off, up), dot(off, across)];
    const scaledLength = Math.hypot(x / deep, y / tall, z / wide);
    const slope = Math.hypot(x / deep ** 2, y / tall ** 2, z / wide ** 2);
    return slope < 1e-6 ? -Math.min(deep, tall, wide) : (scaledLength * (scaledLength - 1)) / slope;
  };
}

/** Parts that flow into each other, the softer the larger the roundness, m. */
export function flowing(fields: readonly Field[], roundness: number): Field {
  return (at) => {
    let whole = Infinity;
    for (const field of fields) {
      const next = field(at);
      const near = Math.max(0, roundness - Math.abs(whole - next));
      whole = Math.min(whole, next) - (Number.isFinite(whole) ? (near * near) / (4 * roundness) : 0);
    }
    return whole;
  };
}

/** What lies in all of them, its edges rounded, m. */
export function within(roundness: number, ...fields: readonly Field[]): Field {
  return (at) => {
    let whole = -Infinity;
    for (const field of fields) {
      const next = field(at);
      const near = Math.max(0, roundness - Math.abs(whole - next));
      whole = Math.max(whole, next) + (Number.isFinite(whole) ? (near * near) / (4 * roundness) : 0);
    }
    return whole;
  };
}

/** What lies behind a plane, seen along its normal. */
export const behindPlane = (through: Point3, normal: Point3): Field => {
  const direction = unit(normal);
  return (at) => dot(minus(at, through), direction);
};

export const thicker =
  (field: Field, by: number): Field =>
  (at) =>
    field(at) - by;

/** Which way a field grows, a unit length: the normal of its surface. */
export function slopeOf(field: Field, at: Point3, reach: number): Point3 {
  const along = (step: Point3): number => field(add(at, step)) - field(minus(at, step));
  return unit({
    x: along({ x: reach, y: 0, z: 0 }),
    y: along({ x: 0, y: reach, z: 0 }),
    z: along({ x: 0, y: 0, z: reach }),
  });
}
