import type { Correction } from '../corrections/correction';
import type { Exercise } from '../library/exercise';
import type { PracticeLog } from '../practice/log';
import type { Routine } from '../routine/routine';
import type { RaiseRule } from '../schools/school';
import type { Plan } from './plan';

/** The largest dose a body allows, and by what: the school's budget of what it can hold, or knees and heels. */
export interface MostDose {
  readonly dose: number;
  readonly by: 'capacity' | 'alignment';
}

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
  /** The largest dose that the body allows, by strand; left out where nothing is known that limits it. */
  readonly mostDoses: ReadonlyMap<string, MostDose>;
}

/** Days of practice that a plan is reckoned with while the student has none. House value. */
export const USUAL_PRACTICE_DAYS = [1, 3, 5] as const;
