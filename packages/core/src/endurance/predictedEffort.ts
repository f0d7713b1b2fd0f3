import { checkRange } from '../words/checkRange';

/**
 * Predicted effort of a hold, 0–10: ten times the share of its endurance time, at least 1, at most 10
 * (house rule on the category-ratio scale, Borg 1998).
 */
export function predictedEffort(seconds: number, enduranceSeconds: number): number {
  checkRange('seconds', seconds, 0, 24 * 3600);
  checkRange('enduranceSeconds', enduranceSeconds, 1e-3, Number.MAX_VALUE);
  return Math.min(10, Math.max(1, (10 * seconds) / enduranceSeconds));
}
