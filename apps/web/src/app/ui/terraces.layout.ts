import type { Strand } from '@pomek/core';

/** One week of a strand as it is drawn. */
export interface TerraceWeek {
  /** Week of the plan, from 0. */
  readonly week: number;
  readonly dose: number;
  readonly kind: string;
}
export interface TerraceInput {
  readonly strand: Pick<Strand, 'target' | 'start' | 'step'>;
  /** The present week. */
  readonly now: number;
  /** Past weeks with the dose that was asked, then the planned ones; in order. */
  readonly weeks: readonly TerraceWeek[];
  /** What was really done: week (with a fraction) and dose. */
  readonly done: readonly { readonly week: number; readonly dose: number; readonly met: boolean }[];
  /** Doses in the 10th and 90th of a hundred seasons, by full week from now. */
  readonly band: readonly { readonly low: number; readonly high: number }[];
  /** The weeks of another plan that it is held against; none without comparison. */
  readonly beside: readonly Pick<TerraceWeek, 'week' | 'dose'>[];
  readonly targetWeek: number;
  readonly widthPx: number;
}

export interface TerraceShape {
  readonly week: number;
  readonly kind: string;
  readonly past: boolean;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
export interface TerraceLayout {
  readonly width: number;
  readonly height: number;
  readonly base: number;
  readonly shapes: readonly TerraceShape[];
  /** The edge of the terraces as one line of steps. */
  readonly edge: string;
  /** The same of the plan it is held against; empty without one. */
  readonly beside: string;
  readonly band: string;
  readonly dots: readonly { readonly x: number; readonly y: number; readonly met: boolean }[];
  readonly target: { readonly x: number; readonly y: number };
  readonly nowX: number;
  readonly ticks: readonly { readonly x: number; readonly week: number }[];
  readonly rungs: readonly { readonly y: number; readonly dose: number }[];
  readonly pxPerWeek: number;
  readonly pxPerUnit: number;
}

const rows = { top: 16, base: 132, height: 154, left: 62 } as const;
/** Room above the target, as a share of it. */
const ABOVE = 1.12;
/** Rungs that are named at the side. */
const NAMED = 3;

const whole = (value: number): string => (Math.round(value * 10) / 10).toString();

/**
 * A strand as terraces: weeks go across, rungs go up; what was asked and planned are steps, what was done
 * are dots, and the band is where eight of ten seasons go. Pure.
 */
export function layoutTerraces(input: TerraceInput): TerraceLayout {
  const { weeks, strand, widthPx, now, targetWeek } = input;
  const last = Math.max(targetWeek, weeks.at(-1)?.week ?? 0, now) + 1;
  const first = Math.min(weeks[0]?.week ?? 0, now);
  const pxPerWeek = (widthPx - rows.left - 8) / Math.max(4, last - first + 1);
  const highest =
    Math.max(strand.target, ...[...weeks, ...input.beside, ...input.done].map((entry) => entry.dose)) * ABOVE;
  const pxPerUnit = (rows.base - rows.top) / highest;
  const x = (week: number): number => rows.left + (week - first) * pxPerWeek;
  const y = (dose: number): number => rows.base - Math.min(dose, highest) * pxPerUnit;
  const shapes = weeks.map(({ week, dose, kind }) => ({
    week,
    kind,
    past: week < now,
    x: x(week),
    y: y(dose),
    width: pxPerWeek,
    height: rows.base - y(dose),
  }));
  const stairs = (steps: readonly Pick<TerraceWeek, 'week' | 'dose'>[]): string =>
    steps
      .map(({ week, dose }, index) => {
        const start = `${index === 0 ? 'M' : 'L'}${whole(x(week))} ${whole(y(dose))}`;
        return `${start}H${whole(x(week) + pxPerWeek)}`;
      })
      .join('');
  const middle = (index: number): number => x(now + index + 0.5);
  const upper = input.band.map(({ high }, index) => `${whole(middle(index))} ${whole(y(high))}`);
  const lower = input.band.map(({ low }, index) => `${whole(middle(index))} ${whole(y(low))}`).toReversed();
  const every = Math.max(1, Math.ceil(46 / pxPerWeek));
  const count = Math.floor((last - first) / every) + 1;
  return {
    width: widthPx,
    height: rows.height,
    base: rows.base,
    shapes,
    edge: stairs(weeks),
    beside: stairs(input.beside.filter(({ week }) => week >= first && week <= last)),
    band: upper.length < 2 ? '' : `M${[...upper, ...lower].join('L')}Z`,
    dots: input.done
      .filter((dot) => dot.week >= first - 0.01)
      .map((dot) => ({ x: x(dot.week), y: y(dot.dose), met: dot.met })),
    target: { x: x(targetWeek + 0.5), y: y(strand.target) },
    nowX: x(now),
    ticks: Array.from({ length: count }, (_, index) => ({
      x: x(first + index * every),
      week: first + index * every + 1,
    })),
    rungs: Array.from({ length: NAMED }, (_, index) => {
      const dose = strand.start + ((strand.target - strand.start) * index) / (NAMED - 1);
      const onStep = Math.max(strand.step, Math.round(dose / strand.step) * strand.step);
      return { y: y(onStep), dose: onStep };
    }),
    pxPerWeek,
    pxPerUnit,
  };
}
