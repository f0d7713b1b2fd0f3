import { centreFractions, massFractions } from '../body/body';
import { deg } from '../words/angles';
import { middle, trunkOf, type Scene, type Upright } from './scene';
import { isSideView, type FilmFrom, type FilmSide, type MarkName } from './still';

/** A figure that is read off a picture. Its sign is said in `figureWords`. */
export const filmFigures = [
  'knee bend',
  'shin lean',
  'knee past toes',
  'heel up',
  'trunk lean',
  'arm raised',
  'elbow bend',
  'elbow below shoulder',
  'wrist above shoulder',
  'head ahead',
  'knee inward',
  'trunk aside',
  'shoulder higher',
  'hip higher',
  'armpit',
  'feet apart',
  'weight',
] as const;
export type FilmFigureId = (typeof filmFigures)[number];

export interface FilmFigureKind {
  readonly unit: '°' | 'cm' | '%';
  readonly seen: 'side' | 'front' | 'both';
  /** It is one of each side that is seen. */
  readonly sided: boolean;
  readonly needs: (side: FilmSide, from: FilmFrom) => readonly MarkName[];
  readonly of: (scene: Scene, side: FilmSide) => number;
  /** What is not known otherwise, in the same unit. */
  readonly more?: (scene: Scene, side: FilmSide) => number;
}

/** The angle at `b` between the lines to `a` and `c`, degrees, 0–180. */
function angleAt(a: Upright, b: Upright, c: Upright): number {
  const [first, second] = [Math.atan2(a.up - b.up, a.right - b.right), Math.atan2(c.up - b.up, c.right - b.right)];
  const turn = Math.abs(deg(first - second)) % 360;
  return turn > 180 ? 360 - turn : turn;
}
/** How far the line up from `low` to `high` leans to the right of the picture, degrees. */
const leanOf = (low: Upright, high: Upright): number => deg(Math.atan2(high.right - low.right, high.up - low.up));
const cmOf = (scene: Scene, px: number): number => px * scene.cmPerPx!;
const on = (side: FilmSide, ...joints: readonly string[]): MarkName[] =>
  joints.map((joint) => `${joint} ${side}` as MarkName);
const both = (...joints: readonly string[]): MarkName[] =>
  joints.flatMap((joint) => [`${joint} left`, `${joint} right`] as MarkName[]);

/** 1 where the inside of that leg lies to the right of the picture. */
const inward = (from: FilmFrom, side: FilmSide): 1 | -1 => ((from === 'front') === (side === 'right') ? 1 : -1);

/** Where along the foot the knee of a bent leg stands, from the ankle to the toes, and how far that may be off. House values. */
const KNEE_ALONG = 0.6;
const KNEE_ALONG_OFF = 0.4;

/** Where the body's mass is, sideways: the parts as the statics have them. */
function massAt({ at }: Scene): number {
  const { shank, thigh, trunk, upperArm, forearm, hand, foot, head } = massFractions;
  const along = (from: Upright, to: Upright, share: number): number => from.right + (to.right - from.right) * share;
  const hips = middle(at('hip left'), at('hip right'));
  const shoulders = middle(at('shoulder left'), at('shoulder right'));
  const sides = (['left', 'right'] as const).map((side) => {
    const joint = (name: string): Upright => at(`${name} ${side}` as MarkName);
    return (
      foot * joint('ankle').right +
      shank * along(joint('knee'), joint('ankle'), centreFractions.shank) +
      thigh * along(joint('hip'), joint('knee'), centreFractions.thigh) +
      upperArm * along(joint('shoulder'), joint('elbow'), centreFractions.upperArm) +
      forearm * along(joint('elbow'), joint('wrist'), centreFractions.forearm) +
      hand * joint('wrist').right
    );
  });
  return trunk * along(hips, shoulders, centreFractions.trunk) + head * at('head').right + sides[0]! + sides[1]!;
}

const higher = (scene: Scene, joint: 'shoulder' | 'hip'): number =>
  cmOf(scene, scene.at(`${joint} right`).up - scene.at(`${joint} left`).up);

/** How each figure is read. Lengths in cm, angles in degrees, shares in percent. */
export const filmFigureKinds: Readonly<Record<FilmFigureId, FilmFigureKind>> = {
  'knee bend': {
    unit: '°',
    seen: 'side',
    sided: true,
    needs: (side) => on(side, 'hip', 'knee', 'ankle'),
    of: ({ at }, side) => 180 - angleAt(at(`hip ${side}`), at(`knee ${side}`), at(`ankle ${side}`)),
  },
  'shin lean': {
    unit: '°',
    seen: 'side',
    sided: true,
    needs: (side) => on(side, 'knee', 'ankle'),
    of: ({ at, facing }, side) => facing * leanOf(at(`ankle ${side}`), at(`knee ${side}`)),
  },
  'knee past toes': {
    unit: 'cm',
    seen: 'side',
    sided: true,
    needs: (side) => on(side, 'knee', 'toe', 'heel'),
    of: (scene, side) => scene.facing * cmOf(scene, scene.at(`knee ${side}`).right - scene.at(`toe ${side}`).right),
  },
  'heel up': {
    unit: 'cm',
    seen: 'side',
    sided: true,
    needs: (side) => on(side, 'heel', 'toe'),
    of: (scene, side) => cmOf(scene, scene.at(`heel ${side}`).up - scene.at(`toe ${side}`).up),
  },
  'trunk lean': {
    unit: '°',
    seen: 'side',
    sided: false,
    needs: (side) => on(side, 'hip', 'shoulder'),
    of: (scene) => scene.facing * leanOf(...trunkOf(scene)!),
  },
  // Against the plumb, as postures have it: hanging 0, level 90.
  'arm raised': {
    unit: '°',
    seen: 'side',
    sided: true,
    needs: (side) => on(side, 'shoulder', 'elbow'),
    of: ({ at, facing }, side) => -facing * leanOf(at(`elbow ${side}`), at(`shoulder ${side}`)),
  },
  'elbow bend': {
    unit: '°',
    seen: 'side',
    sided: true,
    needs: (side) => on(side, 'shoulder', 'elbow', 'wrist'),
    of: ({ at }, side) => 180 - angleAt(at(`shoulder ${side}`), at(`elbow ${side}`), at(`wrist ${side}`)),
  },
  'elbow below shoulder': {
    unit: 'cm',
    seen: 'both',
    sided: true,
    needs: (side) => on(side, 'shoulder', 'elbow'),
    of: (scene, side) => cmOf(scene, scene.at(`shoulder ${side}`).up - scene.at(`elbow ${side}`).up),
  },
  'wrist above shoulder': {
    unit: 'cm',
    seen: 'both',
    sided: true,
    needs: (side) => on(side, 'shoulder', 'wrist'),
    of: (scene, side) => cmOf(scene, scene.at(`wrist ${side}`).up - scene.at(`shoulder ${side}`).up),
  },
  'head ahead': {
    unit: 'cm',
    seen: 'side',
    sided: false,
    needs: (side) => ['head', ...on(side, 'shoulder')],
    of: (scene) =>
      scene.facing *
      cmOf(scene, scene.at('head').right - scene.at(`shoulder ${isSideView(scene.from) ? scene.from : 'right'}`).right),
  },
  'knee inward': {
    unit: 'cm',
    seen: 'front',
    sided: true,
    needs: (side) => on(side, 'knee', 'ankle', 'toe'),
    of: (scene, side) => {
      const [knee, ankle, toe] = [scene.at(`knee ${side}`), scene.at(`ankle ${side}`), scene.at(`toe ${side}`)];
      const line = ankle.right + KNEE_ALONG * (toe.right - ankle.right);
      return inward(scene.from, side) * cmOf(scene, knee.right - line);
    },
    more: (scene, side) =>
      KNEE_ALONG_OFF * Math.abs(cmOf(scene, scene.at(`toe ${side}`).right - scene.at(`ankle ${side}`).right)),
  },
  'trunk aside': {
    unit: '°',
    seen: 'front',
    sided: false,
    needs: () => both('hip', 'shoulder'),
    of: (scene) => (scene.from === 'front' ? -1 : 1) * leanOf(...trunkOf(scene)!),
  },
  'shoulder higher': {
    unit: 'cm',
    seen: 'front',
    sided: false,
    needs: () => both('hip', 'shoulder'),
    of: (scene) => higher(scene, 'shoulder'),
  },
  'hip higher': {
    unit: 'cm',
    seen: 'front',
    sided: false,
    needs: () => both('hip', 'shoulder'),
    of: (scene) => higher(scene, 'hip'),
  },
  armpit: {
    unit: '°',
    seen: 'front',
    sided: true,
    needs: (side) => on(side, 'shoulder', 'elbow'),
    of: (scene, side) => inward(scene.from, side) * leanOf(scene.at(`elbow ${side}`), scene.at(`shoulder ${side}`)),
  },
  'feet apart': {
    unit: 'cm',
    seen: 'front',
    sided: false,
    needs: () => both('ankle', 'hip', 'shoulder'),
    of: (scene) => Math.abs(cmOf(scene, scene.at('ankle left').right - scene.at('ankle right').right)),
  },
  weight: {
    unit: '%',
    seen: 'front',
    sided: false,
    needs: () => ['head', ...both('shoulder', 'elbow', 'wrist', 'hip', 'knee', 'ankle')],
    // On the right leg; where the feet stand together it falls on both.
    of: (scene) => {
      const [left, right] = [scene.at('ankle left').right, scene.at('ankle right').right];
      return Math.abs(right - left) < 1 ? 50 : (100 * (massAt(scene) - left)) / (right - left);
    },
    // A person's own masses are not the table's: some 2 cm of the whole (house value).
    more: (scene) => {
      const apart = Math.abs(scene.at('ankle left').right - scene.at('ankle right').right);
      const px = scene.cmPerPx === null ? apart / 10 : 2 / scene.cmPerPx;
      return apart < 1 ? 50 : (100 * px) / apart;
    },
  },
};

/** What is read of a view, with the sides it is read of. */
export function figuresOf(from: FilmFrom): { readonly id: FilmFigureId; readonly side: FilmSide | 'both' }[] {
  const seen = isSideView(from) ? 'side' : 'front';
  const sides: readonly FilmSide[] = isSideView(from) ? [from] : ['left', 'right'];
  return filmFigures.flatMap((id) => {
    const kind = filmFigureKinds[id];
    if (kind.seen !== seen && kind.seen !== 'both') return [];
    if (id === 'knee inward' && from === 'behind') return [];
    return kind.sided
      ? sides.map((side) => ({ id, side }))
      : [{ id, side: isSideView(from) ? from : ('both' as const) }];
  });
}
