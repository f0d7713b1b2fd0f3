import Papa from 'papaparse';

/** Rows of a table that are read at most. */
export const MOST_ROWS = 200_000;

export interface CsvProblem {
  /** Line of the file, from 1. */
  readonly line: number;
  readonly message: string;
}
export interface CsvRow {
  /** Line of the file on which it begins, from 1. */
  readonly line: number;
  readonly cells: readonly string[];
}
export interface CsvTable {
  readonly columns: readonly string[];
  readonly rows: readonly CsvRow[];
  /** What of the file is no row. */
  readonly problems: readonly CsvProblem[];
}

/** How the text of a file is written. */
export const encodings = ['UTF-8', 'UTF-16', 'Windows-1252'] as const;
export type Encoding = (typeof encodings)[number];

/**
 * The text of a file: UTF-16 by the mark at its beginning, UTF-8 where the bytes are that, else Windows-1252, which
 * spreadsheets in western Europe write (WHATWG Encoding Standard, “decode”, from memory).
 */
export function decodeText(bytes: Uint8Array): { readonly text: string; readonly encoding: Encoding } {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return { text: new TextDecoder('utf-16le').decode(bytes), encoding: 'UTF-16' };
  if (first === 0xfe && second === 0xff) return { text: new TextDecoder('utf-16be').decode(bytes), encoding: 'UTF-16' };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' };
  } catch {
    return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'Windows-1252' };
  }
}

/** A text with the apostrophe that keeps it from being a formula. */
const GUARDED = /^'(?=[=+\-@\t\r])/;
const LINE_END = /\r\n|\n|\r/g;
const BYTE_ORDER_MARK = /^\uFEFF/;

const isBlank = (cells: readonly string[]): boolean => cells.every((cell) => cell.trim() === '');

/** What is wrong with the quotes of a row; null where nothing is. */
function quoteProblem(errors: readonly Papa.ParseError[], from: number, to: number): string | null {
  const lines = to > from ? `Lines ${from} to ${to} were not read` : 'The line was not read';
  if (errors.some(({ code }) => code === 'MissingQuotes'))
    return `a quotation mark is opened here and never closed. ${lines}`;
  if (errors.some(({ code }) => code === 'InvalidQuotes'))
    return `a quotation mark stands in the middle of a text in quotes. ${lines}`;
  return null;
}

/**
 * A table with a head line (RFC 4180), whatever separates its columns. Rows without any text are passed over. A row
 * whose quotes do not close, or that has more cells than there are columns, is named with its line and left out.
 */
export function readCsv(text: string, most = MOST_ROWS): CsvTable {
  const plain = text.replace(BYTE_ORDER_MARK, '');
  const rows: CsvRow[] = [];
  const problems: CsvProblem[] = [];
  let columns: readonly string[] = [];
  let [line, from] = [1, 0];
  Papa.parse<string[]>(plain, {
    step: ({ data, errors, meta }, parser) => {
      const written = plain.slice(from, meta.cursor);
      const ends = written.match(LINE_END)?.length ?? 0;
      const start = line;
      [line, from] = [line + ends, meta.cursor];
      // A line end at its end belongs to the row.
      const last = /[\r\n]$/.test(written) ? line - 1 : line;
      const wrong = quoteProblem(errors, start, last);
      if (wrong !== null) {
        problems.push({ line: start, message: wrong });
      } else if (isBlank(data)) {
        return;
      } else if (columns.length === 0) {
        columns = data.map((name) => name.trim());
      } else if (rows.length === most) {
        problems.push({
          line: start,
          message: `a table has ${most.toLocaleString('en-GB')} rows at most; nothing from here on was read`,
        });
        parser.abort();
      } else if (!isBlank(data.slice(columns.length))) {
        const message = `${data.length} cells in ${columns.length} columns; a text or number with the sign that separates columns has to stand in quotation marks`;
        problems.push({ line: start, message });
      } else {
        rows.push({ line: start, cells: data.map((cell) => cell.replace(GUARDED, '')) });
      }
    },
  });
  return { columns, rows, problems };
}
