import { capsule, type FloorPlan, type FloorPoint, type FootSide, type Spot } from '@pomek/core';

/** A drawing of the floor in cm; x right, y down the sheet. */
export interface FloorLayout {
  readonly widthCm: number;
  readonly heightCm: number;
  readonly feet: readonly {
    readonly side: FootSide;
    readonly path: string;
    readonly pressure: Spot;
    readonly label: Spot;
    /** The line of the foot, from the heel beyond the toes. */
    readonly line: readonly [Spot, Spot];
    readonly words: string;
  }[];
  readonly weight: Spot;
  /** The line from one pressure point to the other, on which the weight falls. */
  readonly between: readonly [Spot, Spot];
  readonly middle: readonly [Spot, Spot];
  readonly heelLine: readonly [Spot, Spot];
  /** Distances to measure: a line with its length. */
  readonly measures: readonly {
    readonly from: Spot;
    readonly to: Spot;
    readonly label: Spot;
    readonly words: string;
  }[];
  /** Lines every ten centimetres. */
  readonly grid: { readonly columns: readonly number[]; readonly rows: readonly number[] };
}

/** Room around the feet, cm. */
const MARGIN = 18;
const TEN = 10;

/** The floor marks as lines and outlines, with forward at the top of the sheet. */
export function layoutFloor(plan: FloorPlan): FloorLayout {
  const sides = ['left', 'right'] as const;
  const all = sides.flatMap((side) => [plan.feet[side].heel, plan.feet[side].toe]);
  const least = (of: (point: FloorPoint) => number): number => Math.min(...all.map(of));
  const most = (of: (point: FloorPoint) => number): number => Math.max(...all.map(of));
  const half =
    Math.max(
      -least((p) => p.rightCm),
      most((p) => p.rightCm),
    ) + MARGIN;
  const top = most((p) => p.forwardCm) + MARGIN;
  const bottom = least((p) => p.forwardCm) - MARGIN;
  const at = ({ rightCm, forwardCm }: FloorPoint): Spot => ({ x: half + rightCm, y: top - forwardCm });
  const foot = (side: FootSide): FloorLayout['feet'][number] => {
    const { heel, toe, pressure, toesOutDeg } = plan.feet[side];
    const heelWide = plan.footWidthCm * 0.36;
    const toeWide = plan.footWidthCm * 0.5;
    const along = (share: number): Spot =>
      at({
        rightCm: heel.rightCm + share * (toe.rightCm - heel.rightCm),
        forwardCm: heel.forwardCm + share * (toe.forwardCm - heel.forwardCm),
      });
    const turned =
      Math.abs(toesOutDeg) < 1 ? '0°' : `${Math.round(Math.abs(toesOutDeg))}° ${toesOutDeg > 0 ? 'out' : 'in'}`;
    return {
      side,
      path: capsule(along(heelWide / plan.footCm), heelWide, along(1 - toeWide / plan.footCm), toeWide),
      pressure: at(pressure),
      label: along(1.28),
      line: [along(0), along(1.18)],
      words: `${side} ${turned}`,
    };
  };
  const [left, right] = [plan.feet.left.heel, plan.feet.right.heel];
  const below = (point: FloorPoint): FloorPoint => ({
    ...point,
    forwardCm: Math.min(left.forwardCm, right.forwardCm) - 6,
  });
  // Beside the front foot, where the toes of the rear one do not reach.
  const beside = (left.forwardCm > right.forwardCm ? -1 : 1) * (half - 6);
  const measures = [
    { from: at(below(left)), to: at(below(right)), words: `${Math.round(plan.acrossCm)} cm` },
    ...(Math.abs(plan.aheadCm) >= 1
      ? [
          {
            from: at({ rightCm: beside, forwardCm: left.forwardCm }),
            to: at({ rightCm: beside, forwardCm: right.forwardCm }),
            words: `${Math.round(Math.abs(plan.aheadCm))} cm`,
          },
        ]
      : []),
  ]
    .map((measure, index) => ({
      ...measure,
      label: {
        x: (measure.from.x + measure.to.x) / 2 + (index > 0 ? -Math.sign(beside) * 7 : 0),
        y: (measure.from.y + measure.to.y) / 2 + (index > 0 ? 1 : 4),
      },
    }))
    .filter((measure) => Math.hypot(measure.to.x - measure.from.x, measure.to.y - measure.from.y) >= 1);
  const tens = (length: number, origin: number): number[] => {
    const first = origin % TEN;
    return Array.from({ length: Math.floor((length - first) / TEN) + 1 }, (_, index) => first + index * TEN);
  };
  const heelLevel = at({ rightCm: 0, forwardCm: Math.min(left.forwardCm, right.forwardCm) }).y;
  return {
    widthCm: 2 * half,
    heightCm: top - bottom,
    feet: sides.map(foot),
    weight: at(plan.weight),
    between: [at(plan.feet.left.pressure), at(plan.feet.right.pressure)],
    middle: [
      { x: half, y: 0 },
      { x: half, y: top - bottom },
    ],
    heelLine: [
      { x: 0, y: heelLevel },
      { x: 2 * half, y: heelLevel },
    ],
    measures,
    grid: { columns: tens(2 * half, half), rows: tens(top - bottom, top) },
  };
}
