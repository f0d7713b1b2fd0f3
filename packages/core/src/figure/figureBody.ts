import { curveCatmullRomClosed, line } from 'd3-shape';
import { rad } from '../words/angles';
import type { FigurePose, FootSide } from './pose';
import { WAIST } from './spine';
import type { Point3 } from './point3';
import { capsule, type Spot } from './capsule';

export type FigureView = 'side' | 'front' | 'behind' | 'above';

export interface FigureShape {
  readonly part: 'limb' | 'foot' | 'torso' | 'head' | 'seat' | 'palm';
  /** Which texture it has; none for what is of both sides. */
  readonly side: FootSide | 'none';
  /** What lies behind, the body, what lies before it; each layer has one outline. */
  readonly layer: 0 | 1 | 2;
  readonly path: string;
}
/** Half breadths of the parts of a body as shares of stature, for drawing. */
export const thick = {
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

/** A pose in one view, and how it falls onto the drawing. */
export interface Drawing {
  readonly pose: FigurePose;
  readonly view: FigureView;
  readonly at: (point: Point3) => Spot;
  /** Pixels of a share of the stature. */
  readonly size: (share: number) => number;
}

export const sides = ['left', 'right'] as const;

/** Whether an arm lies before the body or behind it: from behind, what is held before the body is behind it. */
function layerOfArm({ working, arms }: FigurePose, view: FigureView, side: FootSide): 0 | 2 {
  if (view === 'side') return side === working ? 2 : 0;
  if (view !== 'behind') return 2;
  const { shoulder, hand } = arms[side];
  return hand.x > shoulder.x ? 0 : 2;
}

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
    const armLayer = layerOfArm(pose, view, side);
    const legs = [
      bone(leg.hip, thick.hip, leg.knee, thick.knee, far ? 0 : 1),
      bone(leg.knee, thick.knee, leg.ankle, thick.ankle, far ? 0 : 1),
    ];
    const arms = [
      bone(arm.shoulder, thick.shoulder, arm.elbow, thick.elbow, armLayer),
      bone(arm.elbow, thick.elbow, arm.wrist, thick.wrist, armLayer),
      bone(arm.wrist, thick.palm, arm.hand, thick.finger, armLayer),
    ];
    return view === 'above' ? arms : [...legs, ...arms];
  });
}

function feet({ pose, view, at, size }: Drawing): FigureShape[] {
  return sides.map((side) => {
    const { heel, toe } = pose.feet[side];
    const up = (point: Point3, radius: number): Point3 => ({ ...point, y: point.y + radius * pose.body.stature });
    const [heelWide, toeWide] = view === 'above' ? [thick.heel, 0.026] : [thick.heel, thick.toe];
    const inset = (from: Point3, to: Point3, by: number): Point3 => {
      const length = pose.body.lengths.foot;
      const share = (by * pose.body.stature) / length;
      return { x: from.x + share * (to.x - from.x), y: from.y, z: from.z + share * (to.z - from.z) };
    };
    const path = capsule(
      at(up(inset(heel, toe, heelWide), heelWide)),
      size(heelWide) * (view === 'above' ? 1.28 : 1),
      at(up(inset(toe, heel, toeWide), toeWide)),
      size(toeWide),
    );
    return { part: 'foot', side, layer: view === 'above' || (view === 'side' && side !== pose.working) ? 0 : 1, path };
  });
}

function trunk({ pose, view, at, size }: Drawing): FigureShape[] {
  const { pelvis, shoulders, head, turnDeg } = pose;
  const turned = Math.abs(Math.sin(rad(turnDeg)));
  const faced = Math.abs(Math.cos(rad(turnDeg)));
  const base = at(pelvis);
  const top = at(shoulders);
  const crown = at(head);
  if (view === 'above') {
    const ends = (centre: Point3, half: number, degrees: number): [Spot, Spot] => {
      const across = { x: -Math.sin(rad(degrees)), z: Math.cos(rad(degrees)) };
      const reach = half * pose.body.stature;
      return [
        at({ ...centre, x: centre.x - across.x * reach, z: centre.z - across.z * reach }),
        at({ ...centre, x: centre.x + across.x * reach, z: centre.z + across.z * reach }),
      ];
    };
    const [hipLeft, hipRight] = ends(pelvis, 0.05, pose.hipTurnDeg);
    const [left, right] = ends(shoulders, 0.075, turnDeg);
    return [
      { part: 'torso', side: 'none', layer: 1, path: capsule(hipLeft, size(0.055), hipRight, size(0.055)) },
      { part: 'torso', side: 'none', layer: 1, path: capsule(left, size(0.045), right, size(0.045)) },
      { part: 'head', side: 'none', layer: 2, path: ellipse(crown, size(thick.headWide), size(thick.headDeep)) },
      noseAbove(pose, crown, size),
    ];
  }
  const [front, back] = [1, -1];
  const edge = (ring: (typeof trunkRings)[number], forward: number): Spot => {
    const [along, behind, before, beside] = ring;
    const deep = forward > 0 ? before : behind;
    const half = view === 'side' ? deep * faced + beside * turned : beside * faced + deep * turned;
    const [centre, out] = alongSpine(base, at(pose.spine.waist), top, along);
    return { x: centre.x + forward * size(half) * out.x, y: centre.y + forward * size(half) * out.y };
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
    ...(view === 'side' ? [nose(pose, crown, size)] : []),
  ];
}

/** A spot of the spine as it is drawn, and which way its front is there: it bends at the waist. */
function alongSpine(base: Spot, waist: Spot, top: Spot, along: number): readonly [at: Spot, out: Spot] {
  const [from, to, share] = along < WAIST ? [base, waist, along / WAIST] : [waist, top, (along - WAIST) / (1 - WAIST)];
  const [x, y] = [to.x - from.x, to.y - from.y];
  const long = Math.hypot(x, y);
  const upright = long < 1;
  return [
    { x: from.x + share * x, y: from.y + share * y },
    { x: upright ? 1 : -y / long, y: upright ? 0 : x / long },
  ];
}

/** Which way it looks, seen from the side. */
function nose({ lookUpDeg, headTurnDeg }: FigurePose, { x, y }: Spot, size: (share: number) => number): FigureShape {
  const [forward, up] = [Math.cos(rad(headTurnDeg)), Math.sin(rad(lookUpDeg))];
  const along = (share: number): number => size(share) * forward * Math.cos(rad(lookUpDeg));
  const tip = { x: x + along(thick.headDeep + 0.009), y: y + size(0.012) - size(thick.headDeep) * up };
  const root = { x: x + along(thick.headDeep - 0.012), y: y - size(thick.headDeep - 0.012) * up };
  return { part: 'head', side: 'none', layer: 1, path: capsule(root, size(0.014), tip, size(0.006)) };
}

/** Which way it looks, seen from above. */
function noseAbove({ headTurnDeg }: FigurePose, { x, y }: Spot, size: (share: number) => number): FigureShape {
  const at = (share: number): Spot => ({
    x: x + size(share) * Math.sin(rad(headTurnDeg)),
    y: y - size(share) * Math.cos(rad(headTurnDeg)),
  });
  const [root, tip] = [at(thick.headDeep - 0.012), at(thick.headDeep + 0.012)];
  return { part: 'head', side: 'none', layer: 2, path: capsule(root, size(0.014), tip, size(0.006)) };
}

/** How far the stalk of a palm reaches, and its half breadths, as shares of stature. */
const STALK = { reach: 0.055, from: 0.007, to: 0.003 } as const;

/** Where each palm faces: a stalk out of the hand, short where it faces towards the eye or away from it. */
function palms({ pose, view, at, size }: Drawing): FigureShape[] {
  return sides.flatMap((side): FigureShape[] => {
    const { wrist, hand, palm } = pose.arms[side];
    if (palm === null) return [];
    const middle = { x: (wrist.x + hand.x) / 2, y: (wrist.y + hand.y) / 2, z: (wrist.z + hand.z) / 2 };
    const reach = STALK.reach * pose.body.stature;
    const end = { x: middle.x + palm.x * reach, y: middle.y + palm.y * reach, z: middle.z + palm.z * reach };
    return [
      {
        part: 'palm',
        side: 'none',
        layer: layerOfArm(pose, view, side),
        path: capsule(at(middle), size(STALK.from), at(end), size(STALK.to)),
      },
    ];
  });
}

function ellipse({ x, y }: Spot, rx: number, ry: number): string {
  const show = (value: number): string => (Math.round(value * 100) / 100).toString();
  const half = `A${show(rx)} ${show(ry)} 0 1 1`;
  return `M${show(x - rx)} ${show(y)}${half} ${show(x + rx)} ${show(y)}${half} ${show(x - rx)} ${show(y)}Z`;
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

/** The outlines of a body, from what lies behind to what lies before. */
export function bodyShapes(drawing: Drawing): FigureShape[] {
  const seat: FigureShape[] =
    drawing.pose.seated && drawing.view !== 'above'
      ? [{ part: 'seat', side: 'none', layer: 0, path: seatPath(drawing) }]
      : [];
  return [...seat, ...feet(drawing), ...limbs(drawing), ...trunk(drawing), ...palms(drawing)];
}
