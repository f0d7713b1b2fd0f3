import type { Sheet } from './sheet';

/** Where the data goes in the page of a sheet. */
export const SHEET_MARK = '__SHEET__';

/**
 * The page of a sheet with its data in it. Whatever stands in names and notes stays data: nothing of it can end the element
 * that it is in.
 * @param page of the build, with the mark once
 * @throws Error when the page has no place for it
 */
export function sheetHtml(page: string, sheet: Sheet): string {
  const at = page.indexOf(SHEET_MARK);
  if (at < 0) throw new Error('The page of the sheet has no place for its data.');
  const data = JSON.stringify(sheet).replace(
    /[<>&\u2028\u2029]/g,
    (letter) => `\\u${letter.charCodeAt(0).toString(16).padStart(4, '0')}`,
  );
  return page.slice(0, at) + data + page.slice(at + SHEET_MARK.length);
}
