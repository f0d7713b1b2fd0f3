import { seasonStart as start, seasonStrand } from '../testing/seasonSamples';
import { newState } from './machine/strandState';
import type { SeasonStrand } from './season/seasonProblem';
import { withinMinutes } from './withinMinutes';

/** From 10 to 20, a tenth of a minute each. */
const at = (days: number, change: Partial<SeasonStrand> & { target?: number } = {}) =>
  seasonStrand({ level: 10, target: 20, targetDay: start + days, ...change });
const within = (strands: readonly SeasonStrand[], limit: number | null, base = 1) =>
  withinMinutes(strands, () => base, limit);
/** How far each may come; null to its goal. */
const most = (strands: readonly SeasonStrand[], limit: number | null, base = 1) =>
  within(strands, limit, base).map(({ ladder }) => (ladder.mostBy === 'minutes' ? ladder.most : null));
const pair = [at(40), at(20)];

test('without a limit, and with room for all, all stays as it is, and nothing is reckoned for no limit', () => {
  const never = () => {
    throw new Error('not asked');
  };
  expect(withinMinutes(pair, never, null)).toBe(pair);
  expect(within(pair, 5)).toBe(pair);
  expect(most(pair, 4.99)).toEqual([19, null]);
});

test('as many goals as can be, of equally many the nearer; the rest goes to the others in the order of their days', () => {
  expect(most(pair, 4)).toEqual([10, null]);
  expect(most(pair, 4.5)).toEqual([15, null]);
  expect(most(pair, 3.9)).toEqual([10, 19]);
  // Two near ones that take less come before one that takes more, though its day is the nearest.
  const three = [at(10, { target: 40 }), at(20), at(30)];
  expect(most(three, 6)).toEqual([10, null, null]);
  expect(most(three, 6.5)).toEqual([15, null, null]);
  expect(most(three, 7)).toEqual([20, null, null]);
  // Of two the nearer two.
  const alike = [at(30), at(20), at(10)];
  expect(most(alike, 6)).toEqual([10, null, null]);
  expect(most(alike, 5.5)).toEqual([10, 15, null]);
});

test('nobody is cut below where they stand, or below one step; doses stay on the step', () => {
  expect(most(pair, 2)).toEqual([10, 10]);
  const closed = at(40, { state: newState(10, false), ladder: { ...at(40).ladder, step: 5 } });
  expect(most([closed, at(20)], 3)).toEqual([5, null]);
  expect(most([closed, at(20)], 3.9)).toEqual([5, null]);
  expect(most([closed, at(20)], 4.2)).toEqual([10, null]);
});

test('what takes no minutes, or is as far as its body lets it, needs none', () => {
  const still = at(40, { minutesPerUnit: 0 });
  expect(most([still, at(20)], 2.5)).toEqual([null, 15]);
  // Not even where the session is too long already.
  expect(most([still, at(20)], 1.5)).toEqual([null, 10]);
  expect(most([at(10, { minutesPerUnit: 0 }), at(20)], 1.5)).toEqual([null, 10]);
  const ended = at(40, { ladder: { ...at(40).ladder, most: 10, mostBy: 'strength', cap: null } });
  expect(most([ended, at(20)], 4)).toEqual([null, null]);
  expect(within([ended, at(20)], 3.5)[0]).toBe(ended);
});
