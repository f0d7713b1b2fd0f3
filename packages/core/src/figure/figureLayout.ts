import type { Region } from '../alignment/checkpoint';
import type { FigurePose, FootSide } from './pose';
import type { Point3 } from './point3';
import { regionPlaces } from './regionPlaces';
import type { Spot } from './capsule';
import { figureLines, type FigureLine } from './figureLines';
import { bodyShapes, sides, type Drawing, type FigureShape, type FigureView } from './figureBody';

export interface FigureMark {
  readonly kind: 'floor' | FigureLine['kind'];
  readonly from: Spot;
  readonly to: Spot;
}
export interface FigureDot extends Spot {
  readonly kind: 'mass' | 'weight' | 'pressure' | 'knee';
  readonly side: FootSide | 'none';
}
export interface FigurePin extends Spot {
  readonly region: Region;
}
/** Share of the weight on a foot, as a bar under it. */
export interface FigureShare extends Spot {
  readonly side: FootSide;
  readonly share: number;
}
export interface FigureLayout {
  readonly width: number;
  readonly height: number;
  readonly shapes: readonly FigureShape[];
  readonly marks: readonly FigureMark[];
  readonly dots: readonly FigureDot[];
  readonly pins: readonly FigurePin[];
  readonly shares: readonly FigureShare[];
}

/** Metres shown, and where the figure's own zero lies in them; the height is that of the body and this below. */
const frames: Record<FigureView, { width: number; left: number; below: number }> = {
  side: { width: 1.3, left: 0.56, below: 0.17 },
  front: { width: 1.3, left: 0.65, below: 0.17 },
  behind: { width: 1.3, left: 0.65, below: 0.17 },
  above: { width: 1.3, left: 0.65, below: 0.45 },
};
/** Room above the crown, as a share of stature; more where a hand is higher. */
const HEADROOM = 0.05;

/** Where the floor is, m from the upper edge. */
function baseOf(pose: FigurePose, view: FigureView, highest: number): number {
  if (view === 'above') return 0.75;
  const hands = Math.max(highest, pose.arms.left.hand.y, pose.arms.right.hand.y);
  return Math.max((1 + HEADROOM) * pose.body.stature, hands + 0.05);
}

/** How a point in space falls onto the drawing of a view. */
export function projector(
  pose: FigurePose,
  view: FigureView,
  pxPerMetre: number,
  highest = 0,
): (point: Point3) => Spot {
  const { left } = frames[view];
  const base = baseOf(pose, view, highest);
  switch (view) {
    case 'side':
      // Seen square to the working foot, forward to the right.
      return ({ x, y }) => ({ x: (left + x - 0.13) * pxPerMetre, y: (base - y) * pxPerMetre });
    case 'front':
      // One faces the figure: its right side is on the left of the drawing.
      return ({ y, z }) => ({ x: (left - z) * pxPerMetre, y: (base - y) * pxPerMetre });
    case 'behind':
      // One stands behind it: left is left.
      return ({ y, z }) => ({ x: (left + z) * pxPerMetre, y: (base - y) * pxPerMetre });
    case 'above':
      return ({ x, z }) => ({ x: (left + z) * pxPerMetre, y: (base - x) * pxPerMetre });
  }
}

/** The lines that are read in each view. */
const linesIn: Readonly<Record<FigureView, readonly FigureLine['kind'][]>> = {
  side: ['toe line', 'knee line', 'plumb', 'head straight', 'head now'],
  front: ['plumb'],
  behind: ['plumb'],
  above: ['hips'],
};

function marksOf({ pose, view, at }: Drawing): FigureMark[] {
  const lines = figureLines(pose)
    .filter(({ kind }) => linesIn[view].includes(kind))
    .map(({ kind, from, to }): FigureMark => ({ kind, from: at(from), to: at(to) }));
  if (view === 'above') return lines;
  const floor: FigureMark = {
    kind: 'floor',
    from: at({ x: -0.42, y: 0, z: 0.64 }),
    to: at({ x: 0.86, y: 0, z: -0.64 }),
  };
  return [floor, ...lines];
}

function dotsOf({ pose, view, at }: Drawing): FigureDot[] {
  const { working } = pose;
  const mass: FigureDot = { kind: 'mass', side: 'none', ...at(pose.centreOfMass) };
  const weight: FigureDot = { kind: 'weight', side: 'none', ...at(pose.weight) };
  const shownFeet = view === 'side' ? [working] : sides;
  const pressure = shownFeet
    .filter((side) => !pose.feet[side].lifted)
    .map((side): FigureDot => ({ kind: 'pressure', side, ...at(pose.feet[side].pressure) }));
  const knees = (view === 'side' ? [working] : sides).map((side): FigureDot => ({
    kind: 'knee',
    side,
    ...at(pose.legs[side].knee),
  }));
  return view === 'above' ? [...pressure, ...knees, weight] : [mass, weight, ...pressure, ...knees];
}

/**
 * A pose as the shapes of one view: outlines, lines and dots in px. Pure: the same pose gives the same
 * shapes. The scale is the same for every figure, so that two can be laid side by side.
 * @param highest room is left up to here, m, so that figures of one movement stand on one floor
 */
export function layoutFigure(pose: FigurePose, view: FigureView, pxPerMetre: number, highest = 0): FigureLayout {
  const frame = frames[view];
  const at = projector(pose, view, pxPerMetre, highest);
  const size = (share: number): number => share * pose.body.stature * pxPerMetre;
  const drawing: Drawing = { pose, view, at, size };
  const places = regionPlaces(pose);
  return {
    width: frame.width * pxPerMetre,
    height: (baseOf(pose, view, highest) + frame.below) * pxPerMetre,
    shapes: bodyShapes(drawing),
    marks: marksOf(drawing),
    dots: dotsOf(drawing),
    pins: (Object.keys(places) as Region[]).map((region) => ({ region, ...at(places[region].at) })),
    shares: pose.seated
      ? []
      : sides.map((side) => {
          const { heel, toe, share } = pose.feet[side];
          return { side, share, ...at({ x: (heel.x + toe.x) / 2, y: 0, z: (heel.z + toe.z) / 2 }) };
        }),
  };
}
