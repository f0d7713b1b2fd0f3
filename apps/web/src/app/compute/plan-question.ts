import type { Plan, PlanContext } from '@pomek/core';
import type { Request } from './protocol';

/** The same seasons are simulated each time, so a chance changes only when something did. */
const SEED = 1;

type Question = Omit<Extract<Request, { task: 'plan' }>, 'task'>;

/**
 * What the worker needs to reckon a plan over its weeks; null where its routine is gone.
 * @param seasons how many are played for the chances; 0 none
 */
export function planQuestion(context: PlanContext, plan: Plan, seasons: number): Question | null {
  const { routine, practiceDays, today, logs, corrections, exercises, rule, mostDoses, lockedSegments } = context;
  if (routine === undefined) return null;
  const used = new Set(plan.strands.map(({ exerciseId }) => exerciseId));
  return {
    plan,
    routine,
    practiceDays: [...practiceDays],
    today,
    logs: [...logs],
    corrections: [...corrections],
    drills: [...exercises]
      .filter(([id]) => used.has(id))
      .map(([id, { family, posture, movements }]) => ({ id, family, posture, movements })),
    rule,
    seed: SEED,
    seasons,
    mostDoses: [...mostDoses],
    lockedSegments: [...lockedSegments],
  };
}
