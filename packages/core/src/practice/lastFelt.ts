import { effortWords, painWords } from './effortScale';
import type { PracticeLog } from './log';

/**
 * How the last practice felt, for whoever decides on the next dose: `effort 5 of 10 (hard), pain 2 of 10 (mild), left knee`. What was
 * not asked is said, since it is not none. Null where nothing was practised.
 * @param logs in any order
 */
export function lastFelt(logs: readonly PracticeLog[]): { readonly day: string; readonly words: string } | null {
  const [last] = logs.toSorted((a, b) => Date.parse(b.startedAt) - Date.parse(a.startedAt));
  if (last === undefined) return null;
  const { effort, pain, painWhere, painPlace, symptoms } = last;
  const where = painWhere || (painPlace ?? '');
  const felt = [
    effort === null ? 'effort not noted' : `effort ${effort} of 10 (${effortWords[Math.round(effort)]!})`,
    pain === null
      ? 'pain not asked'
      : pain === 0
        ? 'no pain'
        : `pain ${pain} of 10 (${painWords[Math.round(pain)]!})${where === '' ? '' : `, ${where}`}`,
    ...symptoms,
  ];
  return { day: last.day, words: felt.join(', ') };
}
