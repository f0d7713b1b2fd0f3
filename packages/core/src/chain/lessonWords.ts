import { counted } from '../words/counted';
import { durationWords } from '../words/durationWords';
import type { LessonPart, LessonPartKind } from './lessons';

/** What is done in a part of a lesson, as it is called in the hall. */
export const lessonPartWords: Readonly<Record<LessonPartKind, string>> = {
  review: 'Repeat',
  explain: 'Explain',
  legs: 'Legs',
  'hands facing': 'Hands, facing them',
  'hands from behind': 'Hands, your back to them',
  joined: 'Joined',
  whole: 'The whole',
  'other side': 'To the other side',
};

/** A part of a lesson in one line: `Legs: Part the reeds, 3 times (1:45 min)`. */
export function lessonStepWords({ kind, pieces, times, seconds }: LessonPart): string {
  const what =
    kind === 'review' || kind === 'whole' || kind === 'other side'
      ? counted(pieces.length, 'piece')
      : (pieces[0]?.name ?? '');
  const often = times > 1 ? `, ${times} times` : '';
  return `${lessonPartWords[kind]}: ${what}${often} (${durationWords(seconds)})`;
}
