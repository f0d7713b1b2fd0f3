import type { Correction } from '../corrections/correction';
import type { Exercise } from '../library/exercise';
import type { ClassJournal } from '../practice/classJournal';
import { painKept, type BodySaid } from '../practice/endNotes';
import type { Journal } from '../practice/journal';
import { practisedOf, type PracticeLog } from '../practice/log';
import { timeline } from '../routine/timeline';
import { classLines, stoppedAt } from './classLines';
import { correctedIn, correctionOrder } from './correctionRound';
import type { Meeting } from './meeting';

/** What was asked at the end: one effort for all, and what is otherwise for one. */
export interface ClassAnswers {
  readonly effort: number | null;
  readonly note: string;
  readonly each: Readonly<Record<string, Partial<BodySaid & Pick<PracticeLog, 'effort' | 'note'>>>>;
}
export interface ClassRecords {
  readonly meeting: Meeting;
  readonly logs: readonly PracticeLog[];
  readonly corrections: readonly Correction[];
}

interface Times {
  readonly now: number;
  /** The local day of a moment, YYYY-MM-DD. */
  readonly dayOf: (moment: Date) => string;
  readonly newId: () => string;
}

/** For how long the practice ran while somebody was there, s. */
function practisedSeconds(journal: Journal, from: number, to: number): number {
  const line = timeline(journal.routine);
  const spent = (at: number): number =>
    stoppedAt(journal, line, at).records.reduce((sum, record) => sum + (record?.spentMs ?? 0), 0);
  return practisedOf(Math.max(0, spent(to) - spent(from)));
}

/**
 * Everything that is written when a class is over: the meeting, a log for each person who was there, and the corrections.
 * @param group of that journal
 */
export function classRecords(
  journal: Journal,
  group: ClassJournal,
  answers: ClassAnswers,
  shelf: ReadonlyMap<string, Pick<Exercise, 'name'>>,
  { now, dayOf, newId }: Times,
): ClassRecords {
  const begun = new Date(journal.events[0]?.at ?? journal.seenAt);
  const ended = Math.min(now, Math.max(journal.seenAt, ...journal.events.map(({ at }) => at)));
  const day = dayOf(begun);
  const here = group.people.filter(({ from }) => from !== null);
  const visited = [...correctedIn(group.visits)];
  const logs = here.map((person): PracticeLog => {
    const own = answers.each[person.studentId] ?? {};
    const from = Math.max(person.from!, begun.getTime());
    return {
      id: newId(),
      studentId: person.studentId,
      routineId: journal.routine.id,
      routineName: journal.routine.name,
      day,
      startedAt: new Date(from).toISOString(),
      enteredAt: new Date(now).toISOString(),
      practisedSeconds: practisedSeconds(journal, from, Math.min(ended, person.to ?? ended)),
      source: 'conducted',
      classId: group.classId,
      lines: classLines(journal, person, shelf, ended),
      effort: own.effort === undefined ? answers.effort : own.effort,
      ...painKept({ pain: own.pain ?? null, painPlace: own.painPlace ?? null, painWhere: own.painWhere ?? '' }),
      symptoms: own.symptoms ?? [],
      shook: own.shook ?? [],
      hands: own.hands ?? [],
      note: own.note?.trim() ?? '',
    };
  });
  const corrections = group.seen.map(({ studentId, checkpointId, region, safety, cue, helped }): Correction => ({
    id: newId(),
    studentId,
    day,
    checkpointId,
    region,
    safety,
    cue,
    helped,
    stillId: null,
  }));
  const reached = new Set([...visited, ...group.seen.map(({ studentId }) => studentId)]);
  return {
    meeting: {
      id: journal.id,
      classId: group.classId,
      day,
      startedAt: begun.toISOString(),
      practisedSeconds: practisedSeconds(journal, begun.getTime(), ended),
      routineName: journal.routine.name,
      lesson: group.lesson,
      present: here.map(({ studentId }) => studentId),
      corrected: [...reached],
      // Where nobody was corrected there was no round, and nobody has waited.
      waiting:
        reached.size === 0
          ? []
          : correctionOrder(here)
              .map(({ studentId }) => studentId)
              .filter((id) => !reached.has(id)),
      note: answers.note.trim(),
    },
    logs,
    corrections,
  };
}
