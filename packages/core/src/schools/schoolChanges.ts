import { durationWords } from '../words/durationWords';
import { schoolQuestions } from './schoolQuestions';
import type { School } from './school';

/** One thing that two schools do otherwise. */
export interface SchoolChange {
  /** What it is about: `Toes in the neutral stance`. */
  readonly question: string;
  readonly from: string;
  readonly to: string;
  /** What the new side of it means; empty for a number. */
  readonly sentence: string;
}

const numbers: readonly { readonly question: string; readonly words: (school: School) => string }[] = [
  { question: 'Time to get ready', words: ({ settleSeconds }) => durationWords(settleSeconds) },
  { question: 'Time to change sides', words: ({ changeSeconds }) => durationWords(changeSeconds) },
  {
    question: 'Repetitions',
    words: ({ countsOf }) => (countsOf === 1 ? 'any number' : `multiples of ${countsOf}`),
  },
  {
    question: 'Unequal sides',
    words: ({ sidesEqual }) => (sidesEqual ? 'pointed out' : 'left alone'),
  },
];

/** What becomes otherwise where one school takes the place of another, in the order of its questions, then the numbers. */
export function schoolChanges(from: School, to: School): SchoolChange[] {
  const asked = schoolQuestions.flatMap(({ key, question, sides }): SchoolChange[] => {
    const [before, after] = [from, to].map((school) => sides.find(({ value }) => value === school[key]));
    if (before === undefined || after === undefined || before === after) return [];
    return [{ question, from: before.label, to: after.label, sentence: after.sentence }];
  });
  const counted = numbers.flatMap(({ question, words }): SchoolChange[] =>
    words(from) === words(to) ? [] : [{ question, from: words(from), to: words(to), sentence: '' }],
  );
  return [...asked, ...counted];
}
