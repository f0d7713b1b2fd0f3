import type { PointSeen } from '../film/judged';
import type { Still } from '../film/still';
import { upperFirst } from '../words/firstLetter';
import type { Correction, CorrectionCount } from './correction';

/** A picture on which corrections that are in work were seen. */
export interface SeenInWork {
  readonly still: Still;
  /** What is seen of each, and the cue that was given. */
  readonly lines: readonly { readonly seen: string; readonly cue: string }[];
}

/**
 * The newest picture of each exercise on which corrections that are in work were seen; what was filmed at no exercise counts
 * as one.
 * @param corrections of one student
 * @param inWork which of them are in work
 * @param pointsOf what is read off a picture
 */
export function seenInWork(
  corrections: readonly Correction[],
  inWork: readonly CorrectionCount[],
  stills: readonly Still[],
  pointsOf: (still: Still) => readonly PointSeen[],
): SeenInWork[] {
  const open = new Set(inWork.map(({ checkpointId }) => checkpointId));
  const newest = new Map<string | null, SeenInWork>();
  for (const still of stills.toSorted((a, b) => b.day.localeCompare(a.day) || b.id.localeCompare(a.id))) {
    const own = new Map(
      corrections
        .filter(({ stillId, checkpointId }) => stillId === still.id && open.has(checkpointId))
        .map((correction) => [correction.checkpointId, correction]),
    );
    if (own.size === 0 || newest.has(still.exerciseId)) continue;
    const points = pointsOf(still);
    const lines = [...own.values()].map(({ checkpointId, region, cue }) => {
      const point = points.find(({ checkpoint }) => checkpoint.id === checkpointId);
      const seen = point?.figure == null ? upperFirst(region) : `${upperFirst(region)} ${point.said}: ${point.why}`;
      return { seen, cue };
    });
    newest.set(still.exerciseId, { still, lines });
  }
  return [...newest.values()];
}
