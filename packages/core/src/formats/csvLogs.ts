import Papa from 'papaparse';
import type { Exercise } from '../library/exercise';
import { MOST_LINES, MOST_PRACTISED, PracticeLogSchema, type PracticeLog } from '../practice/log';
import { csvFields, dayOrderOf, readPlace, readRow, type CsvField, type DayOrder, type PractisedRow } from './csvRow';
import type { CsvProblem, CsvRow, CsvTable } from './csvTable';

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

/** Rows between two reports of how far it is. */
const TOLD_EVERY = 1000;

export type CsvMapping = Readonly<Partial<Record<CsvField, number>>>;

/** Whose table it is and by what it is read. */
export interface CsvQuestion {
  readonly mapping: CsvMapping;
  readonly exercises: readonly Exercise[];
  readonly studentId: string;
  /** Gives the practice of a day its id. */
  readonly idOf: (day: string) => string;
  /** The segment of the student's plan in which an exercise stands, so that its strand counts it; else the exercise's id. */
  readonly segmentOf?: (exerciseId: string) => string;
  /** How days with slashes are written, where the table does not tell. */
  readonly dayOrder?: DayOrder | null;
  /** The last day on which anybody can have practised, YYYY-MM-DD. */
  readonly today: string;
  /** Is told now and then which share of the rows is read. */
  readonly progress?: (share: number) => void;
}

export interface CsvLogs {
  readonly logs: readonly PracticeLog[];
  /** By their lines. */
  readonly problems: readonly CsvProblem[];
  /** Whether a day with slashes cannot be read until it is chosen what stands first. */
  readonly asksDayOrder: boolean;
}

/**
 * How tables are written. A text that a spreadsheet would take for a formula gets an apostrophe in
 * front, which it shows as plain text (OWASP, “CSV Injection”, from memory).
 */
const written: Papa.UnparseConfig = { newline: '\r\n', escapeFormulae: true };

/** Which column holds what, guessed by its name. */
export function guessMapping(columns: readonly string[]): CsvMapping {
  const lower = columns.map((name) => name.toLowerCase());
  const entries = csvFields.flatMap((field) => {
    const index = lower.findIndex((name) => known[field].includes(name));
    return index < 0 ? [] : [[field, index] as const];
  });
  return Object.fromEntries(entries);
}

/** What is given as time ends somewhere in a repetition: two places are enough to tell. */
const hundredths = (amount: number): number => Math.round(amount * 100) / 100;

const sum = (rows: readonly PractisedRow[]): number => rows.reduce((total, row) => total + row.line.done.seconds, 0);

/** The practice of a day from its rows. */
function practiceOf(day: string, rows: readonly PractisedRow[], id: string, studentId: string): unknown {
  const efforts = rows.map((row) => row.effort).filter((value) => value !== null);
  // Where the rows of a day differ, each was asked for its own exercise; the hardest is that of the practice.
  const apart = new Set(efforts).size > 1;
  const sorest = rows.toSorted((a, b) => (b.pain ?? -1) - (a.pain ?? -1))[0]!;
  return {
    id,
    studentId,
    routineId: 'by-hand',
    routineName: 'Written down',
    day,
    // Noon where the teacher is: a table says the day, not the hour.
    startedAt: new Date(`${day}T12:00:00`).toISOString(),
    practisedSeconds: sum(rows),
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
  };
}

/** The rows of a day, and the line on which its first one stands. */
interface DayRows {
  readonly line: number;
  readonly rows: PractisedRow[];
  seconds: number;
}

/** Puts a row to those of its day; what is wrong where it cannot belong to them. */
function addRow(days: Map<string, DayRows>, { line }: CsvRow, row: PractisedRow): string | null {
  const own = days.get(row.day) ?? { line, rows: [], seconds: 0 };
  if (own.rows.length === MOST_LINES)
    return `day: “${row.day}” has more than ${MOST_LINES} rows; a practice has no more`;
  if (own.seconds + row.line.done.seconds > MOST_PRACTISED)
    return `done: with this row the practice of ${row.day} has more than 24 h`;
  own.rows.push(row);
  own.seconds += row.line.done.seconds;
  days.set(row.day, own);
  return null;
}

/**
 * The practices of a table: rows of the same day are one practice. An effort that differs from row to row is that of
 * each exercise. What cannot be read is named with its line and left out; nothing is guessed.
 */
export function csvLogs(table: CsvTable, question: CsvQuestion): CsvLogs {
  const { mapping, exercises, studentId, idOf, today } = question;
  const { segmentOf = (id: string) => id, progress = () => undefined } = question;
  const problems: CsvProblem[] = [...table.problems];
  const missing = (['day', 'exercise', 'done'] as const).filter((field) => mapping[field] === undefined);
  if (missing.length > 0) {
    const unmatched = missing.map((field) => ({ line: 1, message: `no column is chosen for “${field}”` }));
    return { logs: [], problems: [...unmatched, ...problems], asksDayOrder: false };
  }
  const cellOf =
    ({ cells }: CsvRow) =>
    (field: CsvField): string =>
      (cells[mapping[field] ?? -1] ?? '').trim();
  const slashes = table.rows.map((row) => cellOf(row)('day')).filter((day) => day.includes('/'));
  const told = dayOrderOf(slashes);
  const context = {
    shelf: new Map(
      exercises.flatMap((exercise) => [
        [exercise.name.toLowerCase(), exercise],
        [exercise.id, exercise],
      ]),
    ),
    segmentOf,
    dayOrder: told ?? question.dayOrder ?? null,
    today,
  };
  const days = new Map<string, DayRows>();
  table.rows.forEach((row, index) => {
    if (index % TOLD_EVERY === 0) progress(index / table.rows.length);
    const read = readRow(cellOf(row), context);
    const wrong = typeof read === 'string' ? read : addRow(days, row, read);
    if (wrong !== null) problems.push({ line: row.line, message: wrong });
  });
  const logs = [...days].flatMap(([day, { line, rows }]): PracticeLog[] => {
    const log = PracticeLogSchema.safeParse(practiceOf(day, rows, idOf(day), studentId));
    if (log.success) return [log.data];
    const message = log.error.issues.map(({ path, message: what }) => `${path.join('.')}: ${what}`).join('. ');
    problems.push({ line, message: `the practice of ${day} cannot be saved: ${message}` });
    return [];
  });
  return {
    logs: logs.toSorted((a, b) => a.day.localeCompare(b.day)),
    problems: problems.toSorted((a, b) => a.line - b.line),
    asksDayOrder: told === null && slashes.length > 0,
  };
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
