import { repetitionsTotal, firstSeconds } from '../library/repetitions';
import type { Exercise } from '../library/exercise';
import { MOST_AMOUNT } from '../library/dose';
import { MOST_PRACTISED, type LogLine } from '../practice/log';
import { painPlaces, type PainPlace } from '../practice/painPlace';
import { EARLIEST_DAY } from '../days/daySchema';
import { parseDuration } from '../words/parseDuration';
import { parseNumber } from '../words/parseNumber';

/** What a column of a table of practices can hold. */
export const csvFields = [
  'day',
  'exercise',
  'side',
  'done',
  'asked',
  'effort',
  'own effort',
  'pain',
  'pain place',
  'note',
] as const;
export type CsvField = (typeof csvFields)[number];

/** What 03/04/2026 is: 3 April or 4 March. */
export const dayOrders = ['day first', 'month first'] as const;
export type DayOrder = (typeof dayOrders)[number];

/** What a row tells of one exercise, and of the practice of its day. */
export interface PractisedRow {
  readonly day: string;
  readonly line: LogLine;
  readonly effort: number | null;
  readonly pain: number | null;
  readonly painWhere: string;
  readonly painPlace: PainPlace | null;
  readonly note: string;
}

/** What a row is read by. */
export interface RowContext {
  /** Exercises by their ids and by their names in lower case. */
  readonly shelf: ReadonlyMap<string, Exercise>;
  /** The segment of the student's plan in which an exercise stands. */
  readonly segmentOf: (exerciseId: string) => string;
  /** How days with slashes are written; null where the table does not tell. */
  readonly dayOrder: DayOrder | null;
  /** The last day on which anybody can have practised, YYYY-MM-DD. */
  readonly today: string;
}

/** Longest text of where it hurts. */
const MOST_WHERE = 120;

const dotted = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/;
const slashed = /^(\d{1,2})\/(\d{1,2})\/(\d{4})$/;

/**
 * How the days of a table with slashes are written, by the first of them that leaves no choice; null where none does.
 * @param days the cells of the column of days
 */
export function dayOrderOf(days: readonly string[]): DayOrder | null {
  for (const text of days) {
    const [, first = '', second = ''] = slashed.exec(text.trim()) ?? [];
    if (Number(first) > 12) return 'day first';
    if (Number(second) > 12) return 'month first';
  }
  return null;
}

/** A day that is there in the calendar, YYYY-MM-DD; null when it is not. */
function dayOf(year: string, month: string, day: string): string | null {
  const text = `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  const date = new Date(`${text}T00:00:00Z`);
  return Number.isNaN(date.getTime()) || date.toISOString().slice(0, 10) !== text ? null : text;
}

/** The day of a row, YYYY-MM-DD, or what is wrong with it. */
function readDay(text: string, { dayOrder, today }: RowContext): { readonly day: string } | string {
  const [, dotDay, dotMonth, dotYear] = dotted.exec(text) ?? [];
  const [, first, second, slashYear] = slashed.exec(text) ?? [];
  const [, isoYear, isoMonth, isoDay] = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text) ?? [];
  let day: string | null = null;
  if (isoYear !== undefined) day = dayOf(isoYear, isoMonth!, isoDay!);
  else if (dotYear !== undefined) day = dayOf(dotYear, dotMonth!, dotDay!);
  else if (slashYear !== undefined) {
    if (dayOrder === null && first !== second)
      return `day: “${text}” may have its day or its month first; choose which above`;
    day = dayOrder === 'month first' ? dayOf(slashYear, first!, second!) : dayOf(slashYear, second!, first!);
  }
  if (day === null) return `day: “${text}” is no day like 2026-03-31 or 31.3.2026`;
  if (day < EARLIEST_DAY) return `day: “${text}” is before ${EARLIEST_DAY}`;
  if (day > today) return `day: “${text}” is later than today`;
  return { day };
}

const sides: Readonly<Record<string, LogLine['side']>> = {
  '': 'both',
  both: 'both',
  left: 'left',
  l: 'left',
  right: 'right',
  r: 'right',
};

/** A whole number from 0 to 10; null where nothing is written. */
function rating(text: string, what: string): number | null | string {
  if (text === '') return null;
  const value = parseNumber(text);
  if (value === null || value > 10) return `${what}: “${text}” is not 0 to 10`;
  return Number.isInteger(value) ? value : `${what}: “${text}” is between two marks of the scale; write a whole number`;
}

/** Words by which a place that hurts is recognised, the longer ones first. */
const placeWords: readonly (readonly [string, PainPlace])[] = [
  ...painPlaces.map((place) => [place, place] as const),
  ['back', 'low back'],
  ['foot', 'ankle or foot'],
  ['ankle', 'ankle or foot'],
  ['elbow', 'elbow or wrist'],
  ['wrist', 'elbow or wrist'],
];

/** The place a text names, and the text where it says more; a place that is not known stays a text. */
export function readPlace(text: string): Pick<PractisedRow, 'painPlace' | 'painWhere'> {
  const lower = text.toLowerCase();
  const place = placeWords.find(([word]) => lower.includes(word))?.[1] ?? null;
  return { painPlace: place, painWhere: lower === place ? '' : text.slice(0, MOST_WHERE) };
}

/** Seconds of a hold, repetitions or breaths; or what is wrong with them. */
function readAmount(text: string, what: string, isHold: boolean): number | string {
  const value = isHold ? parseDuration(text) : parseNumber(text);
  if (value === null) return `${what}: “${text}” is no ${isHold ? 'time like 90, 1:30 or 2 min' : 'number'}`;
  if (isHold && value > MOST_PRACTISED) return `${what}: “${text}” is more than 24 h`;
  return !isHold && value > MOST_AMOUNT ? `${what}: “${text}” is more than ${MOST_AMOUNT}` : value;
}

/**
 * What a row of a table tells, or what is wrong with it; nothing is guessed.
 * @param cell the text of a column, trimmed; empty where the table has none
 */
export function readRow(cell: (field: CsvField) => string, context: RowContext): PractisedRow | string {
  const when = readDay(cell('day'), context);
  if (typeof when === 'string') return when;
  const exercise = context.shelf.get(cell('exercise').toLowerCase());
  if (exercise === undefined) return `exercise: “${cell('exercise')}” is not on the shelf`;
  const side = sides[cell('side').toLowerCase()];
  if (side === undefined) return `side: “${cell('side')}” is neither left, right nor both`;
  const dose = exercise.defaultDose;
  const isHold = dose.kind === 'hold';
  const done = readAmount(cell('done'), 'done', isHold);
  if (typeof done === 'string') return done;
  const asked = cell('asked') === '' ? done : readAmount(cell('asked'), 'asked', isHold);
  if (typeof asked === 'string') return asked;
  const effort = rating(cell('effort'), 'effort');
  if (typeof effort === 'string') return effort;
  const own = rating(cell('own effort'), 'own effort');
  if (typeof own === 'string') return own;
  const pain = rating(cell('pain'), 'pain');
  if (typeof pain === 'string') return pain;
  const amount = (value: number, whole: number): LogLine['done'] => {
    if (dose.kind === 'hold') return { amount: whole === 0 ? 0 : value / whole, seconds: value };
    return { amount: value, seconds: repetitionsTotal(firstSeconds(dose), dose.slowing, value) };
  };
  const line: LogLine = {
    segmentId: context.segmentOf(exercise.id),
    exerciseId: exercise.id,
    exerciseName: exercise.name,
    kind: dose.kind,
    side,
    direction: 'none',
    asked: amount(asked, asked),
    done: amount(done, asked),
    alignmentKept: null,
    enough: null,
    effort: own,
    turned: null,
    staySeconds: null,
    firmness: null,
    gaveOut: null,
  };
  if (line.done.seconds > MOST_PRACTISED || line.asked.seconds > MOST_PRACTISED)
    return `done: “${cell('done')}” of ${exercise.name} takes more than 24 h`;
  return { ...when, effort, pain, ...readPlace((pain ?? 0) > 0 ? cell('pain place') : ''), note: cell('note'), line };
}
