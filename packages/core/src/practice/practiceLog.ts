import type { Exercise } from '../library/exercise';
import type { Timeline } from '../routine/timeline';
import type { ConductState } from './conduct';
import { painKept, type EndNotes } from './endNotes';
import type { Journal } from './journal';
import { isLineMet } from './lineShare';
import { practisedOf, type LogLine, type PracticeLog } from './log';
import { logLines } from './logLines';

/** Of holds: what fell short, or lost its alignment; whoever was there may say what gave out. */
export const fellShort = (line: LogLine): boolean =>
  line.kind === 'hold' && (line.alignmentKept !== null || !isLineMet(line));

/**
 * The log of a conducted practice from its journal and what was answered at its end; null where no student was chosen.
 * @param dayOf the local day of a moment, YYYY-MM-DD
 */
export function practiceLog(
  journal: Journal,
  line: Timeline,
  state: ConductState,
  exercises: ReadonlyMap<string, Pick<Exercise, 'name'>>,
  { apart, gaveOut, felt, effort, symptoms, shook, hands, note, ...pain }: EndNotes,
  now: Date,
  dayOf: (moment: Date) => string,
): PracticeLog | null {
  if (journal.studentId === null) return null;
  const startedAt = new Date(journal.events[0]?.at ?? journal.seenAt);
  const said = new Map(gaveOut.map(({ segmentId, by }) => [segmentId, by]));
  const feltBy = new Map(felt.map(({ segmentId, level }) => [segmentId, level]));
  const lines = logLines(journal.routine, line, state, exercises).map((entry): LogLine => ({
    ...entry,
    effort: entry.segmentId === apart?.segmentId ? apart.effort : entry.effort,
    firmness: entry.firmness === null ? null : { ...entry.firmness, felt: feltBy.get(entry.segmentId) ?? null },
    gaveOut: fellShort(entry) ? (said.get(entry.segmentId) ?? null) : null,
  }));
  return {
    id: journal.id,
    studentId: journal.studentId,
    routineId: journal.routine.id,
    routineName: journal.routine.name,
    day: dayOf(startedAt),
    startedAt: startedAt.toISOString(),
    enteredAt: now.toISOString(),
    practisedSeconds: practisedOf(state.records.reduce((sum, record) => sum + (record?.spentMs ?? 0), 0)),
    source: 'conducted',
    classId: null,
    lines,
    effort,
    ...painKept(pain),
    symptoms,
    shook,
    hands,
    note: note.trim(),
  };
}
