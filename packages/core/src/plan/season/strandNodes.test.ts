import { daily, seasonProblem, seasonStart as start, seasonStrand } from '../../testing/seasonSamples';
import { NEVER, newState, type StrandState } from '../machine/strandState';
import type { SeasonProblem, SeasonStrand } from './seasonProblem';
import { StrandNodes } from './strandNodes';

const nodes = (
  change: Partial<SeasonStrand> & { target?: number } = {},
  problem: Partial<Omit<SeasonProblem, 'rails'>> = {},
) => new StrandNodes(seasonProblem([seasonStrand({ level: 10, target: 30, ...change })], problem), 0);
const away = { ...daily, holidays: [{ from: start + 1, to: start + 40 }] };
/** A week without a turn and without practice after its Monday. */
const afterQuiet = (change: Partial<StrandState>, week = 0) => {
  const one = nodes({ state: { ...newState(10), ...change } }, { calendar: away });
  return one.step(one.root, week, false, true).node.state;
};

test('what a strand is worth at the start of a week: its level, its dose, and what it had before an ease', () => {
  const eased = nodes({ state: { ...newState(10.6), lost: [13.7, 12] } });
  expect(eased.root).toMatchObject({ level: 10.6, dose: 10, known: 13.7, knownDose: 13, done: false });
  const closed = nodes({ state: newState(10.6, false) });
  expect(closed.root).toMatchObject({ level: 0, dose: 0, known: 0, knownDose: 0, done: false });
});

test('nothing is left to raise at the target or where the body ends it, when open and nothing is to be found again', () => {
  const ladder = {
    step: 1,
    byRungs: false,
    first: 1,
    target: 30,
    most: null,
    mostBy: 'strength',
    cap: null,
    growthShare: 1,
  } as const;
  const done = (state: StrandState, most: number | null = null) =>
    nodes({ state, ladder: { ...ladder, most } }).root.done;
  expect(done(newState(30))).toBe(true);
  expect(done(newState(29))).toBe(false);
  expect(done(newState(12), 12.5)).toBe(true);
  expect(done(newState(11), 12.5)).toBe(false);
  expect(done(newState(30, false))).toBe(false);
  expect(done({ ...newState(30), lost: [31] })).toBe(false);
});

test('days that no rule looks back to any more are forgotten, so that what only waits is one state', () => {
  expect(afterQuiet({ raisedOn: start, easedOn: start })).toMatchObject({ raisedOn: NEVER, easedOn: NEVER });
  expect(afterQuiet({ raisedOn: start + 1, easedOn: start + 1 })).toMatchObject({
    raisedOn: start + 1,
    easedOn: start + 1,
  });
  expect(afterQuiet({ raisedOn: start + 14 }, 2).raisedOn).toBe(NEVER);
  expect(afterQuiet({ raisedOn: start + 15 }, 2).raisedOn).toBe(start + 15);
  // Until the first practice at a new level it counts when that came.
  expect(afterQuiet({ lastOn: start, changedOn: start + 1 }).changedOn).toBe(start + 1);
  expect(afterQuiet({ lastOn: start, changedOn: start }).changedOn).toBe(NEVER);
  expect(afterQuiet({ lastOn: start, changedOn: start - 1 }).changedOn).toBe(NEVER);
  const one = nodes();
  const waited = one.step(one.step(one.root, 0, false, true).node, 1, false, true).node;
  const longer = one.step(waited, 2, false, true).node;
  expect(longer.id).not.toBe(waited.id);
  expect({ ...longer.state, lastOn: 0 }).toEqual({ ...waited.state, lastOn: 0 });
});

test('a week is played once, and each of its kind is another', () => {
  const one = nodes({ state: newState(10, false) });
  const opened = one.step(one.root, 0, true, true);
  expect(opened).toMatchObject({ raised: true, node: { level: 10 } });
  expect(one.step(one.root, 0, true, true)).toBe(opened);
  expect(one.step(one.root, 0, false, true)).toMatchObject({ raised: false, node: { level: 0 } });
  expect(one.step(one.root, 0, true, false)).toMatchObject({ raised: false, node: { level: 0 } });
  // Opened on the Monday it rises on the one after, but not where that is frozen.
  const frozen = nodes({}, { calendar: { ...daily, frozenWeeks: new Set([1]) } });
  expect([0, 1, 2].map((week) => frozen.step(frozen.root, week, true, true).raised)).toEqual([true, false, true]);
  expect(frozen.step(frozen.root, 0, true, true).node.id).toBe(1);
  expect(frozen.step(frozen.root, 0, false, true).node.id).toBe(4);
  expect(frozen.step(frozen.root, 0, true, false).node.id).toBe(1);
});

test('it rises after the second practice, and then once in seven days', () => {
  const [near, far] = [nodes({ target: 12.5 }), nodes({ target: 15 })];
  expect(near.earliest(near.root, 0, 0)).toBe(start + 2);
  expect(near.earliest(near.root, 0, 0)).toBe(start + 2);
  expect(far.earliest(far.root, 0, 0)).toBe(start + 8);
  expect(far.earliest(far.root, 0, 0)).toBe(start + 8);
  // Beyond the last week that is looked at it is not reached.
  const short = nodes({ target: 15 }, { mostWeeks: 1 });
  expect(short.earliest(short.root, 0, 0)).toBe(Number.POSITIVE_INFINITY);
  expect(nodes({ target: 12.5 }, { mostWeeks: 1 }).earliest(short.root, 0, 0)).toBe(start + 2);
});

test('a closed strand opens in the week in which it may, and asks for its dose at once', () => {
  const closed = nodes({ state: newState(10, false), target: 10 });
  expect(closed.earliest(closed.root, 0, 0)).toBe(start);
  expect(closed.earliest(closed.root, 0, 3)).toBe(start + 21);
  expect(closed.earliest(closed.root, 2, 0)).toBe(start + 14);
  expect(closed.earliest(closed.root, 0, 9)).toBe(Number.POSITIVE_INFINITY);
});

test('the week at whose start it is at a dose', () => {
  const one = nodes();
  const weekOf = (dose: number) => one.weekOfDose(one.root, 0, 0, dose);
  expect([10, 11, 12, 13, 15, 15, 16].map(weekOf)).toEqual([0, 1, 1, 2, 2, 2, 3]);
  expect(one.weekOfDose(one.root, 4, 0, 9)).toBe(4);
  expect(one.weekOfDose(one.root, 4, 0, 12)).toBe(5);
  expect(weekOf(31)).toBe(Number.POSITIVE_INFINITY);
  const closed = nodes({ state: newState(10, false) });
  expect(closed.weekOfDose(closed.root, 0, 2, 10)).toBe(3);
  expect(closed.weekOfDose(closed.root, 0, 4, 10)).toBe(5);
});
