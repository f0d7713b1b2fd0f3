import {
  equalEffort,
  FINGER,
  holdWords,
  KNEE_SEEN,
  kneeWords,
  limitWords,
  postureAnswers,
  roughWords,
  strengthWords,
  type PostureAnswers,
  type SettledPosture,
} from '@pomek/core';
import type { Person } from '../data/person-choice';

/** One answer to a posture: the question, the answer, and how much it matters. */
export interface AnswerRow {
  readonly question: string;
  readonly answer: string;
  readonly note: string;
  readonly grade: 'fine' | 'doubt' | 'danger';
  /** It is tinted on the figure. */
  readonly tinted?: boolean;
}

const cm = (metres: number): string => `${Math.round(metres * 100)} cm`;
const degrees = (value: number): string => `${Math.round(value)}°`;

/** What is asked of a posture on one body, or null when the posture cannot be reckoned. */
export const answersFor = (person: Person, posture: SettledPosture): PostureAnswers =>
  postureAnswers(person.body, posture, person.capacity, person.ankleRangeDeg);

function depthRow(answers: PostureAnswers, posture: SettledPosture): AnswerRow {
  const { balanceLimitDeg: limit, headDrop } = answers;
  const beyond = limit !== null && posture.kneeBendDeg > limit;
  const mark = `Mark on the door frame: ${Math.round(headDrop * 1000) / 10} cm below standing straight.`;
  const until = limit === null ? '' : ` Balance holds to about ${degrees(limit)}.`;
  return {
    question: 'How low',
    answer: beyond ? 'Beyond balance: the heel would lift' : mark,
    note: beyond ? `${mark}${until}` : until.trim(),
    grade: beyond ? 'danger' : 'fine',
  };
}

function kneeRow(answers: PostureAnswers, strict: boolean): AnswerRow {
  const { kneePastToes: past, toeLineBendDeg: line } = answers;
  const near = strict && past <= KNEE_SEEN && past > -FINGER;
  return {
    question: 'Knee and toes',
    answer: kneeWords(past),
    note: line === null ? 'It never reaches the toe line.' : `It meets the toe line at a bend of ${degrees(line)}.`,
    grade: past > KNEE_SEEN ? 'danger' : near ? 'doubt' : 'fine',
  };
}

function limitRow(answers: PostureAnswers, person: Person): AnswerRow {
  const others = (['legs', 'arms', 'back'] as const)
    .filter((by) => by !== answers.limitedBy && !(by === 'back' && answers.back.unlimited))
    .map((by) => `${by[0]!.toUpperCase()}${by.slice(1)}: ${holdWords(answers[by])}.`)
    .join(' ');
  // Calf, hip and back are reckoned from the legs as a whole.
  const from = strengthWords(person.capacity[answers.limitedBy === 'arms' ? 'arms' : 'legs']);
  return {
    question: 'What gives out first',
    answer: limitWords(answers),
    note: `${others} ${from}`,
    grade: 'fine',
    tinted: !answers[answers.limitedBy].unlimited,
  };
}

function stepRow(answers: PostureAnswers): AnswerRow {
  const long = answers.stepTooLong > 0.02;
  return {
    question: 'Step',
    answer: `The free foot may land ${cm(answers.retractableStep)} ahead of its hip, or ${cm(answers.sideStep)} to the side from foot to foot, and still be taken back without a push`,
    note: long ? `This step is too long for the rear leg by ${cm(answers.stepTooLong)}: shorten it or come down.` : '',
    grade: long ? 'doubt' : 'fine',
  };
}

/**
 * The same effort in another posture: what two minutes as the exercise has it come to here.
 * @param asked s
 */
function exchangeRow(
  person: Person,
  from: SettledPosture,
  to: SettledPosture,
  { limitedBy }: PostureAnswers,
  asked: number,
): AnswerRow | null {
  const range = equalEffort(person.body, person.capacity, limitedBy, from, asked, to);
  if (Math.abs(range.seconds - asked) / asked < 0.02) return null;
  return {
    question: 'The same effort',
    answer: `${roughWords(asked)} as the exercise has it are ${roughWords(range.seconds)} here`,
    note: `From ${roughWords(range.least)} to ${roughWords(range.most)} if the bend is read five degrees wrong; begin a little under it.`,
    grade: 'fine',
  };
}

/** Everything a teacher asks of a posture, in order of what can hurt. */
export function answerRows(
  person: Person,
  original: SettledPosture,
  posture: SettledPosture,
  answers: PostureAnswers,
  asked: number,
  strict: boolean,
): AnswerRow[] {
  const limit = limitRow(answers, person);
  if (posture.seated) return [limit];
  const exchange = original.seated ? null : exchangeRow(person, original, posture, answers, asked);
  return [
    kneeRow(answers, strict),
    limit,
    ...(exchange === null ? [] : [exchange]),
    depthRow(answers, posture),
    stepRow(answers),
  ];
}
