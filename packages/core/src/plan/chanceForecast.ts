import { checkRange } from '../words/checkRange';
import type { Random } from '../demo/random';

export interface ChanceStrand {
  /** Rungs still to climb. */
  readonly rungs: number;
  /** Chance that a planned session takes place, and that one that does is passed, 0–1. */
  readonly attendance: number;
  readonly passRate: number;
  readonly sessionsPerWeek: number;
  /** Passed sessions needed for one rung. */
  readonly passesPerRung: number;
  /** At most this many rungs in one week. */
  readonly mostPerWeek: number;
}
export interface ChanceBand {
  /** Rung reached at the end of the week in the 10th, 50th and 90th of a hundred seasons. */
  readonly low: number;
  readonly middle: number;
  readonly high: number;
  /** Share of seasons in which the last rung is reached by then. */
  readonly reached: number;
}

const percentile = (sorted: Int32Array, share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;

/**
 * Chances of being at each rung by each week, from many simulated seasons with the student's own
 * attendance and pass rate (model §10). The same seed gives the same bands, to the last digit.
 * @param progress called now and then with the share done
 * @returns for each strand a band for each week
 */
export function chanceForecast(
  strands: readonly ChanceStrand[],
  weeks: number,
  seasons: number,
  random: Random,
  progress: (share: number) => void = () => undefined,
): ChanceBand[][] {
  checkRange('weeks', weeks, 1, 520);
  checkRange('seasons', seasons, 1, 1_000_000);
  return strands.map((strand, at) => {
    checkRange(`strands[${at}].attendance`, strand.attendance, 0, 1);
    checkRange(`strands[${at}].passRate`, strand.passRate, 0, 1);
    const chance = strand.attendance * strand.passRate;
    const byWeek = Array.from({ length: weeks }, () => new Int32Array(seasons));
    for (let season = 0; season < seasons; season += 1) {
      let passes = 0;
      let rung = 0;
      for (let week = 0; week < weeks; week += 1) {
        let climbed = 0;
        for (let session = 0; session < strand.sessionsPerWeek; session += 1) {
          if (random() >= chance) continue;
          passes += 1;
          if (passes < strand.passesPerRung || climbed >= strand.mostPerWeek || rung >= strand.rungs) continue;
          passes = 0;
          climbed += 1;
          rung += 1;
        }
        byWeek[week]![season] = rung;
      }
    }
    progress((at + 1) / strands.length);
    return byWeek.map((rungs): ChanceBand => {
      const sorted = rungs.sort();
      const reached = sorted.length - sorted.findIndex((rung) => rung >= strand.rungs);
      return {
        low: percentile(sorted, 0.1),
        middle: percentile(sorted, 0.5),
        high: percentile(sorted, 0.9),
        reached: sorted.at(-1)! < strand.rungs ? 0 : reached / seasons,
      };
    });
  });
}
