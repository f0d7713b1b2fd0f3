import type { ChainEnd, ChainPath } from './path';
import { type Travel } from './travel';

const numbers = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];
/** Steps in words, to the half: `two steps`, `half a step`, `one and a half steps`. */
function stepCount(steps: number): string {
  const halves = Math.round(Math.abs(steps) * 2);
  const whole = Math.floor(halves / 2);
  const name = numbers[whole] ?? String(whole);
  if (halves % 2 === 0) return `${name} ${whole === 1 ? 'step' : 'steps'}`;
  return whole === 0 ? 'half a step' : `${name} and a half steps`;
}

const eighths = ['', 'an eighth of a turn', 'a quarter turn', 'three eighths of a turn', 'half a turn'];

/** A turn in words: `a quarter turn left`; empty where there is none. Clockwise is to the right. */
export function turnWords(turnDeg: number): string {
  const [turns, side] = [Math.abs(turnDeg), turnDeg < 0 ? 'left' : 'right'];
  if (turns === 0) return '';
  if (turns % 360 === 0) return turns === 360 ? `a whole turn ${side}` : `${turns / 360} whole turns ${side}`;
  const words = turns % 45 === 0 ? eighths[turns / 45] : undefined;
  if (words !== undefined) return turns === 180 ? `${words} over the ${side}` : `${words} ${side}`;
  return turns === 270 ? `three quarters of a turn ${side}` : `a turn of ${turns}° ${side}`;
}

const waysOf = ({ ahead, right }: Pick<Travel, 'ahead' | 'right'>): string[] => {
  const steps: [number, string, string][] = [
    [ahead, 'ahead', 'back'],
    [right, 'to the right', 'to the left'],
  ];
  return steps.flatMap(([count, plus, minus]) => {
    return Math.abs(count) < 0.25 ? [] : [`${stepCount(count)} ${count > 0 ? plus : minus}`];
  });
};

/** Where a piece goes: `two steps ahead, a quarter turn left`; empty where it stays. */
export const travelWords = (travel: Travel): string =>
  [...waysOf(travel), turnWords(travel.turnDeg)].filter((words) => words !== '').join(', ');

/** What lies ahead of somebody who has turned so far, by sides of the hall or by the compass. */
const facings = {
  'by side': [
    'the front',
    'the front right corner',
    'the right',
    'the back right corner',
    'the back',
    'the back left corner',
    'the left',
    'the front left corner',
  ],
  'by compass': ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'],
} as const;

/** Which way somebody faces: `the left`, or `west` where ahead is north; to the nearest eighth of a turn. */
export function facingWords(facingDeg: number, corners: keyof typeof facings): string {
  const eighth = ((Math.round(facingDeg / 45) % 8) + 8) % 8;
  return facings[corners][eighth]!;
}

/** How a chain ends, and what it takes to begin again. */
export function chainEndWords(end: ChainEnd, stepMetres: number): string {
  switch (end.kind) {
    case 'stays':
      return 'It stays on its place.';
    case 'closes':
      return 'It ends where it began, facing the same way: it can begin again at once.';
    case 'after':
      return `It ends turned: ${end.times === 2 ? 'twice' : `${numbers[end.times]} times`} through, and it is back where it first began.`;
    case 'away': {
      const way = waysOf({ ahead: end.ahead / stepMetres, right: end.right / stepMetres });
      const turn = end.turnDeg === 0 ? '' : turnWords(end.turnDeg > 180 ? end.turnDeg - 360 : end.turnDeg);
      const where = [...way, turn].filter((words) => words !== '').join(', ');
      return `It ends ${where} from where it began: go back there before it begins again.`;
    }
  }
}

const metres = (length: number): string => `${(Math.ceil(length * 10 - 1e-6) / 10).toFixed(1)} m`;

/** How a chain ends as it is played, in a sentence. */
export function chainPlayedWords({ end, mirrored }: ChainPath, stepMetres: number): string {
  const both = mirrored.length > 0 && end.kind !== 'stays' ? 'Played to both sides. ' : '';
  return `${both}${chainEndWords(end, stepMetres)}`;
}

/** The floor that a chain takes, in a sentence. */
export const chainFloorWords = ({ width, depth }: ChainPath): string =>
  `One person needs ${metres(width)} from left to right and ${metres(depth)} from front to back, arms and all.`;

/** The way of a chain in sentences: how it ends, and the floor it takes where it leaves its place. */
export const chainPathWords = (path: ChainPath, stepMetres: number): string[] => [
  chainPlayedWords(path, stepMetres),
  ...(path.end.kind === 'stays' ? [] : [chainFloorWords(path)]),
];
