import { isInsteadOf } from '../care/caredRoutine';
import type { LogLine, PracticeLog } from '../practice/log';
import { dayNumber } from '../days/dayNumber';
import { lineShare } from '../practice/lineShare';
import type { Session } from './machine/strandState';
import { inPosture, isPostureAxis, type Axis } from '../axis/axis';
import type { Strand } from '../goals/plan';
import { doseOf, gridOf } from './steps';

type Rowed = Pick<Strand, 'segmentId' | 'axis' | 'rows' | 'insteadCounts'>;
type Row = Strand['rows'][number];

const sameRow = (one: Row, other: Row): boolean => one.side === other.side && one.direction === other.direction;

/**
 * The lines of a practice that belong to a strand and asked for something; those of another drill that was done instead where the teacher lets
 * it count.
 */
export function strandLines(
  log: Pick<PracticeLog, 'lines'>,
  { segmentId, insteadCounts }: Pick<Strand, 'segmentId'> & Partial<Pick<Strand, 'insteadCounts'>>,
): LogLine[] {
  const own = log.lines.filter((line) => line.segmentId === segmentId && line.asked.amount > 0);
  return own.length === 0 && insteadCounts === true ? insteadLines(log, segmentId) : own;
}

const insteadLines = (log: Pick<PracticeLog, 'lines'>, segmentId: string): LogLine[] =>
  log.lines.filter((line) => isInsteadOf(line.segmentId, segmentId) && line.asked.amount > 0);

/** Whether a practice has only another drill in place of a strand, for what is noted of the person. */
export const isInstead = (
  log: Pick<PracticeLog, 'lines'>,
  strand: Pick<Strand, 'segmentId' | 'insteadCounts'>,
): boolean => strandLines(log, strand).length === 0 && insteadLines(log, strand.segmentId).length > 0;

/** Whether a practice has anything of a strand, or of what was done instead of it. */
export const hasStrand = (log: Pick<PracticeLog, 'lines'>, { segmentId }: Pick<Strand, 'segmentId'>): boolean =>
  log.lines.some(
    (line) => (line.segmentId === segmentId || isInsteadOf(line.segmentId, segmentId)) && line.asked.amount > 0,
  );

/** The smallest share of a round after which alignment was lost; 1 when it was kept. */
export function alignmentShare(log: Pick<PracticeLog, 'lines'>, strand: Pick<Strand, 'segmentId'>): number {
  return Math.min(1, ...strandLines(log, strand).map((line) => line.alignmentKept ?? 1));
}

/** What of a line tells how much of it was met: repetitions of a hold are holds, all else of a hold is its time. */
const keyOf = ({ kind }: LogLine, { axis }: Pick<Strand, 'axis'>): 'seconds' | 'amount' =>
  kind === 'hold' && axis !== 'repetitions' ? 'seconds' : 'amount';

/**
 * How much of what was asked counts, 0–1: the least of all sides, none where one is missing, and no further than to
 * the first loss of alignment, which ends what counts (sources: Raising the load). Null when the practice has nothing of the strand.
 */
export function metShare(log: Pick<PracticeLog, 'lines'>, strand: Rowed): number | null {
  const lines = strandLines(log, strand);
  if (lines.length === 0) return null;
  if (missingRows(log, strand).length > 0) return 0;
  return Math.min(alignmentShare(log, strand), ...lines.map((line) => lineShare(line, keyOf(line, strand))));
}

/** Sides and directions of a strand that a practice has nothing of. */
export function missingRows(log: Pick<PracticeLog, 'lines'>, strand: Rowed): Row[] {
  const lines = strandLines(log, strand);
  // Another drill may have other sides.
  if (lines.some(({ segmentId }) => segmentId !== strand.segmentId)) return [];
  return strand.rows.filter((row) => !lines.some((line) => sameRow(row, line)));
}

/**
 * The dose a line asked for on an axis; Infinity where the line does not tell, as one written down afterwards: it is taken for
 * what the plan asked.
 */
function askedOnAxis(line: LogLine, axis: Axis, conducted: boolean): number {
  const { amount, seconds } = line.asked;
  if (isPostureAxis(axis)) {
    const { key, units } = inPosture[axis];
    const value = line.turned?.[key];
    return value == null ? Number.POSITIVE_INFINITY : value * units;
  }
  if (axis === 'time') return seconds / (line.kind === 'hold' ? Math.max(1, amount) : 1);
  if (axis === 'stay') return line.staySeconds ?? Number.POSITIVE_INFINITY;
  if (axis === 'pace') return conducted ? seconds / amount - (line.staySeconds ?? 0) : Number.POSITIVE_INFINITY;
  return amount;
}

/** The dose a practice asked of a strand, in the units of its axis; the least of all sides. */
export function askedDose(
  log: Pick<PracticeLog, 'lines' | 'source'>,
  strand: Pick<Strand, 'segmentId' | 'axis'>,
): number {
  const doses = strandLines(log, strand).map((line) => askedOnAxis(line, strand.axis, log.source === 'conducted'));
  return doses.length === 0 ? 0 : Math.min(...doses);
}

/** The effort that counts for a strand: that of its exercise where it was set apart, else that of the practice. */
export function strandEffort(
  log: Pick<PracticeLog, 'lines' | 'effort'>,
  strand: Pick<Strand, 'segmentId'>,
): number | null {
  const apart = strandLines(log, strand).map((line) => line.effort);
  const noted = apart.filter((effort) => effort !== null);
  return noted.length === 0 ? log.effort : Math.max(...noted);
}

/** Whether an easier posture is practised on a day. */
export const isEasierOn = ({ easier }: Pick<Strand, 'easier'>, day: string): boolean =>
  easier !== null && day >= easier.from && day <= easier.until;

const HARDLY = 1e-3;

/**
 * A practice as the machine sees it; null when it has nothing of the strand. Another drill done instead, and an easier posture for a while, keep
 * the strand from a gap, and are no test of it.
 * @param cap no more than this is asked, for what is noted of the person
 */
export function sessionOf(
  log: PracticeLog,
  strand: Rowed & Pick<Strand, 'level' | 'step' | 'start' | 'target' | 'easier'>,
  cap: number | null = null,
): Session | null {
  const share = metShare(log, strand);
  if (share === null)
    return isInstead(log, strand) ? { day: dayNumber(log.day), share: 1, kept: 1, effort: null, counts: false } : null;
  return {
    day: dayNumber(log.day),
    share,
    kept: alignmentShare(log, strand),
    effort: strandEffort(log, strand),
    counts:
      !isEasierOn(strand, log.day) &&
      askedDose(log, strand) >= Math.min(cap ?? Infinity, doseOf(strand.level, gridOf(strand))) - HARDLY,
  };
}

/**
 * The strand with the sides its practices ever asked for, where it was made without: so that a practice of one side
 * alone is known for what it is.
 */
export function withRows(strand: Strand, logs: readonly Pick<PracticeLog, 'lines'>[]): Strand {
  if (strand.rows.length > 0) return strand;
  const rows: Row[] = [];
  for (const { side, direction } of logs.flatMap((log) => strandLines(log, strand))) {
    if (!rows.some((row) => sameRow(row, { side, direction }))) rows.push({ side, direction });
  }
  return { ...strand, rows };
}
