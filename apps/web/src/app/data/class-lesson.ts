import {
  chainLessons,
  chainOfClass,
  lessonRoutine,
  newRoutine,
  type Chain,
  type Exercise,
  type Lesson,
  type Routine,
  type School,
  type TaughtClass,
  type TaughtLesson,
} from '@pomek/core';

/** What a class practises next. */
export interface ClassLesson {
  /** As it is written; a lesson of a chain is one too. */
  readonly routine: Routine;
  readonly lesson: Lesson | null;
  readonly taught: TaughtLesson | null;
}

/** The routine of a class, or its next lesson with the routine as warm-up; null where it has neither. */
export function classLesson(
  of: TaughtClass,
  routines: readonly Routine[],
  chains: readonly Chain[],
  school: School,
  shelf: ReadonlyMap<string, Exercise>,
): ClassLesson | null {
  const routine = routines.find(({ id }) => id === of.routineId) ?? null;
  const chain = chains.find(({ id }) => id === of.chainId);
  const own = chain === undefined ? undefined : chainOfClass(chain, of);
  const [lesson] = own === undefined || own.pieces.length === 0 ? [] : chainLessons(own, 1);
  if (own === undefined || lesson === undefined)
    return routine === null ? null : { routine, lesson: null, taught: null };
  const empty = newRoutine(`${own.id.slice(0, 60)}-lesson`, own.name, school);
  return {
    routine: lessonRoutine(own, lesson, routine, empty, shelf),
    lesson,
    taught: { chainId: own.id, number: lesson.number, mode: lesson.mode, teaches: lesson.teaches?.name ?? null },
  };
}
