/** A point of a drawing, px. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

const show = (value: number): string => (Math.round(value * 100) / 100).toString();

/** The outline of two circles and what lies between them, as an SVG path: a limb with soft ends. */
export function capsule(a: Spot, radiusA: number, b: Spot, radiusB: number): string {
  const far = Math.hypot(b.x - a.x, b.y - a.y);
  if (far <= Math.abs(radiusA - radiusB)) {
    const [centre, radius] = radiusA >= radiusB ? [a, radiusA] : [b, radiusB];
    const [left, right, y] = [show(centre.x - radius), show(centre.x + radius), show(centre.y)];
    const r = show(radius);
    return `M${left} ${y}A${r} ${r} 0 1 1 ${right} ${y}A${r} ${r} 0 1 1 ${left} ${y}Z`;
  }
  const way = Math.atan2(b.y - a.y, b.x - a.x);
  const lean = Math.acos((radiusA - radiusB) / far);
  const at = (centre: Spot, radius: number, angle: number): string =>
    `${show(centre.x + radius * Math.cos(angle))} ${show(centre.y + radius * Math.sin(angle))}`;
  const [rA, rB] = [show(radiusA), show(radiusB)];
  const big = radiusA > radiusB ? 1 : 0;
  return [
    `M${at(a, radiusA, way + lean)}`,
    `A${rA} ${rA} 0 ${big} 1 ${at(a, radiusA, way - lean)}`,
    `L${at(b, radiusB, way - lean)}`,
    `A${rB} ${rB} 0 ${1 - big} 1 ${at(b, radiusB, way + lean)}Z`,
  ].join('');
}
