import type { LogLine, PracticeLog } from '../practice/log';
import { groupBy } from '../words/groupBy';

/** What came together on one side and in one direction. */
export interface SideTotal {
  readonly side: LogLine['side'];
  readonly direction: LogLine['direction'];
  /** Repetitions or breaths; whole holds and their parts. */
  readonly amount: number;
  readonly seconds: number;
}

/** All that was ever done of one exercise (common practice: the opening, hundreds of times). */
export interface DrillTotal {
  readonly exerciseId: string;
  readonly exerciseName: string;
  readonly kind: LogLine['kind'];
  readonly practices: number;
  readonly firstDay: string;
  readonly amount: number;
  readonly seconds: number;
  /** By side and direction, in the order they first came. */
  readonly sides: readonly SideTotal[];
}

const sum = (lines: readonly LogLine[], of: (line: LogLine) => number): number =>
  lines.reduce((total, line) => total + of(line), 0);

/**
 * What was done of each exercise over all practices, the most time first. What is dosed in several ways is counted apart: holds
 * are not added to repetitions.
 */
export function drillTotals(logs: readonly PracticeLog[]): DrillTotal[] {
  const done = logs.flatMap((log) =>
    log.lines.filter((line) => line.done.seconds > 0 || line.done.amount > 0).map((line) => ({ log, line })),
  );
  const groups = groupBy(done, ({ line }) => `${line.exerciseId} ${line.kind}`);
  return [...groups.values()]
    .map((entries): DrillTotal => {
      const lines = entries.map(({ line }) => line);
      const { exerciseId, exerciseName, kind } = lines.at(-1)!;
      const sides = [...groupBy(lines, ({ side, direction }) => `${side} ${direction}`).values()];
      return {
        exerciseId,
        exerciseName,
        kind,
        practices: new Set(entries.map(({ log }) => log.id)).size,
        firstDay: entries.reduce((first, { log }) => (log.day < first ? log.day : first), entries[0]!.log.day),
        amount: sum(lines, ({ done }) => done.amount),
        seconds: sum(lines, ({ done }) => done.seconds),
        sides: sides.map((own) => ({
          side: own[0]!.side,
          direction: own[0]!.direction,
          amount: sum(own, ({ done }) => done.amount),
          seconds: sum(own, ({ done }) => done.seconds),
        })),
      };
    })
    .toSorted((a, b) => b.seconds - a.seconds);
}
