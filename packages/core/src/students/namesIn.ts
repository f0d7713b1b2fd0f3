import { cleanLine } from '../text/cleanText';

/** Names that are read at once at most. */
export const MOST_NAMES = 200;
const LONGEST = 80;

/** What stands before a name in a list: `1.`, `2)`, `-`, `•`. */
const BULLET = /^\s*(?:\d{1,3}\s*[.)]|[-–—•*])\s+/;

/**
 * Names in a list that was typed or pasted, in its order and each once: one a line; where all is on one line, parted by
 * commas or semicolons. Numbers and dots before a name are left out, as is all after a tab: more columns of a table.
 */
export function namesIn(text: string): string[] {
  const lines = text.split(/\r\n|\r|\n/).filter((line) => line.trim() !== '');
  const parts = lines.length === 1 ? lines[0]!.split(/[,;]/) : lines;
  const names = parts
    .map((part) => cleanLine(part.split('\t')[0]!.replace(BULLET, '')).slice(0, LONGEST).trim())
    .filter((name) => name !== '');
  const seen = new Set<string>();
  return names
    .filter((name) => {
      const key = name.toLowerCase();
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    })
    .slice(0, MOST_NAMES);
}
