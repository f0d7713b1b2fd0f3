import { counted } from '../words/counted';
import type { KnownStrength } from './studentBody';

/** Where the strength of legs or arms comes from, and from how many practices. */
export function strengthWords({ from, practices }: Pick<KnownStrength, 'from' | 'practices'>): string {
  const told = practices === 0 ? '' : counted(practices, 'practice');
  switch (from) {
    case 'test holds':
      return told === '' ? 'From test holds.' : `From test holds and ${told}.`;
    case 'practice':
      return `Learned from ${told}; a test hold makes it firmer.`;
    case 'guess':
      return told === ''
        ? 'From a guess by age and habit; a test hold makes it firm.'
        : `From a guess by age and habit, moved by ${told}; a test hold makes it firm.`;
  }
}
