import { counted } from '../words/counted';
import type { Phase } from '../library/exercise';
import { breathTold } from './breathTold';
import type { School } from './school';

/** A part as it is told, with the breaths for which it stays, and its breath where the school has one for it. */
export function toldPart({ name, heldBreaths, breath }: Phase, school: School): string {
  const stays = heldBreaths === 0 ? '' : `for ${counted(heldBreaths, 'breath')}`;
  return [name, stays, breathTold(breath, school)].filter((words) => words !== '').join(', ');
}
