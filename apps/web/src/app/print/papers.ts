import type { Content } from 'pdfmake/interfaces';
import { inks, MM, pdf } from './pdf';

/** What one person is given of a document; it begins on a page of its own. */
export interface Paper {
  /** Stands at the foot of each of its pages. */
  readonly title: string;
  readonly content: readonly Content[];
}

/** Margins of the papers, mm: left, top, right, bottom. */
const MARGINS = [14, 12, 14, 14] as const;
const idOf = (at: number): string => `paper-${at + 1}`;

/** A document, and of how many pages it is. */
export interface Printed {
  readonly file: Blob;
  readonly pages: number;
}

/** Papers one after the other as one PDF, the pages of each counted for itself. */
export async function papers(title: string, list: readonly Paper[]): Promise<Printed> {
  /** The first page of each, as far as it is laid out. */
  const first = new Map<string, number>();
  let whole = 0;
  const file = await pdf({
    info: { title },
    pageMargins: [MARGINS[0] * MM, MARGINS[1] * MM, MARGINS[2] * MM, MARGINS[3] * MM],
    pageBreakBefore: ({ id, pageNumbers }) => {
      const [page] = pageNumbers;
      if (id !== undefined && page !== undefined) first.set(id, page);
      return false;
    },
    footer: (page, pages) => {
      whole = pages;
      const begins = list.map((_, at) => first.get(idOf(at)) ?? 1);
      const at = Math.max(
        0,
        begins.findLastIndex((begin) => begin <= page),
      );
      const from = begins[at] ?? 1;
      const to = (begins[at + 1] ?? pages + 1) - 1;
      const count = to > from ? `, page ${page - from + 1} of ${to - from + 1}` : '';
      return { text: `${list[at]?.title ?? ''}${count}`, alignment: 'center', fontSize: 8, color: inks.soft };
    },
    content: list.map(({ content }, at): Content => [
      { id: idOf(at), text: ' ', fontSize: 0.1, ...(at > 0 ? { pageBreak: 'before' as const } : {}) },
      ...content,
    ]),
  });
  return { file, pages: whole };
}
