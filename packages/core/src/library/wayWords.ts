import type { SideAmount } from './dose';

/**
 * A side and a direction in words, each where there is one: `left`, `left reversed`; empty for both sides without a direction.
 * @param between what stands between them
 */
export const wayWords = ({ side, direction }: Pick<SideAmount, 'side' | 'direction'>, between = ' '): string =>
  [side === 'both' ? '' : side, direction === 'none' ? '' : direction].filter((word) => word !== '').join(between);
