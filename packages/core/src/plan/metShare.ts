import type { LogLine, PracticeLog } from '../practice/log';
import type { Strand } from './plan';

const byAxis = (line: LogLine, strand: Pick<Strand, 'axis'>): number => {
  const key = strand.axis === 'time' ? 'seconds' : 'amount';
  const asked = line.asked[key];
  return asked === 0 ? 1 : Math.min(1, line.done[key] / asked);
};

/** The lines of a log that belong to a strand and asked for something. */
export function strandLines(log: PracticeLog, strand: Pick<Strand, 'segmentId'>): LogLine[] {
  return log.lines.filter((line) => line.segmentId === strand.segmentId && line.asked.amount > 0);
}

/** The smallest share of a round after which alignment was lost; 1 when it was kept. */
export function alignmentShare(log: PracticeLog, strand: Pick<Strand, 'segmentId'>): number {
  return Math.min(1, ...strandLines(log, strand).map((line) => line.alignmentKept ?? 1));
}

/**
 * How much of what was asked counts, 0–1: the least of all sides, and no further than to the first
 * loss of alignment, which ends the hold that counts (model §10). Null when the log has nothing of
 * the strand.
 */
export function metShare(log: PracticeLog, strand: Pick<Strand, 'segmentId' | 'axis'>): number | null {
  const lines = strandLines(log, strand);
  if (lines.length === 0) return null;
  return Math.min(alignmentShare(log, strand), ...lines.map((line) => byAxis(line, strand)));
}
