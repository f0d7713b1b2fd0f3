import { pointsInWork, type Correction } from '../corrections/correction';
import { notedOf } from '../students/notedOf';
import type { Exercise } from '../library/exercise';
import type { ClassPerson } from '../practice/classJournal';
import type { Routine } from '../routine/routine';
import type { Meeting } from './meeting';
import { ownRungs, type RungRecords } from './ownRungs';

export interface ClassRecordsOf extends RungRecords {
  readonly corrections: readonly Correction[];
}

const latest = (days: readonly string[]): string | null =>
  days.reduce<string | null>((last, day) => (last === null || day > last ? day : last), null);

/**
 * Somebody of a class as known before it begins: what is done otherwise, what is in work, and how long the last correction is ago.
 * @param meetings of the class
 * @param day YYYY-MM-DD
 */
export function classPerson(
  routine: Routine,
  records: ClassRecordsOf,
  meetings: readonly Meeting[],
  shelf: ReadonlyMap<string, Exercise>,
  day: string,
): ClassPerson {
  const { student, corrections, measures } = records;
  const inWork = pointsInWork(corrections, [...new Set(corrections.map(({ checkpointId }) => checkpointId))], day);
  const been = meetings
    .filter(({ present }) => present.includes(student.id))
    .toSorted((a, b) => b.startedAt.localeCompare(a.startedAt));
  const corrected = been.filter((meeting) => meeting.corrected.includes(student.id)).map((meeting) => meeting.day);
  return {
    studentId: student.id,
    name: student.name,
    from: null,
    to: null,
    safety: inWork.some(({ safety }) => safety),
    waited: been[0]?.waiting.includes(student.id) ?? false,
    lastCorrected: latest([...corrections.map((entry) => entry.day), ...corrected]),
    inWork: inWork.map(({ checkpointId }) => checkpointId),
    cautions: [...student.cautions, ...notedOf(student, measures, day).map(({ rule }) => rule)].slice(0, 60),
    rungs: ownRungs(routine, records, shelf, day),
  };
}
