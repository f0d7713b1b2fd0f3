import type { Side } from '../library/dose';
import type { School } from '../schools/school';
import type { FigureView } from './figureBody';
import { flippedSide } from './pose';
import type { ShownDrill } from './shownDrill';

/** How the students see who shows it: as in a mirror, where who stands opposite sees the own left move with the left; facing; from behind. */
export const seenAs = ['mirror', 'facing', 'behind'] as const;
export type SeenAs = (typeof seenAs)[number];

/** Who stands opposite and is to do it with the left sees it done by the right. */
export const seenSide = (side: Side, as: SeenAs): Side =>
  side === 'both' || as !== 'mirror' ? side : flippedSide(side);

export const seenView = ({ view }: Pick<ShownDrill, 'view'>, as: SeenAs): FigureView =>
  view === 'front' && as === 'behind' ? 'behind' : view;

/** How wide the belly is, 0–1: with the breath, or against it where the school reverses it. */
export const bellyWidth = ({ belly }: Pick<School, 'belly'>, full: number): number =>
  belly === 'reversed' ? 1 - full : full;
