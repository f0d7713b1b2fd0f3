import type { Column, Content } from 'pdfmake/interfaces';
import {
  drillName,
  segmentDrill,
  segmentWords,
  spokenExercise,
  toldSide,
  upperFirst,
  type Checkpoint,
  type Exercise,
  type ExerciseSegment,
} from '@pomek/core';
import { betweenWords, cuesOf, DAYS, paperHead, paperTitle, roundContent, type HandoutRequest } from './handout';
import { ALONE, picturesOf, printed, type Picture } from './handout-figure';
import { papers, type Paper } from './papers';
import { inks, MM } from './pdf';

/** What head and foot leave of an A4 sheet for the drills, mm, and the gap between them. */
const ROOM = { width: 182, height: 218, gap: 5 } as const;
/** What stands under a figure, mm: the more drills, the smaller the type. */
const WORDS_MM = 30;
/** A figure is no larger than this, and not smaller than can be seen from two steps away, mm. */
const TALLEST = 92;
const SMALLEST = 24;
/** Breadth of a picture for its height. */
const SLIM = ALONE.width / ALONE.height;
/** Each tried in turn until all goes on one page. */
const scales = [1, 0.9, 0.8, 0.7, 0.6, 0.5] as const;
/** Nothing, as large as a picture drawn in space. */
const BLANK: Picture = {
  image:
    'data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==',
};
/** So many weeks are ticked on it. */
const WEEKS = 4;
const BOX = 13;
const BETWEEN_WEEKS = 14;

/** How many drills stand side by side. */
const columnsFor = (count: number): number => (count <= 4 ? 2 : count <= 9 ? 3 : count <= 16 ? 4 : 5);

/** What stands on the page of a drill. */
interface Cell {
  readonly name: string;
  readonly dose: string;
  readonly point: Checkpoint | null;
  /** One of a posture that is held, else where it begins and half way. */
  readonly pictures: readonly Picture[];
  /** What comes after it before the next one: a rest, a talk. */
  readonly after: readonly string[];
}

/** Of the moments of a repetition its first one and the one half way. */
const firstAndHalfWay = (moments: readonly number[]): number[] =>
  moments.length < 2 ? [...moments] : [moments[0]!, moments[Math.floor(moments.length / 2)]!];

function cellOf(
  request: HandoutRequest,
  segment: ExerciseSegment,
  exercise: Exercise,
  said: ReadonlySet<string>,
): Omit<Cell, 'after'> {
  const { school, body, corrected, draw } = request;
  const side = toldSide(segment);
  const drill = segmentDrill(segment, exercise);
  const own = spokenExercise(drill, school, drill.twoSided ? side : 'both');
  const points = cuesOf(segment, own, request);
  // What is being corrected; else a point that stands nowhere else on the page.
  const point = points.find(({ id }) => corrected.has(id)) ?? points.find(({ id }) => !said.has(id)) ?? points[0];
  return {
    name: drillName(segment, exercise),
    dose: segmentWords(segment),
    point: point ?? null,
    pictures: picturesOf(body, segment, exercise, school, side, draw, firstAndHalfWay).pictures,
  };
}

/** The drills of a routine in their order, and what comes before the first of them. */
async function cellsOf(request: HandoutRequest): Promise<{ cells: Cell[]; first: string[] }> {
  const cells: (Omit<Cell, 'after'> & { after: string[] })[] = [];
  const first: string[] = [];
  const said = new Set<string>();
  for (const segment of request.routine.segments) {
    const exercise = segment.type === 'exercise' ? request.exercises.get(segment.exerciseId) : undefined;
    if (segment.type === 'exercise' && exercise !== undefined) {
      await request.pause();
      const cell = cellOf(request, segment, exercise, said);
      if (cell.point !== null) said.add(cell.point.id);
      cells.push({ ...cell, after: [] });
    } else (cells.at(-1)?.after ?? first).push(betweenWords(segment));
  }
  return { cells, first };
}

/** A drill: its figures, its name, how much, and one thing to mind. */
function cellContent(
  cell: Cell,
  at: number,
  width: number,
  height: number,
  type: number,
  corrected: ReadonlySet<string>,
): Column {
  const { pictures, point } = cell;
  const tall = Math.min(height, width / Math.max(1, pictures.length) / SLIM);
  const size = { width: tall * SLIM, height: tall };
  return {
    width: width * MM,
    stack: [
      {
        columnGap: 0,
        columns: pictures.map((picture) => ({ width: size.width * MM, stack: [printed(picture, size)] })),
      },
      {
        text: [{ text: `${at + 1}  `, color: inks.pine }, cell.name],
        style: 'heading',
        fontSize: type + 2.5,
        margin: [0, 1, 0, 0],
      },
      { text: cell.dose, bold: true, fontSize: type },
      ...(point === null
        ? []
        : [
            {
              text: [{ text: `${upperFirst(point.region)}: `, bold: corrected.has(point.id) }, point.wanted],
              fontSize: type,
            } as Content,
          ]),
      ...cell.after.map((words): Content => ({
        text: `Then: ${words}`,
        italics: true,
        fontSize: type - 0.5,
        color: inks.soft,
      })),
    ],
  };
}

/** A box for each day of some weeks, in one drawing. */
function ticks(): Content {
  const week = DAYS.length * BOX + BETWEEN_WEEKS;
  const days = Array.from({ length: WEEKS }, (_, at) =>
    DAYS.map((day, nth) => {
      const x = at * week + nth * BOX;
      const letter = `<text x="${x + BOX / 2 - 0.5}" y="7" font-size="7" text-anchor="middle" fill="${inks.soft}">${day}</text>`;
      return `${letter}<rect x="${x + 0.5}" y="10" width="${BOX - 2}" height="${BOX - 2}" fill="none" stroke="${inks.ink}" stroke-width="0.8"/>`;
    }).join(''),
  );
  const width = WEEKS * week;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${BOX + 10}">${days.join('')}</svg>`;
  return {
    margin: [0, 6, 0, 0],
    columnGap: 12,
    columns: [
      { width: 'auto', text: 'Practised', fontSize: 9, color: inks.soft, margin: [0, 9, 0, 0] },
      { width, svg },
    ],
  };
}

/** What is no drill, as a list of its own where it is all there is: the steps of a lesson. */
function before(words: readonly string[], alone: boolean): Content[] {
  if (words.length === 0) return [];
  if (alone) return [{ ol: [...words], fontSize: 13, lineHeight: 1.35, margin: [0, 8, 0, 8] }];
  return words.map((line): Content => ({ text: `First: ${line}`, italics: true, fontSize: 9, color: inks.soft }));
}

function page(request: HandoutRequest, { cells, first }: Awaited<ReturnType<typeof cellsOf>>, scale: number): Paper {
  const { exercises, corrected, routine } = request;
  const across = columnsFor(cells.length);
  const rows = Math.max(1, Math.ceil(cells.length / across));
  const width = (ROOM.width - (across - 1) * ROOM.gap) / across;
  const height = Math.max(SMALLEST, Math.min(TALLEST, ROOM.height / rows - WORDS_MM) * scale);
  const type = (across <= 2 ? 11 : across === 3 ? 9.5 : 8.5) * Math.max(0.8, scale);
  const lines = Array.from({ length: rows }, (_, row) => cells.slice(row * across, (row + 1) * across));
  return {
    title: paperTitle(request),
    content: [
      ...paperHead(request),
      ...before(first, cells.length === 0),
      ...lines.map((line, row): Content => ({
        unbreakable: true,
        columnGap: ROOM.gap * MM,
        margin: [0, 4, 0, 2],
        columns: line.map((cell, at) => cellContent(cell, row * across + at, width, height, type, corrected)),
      })),
      ...roundContent(routine, exercises),
      ticks(),
    ],
  };
}

/**
 * One page to pin up: each drill with its figure, its dose and one thing to mind, and boxes to tick for some weeks. The figures are as large
 * as lets all of it go on one page; of many drills there may be more.
 */
export async function pinUp(request: HandoutRequest): Promise<Paper> {
  const cells = await cellsOf(request);
  // What takes as much room, for trying out: pictures are heavy.
  const blank = cells.cells.map((cell) => ({ ...cell, pictures: cell.pictures.map(() => BLANK) }));
  for (const scale of scales) {
    const tried = page(request, { ...cells, cells: blank }, scale);
    const { pages } = await papers(tried.title, [tried]);
    if (pages <= 1) return page(request, cells, scale);
  }
  return page(request, cells, scales.at(-1)!);
}
