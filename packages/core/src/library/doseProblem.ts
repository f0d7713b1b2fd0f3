import { DAY_SECONDS } from '../days/dayNumber';
import { isTimed, type Dose } from './dose';
import { countOf, workSeconds } from './repetitions';
import { takesTurns, type SideOrder } from './sideOrder';

/** Holds, rounds, rests and changes that a routine can have. An hour of single repetitions by side in turn has about 1,200. */
export const MOST_PARTS = 4000;

/** How long something takes and of how many parts it is. */
export interface DoseSize {
  /** Never less than it takes, s. */
  readonly seconds: number;
  /** Rounds, and the rests or changes between them; never less than there are. */
  readonly parts: number;
}

/**
 * The size of a dose, without building its parts.
 * @param changeSeconds the longest change of side or direction, s
 */
export function doseSize(dose: Dose, order: SideOrder, changeSeconds = 0): DoseSize {
  const amounts = dose.amounts.map(({ amount }) => amount).filter((amount) => amount > 0);
  const apart = dose.kind === 'hold' || isTimed(dose);
  const rounds = amounts.reduce((sum, amount) => sum + (apart ? amount : 1), 0);
  const work = amounts.reduce((sum, amount) => sum + workSeconds(dose, amount), 0);
  const single =
    dose.kind !== 'hold' && takesTurns(dose, order)
      ? amounts.reduce((sum, amount) => sum + Math.ceil(countOf(dose, amount)), 0)
      : 0;
  const gaps = Math.max(0, rounds - 1);
  return { seconds: work + gaps * Math.max(dose.restSeconds, changeSeconds), parts: rounds + gaps + single };
}

/** What of a size is beyond any practice; null where nothing is. */
export function sizeProblem({ seconds, parts }: DoseSize): string | null {
  // Breaths that each take longer than the one before may come to no number at all.
  if (!(seconds <= DAY_SECONDS)) return 'it takes more than 24 h';
  return parts > MOST_PARTS ? `it has more than ${MOST_PARTS.toLocaleString('en-GB')} holds, rounds and rests` : null;
}
