import type { Body } from '../body/body';
import type { Correction } from '../corrections/correction';
import { dayNumber } from '../days/dayNumber';
import type { Decision, Plan } from '../goals/plan';
import type { KnownCapacity } from '../endurance/postureAnswers';
import type { Exercise } from '../library/exercise';
import type { PracticeLog } from '../practice/log';
import type { Routine } from '../routine/routine';
import type { School } from '../schools/school';
import type { Noted } from '../screening/noted';
import type { Measure } from '../students/measure';
import { ageOn, notedOf } from '../students/notedOf';
import type { Student } from '../students/student';
import {
  ankleRangeOf,
  bodyOfStudent,
  capacityOfStudent,
  restingBreathOf,
  type StudentBody,
  type StudentCapacity,
} from '../students/studentBody';
import { practicesThatTell, TELLING_DAYS } from './practicesThatTell';

/** What is stored of a student and what it rests on, read whole: what was not read yet makes no record. */
export interface StoredPerson {
  readonly student: Student;
  /** The school of the student. */
  readonly school: School;
  readonly plans: readonly Plan[];
  readonly decisions: readonly Decision[];
  readonly logs: readonly PracticeLog[];
  readonly corrections: readonly Correction[];
  readonly measures: readonly Measure[];
  readonly routines: readonly Routine[];
  readonly exercises: readonly Exercise[];
}

/** What is known of a body, as answers, findings and limits take it. */
export interface KnownBody {
  readonly name: string;
  readonly body: Body;
  readonly capacity: KnownCapacity;
  readonly ankleRangeDeg: number;
  /** Breaths a minute at rest; null when not taken. */
  readonly restingBreath: number | null;
  /** Conditions, the teacher's own limits and what tests came to. */
  readonly noted: readonly Noted[];
  /** Years; null where the year of birth is not known. */
  readonly age: number | null;
  readonly habit: Student['habit'];
}

/**
 * All that is known of a person on a day, made once from what is stored and handed to every screen, worker, sheet and paper: nobody
 * gathers by hand. Practices are those that tell (`practicesThatTell`), in their order; corrections those of the same year.
 */
export interface PersonRecord extends StoredPerson, KnownBody, Pick<StudentBody, 'assumed'> {
  readonly capacity: StudentCapacity;
  /** YYYY-MM-DD */
  readonly today: string;
  readonly shelf: ReadonlyMap<string, Exercise>;
  /** Day of the last practice up to today; null where there is none. */
  readonly lastDay: string | null;
}

/** Shelves do not change: the same list is looked up in the same map. */
const shelves = new WeakMap<readonly Exercise[], ReadonlyMap<string, Exercise>>();
function shelfOf(exercises: readonly Exercise[]): ReadonlyMap<string, Exercise> {
  const known = shelves.get(exercises) ?? new Map(exercises.map((exercise) => [exercise.id, exercise]));
  shelves.set(exercises, known);
  return known;
}

/**
 * What is known of a person on a day.
 * @param today YYYY-MM-DD
 * @throws RangeError when a measured length cannot belong to the stature
 */
export function personRecord(stored: StoredPerson, today: string): PersonRecord {
  const { student, school, measures, exercises } = stored;
  const since = dayNumber(today) - TELLING_DAYS;
  const logs = practicesThatTell(stored.logs, today, school.raise.stopPain);
  const { body, assumed } = bodyOfStudent(student);
  let capacity: StudentCapacity | null = null;
  return {
    ...stored,
    logs,
    corrections: stored.corrections.filter(({ day }) => dayNumber(day) >= since),
    today,
    shelf: shelfOf(exercises),
    name: student.name,
    body,
    assumed,
    // Worked out when it is first asked for: many answers do not need it.
    get capacity() {
      return (capacity ??= capacityOfStudent(student, measures, today, { logs, exercises, school }));
    },
    ankleRangeDeg: ankleRangeOf(measures),
    restingBreath: restingBreathOf(measures),
    noted: notedOf(student, measures, today),
    age: ageOn(student.birthYear, today),
    habit: student.habit,
    lastDay: logs.findLast(({ day }) => day <= today)?.day ?? null,
  };
}

/** The body that is looked at where nobody is chosen. @param today YYYY-MM-DD */
export function standardPerson(today: string): KnownBody & Pick<PersonRecord, 'capacity'> {
  const { body } = bodyOfStudent(null);
  return {
    name: 'a standard body',
    body,
    capacity: capacityOfStudent(null, [], today),
    ankleRangeDeg: ankleRangeOf([]),
    restingBreath: null,
    noted: [],
    age: null,
    habit: 'active',
  };
}
