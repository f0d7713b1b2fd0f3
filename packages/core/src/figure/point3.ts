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
export const cross = (a: Point3, b: Point3): Point3 => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});
/** A direction without its part along another, of unit length; another one where nothing is left. */
export function squared(direction: Point3, along: Point3, orElse: Point3): Point3 {
  const left = minus(direction, scaled(along, dot(direction, along)));
  if (lengthOf(left) > 0.05) return unit(left);
  return unit(minus(orElse, scaled(along, dot(orElse, along))));
}
/** A direction turned about an axis of unit length, rad (after Rodrigues). */
export const turnedAbout = (a: Point3, axis: Point3, angle: number): Point3 =>
  [
    scaled(a, Math.cos(angle)),
    scaled(cross(axis, a), Math.sin(angle)),
    scaled(axis, dot(axis, a) * (1 - Math.cos(angle))),
  ].reduce(add);
/** A level direction, degrees from forward to the right. */
export const level = (degrees: number): Point3 => {
  const angle = (degrees * Math.PI) / 180;
  return { x: Math.cos(angle), y: 0, z: Math.sin(angle) };
};
