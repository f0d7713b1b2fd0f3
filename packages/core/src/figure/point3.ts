/** A point or a direction in space: x forward, y up, z to the figure's right; m. */
export interface Point3 {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

export const UP: Point3 = { x: 0, y: 1, z: 0 };
export const add = (a: Point3, b: Point3): Point3 => ({ x: a.x + b.x, y: a.y + b.y, z: a.z + b.z });
export const minus = (a: Point3, b: Point3): Point3 => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z });
export const scaled = (a: Point3, by: number): Point3 => ({ x: a.x * by, y: a.y * by, z: a.z * by });
export const mixed = (a: Point3, b: Point3, share: number): Point3 => add(a, scaled(minus(b, a), share));
export const lengthOf = (a: Point3): number => Math.hypot(a.x, a.y, a.z);
export const dot = (a: Point3, b: Point3): number => a.x * b.x + a.y * b.y + a.z * b.z;
export const unit = (a: Point3): Point3 => {
  const length = lengthOf(a);
  return length < 1e-9 ? UP : scaled(a, 1 / length);
};
