import { inflateSync } from 'node:zlib';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

export interface ReadPdf {
  readonly pages: number;
  readonly text: string;
  /** Width and height of the first page, points. */
  readonly size: readonly number[];
  /** How many photographs and bodies drawn in space (JPEG) are in it. */
  readonly photographs: number;
  /** Lengths of the level lines that are drawn, mm. */
  readonly levelLinesMm: readonly number[];
}

const MM = 72 / 25.4;

/** Opens a PDF with a library that did not write it. */
export async function readPdf(bytes: Buffer): Promise<ReadPdf> {
  const document = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  const texts: string[] = [];
  for (let number = 1; number <= document.numPages; number += 1) {
    const page = await document.getPage(number);
    const { items } = await page.getTextContent();
    texts.push(items.map((item) => ('str' in item ? item.str : '')).join(' '));
  }
  const first = await document.getPage(1);
  return {
    pages: document.numPages,
    text: texts.join('\n').replace(/\s+/g, ' '),
    size: first.view.slice(2),
    photographs: bytes.toString('latin1').split('/DCTDecode').length - 1,
    levelLinesMm: levelLines(bytes),
  };
}

/** The level strokes of all content streams, at the scale of the page. */
function levelLines(bytes: Buffer): number[] {
  const found: number[] = [];
  let from = 0;
  for (;;) {
    const start = bytes.indexOf('stream\n', from);
    if (start === -1) return found;
    const end = bytes.indexOf('endstream', start);
    from = end + 9;
    let content: string;
    try {
      content = inflateSync(bytes.subarray(start + 7, end)).toString('latin1');
    } catch {
      continue;
    }
    for (const [, x1, y1, x2, y2] of content.matchAll(/([\d.]+) ([\d.]+) m\s+([\d.]+) ([\d.]+) l/g)) {
      if (y1 === y2) found.push(Math.abs(Number(x2) - Number(x1)) / MM);
    }
  }
}
