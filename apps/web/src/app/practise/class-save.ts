import {
  chainOfClass,
  classRecords,
  lessonHeld,
  type Chain,
  type ClassAnswers,
  type Exercise,
  type Journal,
  type Student,
  type TaughtClass,
} from '@pomek/core';
import type { Write } from '../data/store';

interface Known {
  readonly shelf: ReadonlyMap<string, Pick<Exercise, 'name'>>;
  readonly students: readonly Student[];
  readonly classes: readonly TaughtClass[];
  readonly chains: readonly Chain[];
}

/** A class after a lesson was held: it goes on from there, where that lesson was the next. */
function goneOn(of: TaughtClass, chain: Chain, { number, mode, teaches }: NonNullable<Lesson>): TaughtClass {
  const before = chainOfClass(chain, of);
  if (before.nextLesson !== number) return of;
  const { nextLesson, taught, lastHalf, joinedLast } = lessonHeld(before, { mode, teaches });
  return { ...of, progress: { nextLesson, taught, lastHalf, joinedLast } };
}
type Lesson = NonNullable<Journal['group']>['lesson'];

/**
 * All that is written when a class is over, as one step: its meeting, a log and the corrections of each who was there, and where
 * it is in its chain. Who or what was removed meanwhile is passed over.
 */
export function classWrites(
  journal: Journal,
  answers: ClassAnswers,
  { shelf, students, classes, chains }: Known,
  times: Parameters<typeof classRecords>[4],
): Write[] {
  const { group } = journal;
  if (group === null) return [];
  const { meeting, logs, corrections } = classRecords(journal, group, answers, shelf, times);
  const known = new Set(students.map(({ id }) => id));
  const isKnown = ({ studentId }: { readonly studentId: string }): boolean => known.has(studentId);
  const { lesson } = group;
  const of = classes.find(({ id }) => id === group.classId);
  const chain = chains.find(({ id }) => id === lesson?.chainId);
  const progress: Write[] =
    lesson === null || of === undefined || chain === undefined
      ? []
      : [{ table: 'classes', id: of.id, change: (stored) => goneOn(stored, chain, lesson) }];
  return [
    ...(of === undefined ? [] : [{ table: 'meetings' as const, add: meeting }]),
    ...logs.filter(isKnown).map((log): Write => ({ table: 'logs', add: log })),
    ...corrections.filter(isKnown).map((correction): Write => ({ table: 'corrections', add: correction })),
    ...progress,
  ];
}
