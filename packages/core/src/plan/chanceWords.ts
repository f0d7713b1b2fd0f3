import { percent } from '../words/percent';
import type { StrandChance } from './strandChances';

/** The chance of a goal, and what it rests on, in a sentence. */
export function chanceWords({
  attendance,
  passRate,
  byTargetDay,
}: Pick<StrandChance, 'attendance' | 'passRate' | 'byTargetDay'>): string {
  const rests = `${percent(attendance)} of the practice days attended, ${percent(passRate)} of the practices done in full`;
  return `Going on as in the last weeks (${rests}), about ${Math.round(byTargetDay * 10)} of 10 would reach it by the day.`;
}
