import type { Correction } from '../corrections/correction';
import type { Exercise } from '../library/exercise';
import type { PracticeLog } from '../practice/log';
import type { Routine } from '../routine/routine';
import type { RaiseRule } from '../schools/school';
import type { Plan } from './plan';

/** All that verdicts, weeks, chances and the calendar of a plan rest on; they all take the same. */
export interface PlanContext {
  readonly plan: Plan;
  /** The routine of the plan; undefined when it is gone. */
  readonly routine: Routine | undefined;
  /** ISO weekdays on which the student practises. */
  readonly practiceDays: readonly number[];
  /** All practices of the student, in any order. */
  readonly logs: readonly PracticeLog[];
  /** Corrections of the student, in any order. */
  readonly corrections: readonly Correction[];
  readonly exercises: ReadonlyMap<string, Pick<Exercise, 'posture' | 'family'>>;
  readonly rule: RaiseRule;
  /** YYYY-MM-DD */
  readonly today: string;
  /** The largest dose within the school's budget of what the body can hold, by strand; left out where it is not known. */
  readonly mostDoses: ReadonlyMap<string, number>;
}

/** Days of practice that a plan is reckoned with while the student has none. House value. */
export const USUAL_PRACTICE_DAYS = [1, 3, 5] as const;
