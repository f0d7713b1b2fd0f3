import { checkRange } from '../words/checkRange';

/** Postural tone: no held posture asks for less than this share of a joint's capacity. House value. */
export const LEAST_EFFORT = 0.03;

/**
 * Share of a joint's capacity that a moment asks for, never below {@link LEAST_EFFORT}.
 * @param momentNm N·m, its sign left out
 * @param capacityNm N·m, more than 0
 */
export function relativeEffort(momentNm: number, capacityNm: number): number {
  checkRange('momentNm', momentNm, -2000, 2000);
  checkRange('capacityNm', capacityNm, 1e-6, 5000);
  return Math.max(LEAST_EFFORT, Math.abs(momentNm) / capacityNm);
}
