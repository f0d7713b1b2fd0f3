import type { Body } from '../body/body';
import { postureAnswers, type KnownCapacity } from '../endurance/postureAnswers';
import { joints } from '../endurance/joints';
import type { Exercise } from '../library/exercise';
import type { PracticeLog } from '../practice/log';
import { settlePosture } from '../schools/conventions';
import type { School } from '../schools/school';
import { predictedEffort } from '../endurance/predictedEffort';

/** Practices that are looked at, and the fewest that say something. House values. */
const LATEST = 8;
const ENOUGH = 3;

export interface EffortCalibration {
  /** Practice by practice, the oldest first. */
  readonly points: readonly { readonly day: string; readonly felt: number; readonly predicted: number }[];
  /** By what the capacity would have to be multiplied for both to agree; null with too little to tell. */
  readonly factor: number | null;
}

/**
 * Effort felt against effort predicted from the longest hold of each practice, and the capacity that
 * would make them agree: endurance goes with effort to a power, so the factor is the ratio to 1/b1
 * (Frey Law & Avin 2010; from memory). Kept within 0.7 to 1.4.
 */
export function effortCalibration(
  logs: readonly PracticeLog[],
  exercises: ReadonlyMap<string, Exercise>,
  body: Body,
  capacity: KnownCapacity,
  school: School,
): EffortCalibration {
  const points = logs
    .filter((log) => log.effort !== null)
    .toSorted((a, b) => a.startedAt.localeCompare(b.startedAt))
    .slice(-LATEST)
    .flatMap((log) => {
      const efforts = log.lines.flatMap((line) => {
        const exercise = exercises.get(line.exerciseId);
        if (line.kind !== 'hold' || exercise === undefined || exercise.posture.seated) return [];
        const answers = postureAnswers(body, settlePosture(exercise.posture, school), capacity);
        const first = answers[answers.limitedBy];
        const longest = line.done.seconds / Math.max(1, Math.round(line.done.amount));
        return first.unlimited ? [] : [predictedEffort(longest, first.seconds)];
      });
      return efforts.length === 0 ? [] : [{ day: log.day, felt: log.effort!, predicted: Math.max(...efforts) }];
    });
  if (points.length < ENOUGH) return { points, factor: null };
  const ratios = points.map(({ felt, predicted }) => Math.max(1, felt) / predicted).toSorted((a, b) => a - b);
  const ratio = ratios[Math.floor(ratios.length / 2)]!;
  return { points, factor: Math.max(0.7, Math.min(1.4, ratio ** (1 / joints.knee.b1))) };
}

/** Within these a factor of capacity is believed. House values. */
const FACTORS = { least: 0.5, most: 2 } as const;
/** A difference smaller than this is not worth a question. House value. */
const WORTH_ASKING = 0.05;

/** The factor that a student's capacity would have by what was felt, and whether that differs enough from the present one. */
export function recalibrated(
  found: number | null,
  present: number,
): { readonly factor: number | null; readonly off: boolean } {
  if (found === null) return { factor: null, off: false };
  const factor = Math.round(found * present * 100) / 100;
  return {
    factor: Math.max(FACTORS.least, Math.min(FACTORS.most, factor)),
    off: Math.abs(found - 1) > WORTH_ASKING,
  };
}
