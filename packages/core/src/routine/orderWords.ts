import { isTimed } from '../library/dose';
import { wayWords } from '../library/wayWords';
import { countOf } from '../library/repetitions';
import { durationWords } from '../words/durationWords';
import { upperFirst } from '../words/firstLetter';
import type { ExerciseSegment } from './routine';
import { takesTurns } from '../library/sideOrder';
import { rounds, type Round } from './rounds';

/** More rounds than this are not told one by one. */
const MOST = 8;

/**
 * In which order the sides and directions of a dose are done, as one counts along on paper: `Left forward 8, left reversed 8,
 * right forward 8, right reversed 8.` Empty where there is only one thing to do.
 */
export function orderWords({ dose, sideOrder }: Pick<ExerciseSegment, 'dose' | 'sideOrder'>): string {
  if (dose.kind !== 'hold' && takesTurns(dose, sideOrder)) {
    const directions = [...new Set(dose.amounts.map((row) => row.direction))];
    const told = directions.map((direction) => {
      const rows = dose.amounts.filter((row) => row.direction === direction && row.amount > 0);
      const each = rows.map(({ side, amount }) => `${Math.round(countOf(dose, amount))} ${side}`).join(', ');
      return `${direction === 'none' ? '' : `${direction}: `}${each}`;
    });
    return upperFirst(`one each in turn, ${told.join('; then ')}.`);
  }
  const list = rounds(dose, sideOrder);
  if (list.length < 2 || list.length > MOST || list.every((round) => wayWords(round) === '')) return '';
  const much = (round: Round): string =>
    dose.kind === 'hold' || isTimed(dose) ? durationWords(round.seconds) : String(Math.round(round.amount));
  return upperFirst(`${list.map((round) => `${wayWords(round) || 'both'} ${much(round)}`).join(', ')}.`);
}
