import { catalogued } from '../alignment/checkpoints';
import type { Checkpoint, Region } from '../alignment/checkpoint';
import type { Stage } from '../library/teaching';
import type { School } from './school';

/** What a loose school leaves alone in the general points: the line serves health, not the picture. House choice. */
const fine: ReadonlySet<Region> = new Set(['elbows', 'wrists', 'hands', 'neck and head', 'eyes', 'tongue and face']);

const arms: ReadonlySet<Region> = new Set(['shoulders', 'armpits', 'elbows', 'wrists', 'hands']);
const legs: ReadonlySet<Region> = new Set(['feet', 'ankles', 'knees', 'hip crease', 'waist', 'pelvis']);
const none: ReadonlySet<Region> = new Set();

/** What does not move in a stage, and is not looked at either. */
function restsIn({ moves }: Pick<Stage, 'moves'>): ReadonlySet<Region> {
  if (moves === 'all') return none;
  return moves === 'arms' ? legs : arms;
}

/**
 * The checkpoints a school looks at: a strict one at all, a loose one at what is safety, at the drill's own, at the foundation,
 * and at what the student is being corrected for.
 * @param inWork ids of the checkpoints that are being corrected
 * @param stage that is practised: it may look at some regions only, else at what moves in it
 */
export const pointsIn = (
  points: readonly Checkpoint[],
  { precision }: Pick<School, 'precision'>,
  inWork: ReadonlySet<string>,
  stage: Pick<Stage, 'regions' | 'moves'> | null = null,
): Checkpoint[] =>
  points.filter(({ id, region, safety }) => {
    if (safety || inWork.has(id)) return true;
    if (stage !== null && stage.regions.length > 0) return stage.regions.includes(region);
    if (stage !== null && restsIn(stage).has(region)) return false;
    return precision === 'strict' || catalogued(id) === undefined || !fine.has(region);
  });
