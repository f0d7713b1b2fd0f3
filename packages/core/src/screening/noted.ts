import { conditionRules } from './conditionRules';
import { type Condition } from './conditions';
import { conditionLimits, type BodyLimits } from './limits';

/** One thing noted of a person that acts: a condition, what a test came to, or a teacher's own limit. */
export interface Noted {
  /** As it is said. */
  readonly because: string;
  readonly rule: string;
  /** The side that has it; null where it is the whole body, or not said. */
  readonly side: 'left' | 'right' | null;
  readonly limits: BodyLimits;
  /** First doses of what loads the legs are this share of the usual; left out: all of it. */
  readonly firstShare?: number;
}

/** A condition as it acts. */
export const notedCondition = (condition: Condition, side: 'left' | 'right' | null = null): Noted => ({
  because: side === null ? condition : `${condition} on the ${side}`,
  rule: conditionRules[condition],
  side,
  limits: conditionLimits[condition],
});
