import {
  shownDrill,
  shownPose,
  stillPose,
  type Body,
  type Exercise,
  type ExerciseSegment,
  type FigurePose,
  type FootSide,
  type School,
  layoutFigure,
  type FigureView,
} from '@pomek/core';
import { inks } from './pdf';

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

/** What is drawn of a drill. */
export interface Pictures {
  /** One of a posture held, or one for the end of each part, in order. */
  readonly svgs: readonly string[];
  /** How one looks at it. */
  readonly seen: string;
}

const seenWords = { side: 'seen from the side', front: 'seen from the front' } as const;

/** The figures of a segment from where it is seen best: its stand, or the end of each part of its cycle on one side. */
export function picturesOf(
  body: Body,
  segment: ExerciseSegment,
  exercise: Exercise,
  school: School,
  side: FootSide,
): Pictures {
  const shown = shownDrill(segment, exercise, body, school);
  const { drill, view } = shown;
  const seen = seenWords[view];
  if (!shown.moves || drill.phases.length > MOST_IN_STRIP) {
    return { svgs: [poseSvg(stillPose(body, drill.posture, school, side, view === 'side'), view)], seen };
  }
  let at = 0;
  const poses = drill.phases.map(({ share }) => shownPose(shown, Math.min(1, (at += share)), 0, side, 'forward'));
  // Figures side by side stand on one floor, however high their hands are.
  return { svgs: poses.map((pose) => poseSvg(pose, view, shown.highest)), seen };
}
