import { daily, seasonProblem, seasonStart as start, seasonStrand } from '../../testing/seasonSamples';
import { newState, type StrandState } from '../machine/strandState';
import { planSeason, type Season } from './planSeason';
import type { SeasonStrand } from './seasonProblem';

const one = { raisesPerFamily: 1 };
const at = (level: number, target: number, days: number, change: Partial<SeasonStrand> = {}) =>
  seasonStrand({ level, target, targetDay: start + days, ...change });
/** Met twice, the last time yesterday. */
const due = (level: number, change: Partial<StrandState> = {}): StrandState => ({
  ...newState(level),
  lastOn: start - 1,
  sessions: 2,
  metRun: 2,
  goodRun: 2,
  ...change,
});
const of = <K extends keyof Season['strands'][number]['weeks'][number]>(season: Season, index: number, key: K) =>
  season.strands[index]!.weeks.map((week) => week[key]);

test('of two of one family the nearer goal rises first, and the other says for whom it waits', () => {
  const season = planSeason(
    seasonProblem([at(10, 12.5, 60, { id: 'late' }), at(10, 15, 10, { id: 'near' })], { rails: one }),
  );
  expect(of(season, 1, 'raised')).toEqual([true, true, false, false]);
  expect(of(season, 0, 'raised')).toEqual([false, false, true, false]);
  const waits = { rail: 'family', waitsFor: 1 };
  expect(of(season, 0, 'held')).toEqual([waits, waits, null, null]);
  expect(of(season, 1, 'held')).toEqual([null, null, null, null]);
  expect(of(season, 0, 'from')).toEqual([10, 10, 10, 12.5]);
  expect(of(season, 0, 'level')).toEqual([10, 10, 12.5, 12.5]);
  expect(of(season, 0, 'week')).toEqual([0, 1, 2, 3]);
  expect(season.strands.map(({ arrival, alone }) => [arrival! - start, alone! - start])).toEqual([
    [14, 2],
    [8, 8],
  ]);
  expect(season).toMatchObject({ weekCount: 4, proven: true, needless: 0, largestGrowth: 0.125 });
});

test('it waits for the one of its family, or of its segment, that rose, not for another', () => {
  const reeling = at(10, 20, 5, { id: 'r', family: 'reeling' });
  const pair = [at(10, 15, 10, { id: 'a' }), at(10, 15, 60, { id: 'b' })];
  expect(planSeason(seasonProblem([reeling, ...pair], { rails: one })).strands[2]!.weeks[0]!.held).toEqual({
    rail: 'family',
    waitsFor: 1,
  });
  const axes = pair.map((strand) => ({ ...strand, segment: 'drill' }));
  expect(planSeason(seasonProblem([reeling, ...axes])).strands[2]!.weeks[0]!.held).toEqual({
    rail: 'axis',
    waitsFor: 1,
  });
});

test('where the load is full it waits for the nearest goal that rose; where the minutes are, for none', () => {
  const pair = [at(10, 12.5, 10, { id: 'a' }), at(10, 12.5, 60, { id: 'b', family: 'reeling' })];
  const load = planSeason(seasonProblem(pair, { rails: { loadGrowth: 0.13 } }));
  expect(load.strands[1]!.weeks[0]!.held).toEqual({ rail: 'load', waitsFor: 0 });
  const full = planSeason(seasonProblem(pair, { rails: { sessionMinutes: 2 } }));
  expect(full.strands[1]!.weeks[0]!.held).toEqual({ rail: 'minutes', waitsFor: null });
  expect(full.strands[1]).toMatchObject({ arrival: null, alone: start + 2 });
  // It gives up after eight weeks in which nothing might rise.
  expect(full.weekCount).toBe(9);
});

test('it waits for a goal that needs what it would take, though nothing is in its way yet', () => {
  // Six tenths of a minute are left: the heavy one comes to its goal with five, in two raises.
  const room = { rails: { sessionMinutes: 2.6 } };
  const heavy = (change: Partial<SeasonStrand> = {}) => at(10, 15, 20, { id: 'a', family: 'reeling', ...change });
  const both = planSeason(seasonProblem([at(10, 12.5, 28), heavy()], room));
  expect(of(both, 1, 'raised').slice(0, 2)).toEqual([true, true]);
  expect(both.strands[0]!.weeks[0]!.held).toEqual({ rail: 'order', waitsFor: 1 });
  expect(both.strands[0]!.weeks[1]!.held).toEqual({ rail: 'minutes', waitsFor: 1 });
  // The heavy one rose yesterday and is due only next week; the other could not be in time any more.
  const state = { ...newState(10), raisedOn: start - 1 };
  const calendar = { ...daily, practiceDays: [1, 2] };
  const later = planSeason(seasonProblem([at(10, 15, 1), heavy({ state })], { ...room, calendar }));
  expect(of(later, 1, 'raised').slice(0, 3)).toEqual([false, true, true]);
  expect(later.strands[0]!.weeks[0]!.held).toEqual({ rail: 'order', waitsFor: 1 });
});

test('a closed strand waits at its gate, and one that is open at none', () => {
  const gate = { strand: 0, dose: 12 };
  const season = planSeason(seasonProblem([at(10, 12.5, 10), at(10, 10, 60, { id: 'b', gate })], {}), 4);
  expect(of(season, 1, 'closed')).toEqual([true, false, false, false]);
  expect(of(season, 1, 'held')).toEqual([{ rail: 'gate', waitsFor: 0 }, null, null, null]);
  expect(of(season, 1, 'level')).toEqual([0, 10, 10, 10]);
  expect(season.weekCount).toBe(4);
  const open = at(10, 10, 60, { id: 'b', gate: { strand: 0, dose: 99 }, state: newState(10) });
  expect(of(planSeason(seasonProblem([at(10, 12.5, 10), open])), 1, 'held')).toEqual([null, null]);
});

test('behind the weeks that were gone through nothing is decided, and nobody waits', () => {
  const beyond = planSeason(seasonProblem([at(10, 1000, 30)], { mostWeeks: 3 }), 6);
  expect(of(beyond, 0, 'raised')).toEqual([true, true, true, false, false, false]);
  expect(of(beyond, 0, 'held')).toEqual([null, null, null, null, null, null]);
  expect(beyond.strands[0]).toMatchObject({ arrival: null, alone: null });
});

test('what rises at the first moment is what is due and has its turn', () => {
  const now = (strands: readonly SeasonStrand[], rails = {}) =>
    planSeason(seasonProblem(strands, { rails })).strands.map(({ risesNow }) => risesNow);
  const pair = [at(10, 15, 60, { state: due(10) }), at(10, 15, 10, { id: 'b', state: due(10) })];
  expect(now(pair, one)).toEqual([false, true]);
  expect(now(pair)).toEqual([true, true]);
  expect(now([pair[0]!, at(10, 40, 10, { id: 'b' })])).toEqual([true, false]);
  expect(now([at(10, 40, 10), at(10, 40, 60, { id: 'b', gate: { strand: 0, dose: 10 } })])).toEqual([false, true]);
  const found = planSeason(seasonProblem([at(10, 40, 60, { state: due(10, { lost: [12] }) })]));
  expect(found.strands[0]!.risesNow).toBe(false);
  expect(found.strands[0]!.weeks[0]).toMatchObject({ found: true, raised: false, level: 12 });
});
