import { counted } from '../words/counted';
import { dayWords } from '../words/dayWords';
import { bundleKinds, type BundleContents } from './bundle';
import { kindWords } from './kindWords';

/**
 * What is here and not in a copy that is to come in, in words: “3 practices, the newest of 12 Nov 2026”. Empty for a file
 * without students: that is no copy of everything.
 * @param present everything there is now; pictures and recordings may be left out, which are not told
 */
export function notInFile(present: BundleContents, incoming: BundleContents): string[] {
  if (incoming.students.length === 0) return [];
  return bundleKinds.flatMap((kind) => {
    if (kind === 'pictures' || kind === 'recordings') return [];
    const there = new Set(incoming[kind].map(({ id }) => id));
    const missing = present[kind].filter(({ id }) => !there.has(id));
    if (missing.length === 0) return [];
    const days = missing.flatMap((item) => ('day' in item ? [item.day] : [])).toSorted();
    const words = counted(missing.length, kindWords[kind], kind === 'classes' ? 'classes' : undefined);
    return [
      days.length === 0 ? words : `${words}, ${days.length === 1 ? 'of' : 'the newest of'} ${dayWords(days.at(-1)!)}`,
    ];
  });
}
