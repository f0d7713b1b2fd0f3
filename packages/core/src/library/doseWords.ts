import { isTimed, type Dose, type TimedDose, type SideAmount } from './dose';
import { givingOf } from './doseKinds';
import { countOf } from './repetitions';
import { wayWords } from './wayWords';
import { breathRate } from '../breath/breathRate';
import { counted } from '../words/counted';
import { durationWords } from '../words/durationWords';

const nouns = { hold: 'hold', cycle: 'repetition', timed: 'round', breath: 'breath' } as const;

function rowWords(row: SideAmount): string {
  return [String(row.amount), wayWords(row)].filter((words) => words !== '').join(' ');
}

function amountWords(dose: Dose): string {
  const { amounts } = dose;
  const noun = nouns[givingOf(dose)];
  const first = amounts[0]!;
  if (amounts.length === 1 && first.side === 'both') return counted(first.amount, noun);
  if (amounts.every((row) => row.amount === first.amount)) {
    const sided = amounts.some((row) => row.side !== 'both') ? ' a side' : '';
    const directed = amounts.some((row) => row.direction === 'reversed') ? ' each way' : '';
    return `${counted(first.amount, noun)}${sided}${directed}`;
  }
  return `${noun}s: ${amounts.map(rowWords).join(', ')}`;
}

const number = new Intl.NumberFormat('en', { maximumFractionDigits: 2 });

/** From where on it is enough: `, enough from 30 s`, or by feel; nothing where all of it, or no less than is asked, is wanted. */
function enoughWords(dose: Dose): string {
  const { least } = dose;
  if (least === null) return '';
  if (least === 0) return ', or as long as it feels right';
  const whole =
    dose.kind === 'hold'
      ? dose.holdSeconds
      : isTimed(dose)
        ? dose.roundSeconds
        : Math.max(...dose.amounts.map(({ amount }) => amount));
  if (least >= whole) return '';
  return `, enough from ${dose.kind === 'hold' || isTimed(dose) ? durationWords(least) : number.format(least)}`;
}

const slowerWords = (slowing: number): string =>
  slowing > 1 ? `, each ${number.format((slowing - 1) * 100)} % slower` : '';

/** `3:00 min a side each way`; of several rounds, how many there are. */
function timedWords(dose: TimedDose): string {
  const time = durationWords(dose.roundSeconds);
  const once = dose.amounts.every((row) => row.amount === 1);
  return once ? amountWords(dose).replace(/^1 round/, time) : `${amountWords(dose)} × ${time}`;
}

/** A dose in one line a teacher would say: `3 holds a side × 1:00 min, 30 s rest`. */
export function doseWords(dose: Dose): string {
  const rest = `${enoughWords(dose)}${dose.restSeconds > 0 ? `, ${durationWords(dose.restSeconds)} rest` : ''}`;
  switch (dose.kind) {
    case 'hold':
      return `${amountWords(dose)} × ${durationWords(dose.holdSeconds)}${dose.byCue ? ', until the cue' : ''}${rest}`;
    case 'cycle': {
      const stay = dose.staySeconds > 0 ? ` + ${number.format(dose.staySeconds)} s held` : '';
      const pace = `${number.format(dose.cycleSeconds)} s${stay} each${slowerWords(dose.slowing)}`;
      if (!isTimed(dose)) return `${amountWords(dose)}, ${pace}${rest}`;
      return `${timedWords(dose)}, about ${counted(Math.round(countOf(dose, 1)), 'repetition')} at ${pace}${rest}`;
    }
    case 'breath': {
      const { inSeconds, fullPauseSeconds, outSeconds, emptyPauseSeconds } = dose.pattern;
      const parts = [inSeconds, fullPauseSeconds, outSeconds, emptyPauseSeconds].map((part) => number.format(part));
      const rate = number.format(breathRate(dose.pattern));
      return `${amountWords(dose)} at ${parts.join('-')} (${rate} a minute)${slowerWords(dose.slowing)}${rest}`;
    }
  }
}
