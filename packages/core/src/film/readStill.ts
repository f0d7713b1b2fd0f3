import type { Checkpoint } from '../alignment/checkpoint';
import type { Body } from '../body/body';
import type { Point3 } from '../figure/point3';
import type { FigurePose } from '../figure/pose';
import { deg } from '../words/angles';
import { filmFigureKinds, figuresOf, type FilmFigureId } from './figures';
import { jointOf, poseMarks } from './poseMarks';
import { pointsOf, sceneOf, trunkOf, type FilmPoint, type FilmPoints, type Scene, type SceneTerms } from './scene';
import { FOUND_SLIP, MARK_SLIP, isSideView, type FilmFrom, type FilmSide, type MarkName, type Still } from './still';
import { judged, type PointSeen } from './judged';

/** A figure of a still: what is seen, within which error, and what the exercise asks. */
export interface FilmFigure {
  readonly id: FilmFigureId;
  readonly side: FilmSide | 'both';
  readonly unit: '°' | 'cm' | '%';
  readonly value: number;
  /** Nineteen of twenty readings lie nearer to the truth than this. */
  readonly error: number;
  /** Of the exercise’s own posture on this body; null where none is known. */
  readonly asked: number | null;
}

export interface StillReading {
  readonly figures: readonly FilmFigure[];
  readonly points: readonly PointSeen[];
  /** Why nothing, or not all, can be read. */
  readonly problems: readonly string[];
  /** How far the body seems to be turned from the plane of the picture, degrees; null where it cannot be seen. */
  readonly turnDeg: number | null;
  readonly cmPerPx: number | null;
  /** Marks that are still missing. */
  readonly missing: readonly MarkName[];
}

/** What a still is read with. */
export interface StillTerms {
  readonly body: Body;
  /** What of the body was measured, not taken from its stature, or not even that. */
  readonly known: 'measured' | 'stature' | 'nothing';
  /** The exercise’s own posture on this body, or a plain stand. */
  readonly pose: FigurePose;
  /** That posture is what is asked. */
  readonly asked: boolean;
  readonly checkpoints: readonly Checkpoint[];
}

/** A body that seems to stand in the plane may be turned so far, degrees (the design’s own value). */
export const TURN = 15;
/** A body turned further for certain is not read, degrees. House values: from the side by its foot, from the front by its shoulders. */
const TOO_FAR = { side: 20, front: 30 };
/** Where nothing plumb is marked the camera may be tilted so far, degrees. House value. */
const UNPLUMBED = 2;
/** How far a length of the body may be off, shares. House values after the spread of proportions. */
const LENGTH_OFF = { measured: 0.02, stature: 0.05, nothing: 0.1 };
/** How far a tape on a wall or a floor may be off, cm. */
const TAPE_OFF = 0.5;
/** The joints of the shoulders lie nearer to each other than the shoulders are broad; and marks differ: shares. House values. */
const SHOULDERS_OFF = 0.12;

/** How far away the camera stood where nobody says so, m, and how much one over it may be off: from 2.5 to 6 m. House values. */
const AWAY = 3.5;
const NEARNESS_OFF = 0.12;

/** How much nearer to a camera than the foot each joint of a figure is, m. */
function nearerOf(pose: FigurePose, from: FilmFrom): (name: MarkName) => number {
  const near = ({ x, z }: Point3): number => ({ right: z, left: -z, front: x, behind: -x })[from];
  const feet = isSideView(from)
    ? near(pose.feet[from].ankle)
    : (near(pose.feet.left.ankle) + near(pose.feet.right.ankle)) / 2;
  return (name) => near(jointOf(pose, name)) - feet;
}

/** About how many px a metre is, by the trunk or by the scale; nought where neither is marked. */
function pxPerMetreOf(scene: Scene): number {
  const trunk = trunkOf(scene);
  if (trunk === null) return scene.cmPerPx === null ? 0 : 100 / scene.cmPerPx;
  const [low, high] = trunk;
  return Math.hypot(high.right - low.right, high.up - low.up) / scene.body.lengths.trunk;
}

const shareOff = ({ scale, length }: Still, known: StillTerms['known']): number =>
  scale === 'length' ? TAPE_OFF / Math.max(10, length?.cm ?? 10) : LENGTH_OFF[known];

/** How much shorter the foot, or the shoulders, look than they are; null where that cannot be told. */
function shortened(scene: Scene, still: Still, body: Body): number | null {
  const { from } = scene;
  const { lengths } = body;
  if (!isSideView(from)) {
    if (scene.cmPerPx === null || !scene.has('shoulder left', 'shoulder right')) return null;
    const px = Math.abs(scene.at('shoulder left').right - scene.at('shoulder right').right);
    return (px * scene.cmPerPx) / (100 * lengths.shoulderBreadth);
  }
  const [hip, knee, ankle, heel, toe] = (['hip', 'knee', 'ankle', 'heel', 'toe'] as const).map(
    (joint): MarkName => `${joint} ${from}`,
  ) as [MarkName, MarkName, MarkName, MarkName, MarkName];
  if (!scene.has(heel, toe)) return null;
  const span = (a: MarkName, b: MarkName): number =>
    Math.hypot(scene.at(a).right - scene.at(b).right, scene.at(a).up - scene.at(b).up);
  const foot = span(heel, toe);
  if (still.scale === 'length') {
    return scene.cmPerPx === null ? null : (foot * scene.cmPerPx) / (100 * lengths.foot);
  }
  // The leg stands more or less upright, so that a turn hardly shortens it.
  if (!scene.has(hip, knee, ankle)) return null;
  return (foot / (span(hip, knee) + span(knee, ankle))) * ((lengths.shank + lengths.thigh) / lengths.foot);
}

/** How far marks may lie beside their joints that no hand has set there, cm. */
export type Slips = Readonly<Partial<Record<MarkName, number>>>;

const foundSlips = ({ found }: Still): Slips => Object.fromEntries(found.map((name) => [name, FOUND_SLIP]));

/** How far the length that tells the turn may be off by such slips of its ends, a share of it. */
function endsOff({ from }: Still, { lengths }: Body, slips: Slips): number {
  const ends: readonly MarkName[] = isSideView(from)
    ? [`heel ${from}`, `toe ${from}`]
    : ['shoulder left', 'shoulder right'];
  const off = Math.hypot(...ends.map((name) => slips[name] ?? 0));
  return off / 100 / (isSideView(from) ? lengths.foot : lengths.shoulderBreadth);
}

const turnOf = (share: number): number => deg(Math.acos(Math.min(1, Math.max(0.05, share))));

/** Left and right of the picture do not belong to the view: it is mirrored, or seen from elsewhere. */
function mirrored(scene: Scene, from: FilmFrom): boolean {
  if (isSideView(from)) return scene.has(`heel ${from}`, `toe ${from}`) && (scene.facing === 1) !== (from === 'right');
  if (!scene.has('shoulder left', 'shoulder right')) return false;
  return scene.at('shoulder right').right < scene.at('shoulder left').right !== (from === 'front');
}

/** What a still is read with as it stands: nothing turned, tilted or stretched. */
export function plainTerms(still: Still, { body, pose }: Pick<StillTerms, 'body' | 'pose'>): SceneTerms {
  const plain: SceneTerms = {
    from: still.from,
    scale: still.scale,
    lengthCm: still.length?.cm ?? 0,
    body,
    turnDeg: 0,
    tiltDeg: 0,
    stretch: 0,
    nearer: nearerOf(pose, still.from),
    nearness: 1 / (still.awayM ?? AWAY),
    pxPerMetre: 0,
    centre: { x: still.width / 2, y: still.height / 2 },
  };
  return { ...plain, pxPerMetre: pxPerMetreOf(sceneOf(pointsOf(still), plain)) };
}

/**
 * What can be read off a still. Each error comes from a slip of {@link MARK_SLIP} px of every mark, of
 * {@link FOUND_SLIP} cm of one that was found and not looked at, the scale, the
 * plumb and a body turned out of the picture by {@link TURN}° or as far as it is seen to be (sources: Film).
 * @param slid how far marks may have slid besides
 */
export function readStill(still: Still, terms: StillTerms, slid: Slips = {}): StillReading {
  const { body, pose, known } = terms;
  const { from } = still;
  const points = pointsOf(still);
  const base = plainTerms(still, terms);
  const scene = sceneOf(points, base);
  const off = shareOff(still, known);
  const looks = shortened(scene, still, body);
  const slips = { ...slid, ...foundSlips(still) };
  const guessed = endsOff(still, body, slips);
  const lengthsOff = (isSideView(from) ? 1.5 * LENGTH_OFF[known] : SHOULDERS_OFF + off) + guessed;
  const [turnSeen, surely] = looks === null ? [null, 0] : [turnOf(looks), turnOf(looks * (1 + lengthsOff))];
  const problems: string[] = [];
  const tooFar = surely > TOO_FAR[isSideView(from) ? 'side' : 'front'];
  if (tooFar) {
    const what = isSideView(from) ? 'foot' : 'body';
    problems.push(
      `The ${what} is turned some ${Math.round(turnSeen!)}° away from the camera: nothing is read. Film it again ${
        isSideView(from) ? 'square to the foot' : 'from straight ahead'
      }.`,
    );
  }
  if (mirrored(scene, from)) {
    problems.push('Left and right are the other way round: the picture is mirrored, or seen from another side.');
  }
  const unscaled = scene.cmPerPx === null;
  const asked = terms.asked ? askedOf(pose, from) : null;
  // From the front the shoulders tell too little to go by what they seem.
  const turn = Math.max(
    TURN,
    isSideView(from) && looks !== null ? turnOf(looks * (1 - LENGTH_OFF.measured + guessed)) : surely,
  );
  const figures = tooFar
    ? []
    : figuresOf(from).flatMap(({ id, side }): FilmFigure[] => {
        const kind = filmFigureKinds[id];
        const of = side === 'both' ? 'right' : side;
        if (!scene.has(...kind.needs(of, from)) || (kind.unit === 'cm' && unscaled)) return [];
        const value = kind.of(scene, of);
        const error = errorOf(points, base, off, turn, { ...still, slips }, (changed) => kind.of(changed, of));
        const more = kind.more?.(scene, of) ?? 0;
        return [{ id, side, unit: kind.unit, value, error: error + more, asked: asked?.(id, of) ?? null }];
      });
  const missing = wantedBy(from).filter((name) => still.marks[name] === undefined);
  return {
    figures,
    points: judged(terms.checkpoints, { from, figures, missing, tooFar, unscaled }),
    problems,
    turnDeg: isSideView(from) ? turnSeen : null,
    cmPerPx: scene.cmPerPx,
    missing,
  };
}

/** How far a figure may be off: the slips of the marks, the scale and the plumb together, and the turn on top. */
function errorOf(
  points: FilmPoints,
  base: SceneTerms,
  off: number,
  turn: number,
  { plumb, awayM, slips }: Pick<Still, 'plumb' | 'awayM'> & { readonly slips: Slips },
  figure: (scene: Scene) => number,
): number {
  const value = figure(sceneOf(points, base));
  const apart = (other: Scene): number => Math.abs(figure(other) - value);
  let squares = 0;
  for (const [name, spot] of Object.entries(points) as [FilmPoint, { x: number; y: number }][]) {
    const wide = ((slips[name as MarkName] ?? 0) / 100) * base.pxPerMetre;
    const far = Math.max(MARK_SLIP, wide);
    for (const slip of [
      { x: far, y: 0 },
      { x: 0, y: far },
    ]) {
      const slipped = { ...points, [name]: { x: spot.x + slip.x, y: spot.y + slip.y } };
      squares += apart(sceneOf(slipped, base)) ** 2;
    }
  }
  squares += apart(sceneOf(points, { ...base, stretch: off })) ** 2;
  if (plumb === null) squares += apart(sceneOf(points, { ...base, tiltDeg: UNPLUMBED })) ** 2;
  const nearness = base.nearness + (awayM === null ? NEARNESS_OFF : 0.1 * base.nearness);
  const turned = [turn, -turn].map((turnDeg) => apart(sceneOf(points, { ...base, turnDeg })));
  // What pushes all to one side does not cancel out: it is added whole, and a little more for the turn that is only guessed.
  return Math.sqrt(squares) + apart(sceneOf(points, { ...base, nearness })) + 1.1 * Math.max(...turned);
}

/** What a computed figure shows of each figure, by the same reading. */
function askedOf(pose: FigurePose, from: FilmFrom): (id: FilmFigureId, side: FilmSide) => number | null {
  const trunk = isSideView(from) ? 'foot' : 'trunk';
  const terms = {
    from,
    scale: trunk,
    lengthCm: 0,
    body: pose.body,
    turnDeg: 0,
    tiltDeg: 0,
    stretch: 0,
    nearer: () => 0,
    nearness: 0,
    pxPerMetre: 0,
    centre: { x: 0, y: 0 },
  } as const;
  const scene = sceneOf(poseMarks(pose, from), terms);
  return (id, side) =>
    scene.has(...filmFigureKinds[id].needs(side, from)) ? filmFigureKinds[id].of(scene, side) : null;
}

function wantedBy(from: FilmFrom): MarkName[] {
  return [
    ...new Set(
      figuresOf(from).flatMap(({ id, side }) => filmFigureKinds[id].needs(side === 'both' ? 'right' : side, from)),
    ),
  ];
}
