import * as z from 'zod';
import { lineText } from '../text/textSchema';
import { regions, RegionSchema, type Checkpoint } from '../alignment/checkpoint';
import { DaySchema } from '../days/daySchema';

/** A checkpoint noticed on a student, the cue given, and whether it helped. */
export const CorrectionSchema = z.object({
  id: z.string().min(1).max(80),
  studentId: z.string().min(1).max(80),
  day: DaySchema,
  checkpointId: z.string().min(1).max(80),
  region: RegionSchema,
  safety: z.boolean(),
  cue: lineText(300),
  /** Whether the cue helped; null when not yet known. */
  helped: z.boolean().nullable(),
  /** The still on which it was seen; null where it was seen otherwise. */
  stillId: z.string().min(1).max(80).nullable().default(null),
});
export type Correction = z.infer<typeof CorrectionSchema>;

/** Days over which a correction counts as lately. House value. */
export const LATELY_DAYS = 42;
/** Corrections are few at a time (common practice). */
const AT_A_TIME = 2;

export interface CorrectionCount {
  readonly checkpointId: string;
  readonly region: Correction['region'];
  readonly safety: boolean;
  /** How often it was seen lately. */
  readonly count: number;
  readonly last: string;
  /** Cues that helped, the latest first. */
  readonly helped: readonly string[];
}

const daysBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / 86_400_000;

/** How often each checkpoint was seen lately, those that can hurt first, then from the ground up. */
export function correctionCounts(corrections: readonly Correction[], today: string): CorrectionCount[] {
  const lately = corrections.filter((entry) => daysBetween(entry.day, today) < LATELY_DAYS);
  const ids = [...new Set(lately.map((entry) => entry.checkpointId))];
  return ids
    .map((checkpointId): CorrectionCount => {
      const own = lately
        .filter((entry) => entry.checkpointId === checkpointId)
        .toSorted((a, b) => b.day.localeCompare(a.day));
      return {
        checkpointId,
        region: own[0]!.region,
        safety: own[0]!.safety,
        count: own.length,
        last: own[0]!.day,
        helped: [...new Set(own.filter((entry) => entry.helped === true).map((entry) => entry.cue))],
      };
    })
    .toSorted(
      (a, b) =>
        Number(b.safety) - Number(a.safety) ||
        regions.indexOf(a.region) - regions.indexOf(b.region) ||
        b.count - a.count,
    );
}

/** The one or two to work on now: what can hurt, then the foundation first (common practice). */
export const correctionQueue = (corrections: readonly Correction[], today: string): CorrectionCount[] =>
  correctionCounts(corrections, today).slice(0, AT_A_TIME);

/** A correction of a checkpoint, today. */
export const newCorrection = (
  id: string,
  studentId: string,
  point: Checkpoint,
  day: string,
  stillId: string | null = null,
): Correction => ({
  id,
  studentId,
  day,
  checkpointId: point.id,
  region: point.region,
  safety: point.safety,
  cue: point.cue,
  helped: null,
  stillId,
});

/**
 * Those of the checkpoints that are being worked on: corrected lately, and no cue of the last day has
 * been marked as having helped. The order of the corrections makes no difference.
 */
export function pointsInWork(
  corrections: readonly Correction[],
  checkpointIds: readonly string[],
  today: string,
): CorrectionCount[] {
  const open = correctionCounts(corrections, today).filter((entry) => checkpointIds.includes(entry.checkpointId));
  return open.filter((entry) => {
    const own = corrections.filter((one) => one.checkpointId === entry.checkpointId && one.day === entry.last);
    return !own.some((one) => one.helped === true);
  });
}
