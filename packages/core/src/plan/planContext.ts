import type { Correction } from '../corrections/correction';
import type { Plan } from '../goals/plan';
import type { Exercise } from '../library/exercise';
import type { DoseLimit } from '../limits/axisLimits';
import type { PracticeLog } from '../practice/log';
import type { Routine } from '../routine/routine';
import type { RaiseRule } from '../schools/school';

/** All that verdicts, weeks, chances and the calendar of a plan rest on; they all take the same. */
export interface PlanContext {
  readonly plan: Plan;
  /** The routine of the plan; undefined when it is gone. */
  readonly routine: Routine | undefined;
  /** ISO weekdays on which the student practises. */
  readonly practiceDays: readonly number[];
  /** All practices of the student that tell, in any order. */
  readonly logs: readonly PracticeLog[];
  /** Corrections of the student, in any order. */
  readonly corrections: readonly Correction[];
  readonly exercises: ReadonlyMap<string, Pick<Exercise, 'posture' | 'family' | 'movements'>>;
  readonly rule: RaiseRule;
  /** YYYY-MM-DD */
  readonly today: string;
  /** The smallest limit of each strand, by its id; left out where nothing limits it up to its target. */
  readonly mostDoses: ReadonlyMap<string, DoseLimit>;
  /** Segments of the routine that a sign to stop has locked, with a goal or without. */
  readonly lockedSegments: ReadonlySet<string>;
}

/** Days of practice that a plan is reckoned with while the student has none. House value. */
export const USUAL_PRACTICE_DAYS = [1, 3, 5] as const;

/** The days that a student practises, or is taken to. */
export const practiceDaysOf = ({ practiceDays }: { readonly practiceDays: readonly number[] }): readonly number[] =>
  practiceDays.length === 0 ? USUAL_PRACTICE_DAYS : practiceDays;
