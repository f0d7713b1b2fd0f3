import { asksForBalance } from '../library/asksForBalance';
import type { Exercise } from '../library/exercise';

/** What a routine may be wanted for. */
export const layWishes = [
  'standing',
  'reeling',
  'breath',
  'stepping',
  'legs',
  'balance',
  'loosening',
  'quiet',
] as const;
export type LayWish = (typeof layWishes)[number];

/** How a wish is called. */
export const layWishWords: Readonly<Record<LayWish, string>> = {
  standing: 'standing',
  reeling: 'silk-reeling',
  breath: 'breathing',
  stepping: 'stepping',
  legs: 'strong legs',
  balance: 'balance',
  loosening: 'loosening',
  quiet: 'quiet',
};

/** Bent from here, standing is work for the legs; degrees. Our own value. */
const BENT = 25;

/** Whether an exercise is what is wished for. */
export function answersWish(exercise: Exercise, wish: LayWish): boolean {
  const { family, posture, phases } = exercise;
  switch (wish) {
    case 'breath':
      return family === 'breathing';
    case 'standing':
    case 'reeling':
    case 'stepping':
      return family === wish;
    case 'legs':
      return family === 'strength' || (!posture.seated && posture.kneeBendDeg >= BENT && family !== 'warm-up');
    case 'balance':
      return asksForBalance(exercise);
    case 'loosening':
      return family === 'warm-up' || family === 'closing';
    case 'quiet':
      return family === 'breathing' || family === 'closing' || (family === 'standing' && phases.length === 0);
  }
}
