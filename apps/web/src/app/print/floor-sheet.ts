import type { FloorLayout } from '../ui/floor.layout';
import { ALONE, printed, type Picture } from './handout-figure';
import { MM, pdf } from './pdf';

/** The printable area of an A4 sheet in mm, less head and bar. */
const AREA = { width: 180, height: 160 } as const;
/** What head and bar leave of a sheet, and how high the figure is at most, mm. */
const FREE = 228;
const MOST_FIGURE = 100;
/** Scales that a teacher can reckon with: 1 to this many. */
const scales = [1, 2, 4, 5, 10] as const;
/** The bar that proves the scale is this long on paper, mm. */
export const BAR_MM = 100;

/** The largest of the plain scales in which the whole floor goes on the sheet. */
export function sheetScale(drawing: FloorLayout): number {
  const fits = (scale: number): boolean =>
    (drawing.widthCm * 10) / scale <= AREA.width && (drawing.heightCm * 10) / scale <= AREA.height;
  return scales.find(fits) ?? 20;
}

const stroke = (side: 'left' | 'right'): string =>
  side === 'left'
    ? 'stroke="#2f4a8a" stroke-width="0.6"'
    : 'stroke="#8a4a14" stroke-width="0.8" stroke-dasharray="0.5 1.2"';

/** The drawing as SVG, its units cm. */
export function floorSvg(drawing: FloorLayout): string {
  const { widthCm, heightCm, feet, grid, measures, weight } = drawing;
  const line = (a: { x: number; y: number }, b: { x: number; y: number }, how: string): string =>
    `<line x1="${a.x}" y1="${a.y}" x2="${b.x}" y2="${b.y}" ${how}/>`;
  const text = (x: number, y: number, words: string): string =>
    `<text x="${x}" y="${y}" font-size="3.2" text-anchor="middle">${words}</text>`;
  const thin = 'stroke="#9aa7a1" stroke-width="0.1"';
  const parts = [
    ...grid.columns.map((x) => line({ x, y: 0 }, { x, y: heightCm }, thin)),
    ...grid.rows.map((y) => line({ x: 0, y }, { x: widthCm, y }, thin)),
    line(drawing.middle[0], drawing.middle[1], 'stroke="#44544f" stroke-width="0.3" stroke-dasharray="2 1"'),
    line(drawing.heelLine[0], drawing.heelLine[1], 'stroke="#44544f" stroke-width="0.3" stroke-dasharray="2 1"'),
    line(drawing.between[0], drawing.between[1], 'stroke="#0f5c4e" stroke-width="0.3"'),
    ...feet.map((foot) => `<path d="${foot.path}" fill="none" ${stroke(foot.side)}/>`),
    ...feet.map((foot) => line(foot.line[0], foot.line[1], 'stroke="#1d2b29" stroke-width="0.2"')),
    ...feet.map(({ pressure: { x, y } }) => `<path d="M${x - 1} ${y}h2m-1 -1v2" stroke="#1d2b29" stroke-width="0.4"/>`),
    ...feet.map((foot) => text(foot.label.x, foot.label.y, foot.words)),
    `<path d="M${weight.x} ${weight.y - 1.5}l-1.6 3h3.2Z" fill="#0f5c4e"/>`,
    ...measures.flatMap((measure) => [
      line(measure.from, measure.to, 'stroke="#1d2b29" stroke-width="0.25"'),
      text(measure.label.x, measure.label.y, measure.words),
    ]),
  ];
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${widthCm} ${heightCm}">${parts.join('')}</svg>`;
}

/**
 * An A4 sheet with the floor marks to scale, a bar of a true length to check the printer by, and who stands on them.
 * @param picture of the body that stands so
 */
export function floorSheet(
  exercise: string,
  person: string,
  drawing: FloorLayout,
  words: readonly string[],
  picture: Picture,
): Promise<Blob> {
  const scale = sheetScale(drawing);
  const widthMm = (drawing.widthCm * 10) / scale;
  // The figure has what room is left.
  const high = Math.min(MOST_FIGURE, FREE - (drawing.heightCm * 10) / scale);
  const figure = { width: (high * ALONE.width) / ALONE.height, height: high };
  const barIs = (BAR_MM * scale) / 10;
  const tick = (mm: number) => ({ type: 'line' as const, x1: mm * MM, y1: 0, x2: mm * MM, y2: 8, lineWidth: 1 });
  return pdf({
    info: { title: `Floor marks: ${exercise}` },
    pageMargins: [15 * MM, 15 * MM, 15 * MM, 15 * MM],
    content: [
      { text: exercise, fontSize: 18, bold: true },
      { text: `Floor marks for ${person}, scale 1 : ${scale}`, margin: [0, 2, 0, 10] },
      { svg: floorSvg(drawing), width: widthMm * MM },
      {
        margin: [0, 12, 0, 2],
        canvas: [
          { type: 'line', x1: 0, y1: 4, x2: BAR_MM * MM, y2: 4, lineWidth: 1.5 },
          ...[0, 25, 50, 75, BAR_MM].map(tick),
        ],
      },
      {
        text: `This bar is ${BAR_MM} mm long on paper and stands for ${barIs} cm on the floor. If it is not, print at 100 %.`,
        fontSize: 9,
      },
      {
        margin: [0, 10, 0, 0],
        columnGap: 6 * MM,
        columns: [
          { width: figure.width * MM, stack: [printed(picture, figure)] },
          {
            width: '*',
            stack: [
              { ul: words.map((line) => `${line[0]!.toUpperCase()}${line.slice(1)}`), margin: [0, 10, 0, 10] },
              {
                text: 'A step that cannot be taken back without a push is too long. Knees over the toes, never past them; no twist. With pain in a joint, stop and see a licensed practitioner.',
                fontSize: 9,
                color: '#44544f',
              },
            ],
          },
        ],
      },
    ],
  });
}
