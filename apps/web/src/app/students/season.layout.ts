import { differenceInCalendarDays, parseISO } from 'date-fns';

/** A week of a strand on the sheet of the season. */
export interface SeasonStep {
  readonly day: string;
  readonly dose: number;
  readonly kind: string;
}
export interface SeasonLine {
  readonly steps: readonly SeasonStep[];
  readonly target: number;
  readonly targetDay: string;
}
/** Which days the sheet shows, and how large a line is drawn, px. */
export interface SeasonFrame {
  readonly from: string;
  readonly weeks: number;
  readonly today: string;
  readonly width: number;
  readonly height: number;
}
export interface SeasonDrawing {
  readonly bars: readonly {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
    readonly kind: string;
    readonly past: boolean;
  }[];
  readonly todayX: number;
  /** Where the goal is wished for; null where its day is not on the sheet. */
  readonly goalX: number | null;
}

const DAYS = 7;
/** What is free above the highest step, px. */
const ABOVE = 2;

/**
 * One strand of one student in a line of the season's sheet: all lines share the days across; each is as high as its own goal, or
 * its highest dose where that is more. Pure.
 */
export function layoutSeasonLine(line: SeasonLine, { from, weeks, today, width, height }: SeasonFrame): SeasonDrawing {
  const pxPerDay = width / (weeks * DAYS);
  const x = (day: string): number => differenceInCalendarDays(parseISO(day), parseISO(from)) * pxPerDay;
  const highest = Math.max(line.target, ...line.steps.map(({ dose }) => dose));
  const bars = line.steps.flatMap(({ day, dose, kind }) => {
    const left = Math.max(0, x(day));
    const right = Math.min(width, x(day) + DAYS * pxPerDay);
    if (right - left < 1e-6) return [];
    const tall = highest === 0 ? 0 : (dose / highest) * (height - ABOVE);
    return [
      { x: left, y: height - tall, width: right - left, height: tall, kind, past: day < today && right <= x(today) },
    ];
  });
  const goal = x(line.targetDay);
  return { bars, todayX: x(today), goalX: goal >= 0 && goal <= width ? goal : null };
}
