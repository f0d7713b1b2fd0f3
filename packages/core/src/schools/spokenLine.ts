import type { Exercise, Phase } from '../library/exercise';
import { upperFirst } from '../words/firstLetter';
import { catalogued } from '../alignment/checkpoints';
import { spokenCheckpoint } from './spokenCheckpoint';
import type { School } from './school';

/** The side on which a drill is done; `both` is told as if the right one were working. */
export type SpokenSide = 'left' | 'right' | 'both';

const presses: Readonly<Record<School['pressure'], string>> = {
  'whole sole': 'the whole sole',
  centre: 'the middle of the foot',
  ball: 'the ball of the foot, heel down',
  heel: 'the heel, toes alive',
};
const gazes: Readonly<Record<School['eyes'], string>> = {
  level: 'look level and soft',
  following: 'let the eyes go with the hand',
  closed: 'let the lids fall once you know the way',
};

/** The words that may stand in braces. */
export const spokenWords = [
  'working',
  'other',
  'most',
  'belly in',
  'belly out',
  'pelvis',
  'press',
  'eyes',
  'height',
  'leads',
] as const;

/** What a word in braces stands for in a school and on a side. */
function word(token: string, school: School, side: SpokenSide): string | null {
  const [working, other] = side === 'left' ? ['left', 'right'] : ['right', 'left'];
  const reversedBelly = school.belly === 'reversed';
  switch (token) {
    case 'working':
      return working;
    case 'other':
      return other;
    case 'most':
      return school.fullShift === 'all' ? 'all the weight' : 'seven tenths of the weight';
    case 'belly in':
      return reversedBelly ? 'the belly draws in' : 'the belly widens';
    case 'belly out':
      return reversedBelly ? 'the belly widens' : 'the belly sinks back';
    case 'pelvis':
      return school.pelvis === 'tucked' ? 'draw the tailbone a little under' : 'let the pelvis hang';
    case 'press':
      return presses[school.pressure];
    case 'eyes':
      return gazes[school.eyes];
    case 'height':
      return school.height === 'level' ? 'keep one height' : 'rise with the breath in, sink with the breath out';
    case 'leads':
      return school.movedBy === 'feet' ? 'the foot pushes' : 'the waist leads';
    default:
      return null;
  }
}

/**
 * A line as it is said in a school and on a side: words in braces are put in, as `{working}` hand or `{pelvis}`. What is not
 * known stays as it is written.
 * @example spokenLine('Shift {most} to the {working} leg.', softSchool, 'left') // 'Shift seven tenths of the weight to the left leg.'
 */
export const spokenLine = (text: string, school: School, side: SpokenSide): string =>
  text.replace(/\{([a-z ]+)\}/gi, (whole, token: string, at: number) => {
    const said = word(token.toLowerCase(), school, side);
    if (said === null) return whole;
    const begins = at === 0 || /[.!?:] $/.test(text.slice(0, at)) || token !== token.toLowerCase();
    return begins ? upperFirst(said) : said;
  });

/** An exercise with all its words as they are said in a school and on a side. */
export function spokenExercise(exercise: Exercise, school: School, side: SpokenSide): Exercise {
  const say = (text: string): string => spokenLine(text, school, side);
  const all = (lines: readonly string[]): string[] => lines.map(say);
  const { signs } = exercise;
  return {
    ...exercise,
    summary: say(exercise.summary),
    wayIn: all(exercise.wayIn),
    phases: exercise.phases.map((part): Phase => ({ ...part, name: say(part.name), reversed: say(part.reversed) })),
    stages: exercise.stages.map(({ name, words }) => ({ name: say(name), words: say(words) })),
    signs: { begin: all(signs.begin), right: all(signs.right), enough: all(signs.enough), stop: all(signs.stop) },
    attention: all(exercise.attention),
    quick: say(exercise.quick),
    long: say(exercise.long),
    easier: all(exercise.easier),
    harder: all(exercise.harder),
    cautions: all(exercise.cautions),
    checkpoints: exercise.checkpoints.map((point) => {
      const { wanted, test, faults, cue, ...rest } = spokenCheckpoint(point, catalogued(point.id), school);
      return { ...rest, wanted: say(wanted), test: say(test), faults: say(faults), cue: say(cue) };
    }),
  };
}
