import type { Content } from 'pdfmake/interfaces';
import { chainFloorWords, type ChainPath } from '@pomek/core';
import { layoutChainFloor } from '../ui/chain-floor.layout';
import { inks, MM } from './pdf';

/** What is printed of a chain’s way over the floor. */
export interface FloorPrinted {
  readonly path: ChainPath;
  /** What lies ahead at the beginning: `the front`, `north`. */
  readonly front: string;
}

/** As large as it is drawn at most, px, and how wide that is on paper, mm. */
const MOST = { width: 300, height: 200 } as const;
const WIDE = 110;

/** The way as SVG, the front at the top: where it begins, where each piece ends and which way one faces then. */
export function chainFloorSvg(path: ChainPath, front: string): string {
  const it = layoutChainFloor(path, MOST);
  const parts = [
    `<rect x="1" y="1" width="${it.width - 2}" height="${it.height - 2}" fill="none" stroke="${inks.line}" stroke-dasharray="4 4"/>`,
    `<text x="${it.width / 2}" y="12" font-size="10" text-anchor="middle" fill="${inks.soft}">${front}</text>`,
    ...(it.other === ''
      ? []
      : [`<path d="${it.other}" fill="none" stroke="${inks.danger}" stroke-width="1.6" stroke-dasharray="6 5"/>`]),
    `<path d="${it.way}" fill="none" stroke="${inks.pine}" stroke-width="1.6"/>`,
    ...it.arrows.map((arrow) => `<path d="${arrow}" fill="${inks.pine}"/>`),
    ...it.stops.flatMap(({ at, label, words }) => [
      `<circle cx="${at.x}" cy="${at.y}" r="3.5" fill="${inks.pine}"/>`,
      `<text x="${label.x}" y="${label.y}" font-size="11" fill="${inks.edge}">${words}</text>`,
    ]),
    `<circle cx="${it.start.x}" cy="${it.start.y}" r="5.5" fill="none" stroke="${inks.edge}" stroke-width="1.6"/>`,
  ];
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${it.width} ${it.height}">${parts.join('')}</svg>`;
}

/** The way and the floor it takes; nothing where nobody leaves the place. How it ends stands in the note of the lesson. */
export function chainFloorContent({ path, front }: FloorPrinted): Content[] {
  if (path.end.kind === 'stays') return [];
  const drawn = layoutChainFloor(path, MOST);
  return [
    {
      unbreakable: true,
      margin: [0, 2, 0, 6],
      columnGap: 10,
      columns: [
        { svg: chainFloorSvg(path, front), width: ((WIDE * drawn.width) / MOST.width) * MM },
        {
          width: '*',
          stack: [
            { text: 'On the floor', style: 'heading' },
            { text: chainFloorWords(path), fontSize: 9, margin: [0, 1, 0, 1] },
            {
              text: 'The ring is where it begins; the numbers are the pieces, each where it ends, with an arrow the way one faces then.',
              fontSize: 8,
              color: inks.soft,
            },
          ],
        },
      ],
    },
  ];
}
