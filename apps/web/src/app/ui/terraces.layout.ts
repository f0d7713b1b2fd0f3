import type { Strand } from '@pomek/core';

/** One week of a strand as it is drawn. */
export interface TerraceWeek {
  /** Week of the plan, from 0. */
  readonly week: number;
  readonly dose: number;
  readonly kind: string;
  /** Why it asks for this; told to who points at it. */
  readonly reason?: string;
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
  /** Other strands of the plan, drawn faintly, each as a share of its own goal. */
  readonly others: readonly {
    readonly target: number;
    readonly weeks: readonly Pick<TerraceWeek, 'week' | 'dose'>[];
  }[];
  /** Where a body or a session ends it, with its words; null where nothing known does. */
  readonly most: { readonly dose: number; readonly words: string } | null;
  readonly targetWeek: number;
  readonly widthPx: number;
  readonly heightPx: number;
  /** How a dose is written on the drawing. */
  readonly words: (dose: number) => string;
}

export interface TerraceShape {
  readonly week: number;
  readonly kind: string;
  readonly past: boolean;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly told: string;
}
export interface TerraceWords {
  readonly x: number;
  readonly y: number;
  readonly words: string;
}
export interface TerraceLayout {
  readonly width: number;
  readonly height: number;
  readonly left: number;
  readonly base: number;
  readonly shapes: readonly TerraceShape[];
  /** The edge of the terraces as one line of steps. */
  readonly edge: string;
  /** The same of the plan it is held against; empty without one. */
  readonly beside: string;
  readonly others: readonly string[];
  readonly band: string;
  readonly dots: readonly { readonly x: number; readonly y: number; readonly met: boolean }[];
  /** Doses written at the foot of their steps, about their middle. */
  readonly doses: readonly TerraceWords[];
  readonly most: TerraceWords | null;
  readonly target: { readonly x: number; readonly y: number };
  readonly nowX: number;
  readonly ticks: readonly { readonly x: number; readonly week: number }[];
  readonly rungs: readonly { readonly y: number; readonly dose: number }[];
  readonly pxPerWeek: number;
  readonly pxPerUnit: number;
}

const rows = { top: 26, foot: 22, left: 62, right: 16 } as const;
/** Room above the highest, as a share of it. */
const ABOVE = 1.06;
/** Rungs that are named at the side. */
const NAMED = 3;
/** Height of a line of text, and the breadth of its letters, px. */
const LINE = 14;
const LETTER = 6.6;

const whole = (value: number): string => (Math.round(value * 10) / 10).toString();

/** The doses at the foot of their steps: one for each run of weeks that ask for the same, where it has the room. */
function dosesOn(
  shapes: readonly TerraceShape[],
  words: (dose: number) => string,
  weeks: readonly TerraceWeek[],
): TerraceWords[] {
  const found: TerraceWords[] = [];
  for (let from = 0, to = 1; from < shapes.length; from = to, to += 1) {
    const said = words(weeks[from]!.dose);
    while (to < shapes.length && words(weeks[to]!.dose) === said && shapes[to]!.past === shapes[from]!.past) to += 1;
    const [first, last] = [shapes[from]!, shapes[to - 1]!];
    const breadth = last.x + last.width - first.x;
    if (said.length * LETTER <= breadth && first.height > LINE)
      found.push({ x: first.x + breadth / 2, y: first.y + first.height - 5, words: said });
  }
  return found;
}

/**
 * A strand as terraces: weeks go across, rungs go up; what was asked and planned are steps with their doses, what was done
 * are dots, and the band is where eight of ten seasons go. Pure.
 */
export function layoutTerraces(input: TerraceInput): TerraceLayout {
  const { weeks, strand, widthPx, heightPx, now, targetWeek, most } = input;
  const base = heightPx - rows.foot;
  const last = Math.max(targetWeek, weeks.at(-1)?.week ?? 0, now) + 1;
  const first = Math.min(weeks[0]?.week ?? 0, now);
  const pxPerWeek = (widthPx - rows.left - rows.right) / Math.max(4, last - first + 1);
  const highest =
    Math.max(strand.target, ...[...weeks, ...input.beside, ...input.done].map((entry) => entry.dose)) * ABOVE;
  const pxPerUnit = (base - rows.top) / highest;
  const x = (week: number): number => rows.left + (week - first) * pxPerWeek;
  const y = (dose: number): number => base - Math.min(dose, highest) * pxPerUnit;
  const shapes = weeks.map(({ week, dose, kind, reason }) => ({
    told: [`Week ${week + 1}: ${input.words(dose)}`, reason ?? ''].filter((words) => words !== '').join('. '),
    week,
    kind,
    past: week < now,
    x: x(week),
    y: y(dose),
    width: pxPerWeek,
    height: base - y(dose),
  }));
  const stairs = (steps: readonly Pick<TerraceWeek, 'week' | 'dose'>[], scale = 1): string =>
    steps
      .filter(({ week }) => week >= first && week <= last)
      .map(({ week, dose }, index) => {
        const start = `${index === 0 ? 'M' : 'L'}${whole(x(week))} ${whole(y(dose * scale))}`;
        return `${start}H${whole(x(week) + pxPerWeek)}`;
      })
      .join('');
  const middle = (index: number): number => x(now + index + 0.5);
  const upper = input.band.map(({ high }, index) => `${whole(middle(index))} ${whole(y(high))}`);
  const lower = input.band.map(({ low }, index) => `${whole(middle(index))} ${whole(y(low))}`).toReversed();
  const every = Math.max(1, Math.ceil(46 / pxPerWeek));
  const count = Math.floor((last - first) / every) + 1;
  const target = { x: x(targetWeek + 0.5), y: y(strand.target) };
  const rail =
    most === null || most.dose >= highest
      ? null
      : { x: rows.left + 4, y: y(most.dose) - 4, words: `${most.words} ${input.words(most.dose)}` };
  return {
    width: widthPx,
    height: heightPx,
    left: rows.left,
    base,
    shapes,
    edge: stairs(weeks),
    beside: stairs(input.beside),
    others: input.others.map((other) => stairs(other.weeks, strand.target / other.target)),
    band: upper.length < 2 ? '' : `M${[...upper, ...lower].join('L')}Z`,
    dots: input.done
      .filter((dot) => dot.week >= first - 0.01)
      .map((dot) => ({ x: x(dot.week), y: y(dot.dose), met: dot.met })),
    doses: dosesOn(shapes, input.words, weeks),
    most: rail,
    target,
    nowX: x(now),
    ticks: Array.from({ length: count }, (_, index) => ({
      x: x(first + index * every),
      week: first + index * every + 1,
    })),
    rungs: Array.from({ length: NAMED }, (_, index) => {
      const dose = strand.start + ((strand.target - strand.start) * index) / (NAMED - 1);
      const onStep = Math.max(strand.step, Math.round(dose / strand.step) * strand.step);
      return { y: y(onStep), dose: onStep };
    }).filter((rung, index, all) => all.slice(0, index).every((other) => Math.abs(other.y - rung.y) >= LINE)),
    pxPerWeek,
    pxPerUnit,
  };
}
