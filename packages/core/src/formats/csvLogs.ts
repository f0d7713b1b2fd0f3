import Papa from 'papaparse';
import { firstSeconds, repetitionsTotal } from '../library/repetitions';
import type { Exercise } from '../library/exercise';
import { MOST_LINES, PracticeLogSchema, type LogLine, type PracticeLog } from '../practice/log';
import { painPlaces, type PainPlace } from '../practice/painPlace';
import { parseDuration } from '../words/parseDuration';

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

/** Words by which a column is recognised, in lower case. */
const known: Record<CsvField, readonly string[]> = {
  day: ['day', 'date', 'when'],
  exercise: ['exercise', 'drill', 'name', 'what'],
  side: ['side', 'left/right'],
  done: ['done', 'amount', 'time', 'held', 'seconds', 'repetitions', 'reps', 'breaths'],
  asked: ['asked', 'planned', 'target', 'dose'],
  effort: ['effort', 'rpe', 'exertion'],
  'own effort': ['own effort', 'effort of the exercise', 'exercise effort'],
  pain: ['pain'],
  'pain place': ['pain place', 'pain where', 'where', 'place'],
  note: ['note', 'notes', 'remark', 'comment'],
};

/** Longest text of where it hurts. */
const MOST_WHERE = 120;

/** Rows between two reports of how far it is. */
const TOLD_EVERY = 1000;

export interface CsvTable {
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
}
export type CsvMapping = Readonly<Partial<Record<CsvField, number>>>;

export interface CsvProblem {
  /** Line of the file, from 1. */
  readonly line: number;
  readonly message: string;
}
export interface CsvLogs {
  readonly logs: readonly PracticeLog[];
  readonly problems: readonly CsvProblem[];
}

/**
 * How tables are written. A text that a spreadsheet would take for a formula gets an apostrophe in
 * front, which it shows as plain text (OWASP, “CSV Injection”, from memory).
 */
const written: Papa.UnparseConfig = { newline: '\r\n', escapeFormulae: true };
/** A text with the apostrophe that keeps it from being a formula. */
const GUARDED = /^'(?=[=+\-@\t\r])/;

/** A table with a head line (RFC 4180), whatever separates its columns. */
export function readCsv(text: string): CsvTable {
  const { data } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' });
  const [columns = [], ...rows] = data;
  return {
    columns: columns.map((name) => name.trim()),
    rows: rows.map((row) => row.map((cell) => cell.replace(GUARDED, ''))),
  };
}

/** Which column holds what, guessed by its name. */
export function guessMapping(columns: readonly string[]): CsvMapping {
  const lower = columns.map((name) => name.toLowerCase());
  const entries = csvFields.flatMap((field) => {
    const index = lower.findIndex((name) => known[field].includes(name));
    return index < 0 ? [] : [[field, index] as const];
  });
  return Object.fromEntries(entries);
}

const dotted = /^(\d{1,2})[./](\d{1,2})[./](\d{4})$/;

/** A day as YYYY-MM-DD or as day.month.year; null when it is none. */
function readDay(text: string): string | null {
  const own = dotted.exec(text);
  const day = own === null ? text : `${own[3]!}-${own[2]!.padStart(2, '0')}-${own[1]!.padStart(2, '0')}`;
  const date = new Date(`${day}T00:00:00Z`);
  return Number.isNaN(date.getTime()) || date.toISOString().slice(0, 10) !== day ? null : day;
}

const sides: Readonly<Record<string, LogLine['side']>> = {
  '': 'both',
  both: 'both',
  left: 'left',
  l: 'left',
  right: 'right',
  r: 'right',
};

function rating(text: string, what: string): number | null | string {
  if (text === '') return null;
  const value = Number(text.replace(',', '.'));
  return Number.isFinite(value) && value >= 0 && value <= 10 ? Math.round(value) : `${what}: “${text}” is not 0 to 10`;
}

interface Row {
  readonly day: string;
  readonly line: LogLine;
  readonly effort: number | null;
  readonly pain: number | null;
  readonly painWhere: string;
  readonly painPlace: PainPlace | null;
  readonly note: string;
}

/** What is given as time ends somewhere in a repetition: two places are enough to tell. */
const hundredths = (amount: number): number => Math.round(amount * 100) / 100;

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
function readPlace(text: string): Pick<Row, 'painPlace' | 'painWhere'> {
  const lower = text.toLowerCase();
  const place = placeWords.find(([word]) => lower.includes(word))?.[1] ?? null;
  return { painPlace: place, painWhere: lower === place ? '' : text.slice(0, MOST_WHERE) };
}

function readRow(
  cell: (field: CsvField) => string,
  shelf: ReadonlyMap<string, Exercise>,
  segmentOf: (exerciseId: string) => string,
): Row | string {
  const day = readDay(cell('day'));
  if (day === null) return `day: “${cell('day')}” is no day like 2026-03-31 or 31.3.2026`;
  const exercise = shelf.get(cell('exercise').toLowerCase());
  if (exercise === undefined) return `exercise: “${cell('exercise')}” is not on the shelf`;
  const side = sides[cell('side').toLowerCase()];
  if (side === undefined) return `side: “${cell('side')}” is neither left, right nor both`;
  const { kind } = exercise.defaultDose;
  const amountOf = (field: 'done' | 'asked'): number | null =>
    kind === 'hold'
      ? parseDuration(cell(field))
      : Number.isFinite(Number(cell(field))) && cell(field) !== ''
        ? Number(cell(field))
        : null;
  const done = amountOf('done');
  if (done === null || done < 0) {
    return `done: “${cell('done')}” is no ${kind === 'hold' ? 'time like 90, 1:30 or 2 min' : 'number'}`;
  }
  const asked = cell('asked') === '' ? done : amountOf('asked');
  if (asked === null || asked < 0) return `asked: “${cell('asked')}” cannot be read`;
  const effort = rating(cell('effort'), 'effort');
  if (typeof effort === 'string') return effort;
  const own = rating(cell('own effort'), 'own effort');
  if (typeof own === 'string') return own;
  const pain = rating(cell('pain'), 'pain');
  if (typeof pain === 'string') return pain;
  const dose = exercise.defaultDose;
  const amount = (value: number, whole: number): LogLine['done'] => {
    if (dose.kind === 'hold') return { amount: whole === 0 ? 0 : value / whole, seconds: value };
    return { amount: value, seconds: repetitionsTotal(firstSeconds(dose), dose.slowing, value) };
  };
  return {
    day,
    effort,
    pain,
    ...readPlace((pain ?? 0) > 0 ? cell('pain place') : ''),
    note: cell('note'),
    line: {
      segmentId: segmentOf(exercise.id),
      exerciseId: exercise.id,
      exerciseName: exercise.name,
      kind,
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
    },
  };
}

/**
 * The practices of a table: rows of the same day are one practice. An effort that differs from row to row is that of each
 * exercise. What cannot be read is named with its
 * line and left out; nothing is guessed.
 * @param idOf gives a practice of a day its id
 * @param progress is told now and then which share of the rows is read
 * @param segmentOf the segment of the student's plan in which an exercise stands, so that its strand counts it
 */
export function csvLogs(
  table: CsvTable,
  mapping: CsvMapping,
  exercises: readonly Exercise[],
  studentId: string,
  idOf: (day: string) => string,
  segmentOf: (exerciseId: string) => string = (id) => id,
  progress: (share: number) => void = () => undefined,
): CsvLogs {
  const shelf = new Map(
    exercises.flatMap((exercise) => [
      [exercise.name.toLowerCase(), exercise],
      [exercise.id, exercise],
    ]),
  );
  const problems: CsvProblem[] = [];
  for (const field of ['day', 'exercise', 'done'] as const) {
    if (mapping[field] === undefined) problems.push({ line: 1, message: `no column is chosen for “${field}”` });
  }
  if (problems.length > 0) return { logs: [], problems };
  const days = new Map<string, Row[]>();
  table.rows.forEach((row, index) => {
    const cell = (field: CsvField): string => {
      return (row[mapping[field] ?? -1] ?? '').trim();
    };
    if (index % TOLD_EVERY === 0) progress(index / table.rows.length);
    const read = readRow(cell, shelf, segmentOf);
    if (typeof read === 'string') {
      problems.push({ line: index + 2, message: read });
      return;
    }
    const own = days.get(read.day) ?? [];
    if (own.length === MOST_LINES) {
      const message = `day: “${cell('day')}” has more than ${MOST_LINES} rows; a practice has no more`;
      problems.push({ line: index + 2, message });
      return;
    }
    own.push(read);
    days.set(read.day, own);
  });
  const logs = [...days].map(([day, rows]): PracticeLog => {
    const efforts = rows.map((row) => row.effort).filter((value) => value !== null);
    // Where the rows of a day differ, each was asked for its own exercise; the hardest is that of the practice.
    const apart = new Set(efforts).size > 1;
    const sorest = rows.toSorted((a, b) => (b.pain ?? -1) - (a.pain ?? -1))[0]!;
    return PracticeLogSchema.parse({
      id: idOf(day),
      studentId,
      routineId: 'by-hand',
      routineName: 'Written down',
      day,
      // Noon where the teacher is: a table says the day, not the hour.
      startedAt: new Date(`${day}T12:00:00`).toISOString(),
      practisedSeconds: rows.reduce((sum, row) => sum + row.line.done.seconds, 0),
      source: 'by hand',
      classId: null,
      lines: rows.map((row) => (apart ? { ...row.line, effort: row.line.effort ?? row.effort } : row.line)),
      effort: efforts.length === 0 ? null : Math.max(...efforts),
      pain: sorest.pain,
      painWhere: sorest.painWhere,
      painPlace: sorest.painPlace,
      symptoms: [],
      shook: [],
      hands: [],
      note: [...new Set(rows.map((row) => row.note))]
        .filter((note) => note !== '')
        .join(' · ')
        .slice(0, 2000),
    });
  });
  return { logs: logs.toSorted((a, b) => a.day.localeCompare(b.day)), problems };
}

/** Where it hurt, in words that are read back: the text where it names the place, else both. */
function placeOf({ painPlace, painWhere }: Pick<PracticeLog, 'painPlace' | 'painWhere'>): string {
  if (painPlace === null || painWhere === '') return painWhere === '' ? (painPlace ?? '') : painWhere;
  return readPlace(painWhere).painPlace === painPlace ? painWhere : `${painPlace}: ${painWhere}`;
}

/** Practices as a table that can be read back (RFC 4180): one row a line. */
export function logsCsv(logs: readonly PracticeLog[]): string {
  const rows = logs.flatMap((log) =>
    log.lines.map((line) => ({
      day: log.day,
      exercise: line.exerciseName,
      side: line.side,
      done: line.kind === 'hold' ? Math.round(line.done.seconds) : hundredths(line.done.amount),
      asked: line.kind === 'hold' ? Math.round(line.asked.seconds) : hundredths(line.asked.amount),
      effort: log.effort ?? '',
      'own effort': line.effort ?? '',
      pain: log.pain ?? '',
      'pain place': placeOf(log),
      note: log.note,
    })),
  );
  return Papa.unparse({ fields: [...csvFields], data: rows }, written);
}

/** Any table of values as CSV (RFC 4180). */
export const tableCsv = (columns: readonly string[], rows: readonly (readonly (string | number)[])[]): string =>
  Papa.unparse({ fields: [...columns], data: rows.map((row) => [...row]) }, written);
