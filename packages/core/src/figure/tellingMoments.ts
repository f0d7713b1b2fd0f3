import type { Phase } from '../library/exercise';
import { lengthOf, minus, type Point3 } from './point3';
import type { FigurePose } from './pose';

/** Moments of a part that are looked at. */
const LOOKED_AT = 12;

/** What of a body shows what it does. */
const shown = ({ arms, legs, head, pelvis, spine }: FigurePose): Point3[] => [
  head,
  pelvis,
  spine.shoulders,
  ...(['left', 'right'] as const).flatMap((side) => [
    arms[side].elbow,
    arms[side].hand,
    legs[side].knee,
    legs[side].ankle,
  ]),
];

/**
 * For each part of a repetition the moment that shows most of it, as a share of the whole, 0–1: of a part without stands on its way its end; of
 * one that goes round and comes back, where it is farthest from where it began.
 */
export function tellingMoments(
  phases: readonly Pick<Phase, 'share' | 'via'>[],
  poseAt: (share: number) => FigurePose,
): number[] {
  let start = 0;
  return phases.map(({ share, via }) => {
    const from = start;
    start += share;
    const end = Math.min(start, 1);
    if (via.length === 0) return end;
    const begun = shown(poseAt(from));
    const moments = Array.from({ length: LOOKED_AT }, (_, at) => from + ((end - from) * (at + 1)) / LOOKED_AT);
    const far = moments.map((at) =>
      shown(poseAt(at)).reduce((sum, point, index) => sum + lengthOf(minus(point, begun[index]!)), 0),
    );
    // Of nearly alike the last: it is where the part goes.
    const most = Math.max(...far);
    return moments[far.findLastIndex((way) => way > ALIKE * most)]!;
  });
}

/** Ways as long as this share of the longest are alike. */
const ALIKE = 0.95;
