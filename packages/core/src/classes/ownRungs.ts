import { changedWords, insteadOf, isInsteadOf } from '../care/caredRoutine';
import type { PersonRecord } from '../person/personRecord';
import { goalsOf, lockedSegments } from '../plan/lockedSegments';
import { practisedRoutine } from '../plan/practisedRoutine';
import type { OwnRung } from '../practice/classJournal';
import type { ExerciseSegment, Routine } from '../routine/routine';

/**
 * What a student does in each exercise of a class's routine: the dose and posture of the goals there are, in this routine or
 * for the same exercise in another, else what the body allows; with what is noted of the student taken care of.
 */
export function ownRungs(routine: Routine, person: PersonRecord): OwnRung[] {
  const exercisesOf = routine.segments.filter((segment) => segment.type === 'exercise');
  const goalOf = (segment: ExerciseSegment): string | null =>
    goalsOf(segment, routine.id, person.plans)[0]?.strand.segmentId ?? null;
  const own = practisedRoutine(routine, person);
  const locked = lockedSegments(routine, person);
  const out = new Map(
    exercisesOf.flatMap((segment): [string, string][] => {
      const sign = locked.get(segment.id);
      if (sign !== undefined) return [[segment.id, `stopped until it is cleared. ${sign}`]];
      return own.closed.has(segment.id) ? [[segment.id, 'not opened yet']] : [];
    }),
  );
  return exercisesOf.map((segment): OwnRung => {
    const isMine = ({ id }: { readonly id: string }): boolean => id === segment.id || isInsteadOf(id, segment.id);
    const changed = own.changed.filter((entry) => isMine(entry.segment));
    const mine = own.routine.segments.find(
      (entry): entry is ExerciseSegment => entry.type === 'exercise' && isMine(entry),
    );
    return {
      segmentId: segment.id,
      own: mine ?? null,
      countsFor: countedFor(mine, segment, goalOf(segment)),
      because: (out.get(segment.id) ?? changed.map(changedWords).join(' ')).slice(0, 400),
    };
  });
}

/** For which goal it is written down; another drill stands beside it, and counts only where the teacher lets it. */
function countedFor(mine: ExerciseSegment | undefined, segment: ExerciseSegment, goal: string | null): string | null {
  if (mine === undefined || goal === null) return null;
  return mine.exerciseId === segment.exerciseId ? goal : insteadOf(goal);
}
