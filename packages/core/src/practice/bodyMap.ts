import { standardBody } from '../body/body';
import { standardPosture } from '../library/describe';
import { layoutFigure, projector } from '../figure/figureLayout';
import { mixed, type Point3 } from '../figure/point3';
import type { FootSide } from '../figure/pose';
import { stillPose } from '../figure/figurePose';
import { spineAt } from '../figure/spine';
import { softSchool } from '../schools/builtInSchools';
import type { PainSaid } from './endNotes';
import type { PainPlace } from './painPlace';
import type { ShakePlace } from './shakePlace';

/** A place on a drawing of a body that can be tapped. */
export interface BodySpot<Place extends string> {
  readonly place: Place;
  readonly side: FootSide | 'middle';
  /** As it is said: `left knee`. */
  readonly words: string;
  /** It has been there on the other side: it has the same name, and is one stop of the keyboard. */
  readonly again: boolean;
  /** On the drawing, px. */
  readonly x: number;
  readonly y: number;
}

/** A body seen from behind, so that left is left, and the places on it that are asked for. */
export interface BodyMap {
  /** What of the drawing is shown, as the `viewBox` of an SVG: the body without the empty room about it. */
  readonly box: string;
  /** Width of the whole drawing, px; its middle line is the body’s. */
  readonly width: number;
  /** Its outline, as paths. */
  readonly paths: readonly string[];
  readonly pain: readonly BodySpot<PainPlace>[];
  readonly shook: readonly BodySpot<ShakePlace>[];
}

/** Height of its metre, px: two places are a finger apart. */
const SCALE = 200;
/** From the middle line to each side of the box, and what is left out above and below, px. */
const BOX = { aside: 85, above: 12, below: 28 } as const;
const bothSides = ['left', 'right'] as const;

/** The places of a body on the drawing from which one chooses where it hurt and what shook. */
export function bodyMap(): BodyMap {
  const pose = stillPose(standardBody, standardPosture, softSchool, 'right', false);
  const layout = layoutFigure(pose, 'behind', SCALE);
  const at = projector(pose, 'behind', SCALE);
  const { legs, arms, pelvis, spine, head } = pose;
  const spot = <P extends string>(place: P, side: FootSide | 'middle', point: Point3): BodySpot<P> => {
    const { x, y } = at(point);
    return { place, side, words: side === 'middle' ? place : `${side} ${place}`, again: false, x, y };
  };
  const low = spineAt(pelvis, spine, 0.3);
  const high = spineAt(pelvis, spine, 1);
  return {
    box: `${layout.width / 2 - BOX.aside} ${BOX.above} ${2 * BOX.aside} ${layout.height - BOX.above - BOX.below}`,
    width: layout.width,
    paths: layout.shapes.map(({ path }) => path),
    pain: [
      spot('neck', 'middle', mixed(high, head, 0.35)),
      spot('low back', 'middle', low),
      ...bothSides.flatMap((side) => [
        spot('shoulder', side, arms[side].shoulder),
        spot('elbow or wrist', side, arms[side].elbow),
        spot('hip', side, legs[side].hip),
        spot('knee', side, legs[side].knee),
        spot('ankle or foot', side, legs[side].ankle),
      ]),
    ],
    shook: [
      spot('back', 'middle', spineAt(pelvis, spine, 0.6)),
      ...bothSides.flatMap((side) => [
        spot('shoulders', side, arms[side].shoulder),
        spot('arms', side, mixed(arms[side].elbow, arms[side].shoulder, 0.35)),
        spot('hands', side, arms[side].hand),
        spot('hips', side, legs[side].hip),
        spot('thighs', side, mixed(legs[side].hip, legs[side].knee, 0.6)),
        spot('calves', side, mixed(legs[side].knee, legs[side].ankle, 0.5)),
      ]),
    ].map((entry) => ({ ...entry, words: entry.place, again: entry.side === 'right' })),
  };
}

type PainSpots = readonly BodySpot<PainPlace>[];
type Where = Pick<PainSaid, 'painPlace' | 'painWhere'>;

/** The spots that are marked for what was said: the side that was tapped, else the place on both. In their words. */
export function hurtSpots(spots: PainSpots, { painPlace, painWhere }: Where): string[] {
  const there = spots.filter(({ place }) => place === painPlace);
  const tapped = there.filter(({ words }) => words === painWhere);
  return (tapped.length > 0 ? tapped : there).map(({ words }) => words);
}

/** What was written of a place; what was only tapped is not. */
const written = (spots: PainSpots, { painWhere }: Where): string =>
  spots.some(({ words }) => words === painWhere) ? '' : painWhere;

/** What is said when a spot is tapped: its place, and its side where nothing else was written. */
export const whereTapped = (spots: PainSpots, said: Where, { place, side, words }: BodySpot<PainPlace>): Where => ({
  painPlace: place,
  painWhere: written(spots, said) || (side === 'middle' ? '' : words),
});

/** What is said when a place is chosen from the list: on no side, with what was written. */
export const whereChosen = (spots: PainSpots, said: Where, painPlace: PainPlace): Where => ({
  painPlace,
  painWhere: written(spots, said),
});
