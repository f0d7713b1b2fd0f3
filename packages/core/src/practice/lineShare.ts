import { ALL_DONE } from './allDone';
import type { LogLine } from './log';

/**
 * What one side did of what it was asked, 0–1: of a range, from its lower end on all; by feel, whatever was done. What asked
 * for nothing has met nothing.
 */
export function lineShare({ asked, done, enough }: LogLine, key: 'seconds' | 'amount'): number {
  const wanted = (enough ?? asked)[key];
  if (wanted === 0) return enough !== null && done[key] > 0 ? 1 : 0;
  return Math.min(1, done[key] / wanted);
}

/** Whether all that was asked of a line was done, of a range as far as its lower end. */
export const isLineMet = (line: LogLine): boolean =>
  lineShare(line, line.kind === 'hold' ? 'seconds' : 'amount') >= ALL_DONE;
