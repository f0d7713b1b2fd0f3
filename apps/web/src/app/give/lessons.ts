import {
  chainLessons,
  chainPath,
  chainPlayedWords,
  lessonForHome,
  lessonJustHeld,
  lessonRoutine,
  newRoutine,
  type Chain,
  type Exercise,
  type Lesson,
  type Meeting,
  type School,
} from '@pomek/core';
import type { Practised } from './gift';

/** A lesson as it is practised at home: what one can do of it without the teacher. */
function forHome(
  chain: Chain,
  lesson: Lesson,
  what: string,
  school: School,
  shelf: ReadonlyMap<string, Exercise>,
): Practised {
  const home = { ...chain, frameSeconds: 0 };
  const routine = lessonRoutine(home, lessonForHome(lesson), null, newRoutine('lesson', chain.name, school), shelf);
  const teaches = lesson.teaches?.name;
  // What is played through: its way over the floor.
  const played = lesson.parts.find(({ kind }) => kind === 'whole')?.pieces ?? [];
  const path = chainPath({ ...chain, pieces: [...played] }, shelf);
  const note = [
    teaches === undefined ? 'Nothing new: play what is learned.' : `New in it: ${teaches}.`,
    path.end.kind === 'stays' ? '' : chainPlayedWords(path, chain.stepMetres),
  ]
    .join(' ')
    .trim();
  return {
    id: routine.id,
    name: `${what}, lesson ${lesson.number}${teaches === undefined ? '' : `: ${teaches}`}`,
    routine: { ...routine, note },
    floor: { path },
  };
}

/**
 * What can be given of a chain: the lesson that was just held, and the next one.
 * @param last what was held last in a class, where it is known
 */
export function lessonsOf(
  chain: Chain,
  school: School,
  shelf: ReadonlyMap<string, Exercise>,
  last?: Meeting['lesson'],
): Practised[] {
  if (chain.pieces.length === 0) return [];
  const held = lessonJustHeld(chain, last ?? undefined);
  const [next] = chainLessons(chain, 1);
  return [
    ...(held === null ? [] : [forHome(chain, held, 'Just held', school, shelf)]),
    ...(next === undefined ? [] : [forHome(chain, next, 'The next one', school, shelf)]),
  ];
}
