import type { Body } from '../body/body';
import { rad } from '../words/angles';
import { isSideView, type FilmFrom, type FilmScale, type FilmSpot, type MarkName, type Still } from './still';

/** A point seen upright: to the right of the picture and up, px. */
export interface Upright {
  readonly right: number;
  readonly up: number;
}

/** All that is marked: the joints, and the ends of what is plumb and of what is known in length. */
export type FilmPoint = MarkName | 'plumb from' | 'plumb to' | 'length from' | 'length to';
export type FilmPoints = Readonly<Partial<Record<FilmPoint, FilmSpot>>>;

/** What the points are read with. */
export interface SceneTerms {
  readonly from: FilmFrom;
  readonly scale: FilmScale;
  /** The known length, cm. */
  readonly lengthCm: number;
  readonly body: Body;
  /** How far the body is turned out of the plane of the picture, degrees. */
  readonly turnDeg: number;
  /** The camera is so much more tilted than what is plumb says, degrees. */
  readonly tiltDeg: number;
  /** The known length is longer by this share. */
  readonly stretch: number;
  /** How much nearer to the camera than the feet each joint is, m. */
  readonly nearer: (name: MarkName) => number;
  /** One over how far away the camera stood, 1/m. */
  readonly nearness: number;
  /** About how many px a metre is; nought where nothing tells. */
  readonly pxPerMetre: number;
  /** The middle of the picture, px. */
  readonly centre: FilmSpot;
}

/** A picture as it is read: upright, with its scale. */
export interface Scene {
  readonly at: (name: MarkName) => Upright;
  readonly has: (...names: readonly MarkName[]) => boolean;
  /** Null where the scale is not marked. */
  readonly cmPerPx: number | null;
  /** Which way the body looks in a side view: 1 to the right of the picture. */
  readonly facing: 1 | -1;
  readonly from: FilmFrom;
  readonly body: Body;
}

/** The points of a still, in one list. */
export function pointsOf({ marks, plumb, length, scale }: Still): FilmPoints {
  return {
    ...marks,
    ...(plumb === null ? {} : { 'plumb from': plumb.from, 'plumb to': plumb.to }),
    ...(length === null || scale !== 'length' ? {} : { 'length from': length.from, 'length to': length.to }),
  };
}

const between = (a: Upright, b: Upright): number => Math.hypot(a.right - b.right, a.up - b.up);

/** The middle of two points. */
export const middle = (a: Upright, b: Upright): Upright => ({ right: (a.right + b.right) / 2, up: (a.up + b.up) / 2 });

/** Ends of the trunk as they are seen, or null. */
export function trunkOf({ has, at, from }: Pick<Scene, 'has' | 'at' | 'from'>): readonly [Upright, Upright] | null {
  if (isSideView(from)) {
    const [hip, shoulder] = [`hip ${from}`, `shoulder ${from}`] as const;
    return has(hip, shoulder) ? [at(hip), at(shoulder)] : null;
  }
  const [hips, shoulders] = [
    ['hip left', 'hip right'],
    ['shoulder left', 'shoulder right'],
  ] as const;
  if (!has(...hips, ...shoulders)) return null;
  return [middle(at(hips[0]), at(hips[1])), middle(at(shoulders[0]), at(shoulders[1]))];
}

/**
 * Marked points as they are read: turned until what is plumb is upright, with the scale of what is known.
 * @param points px of the picture, y downward
 */
export function sceneOf(points: FilmPoints, terms: SceneTerms): Scene {
  const { from, body } = terms;
  const [top, foot] = [points['plumb from'], points['plumb to']];
  const marked = top === undefined || foot === undefined ? 0 : Math.atan2(foot.x - top.x, foot.y - top.y);
  const tilt = marked + rad(terms.tiltDeg);
  const [sin, cos] = [Math.sin(tilt), Math.cos(tilt)];
  const wide = 1 / Math.cos(rad(terms.turnDeg));
  const aside = Math.tan(rad(terms.turnDeg)) * terms.pxPerMetre;
  const has = (...names: readonly MarkName[]): boolean => names.every((name) => points[name] !== undefined);
  const at = (name: MarkName): Upright => {
    // What is nearer looks larger: all is brought to where the feet stand.
    const shrunk = 1 - terms.nearer(name) * terms.nearness;
    const x = terms.centre.x + (points[name]!.x - terms.centre.x) * shrunk;
    const y = terms.centre.y + (points[name]!.y - terms.centre.y) * shrunk;
    return { right: (x * cos - y * sin) * wide - terms.nearer(name) * aside, up: -(x * sin + y * cos) };
  };
  const cm = 100 * (1 + terms.stretch);
  const scaleOf = (): number | null => {
    if (terms.scale === 'length') {
      const [a, b] = [points['length from'], points['length to']];
      const px = a === undefined || b === undefined ? 0 : Math.hypot(a.x - b.x, a.y - b.y);
      return px < 1 ? null : (terms.lengthCm * (1 + terms.stretch)) / px;
    }
    if (terms.scale === 'trunk') {
      const trunk = trunkOf({ has, at, from });
      const px = trunk === null ? 0 : between(...trunk);
      return px < 1 ? null : (body.lengths.trunk * cm) / px;
    }
    if (!isSideView(from) || !has(`heel ${from}`, `toe ${from}`)) return null;
    const px = between(at(`heel ${from}`), at(`toe ${from}`));
    return px < 1 ? null : (body.lengths.foot * cm) / px;
  };
  const side = isSideView(from) ? from : null;
  const looksLeft =
    side !== null && has(`heel ${side}`, `toe ${side}`)
      ? at(`toe ${side}`).right < at(`heel ${side}`).right
      : side === 'left';
  return { at, has, cmPerPx: scaleOf(), facing: looksLeft ? -1 : 1, from, body };
}
