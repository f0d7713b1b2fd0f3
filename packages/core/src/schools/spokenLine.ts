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
  ahead: 'let the eyes stay ahead while the body turns',
  up: 'look level; let the eyes go up when the hands do',
  following: 'let the eyes go with the hand',
  closed: 'let the lids fall once you know the way',
};

const pelves: Readonly<Record<School['pelvis'], string>> = {
  hanging: 'let the pelvis hang',
  tucked: 'draw the tailbone a little under',
  forward: 'send the pelvis a little forward',
};
const turners: Readonly<Record<School['turns'], string>> = {
  pelvis: 'the pelvis',
  waist: 'the waist',
  whole: 'the whole body',
};
const widths: Readonly<Record<School['width'], string>> = {
  together: 'with the heels together',
  fist: 'with a fist between the heels',
  hip: 'at hip width',
  shoulder: 'at shoulder width',
  wider: 'a little wider than the shoulders',
};
const toes: Readonly<Record<School['toes'], string>> = {
  parallel: 'toes straight ahead',
  'slightly out': 'toes a little out',
  wide: 'toes out 45°',
};
const shins: Readonly<Record<School['shins'], string>> = {
  'toe line': 'the knees stay behind the toes',
  plumb: 'the shins lean as little as balance lets them',
  arched: 'the knees go a little out, an arch from foot to foot',
};
const noses: Readonly<Record<School['breathWay'], string>> = {
  nose: 'breathe in and out by the nose, tongue at the palate',
  'mouth out': 'breathe in by the nose, out by soft lips',
  'not named': 'breathe as you breathe',
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
  'loading',
  'emptying',
  'back most',
  'turner',
  'shift and turn',
  'rising hand',
  'width',
  'rear heel',
  'shins',
  'arms',
  'legs',
  'rise',
  'pace',
  'muscles',
  'nose',
  'shaking',
  'four parts',
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
      return pelves[school.pelvis];
    case 'press':
      return presses[school.pressure];
    case 'eyes':
      return gazes[school.eyes];
    case 'loading':
      return school.risingHand === 'loading' ? working : other;
    case 'emptying':
      return school.risingHand === 'loading' ? other : working;
    case 'back most':
      return school.fullShift === 'all' || school.farEnds === 'all behind'
        ? 'all the weight'
        : 'seven tenths of the weight';
    case 'turner':
      return turners[school.turns];
    case 'shift and turn':
      return school.shiftTurn === 'together' ? 'shift and turn together, arriving at once' : 'shift first, then turn';
    case 'rising hand':
      return `the hand on the side that ${school.risingHand === 'loading' ? 'loads' : 'empties'}`;
    case 'width':
      return `${widths[school.width]}, ${toes[school.toes]}`;
    case 'rear heel':
      return school.rearHeel === 'down' ? 'the rear heel stays down' : 'the rear heel may come up at the end';
    case 'shins':
      return shins[school.shins];
    case 'arms':
      return school.arms === 'bent' ? 'the elbows keep their bend' : 'the arms may straighten at the end';
    case 'legs':
      return school.legs === 'bent' ? 'the knees keep a little bend' : 'the legs may straighten at the top';
    case 'rise':
      return school.rise === 'wave' ? 'one joint after the other, from the inside out' : 'all of it at once';
    case 'pace':
      return school.pace === 'brisk' ? 'briskly, until you are warm' : 'slowly, so that you feel each joint';
    case 'muscles':
      return school.muscles === 'let go' ? 'let go of every muscle you do not need' : 'draw the joints gently open';
    case 'nose':
      return noses[school.breathWay];
    case 'four parts':
      return school.pauses === 'none'
        ? 'in and out, still only where a pause comes by itself'
        : 'in, still, out, still';
    case 'shaking':
      return school.fatigueRule === 'ease'
        ? 'the thighs shake and the shaking climbs'
        : 'the thighs shake so that the bend cannot be kept';
    case 'height':
      return school.height === 'level' ? 'keep one height' : 'rise with the breath in, sink with the breath out';
    case 'leads':
      return school.movedBy === 'feet' ? 'the foot pushes' : 'the waist leads';
    default:
      return null;
  }
}

/** Corners by the compass, ahead being north. */
const compass: Readonly<Record<string, string>> = { right: 'north-east', left: 'north-west' };
const AHEAD_IS_NORTH = 'Call the wall ahead north: corners are named from there.';

/** Corners as the school calls them. */
const cornersCalled = (text: string, { corners }: School): string =>
  corners === 'by side'
    ? text
    : text.replace(/\b(right|left) corner\b/g, (_, which: string) => `${compass[which]} corner`);

/** The way in, and before it where north is, where a corner is named by it. */
const withNorth = (wayIn: readonly string[], all: readonly string[]): string[] =>
  [...wayIn, ...all].some((line) => /north-(east|west) corner/.test(line)) ? [AHEAD_IS_NORTH, ...wayIn] : [...wayIn];

/**
 * A line as it is said in a school and on a side: words in braces are put in, as `{working}` hand or `{pelvis}`. What is not
 * known stays as it is written.
 * @example spokenLine('Shift {most} to the {working} leg.', softSchool, 'left') // 'Shift seven tenths of the weight to the left leg.'
 */
export const spokenLine = (text: string, school: School, side: SpokenSide): string =>
  cornersCalled(filledIn(text, school, side), school);

const filledIn = (text: string, school: School, side: SpokenSide): string =>
  text.replace(/\{([a-z ]+)\}/gi, (whole, token: string, at: number) => {
    const said = word(token.toLowerCase(), school, side);
    if (said === null) return whole;
    const begins = at === 0 || /[.!?] $/.test(text.slice(0, at)) || token !== token.toLowerCase();
    return begins ? upperFirst(said) : said;
  });

/** Where nothing moves, the eyes have nothing to go with, and nothing turns below them. */
const gazeOf = ({ phases }: Exercise, { eyes }: School): School['eyes'] =>
  phases.length === 0 && eyes !== 'closed' ? 'level' : eyes;

/** A school with its gaze as an exercise has it. */
const gazing = (exercise: Exercise, school: School): School => ({ ...school, eyes: gazeOf(exercise, school) });

/** The way into an exercise alone, as it is said in a school and on a side. */
export const spokenWayIn = (exercise: Exercise, school: School, side: SpokenSide): string[] => {
  const say = (line: string): string => spokenLine(line, gazing(exercise, school), side);
  return withNorth(
    exercise.wayIn.map(say),
    exercise.phases.flatMap(({ name, reversed }) => [name, reversed].map(say)),
  );
};

/** An exercise with all its words as they are said in a school and on a side. */
export function spokenExercise(exercise: Exercise, of: School, side: SpokenSide): Exercise {
  const school = gazing(exercise, of);
  const say = (text: string): string => spokenLine(text, school, side);
  const all = (lines: readonly string[]): string[] => lines.map(say);
  const { signs } = exercise;
  return {
    ...exercise,
    summary: say(exercise.summary),
    wayIn: spokenWayIn(exercise, of, side),
    phases: exercise.phases.map((part): Phase => ({
      ...part,
      name: say(part.name),
      reversed: say(part.reversed),
      call: say(part.call),
      callReversed: say(part.callReversed),
    })),
    stages: exercise.stages.map((stage) => ({
      ...stage,
      name: say(stage.name),
      words: say(stage.words),
      next: say(stage.next),
      attention: all(stage.attention),
    })),
    signs: { begin: all(signs.begin), right: all(signs.right), enough: all(signs.enough), stop: all(signs.stop) },
    attention: all(exercise.attention),
    halfWay: say(exercise.halfWay),
    quick: say(exercise.quick),
    long: say(exercise.long),
    daily: say(exercise.daily),
    easier: all(exercise.easier),
    harder: all(exercise.harder),
    cautions: all(exercise.cautions),
    checkpoints: exercise.checkpoints.map((point) => {
      const { wanted, test, faults, cue, ...rest } = spokenCheckpoint(point, catalogued(point.id), school);
      return { ...rest, wanted: say(wanted), test: say(test), faults: say(faults), cue: say(cue) };
    }),
  };
}
