import { pointsInWork } from '../corrections/correction';
import type { PersonRecord } from '../person/personRecord';
import type { ClassPerson } from '../practice/classJournal';
import type { Routine } from '../routine/routine';
import type { Meeting } from './meeting';
import { ownRungs } from './ownRungs';

const latest = (days: readonly string[]): string | null =>
  days.reduce<string | null>((last, day) => (last === null || day > last ? day : last), null);

/**
 * Somebody of a class as known before it begins: what is done otherwise, what is in work, and how long the last correction is ago.
 * @param meetings of the class
 */
export function classPerson(routine: Routine, person: PersonRecord, meetings: readonly Meeting[]): ClassPerson {
  const { student, corrections, noted, today: day } = person;
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
    cautions: [...student.cautions, ...noted.map(({ rule }) => rule)].slice(0, 60),
    rungs: ownRungs(routine, person),
  };
}
