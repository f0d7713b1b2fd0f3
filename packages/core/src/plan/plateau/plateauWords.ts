import type { Strand } from '../../goals/plan';
import { turnedWords } from '../../routine/turnedWords';
import { shortDay } from '../../words/shortDay';
import { axisWords } from '../../axis/axisWords';
import type { Band } from '../season/playSeasons';
import { isLighter, type LighterWeeks } from '../season/seasonCalendar';
import type { Axis } from '../../axis/axis';
import { PLATEAU_PRACTICES, type Plateau } from './plateau';

/** What a plateau is, in a sentence. */
export function plateauWords({ dose, held, because }: Plateau, axis: Axis): string {
  const at = `The last ${PLATEAU_PRACTICES} practices at ${axisWords(dose, axis)}`;
  const choose = 'More of the same will hardly change that: choose how to go on.';
  return because === 'short'
    ? `${at} were not done in full; about ${axisWords(held, axis)} of it was. ${choose}`
    : `${at} were mostly too hard for a raise, and never light enough twice in a row. ${choose}`;
}

/** What is easier for a while in a goal, and until when; empty where nothing is. */
export const easierWords = ({ easier }: Pick<Strand, 'easier'>, today: string): string =>
  easier === null || easier.until < today
    ? ''
    : `${turnedWords(easier.turned)} until ${shortDay(easier.until)}; nothing is raised until then.`;

/**
 * Where a way on from a plateau leads, in words: when every practice is done in full, and when it goes on as in the last weeks.
 * @param day that asks for the goal; null when none does
 * @param weeks the doses to be expected, by week; none where there are too few practices to tell. What is said is the last week before the day of
 * the goal that is not a lighter one.
 */
export function outlookWords(
  { axis, targetDay }: Pick<Strand, 'axis' | 'targetDay'>,
  lighter: LighterWeeks,
  day: string | null,
  weeks: readonly (Band & { readonly week: number; readonly day: string })[],
): string {
  const last = weeks.findLast((band) => band.day <= targetDay && !isLighter(lighter, band.week));
  const said = (dose: number): string => axisWords(dose, axis);
  const between = last === undefined || last.low === last.high ? '' : ` (${said(last.low)} to ${said(last.high)})`;
  return [
    day === null ? '' : `Done in full each time, the goal is reached on ${shortDay(day)}.`,
    last === undefined
      ? ''
      : `Going on as in the last weeks, about ${said(last.middle)} by ${shortDay(targetDay)}${between}.`,
  ]
    .filter((words) => words !== '')
    .join(' ');
}
