import type { TaughtLesson } from '../practice/classJournal';
import type { Chain } from '../chain/chain';
import type { Meeting } from './meeting';
import type { TaughtClass } from './taughtClass';

/** The chain as one class stands in it. */
export const chainOfClass = (chain: Chain, { progress }: Pick<TaughtClass, 'progress'>): Chain => ({
  ...chain,
  ...progress,
});

export interface TermRow {
  readonly meeting: Meeting;
  readonly lesson: TaughtLesson | null;
  /** Of those who belong to the class now, who was not there. */
  readonly missed: readonly string[];
}

/** What was held, the latest first, and who of the class missed it. */
export const termOf = (meetings: readonly Meeting[], roster: readonly string[]): TermRow[] =>
  meetings
    .toSorted((a, b) => b.startedAt.localeCompare(a.startedAt))
    .map((meeting) => ({
      meeting,
      lesson: meeting.lesson,
      missed: roster.filter((id) => !meeting.present.includes(id)),
    }));

/** New pieces that somebody was not there for, and has not seen taught since, the oldest first. */
export function piecesMissed(meetings: readonly Meeting[], studentId: string): string[] {
  const inOrder = meetings.toSorted((a, b) => a.startedAt.localeCompare(b.startedAt));
  const missed = new Set<string>();
  for (const { lesson, present } of inOrder) {
    if (lesson?.teaches == null) continue;
    if (present.includes(studentId)) missed.delete(lesson.teaches);
    else missed.add(lesson.teaches);
  }
  return [...missed];
}
