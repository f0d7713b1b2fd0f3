import { stopReasons } from '../plan/stopReasons';
import type { PracticeLog } from '../practice/log';
import type { School } from '../schools/school';
import type { Student } from '../students/student';
import { shortDay } from '../words/shortDay';
import type { HomeLog } from './homeLog';

/** What a log that came back would do, before anything is written. */
export interface HomePreview {
  readonly student: Student;
  /** Practices that are not kept yet, the first first. */
  readonly fresh: readonly PracticeLog[];
  /** How many of them are kept already. */
  readonly known: number;
  /** New practices with pain at the school’s limit or a sign to stop, with the words for it. */
  readonly stops: readonly { readonly log: PracticeLog; readonly reasons: readonly string[] }[];
  /** What is to be minded: an older sheet, days that are yet to come. */
  readonly notes: readonly string[];
}
export type HomePreviewResult =
  { readonly ok: true; readonly preview: HomePreview } | { readonly ok: false; readonly message: string };

export interface HomeStored {
  readonly students: readonly Student[];
  /** Whether a practice is kept, by id. */
  readonly keptLogs: ReadonlySet<string>;
  readonly schoolOf: (student: Student) => Pick<School, 'raise'>;
  readonly today: string;
}

/** Whose log it is, what of it is new, and what must be seen first. Writes nothing. */
export function homePreview(log: HomeLog, { students, keptLogs, schoolOf, today }: HomeStored): HomePreviewResult {
  const student = students.find(({ id }) => id === log.studentId);
  if (student === undefined) {
    return {
      ok: false,
      message: `This is the log of ${log.studentName === '' ? 'somebody' : log.studentName} who is not among your students: it was given home by somebody else, or the person was removed.`,
    };
  }
  if (log.logs.some(({ studentId }) => studentId !== student.id)) {
    return { ok: false, message: 'The log has practices of more than one person in it. Nothing of it is imported.' };
  }
  const once = [...new Map(log.logs.map((entry) => [entry.id, entry])).values()];
  const fresh = once.filter(({ id }) => !keptLogs.has(id)).toSorted((a, b) => a.startedAt.localeCompare(b.startedAt));
  const rule = schoolOf(student).raise;
  const stops = fresh
    .map((entry) => ({
      log: entry,
      reasons: stopReasons({ clearedAt: null, segmentId: '', exerciseId: '' }, [entry], rule),
    }))
    .filter(({ reasons }) => reasons.length > 0);
  const ahead = fresh.filter(({ day }) => day > today);
  const { sheet } = student;
  return {
    ok: true,
    preview: {
      student,
      fresh,
      known: once.length - fresh.length,
      stops,
      notes: [
        ...(sheet !== null && sheet.id !== log.sheetId
          ? [
              `Practised with the sheet of ${shortDay(log.sheetMadeOn)}, not with the last one, of ${shortDay(sheet.madeOn)}: the doses were those of then.`,
            ]
          : []),
        ...(ahead.length > 0
          ? [
              `${ahead.length === 1 ? 'One practice is' : `${ahead.length} practices are`} dated after today: the clock of the phone is ahead. They count from their day on.`,
            ]
          : []),
      ],
    },
  };
}
