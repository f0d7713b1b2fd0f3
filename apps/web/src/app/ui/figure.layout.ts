import { curveCatmullRomClosed, line } from 'd3-shape';
import type { FigurePose, FootSide, Point3, Region } from '@pomek/core';
import { capsule, type Spot } from './capsule';

export type FigureView = 'side' | 'front' | 'above';

export interface FigureShape {
  readonly part: 'limb' | 'foot' | 'torso' | 'head' | 'seat';
  /** Which texture it has; none for what is of both sides. */
  readonly side: FootSide | 'none';
  /** What lies behind, the body, what lies before it; each layer has one outline. */
  readonly layer: 0 | 1 | 2;
  readonly path: string;
}
export interface FigureMark {
  readonly kind: 'floor' | 'toe line' | 'knee line' | 'plumb' | 'head now' | 'head straight' | 'hips' | 'shoulders';
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
  above: { width: 1.3, left: 0.65, below: 0.45 },
};
/** Room above the crown, as a share of stature; more where a hand is higher. */
const HEADROOM = 0.05;

/** Where the floor is, m from the upper edge. */
function baseOf(pose: FigurePose, view: FigureView): number {
  if (view === 'above') return 0.75;
  const hands = Math.max(pose.arms.left.hand.y, pose.arms.right.hand.y);
  return Math.max((1 + HEADROOM) * pose.body.stature, hands + 0.05);
}

/** Half breadths of the parts of a body as shares of stature, for drawing. */
const thick = {
  hip: 0.049,
  knee: 0.031,
  ankle: 0.021,
  shoulder: 0.028,
  elbow: 0.021,
  wrist: 0.014,
  palm: 0.018,
  finger: 0.009,
  neck: 0.03,
  heel: 0.02,
  toe: 0.013,
  headDeep: 0.055,
  headWide: 0.046,
  headTall: 0.067,
} as const;

/** The trunk from the seat up: along the spine, then half breadths behind, before and beside it. */
const trunkRings: readonly (readonly [along: number, behind: number, before: number, beside: number])[] = [
  [-0.16, 0.05, 0.03, 0.078],
  [0.05, 0.062, 0.052, 0.098],
  [0.35, 0.048, 0.056, 0.083],
  [0.7, 0.06, 0.064, 0.1],
  [0.93, 0.052, 0.048, 0.116],
  [1.04, 0.03, 0.03, 0.06],
];

const closed = line<Spot>()
  .x((spot) => Math.round(spot.x * 100) / 100)
  .y((spot) => Math.round(spot.y * 100) / 100)
  .curve(curveCatmullRomClosed.alpha(0.5));

/** How a point in space falls onto the drawing of a view. */
export function projector(pose: FigurePose, view: FigureView, pxPerMetre: number): (point: Point3) => Spot {
  const { left } = frames[view];
  const base = baseOf(pose, view);
  switch (view) {
    case 'side':
      // Seen square to the working foot, forward to the right.
      return ({ x, y }) => ({ x: (left + x - 0.13) * pxPerMetre, y: (base - y) * pxPerMetre });
    case 'front':
      // One faces the figure: its right side is on the left of the drawing.
      return ({ y, z }) => ({ x: (left - z) * pxPerMetre, y: (base - y) * pxPerMetre });
    case 'above':
      return ({ x, z }) => ({ x: (left + z) * pxPerMetre, y: (base - x) * pxPerMetre });
  }
}

interface Drawing {
  readonly pose: FigurePose;
  readonly view: FigureView;
  readonly at: (point: Point3) => Spot;
  /** Pixels of a share of the stature. */
  readonly size: (share: number) => number;
}

const sides = ['left', 'right'] as const;

function limbs({ pose, view, at, size }: Drawing): FigureShape[] {
  return sides.flatMap((side): FigureShape[] => {
    const far = view === 'side' && side !== pose.working;
    const bone = (a: Point3, wideA: number, b: Point3, wideB: number, layer: 0 | 1 | 2): FigureShape => ({
      part: 'limb',
      side,
      layer,
      path: capsule(at(a), size(wideA), at(b), size(wideB)),
    });
    const leg = pose.legs[side];
    const arm = pose.arms[side];
    const legs = [
      bone(leg.hip, thick.hip, leg.knee, thick.knee, far ? 0 : 1),
      bone(leg.knee, thick.knee, leg.ankle, thick.ankle, far ? 0 : 1),
    ];
    const arms = [
      bone(arm.shoulder, thick.shoulder, arm.elbow, thick.elbow, far ? 0 : 2),
      bone(arm.elbow, thick.elbow, arm.wrist, thick.wrist, far ? 0 : 2),
      bone(arm.wrist, thick.palm, arm.hand, thick.finger, far ? 0 : 2),
    ];
    return view === 'above' ? arms : [...legs, ...arms];
  });
}

function feet({ pose, view, at, size }: Drawing): FigureShape[] {
  return sides.map((side) => {
    const { heel, toe } = pose.feet[side];
    const up = (point: Point3, radius: number): Point3 => ({ ...point, y: point.y + radius * pose.body.stature });
    const wide = view === 'above' ? 1.6 : 1;
    const [heelWide, toeWide] = view === 'above' ? [thick.heel, 0.026] : [thick.heel, thick.toe];
    const inset = (from: Point3, to: Point3, by: number): Point3 => {
      const length = pose.body.lengths.foot;
      const share = (by * pose.body.stature) / length;
      return { x: from.x + share * (to.x - from.x), y: from.y, z: from.z + share * (to.z - from.z) };
    };
    const path = capsule(
      at(up(inset(heel, toe, heelWide), heelWide)),
      size(heelWide) * (view === 'above' ? wide * 0.8 : 1),
      at(up(inset(toe, heel, toeWide), toeWide)),
      size(toeWide) * (view === 'above' ? 1 : 1),
    );
    return { part: 'foot', side, layer: view === 'above' || (view === 'side' && side !== pose.working) ? 0 : 1, path };
  });
}

function trunk({ pose, view, at, size }: Drawing): FigureShape[] {
  const { pelvis, shoulders, head, turnDeg } = pose;
  const turned = Math.abs(Math.sin((turnDeg * Math.PI) / 180));
  const faced = Math.abs(Math.cos((turnDeg * Math.PI) / 180));
  const base = at(pelvis);
  const top = at(shoulders);
  const crown = at(head);
  if (view === 'above') {
    const across = { x: -Math.sin((turnDeg * Math.PI) / 180), z: Math.cos((turnDeg * Math.PI) / 180) };
    const ends = (centre: Point3, half: number): [Spot, Spot] => {
      const reach = half * pose.body.stature;
      return [
        at({ ...centre, x: centre.x - across.x * reach, z: centre.z - across.z * reach }),
        at({ ...centre, x: centre.x + across.x * reach, z: centre.z + across.z * reach }),
      ];
    };
    const [hipLeft, hipRight] = ends(pelvis, 0.05);
    const [left, right] = ends(shoulders, 0.075);
    return [
      { part: 'torso', side: 'none', layer: 1, path: capsule(hipLeft, size(0.055), hipRight, size(0.055)) },
      { part: 'torso', side: 'none', layer: 1, path: capsule(left, size(0.045), right, size(0.045)) },
      { part: 'head', side: 'none', layer: 2, path: ellipse(crown, size(thick.headWide), size(thick.headDeep)) },
    ];
  }
  const [front, back] = [1, -1];
  const edge = (ring: (typeof trunkRings)[number], forward: number): Spot => {
    const [along, behind, before, beside] = ring;
    const deep = forward > 0 ? before : behind;
    const half = view === 'side' ? deep * faced + beside * turned : beside * faced + deep * turned;
    return {
      x: base.x + along * (top.x - base.x) + forward * size(half),
      y: base.y + along * (top.y - base.y),
    };
  };
  const outline = [
    ...trunkRings.map((ring) => edge(ring, front)),
    ...trunkRings.toReversed().map((ring) => edge(ring, back)),
  ];
  const deep = view === 'side' ? thick.headDeep : thick.headWide;
  return [
    { part: 'torso', side: 'none', layer: 1, path: capsule(top, size(thick.neck), crown, size(thick.neck)) },
    { part: 'torso', side: 'none', layer: 1, path: closed(outline) ?? '' },
    { part: 'head', side: 'none', layer: 1, path: ellipse(crown, size(deep), size(thick.headTall)) },
    ...(view === 'side' ? [nose(crown, size)] : []),
  ];
}

/** Which way it looks. */
function nose({ x, y }: Spot, size: (share: number) => number): FigureShape {
  const tip = { x: x + size(thick.headDeep + 0.009), y: y + size(0.012) };
  const root = { x: x + size(thick.headDeep - 0.012), y };
  return { part: 'head', side: 'none', layer: 1, path: capsule(root, size(0.014), tip, size(0.006)) };
}

function ellipse({ x, y }: Spot, rx: number, ry: number): string {
  const show = (value: number): string => (Math.round(value * 100) / 100).toString();
  const half = `A${show(rx)} ${show(ry)} 0 1 1`;
  return `M${show(x - rx)} ${show(y)}${half} ${show(x + rx)} ${show(y)}${half} ${show(x - rx)} ${show(y)}Z`;
}

function marksOf({ pose, view, at }: Drawing): FigureMark[] {
  const mass = pose.centreOfMass;
  if (view === 'above') {
    const line3 = (kind: 'hips' | 'shoulders', a: Point3, b: Point3): FigureMark => ({ kind, from: at(a), to: at(b) });
    return [line3('hips', pose.legs.left.hip, pose.legs.right.hip)];
  }
  const floor: FigureMark = {
    kind: 'floor',
    from: at({ x: -0.42, y: 0, z: 0.64 }),
    to: at({ x: 0.86, y: 0, z: -0.64 }),
  };
  const plumb: FigureMark = { kind: 'plumb', from: at(mass), to: at({ ...mass, y: 0 }) };
  if (view === 'front' || pose.seated) return [floor, plumb];
  const knee = pose.legs[pose.working].knee;
  const { toe } = pose.feet[pose.working];
  const crown = pose.head.y + thick.headTall * pose.body.stature;
  const level = (kind: 'head now' | 'head straight', y: number): FigureMark => ({
    kind,
    from: at({ x: pose.head.x - 0.34, y, z: 0 }),
    to: at({ x: pose.head.x + 0.1, y, z: 0 }),
  });
  return [
    floor,
    { kind: 'toe line', from: at({ ...toe, y: 0 }), to: at({ ...toe, y: knee.y + 0.12 }) },
    { kind: 'knee line', from: at(knee), to: at({ ...knee, y: 0 }) },
    plumb,
    level('head straight', crown + pose.headDrop),
    level('head now', crown),
  ];
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

/** Where each region of alignment is on the body. */
function regionPoints(pose: FigurePose): Record<Region, Point3> {
  const near = pose.working;
  const { pelvis, shoulders, head, body } = pose;
  const up = (share: number): Point3 => ({
    x: pelvis.x + share * (shoulders.x - pelvis.x),
    y: pelvis.y + share * (shoulders.y - pelvis.y),
    z: pelvis.z + share * (shoulders.z - pelvis.z),
  });
  const off = (point: Point3, x: number, y = 0): Point3 => ({
    ...point,
    x: point.x + x * body.stature,
    y: point.y + y * body.stature,
  });
  const leg = pose.legs[near];
  const arm = pose.arms[near];
  const foot = pose.feet[near];
  return {
    feet: { x: (foot.heel.x + 2 * foot.toe.x) / 3, y: foot.heel.y, z: (foot.heel.z + 2 * foot.toe.z) / 3 },
    ankles: leg.ankle,
    knees: leg.knee,
    'hip crease': off(leg.hip, 0.035, 0.012),
    waist: up(0.3),
    pelvis: off(pelvis, -0.045, -0.01),
    'low back': off(up(0.22), -0.045),
    ribs: off(up(0.55), 0.045),
    torso: off(up(0.45), -0.02),
    'chest and upper back': off(up(0.8), 0.05),
    shoulders: arm.shoulder,
    armpits: off(arm.shoulder, 0.01, -0.05),
    elbows: arm.elbow,
    wrists: arm.wrist,
    hands: arm.hand,
    'neck and head': off(head, -0.035, -0.05),
    eyes: off(head, 0.045, 0.005),
    'tongue and face': off(head, 0.045, -0.03),
    breath: off(up(0.2), 0.05),
  };
}

/**
 * A pose as the shapes of one view: outlines, lines and dots in px. Pure: the same pose gives the same
 * shapes. The scale is the same for every figure, so that two can be laid side by side.
 */
export function layoutFigure(pose: FigurePose, view: FigureView, pxPerMetre: number): FigureLayout {
  const frame = frames[view];
  const at = projector(pose, view, pxPerMetre);
  const size = (share: number): number => share * pose.body.stature * pxPerMetre;
  const drawing: Drawing = { pose, view, at, size };
  const seat: FigureShape[] =
    pose.seated && view !== 'above' ? [{ part: 'seat', side: 'none', layer: 0, path: seatPath(drawing) }] : [];
  const points = regionPoints(pose);
  return {
    width: frame.width * pxPerMetre,
    height: (baseOf(pose, view) + frame.below) * pxPerMetre,
    shapes: [...seat, ...feet(drawing), ...limbs(drawing), ...trunk(drawing)],
    marks: marksOf(drawing),
    dots: dotsOf(drawing),
    pins: (Object.keys(points) as Region[]).map((region) => ({ region, ...at(points[region]) })),
    shares: pose.seated
      ? []
      : sides.map((side) => {
          const { heel, toe, share } = pose.feet[side];
          return { side, share, ...at({ x: (heel.x + toe.x) / 2, y: 0, z: (heel.z + toe.z) / 2 }) };
        }),
  };
}

function seatPath({ pose, view, at }: Drawing): string {
  const top = pose.pelvis.y - 0.05 * pose.body.stature;
  const half = 0.19;
  const corner = (dx: number, y: number): Spot =>
    view === 'side'
      ? at({ ...pose.pelvis, x: pose.pelvis.x + dx, y })
      : at({ ...pose.pelvis, z: pose.pelvis.z + dx, y });
  const spots = [corner(-half, top), corner(half, top), corner(half, 0), corner(-half, 0)];
  return `M${spots.map(({ x, y }) => `${Math.round(x)} ${Math.round(y)}`).join('L')}Z`;
}
