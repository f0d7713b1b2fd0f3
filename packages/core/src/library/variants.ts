import { lowerFirst } from '../words/firstLetter';
import type { Dose } from './dose';
import type { Exercise } from './exercise';
import { workSeconds } from './repetitions';

const briefly = (words: string): string => `With little time: ${lowerFirst(words)}`;

/** How an exercise is done with little time and with more, for whoever lays it out: `With more time: sixteen each way.` */
export const variantLines = ({ quick, long }: Pick<Exercise, 'quick' | 'long'>): string[] => [
  ...(quick === '' ? [] : [briefly(quick)]),
  ...(long === '' ? [] : [`With more time: ${lowerFirst(long)}`]),
];

/** What changes when half is done, for paper and phone. */
export const halfWayLine = ({ halfWay }: Pick<Exercise, 'halfWay'>): string =>
  halfWay === '' ? '' : `Half way through: ${lowerFirst(halfWay)}`;

/** Where it comes up in the day, for paper and phone: `In the day. Wiping a table: let the pelvis turn first.` */
export const dailyLine = ({ daily }: Pick<Exercise, 'daily'>): string => (daily === '' ? '' : `In the day. ${daily}`);

/** The longest of the sides and ways of a dose, seconds of work. */
const longest = (dose: Dose): number => Math.max(0, ...dose.amounts.map(({ amount }) => workSeconds(dose, amount)));

/**
 * How a student does a dose with little time; nothing where less than the exercise's own dose is asked, since the
 * quick way may then be the longer one.
 */
export const quickLine = (dose: Dose, { quick, defaultDose }: Pick<Exercise, 'quick' | 'defaultDose'>): string =>
  quick === '' || longest(dose) < longest(defaultDose) ? '' : briefly(quick);
