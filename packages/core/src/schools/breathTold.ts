import type { Phase } from '../library/exercise';
import type { School } from './school';

const words = { in: 'breath in', out: 'breath out' } as const;

/** Where the breath of a part belongs, as a school says it: linked, somewhere in the move, or not at all. */
export function breathTold(breath: Phase['breath'], { breathLink }: Pick<School, 'breathLink'>): string {
  if (breath === 'free' || breathLink === 'natural') return '';
  return breathLink === 'loose' ? `${words[breath]} when it comes` : words[breath];
}

/** Whether a moving drill paces the breath: only where the school links the two. */
export const pacesBreath = ({ breathLink }: Pick<School, 'breathLink'>): boolean => breathLink === 'linked';
