import type { Content } from 'pdfmake/interfaces';
import {
  shownDrill,
  shownPose,
  stillPose,
  tellingMoments,
  type Body,
  type Exercise,
  type ExerciseSegment,
  type FigurePose,
  type FootSide,
  type School,
  layoutFigure,
  type FigureView,
} from '@pomek/core';
import { extentOf } from '@pomek/space';
import type { DrawBody } from '../space/body-pictures';
import { inks, MM } from './pdf';

/** Scale of the drawing; how large it is printed is said where it stands. */
const PX = 100;
/** More parts than this do not fit beside one another. */
const MOST_IN_STRIP = 8;

/** A pose as SVG: outline and flesh, with the floor, and from the side the toe line. @param highest room up to here, m */
export function poseSvg(pose: FigurePose, view: FigureView, highest = 0): string {
  const drawing = layoutFigure(pose, view, PX, highest);
  const layers = ([0, 1, 2] as const).map((layer) => drawing.shapes.filter((shape) => shape.layer === layer));
  const flesh = (part: string, layer: number): string =>
    part === 'palm' ? inks.pine : layer === 0 ? inks.far : inks.limb;
  const paths = layers.flatMap((shapes, layer) => [
    ...shapes.map((shape) => `<path d="${shape.path}" fill="${inks.edge}" stroke="${inks.edge}" stroke-width="1.6"/>`),
    ...shapes.map((shape) => `<path d="${shape.path}" fill="${flesh(shape.part, layer)}"/>`),
  ]);
  const marks = drawing.marks
    .filter((mark) => mark.kind === 'floor' || mark.kind === 'toe line')
    .map(({ kind, from, to }) => {
      const how = kind === 'floor' ? `stroke="${inks.soft}"` : `stroke="${inks.danger}" stroke-dasharray="3 2"`;
      return `<line x1="${from.x}" y1="${from.y}" x2="${to.x}" y2="${to.y}" ${how} stroke-width="1"/>`;
    });
  const size = `viewBox="0 0 ${drawing.width} ${drawing.height}"`;
  return `<svg xmlns="http://www.w3.org/2000/svg" ${size}>${marks.join('')}${paths.join('')}</svg>`;
}

/** A picture of a body: drawn in space, else in outline. */
export type Picture = { readonly image: string } | { readonly svg: string };

/** Breadth and height of a body on paper, mm: of a posture, and of each part in a strip. To be read at arm’s length. */
export const ALONE = { width: 50, height: 67.4 } as const;
export const IN_STRIP = { width: 38.6, height: 52 } as const;
/** Pixels of a picture of a body: some 300 to the inch at its largest. */
export const PICTURE_PX = { width: 550, height: 741 } as const;
/** An outline is narrower than what is drawn in space. */
const OUTLINE = 0.62;

/** A body as large as it is to be. */
export const printed = (picture: Picture, { width, height }: { width: number; height: number }): Content =>
  'image' in picture
    ? { image: picture.image, width: width * MM, height: height * MM }
    : { svg: picture.svg, fit: [width * OUTLINE * MM, height * MM], alignment: 'center' };

/** A body that stands on paper, seen from the front. @param draw draws it in space; null where only outlines can be drawn */
export const standing = (pose: FigurePose, draw: DrawBody | null): Picture =>
  draw === null ? { svg: poseSvg(pose, 'front') } : { image: draw(pose, 'front', extentOf(pose)) };

/** What is drawn of a drill. */
export interface Pictures {
  /** One of a posture held, or one for each part, in order. */
  readonly pictures: readonly Picture[];
  /** How one looks at it. */
  readonly seen: string;
}

const seenWords = { side: 'seen from the side', front: 'seen from the front' } as const;
/** Drawn in space, a body is seen a little aslant. */
const aslantWords = { side: ', a little from the front', front: ', a little from the side' } as const;

/**
 * The figures of a segment from where it is seen best: its stand, or what shows most of each part of its cycle on one side.
 * @param draw draws the body in space; null where only outlines can be drawn
 * @param pick which of several moments are drawn
 */
export function picturesOf(
  body: Body,
  segment: ExerciseSegment,
  exercise: Exercise,
  school: School,
  side: FootSide,
  draw: DrawBody | null,
  pick: (moments: readonly number[]) => readonly number[] = (moments) => moments,
): Pictures {
  const shown = shownDrill(segment, exercise, body, school);
  const { drill, view, highest, reach } = shown;
  const seen = `${seenWords[view]}${draw === null ? '' : aslantWords[view]}`;
  const extent = extentOf(shownPose(shown, 0, 0, side, 'forward'), { highest, reach });
  const still = (square: boolean): FigurePose => stillPose(body, drill.posture, school, side, square);
  const square = view === 'side';
  if (!shown.moves || drill.swaySeconds !== null || drill.phases.length > MOST_IN_STRIP) {
    const picture = draw === null ? { svg: poseSvg(still(square), view) } : { image: draw(still(false), view, extent) };
    return { pictures: [picture], seen };
  }
  const poseAt = (at: number, flat = false): FigurePose =>
    shownPose({ ...shown, view: flat ? view : 'front' }, Math.min(1, at), 0, side, 'forward');
  const pictures = pick(tellingMoments(drill.phases, poseAt)).map((at): Picture =>
    // Figures side by side stand on one floor, however high their hands are.
    draw === null ? { svg: poseSvg(poseAt(at, true), view, highest) } : { image: draw(poseAt(at), view, extent) },
  );
  return { pictures, seen };
}
