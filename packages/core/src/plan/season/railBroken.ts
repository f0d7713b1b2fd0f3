import type { Rail, SeasonRails } from './seasonProblem';

const TINY = 1e-9;

/** What a week would come to with one more strand risen. */
export interface RisenWeek {
  /** Strands of its family that have risen in the week, it included. */
  readonly ofFamily: number;
  /** The most that have risen of one segment. */
  readonly ofSegment: number;
  /** Nothing else has risen in the week, and it could not come with less: it opens, or goes up by a whole rung. */
  readonly noLessAlone: boolean;
  /** Load with which the week began, and with what has risen. */
  readonly loadBefore: number;
  readonly load: number;
  readonly minutes: number;
}

/**
 * The rail of the whole plan that a rise would break; null when none is in the way. The planner asks it for sets of strands, a
 * season that is played for one after another.
 */
export function railBroken(rails: SeasonRails, week: RisenWeek): Rail | null {
  if (week.ofSegment > 1) return 'axis';
  if (week.ofFamily > rails.raisesPerFamily) return 'family';
  // What cannot come with less may come alone in its week, or it might have to wait for ever.
  const cap = (1 + rails.loadGrowth) * Math.max(rails.usualLoad, week.loadBefore);
  if (!week.noLessAlone && week.load > cap * (1 + TINY)) return 'load';
  return rails.sessionMinutes !== null && week.minutes > rails.sessionMinutes + 1e-6 ? 'minutes' : null;
}
