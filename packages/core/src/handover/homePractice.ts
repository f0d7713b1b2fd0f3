import { dayNumber } from '../days/dayNumber';
import type { Exercise } from '../library/exercise';
import { stopReasons } from '../plan/stopReasons';
import type { PracticeLog } from '../practice/log';
import { shortDay } from '../words/shortDay';
import type { HomeDay, HomePractice, Sheet } from './sheet';

export interface HomeToday {
  readonly day: HomeDay;
  readonly practice: HomePractice;
  /** Why it is not simply what the plan has for this day; empty when it is. */
  readonly why: string;
  /** Segments that are left out after a sign to stop, with the reasons. */
  readonly locked: readonly {
    readonly segmentId: string;
    readonly name: string;
    readonly reasons: readonly string[];
  }[];
  /** It was practised on this day already. */
  readonly done: boolean;
}

/** What the practices at home say against an exercise since the teacher last knew; empty when nothing does. */
const against = (sheet: Sheet, logs: readonly PracticeLog[], shelf: ReadonlyMap<string, Exercise>) => {
  const cleared = new Set(sheet.clearedLogs);
  const counted = logs.filter(({ id }) => !cleared.has(id));
  return (segmentId: string, exerciseId: string): string[] =>
    stopReasons({ clearedAt: null, segmentId, exerciseId }, counted, sheet.school.raise, shelf);
};

/**
 * What is practised at home on a day: the plan’s practice of that day, or the last before it; after as many days away as ease a dose,
 * the first of the sheet again, and never what a sign to stop has locked.
 * @param logs of the practices at home, those of earlier sheets too
 */
export function homeToday(sheet: Sheet, logs: readonly PracticeLog[], today: string): HomeToday[] {
  const shelf = new Map(sheet.exercises.map((exercise) => [exercise.id, exercise]));
  const reasonsOf = against(sheet, logs, shelf);
  const seen = [...logs.map(({ day }) => day), ...(sheet.lastDay === null ? [] : [sheet.lastDay])].filter(
    (day) => day <= today,
  );
  const last = seen.toSorted().at(-1);
  const away = last !== undefined && dayNumber(today) - dayNumber(last) >= sheet.school.raise.easeGapDays;
  const routines = new Set(sheet.days.map(({ practice }) => sheet.practices[practice]!.routine.id));
  return [...routines].flatMap((routineId) => {
    const own = sheet.days.filter(({ practice }) => sheet.practices[practice]!.routine.id === routineId);
    const planned = own.findLast(({ day }) => day <= today) ?? own[0]!;
    // A day of another routine only is not this one’s.
    const onThisDay = sheet.days.filter(({ day }) => day === today);
    if (planned.day !== today && onThisDay.length > 0) return [];
    const day = away ? own[0]! : planned;
    const practice = sheet.practices[day.practice]!;
    const locked = practice.routine.segments.flatMap((segment) => {
      if (segment.type !== 'exercise') return [];
      const reasons = reasonsOf(segment.id, segment.exerciseId);
      const name = shelf.get(segment.exerciseId)?.name ?? 'An exercise';
      return reasons.length === 0 ? [] : [{ segmentId: segment.id, name, reasons }];
    });
    const out = new Set(locked.map(({ segmentId }) => segmentId));
    const segments = practice.routine.segments.filter(({ id }) => !out.has(id));
    const rounds = practice.routine.rounds.filter(({ id }) => segments.some(({ roundId }) => roundId === id));
    return [
      {
        day,
        practice: { ...practice, routine: { ...practice.routine, segments, rounds } },
        why: whyOf(),
        locked,
        done: logs.some((log) => log.day === today && log.routineId === routineId),
      },
    ];

    function whyOf(): string {
      if (away) return `You last practised on ${shortDay(last)}: begin again with the first doses of this sheet.`;
      if (today > sheet.until)
        return `The weeks of this sheet ended on ${shortDay(sheet.until)}. Ask for a new one; until then keep this dose.`;
      if (planned.day > today) return `The first practice of this sheet is on ${shortDay(planned.day)}.`;
      return planned.day === today ? '' : `Not one of your practice days; this is what ${shortDay(planned.day)} had.`;
    }
  });
}
