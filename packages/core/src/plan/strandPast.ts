import type { PracticeLog } from '../practice/log';
import { dayNumber } from '../days/dayNumber';
import { MET } from './machine/strandState';
import type { Strand } from '../goals/plan';
import { inOrder } from '../person/practicesThatTell';
import { askedDose, metShare, strandLines } from './strandSessions';

/** A practice of a strand among its weeks. */
export interface PastSession {
  /** Week of the plan with the share of it that is gone, from 0. */
  readonly week: number;
  readonly asked: number;
  /** How much of it counts, in the units of the axis. */
  readonly dose: number;
  readonly met: boolean;
}
/** A past week of a strand. */
export interface PastWeek {
  readonly week: number;
  /** What its last practice asked for; without one as the week before. */
  readonly dose: number;
  readonly kind: 'past' | 'nothing';
}

/**
 * The past of a strand: the dose that was asked week by week, and what counts of each practice, by the rule of the verdicts. A
 * practice that does not tell what it asked for is taken for the dose before it.
 * @param startsOn first day of the plan, YYYY-MM-DD
 * @param now the present week
 */
export function strandPast(
  strand: Pick<Strand, 'segmentId' | 'axis' | 'rows' | 'start' | 'insteadCounts'>,
  startsOn: string,
  logs: readonly PracticeLog[],
  now: number,
): { readonly weeks: readonly PastWeek[]; readonly done: readonly PastSession[] } {
  let before = strand.start;
  const done = inOrder(logs)
    .filter((log) => strandLines(log, strand).length > 0)
    .map((log): PastSession => {
      const told = askedDose(log, strand);
      before = Number.isFinite(told) ? told : before;
      const share = metShare(log, strand) ?? 0;
      // Noon of its day.
      const week = (dayNumber(log.day) + 0.5 - dayNumber(startsOn)) / 7;
      return { week, asked: before, dose: before * share, met: share >= MET };
    });
  const weeks: PastWeek[] = [];
  let dose = strand.start;
  for (let week = 0; week < now; week += 1) {
    const own = done.filter((one) => Math.floor(one.week) === week);
    dose = own.at(-1)?.asked ?? dose;
    weeks.push({ week, dose, kind: own.length === 0 ? 'nothing' : 'past' });
  }
  return { weeks, done: done.filter(({ week }) => week >= 0) };
}
