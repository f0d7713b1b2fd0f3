import { format, parseISO } from 'date-fns';
import type { Strand } from '../../goals/plan';
import type { PracticeLog } from '../../practice/log';
import { percent } from '../../words/percent';
import { metShare } from '../strandSessions';

/** So many practices on a weekday speak for it, and so large a difference is worth a word. House values. */
const ENOUGH = 3;
const DIFFERENCE = 0.1;
/** Practices that are looked at, the latest. */
const LATEST = 24;

const mean = (list: readonly number[]): number => list.reduce((sum, value) => sum + value, 0) / list.length;

/** Which weekday goes best and which worst, where they differ by a tenth; nothing otherwise. */
export function weekdayWords(strand: Strand, logs: readonly PracticeLog[]): string[] {
  const shares = new Map<string, number[]>();
  const own = logs.flatMap((log) => {
    const share = metShare(log, strand);
    return share === null ? [] : [{ weekday: format(parseISO(log.day), 'EEEE'), share }];
  });
  for (const { weekday, share } of own.slice(-LATEST)) shares.set(weekday, [...(shares.get(weekday) ?? []), share]);
  const means = [...shares]
    .filter(([, list]) => list.length >= ENOUGH)
    .map(([weekday, list]) => ({ weekday, share: mean(list) }))
    .toSorted((a, b) => b.share - a.share);
  const [best, worst] = [means[0], means.at(-1)];
  if (best === undefined || worst === undefined || best.share - worst.share < DIFFERENCE) return [];
  return [
    `On ${best.weekday} ${percent(best.share)} of the dose was done on average, on ${worst.weekday} ${percent(worst.share)}: other days may suit it better.`,
  ];
}
