import { catalogued } from '../alignment/checkpoints';
import type { Checkpoint, Region } from '../alignment/checkpoint';
import type { Stage } from '../library/teaching';
import type { School } from './school';

/** What a loose school leaves alone in the general points: the line serves health, not the picture. House choice. */
const fine: ReadonlySet<Region> = new Set(['elbows', 'wrists', 'hands', 'neck and head', 'eyes', 'tongue and face']);

/**
 * The checkpoints a school looks at: a strict one at all, a loose one at what is safety, at the drill's own, at the foundation,
 * and at what the student is being corrected for.
 * @param inWork ids of the checkpoints that are being corrected
 * @param stage that is practised: it may look at some regions only
 */
export const pointsIn = (
  points: readonly Checkpoint[],
  { precision }: Pick<School, 'precision'>,
  inWork: ReadonlySet<string>,
  stage: Pick<Stage, 'regions'> | null = null,
): Checkpoint[] =>
  points.filter(({ id, region, safety }) => {
    if (safety || inWork.has(id)) return true;
    if (stage !== null && stage.regions.length > 0) return stage.regions.includes(region);
    return precision === 'strict' || catalogued(id) === undefined || !fine.has(region);
  });
