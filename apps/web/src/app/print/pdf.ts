import textNormal from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff';
import textItalic from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-italic.woff';
import textBold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff';
import textBoldItalic from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-italic.woff';
import display from '@fontsource/brygada-1918/files/brygada-1918-latin-600-normal.woff';
import pdfMake from 'pdfmake/build/pdfmake';
import vfs from 'pdfmake/build/vfs_fonts';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';

/** Points of the printed page in a millimetre. */
export const MM = 72 / 25.4;

/** The colours of the printed page. */
export const inks = {
  ink: '#1d2b29',
  soft: '#44544f',
  pine: '#0f5c4e',
  danger: '#a3271b',
  line: '#b9c4be',
  limb: '#e4d3bd',
  far: '#cdbda6',
  edge: '#6d5a44',
} as const;

/** The application's own fonts, for the letters they have. */
const TEXT = 'Text';
const DISPLAY = 'Display';
/** For every other letter: names are written all over the world. */
const OTHER = 'Roboto';

const at = (file: string): string => new URL(file, document.baseURI).href;

/** Letters that the text font has: western Latin and its punctuation. */
const LETTERS =
  '\\u0000-\\u00ff\\u0131\\u0152\\u0153\\u02bb\\u02bc\\u02c6\\u02da\\u02dc\\u2000-\\u206f\\u20ac\\u2122\\u2191\\u2193\\u2212\\u2215';
const KNOWN = new RegExp(`[${LETTERS}]`, 'u');
const RUNS = new RegExp(`[${LETTERS}]+|[^${LETTERS}]+`, 'gu');

/** A text in runs of one font each; a text of known letters stays as it is. */
export function inRuns(words: string): string | { text: string; font?: string }[] {
  const runs = words.match(RUNS) ?? [];
  if (runs.every((run) => KNOWN.test(run))) return words;
  return runs.map((run) => (KNOWN.test(run) ? { text: run } : { text: run, font: OTHER }));
}

/**
 * Every text of a content in fonts that have its letters. What is drawn is copied: laying out moves it, and the same content may be
 * laid out again.
 */
export function withFonts(node: unknown): unknown {
  if (typeof node === 'string') {
    const runs = inRuns(node);
    return typeof runs === 'string' ? runs : { text: runs };
  }
  if (Array.isArray(node)) return node.map(withFonts);
  if (typeof node !== 'object' || node === null) return node;
  return Object.fromEntries(
    Object.entries(node).map(([key, value]: [string, unknown]) => {
      if (key === 'text' && typeof value === 'string') return [key, inRuns(value)];
      if (key === 'canvas' && Array.isArray(value)) return [key, value.map((shape: object) => ({ ...shape }))];
      const holds = ['text', 'stack', 'columns', 'ul', 'ol', 'table', 'body'].includes(key);
      return [key, holds ? withFonts(value) : value];
    }),
  );
}

/** A PDF of the given content in the application's type; everything comes along with it. */
export async function pdf({ content, ...rest }: TDocumentDefinitions): Promise<Blob> {
  pdfMake.addVirtualFileSystem(vfs);
  pdfMake.addFonts({
    [TEXT]: {
      normal: at(textNormal),
      bold: at(textBold),
      italics: at(textItalic),
      bolditalics: at(textBoldItalic),
    },
    [DISPLAY]: { normal: at(display), bold: at(display), italics: at(display), bolditalics: at(display) },
  });
  return pdfMake
    .createPdf({
      pageSize: 'A4',
      defaultStyle: { font: TEXT, fontSize: 10.5, color: inks.ink },
      styles: { title: { font: DISPLAY, fontSize: 20 }, heading: { font: DISPLAY, fontSize: 13 } },
      content: withFonts(content) as Content,
      ...rest,
    })
    .getBlob();
}
