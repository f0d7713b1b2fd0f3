import { dayNumber } from '../days/dayNumber';
import { dailyLine } from '../library/variants';
import type { Routine } from '../routine/routine';
import { spokenExercise } from '../schools/spokenLine';
import type { Sheet } from './sheet';

/** What of a practice goes along into a day: one of its exercises that say so, another one each day; empty where none does. */
export function lineForTheDay(
  { segments }: Pick<Routine, 'segments'>,
  { exercises, school }: Pick<Sheet, 'exercises' | 'school'>,
  day: string,
): string {
  const done = new Set(segments.flatMap((part) => (part.type === 'exercise' ? [part.exerciseId] : [])));
  const lines = exercises
    .filter(({ id, daily }) => done.has(id) && daily !== '')
    .map((exercise) => dailyLine(spokenExercise(exercise, school, 'both')));
  return lines[dayNumber(day) % Math.max(1, lines.length)] ?? '';
}
