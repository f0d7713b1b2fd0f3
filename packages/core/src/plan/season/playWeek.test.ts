import { daily, seasonRules as rules, seasonStart as start, seasonStrand } from '../../testing/seasonSamples';
import { newState, type StrandState } from '../machine/strandState';
import { playWeek } from './playWeek';
import type { SeasonCalendar, SeasonStrand } from './seasonProblem';

const played = (
  change: Partial<SeasonStrand> & { state?: StrandState } = {},
  calendar: Partial<SeasonCalendar> = {},
  week = 0,
) => {
  const strand = seasonStrand({ level: 10, target: 40, ...change });
  return playWeek(strand, { ...daily, ...calendar }, rules, strand.state, week, true, true);
};
const doses = (week: ReturnType<typeof played>) => week.asked.map(({ day, dose }) => [day - start, dose]);

test('every practice is asked for the dose of its day, and met it rises in the evening of the second', () => {
  const week = played({}, { practiceDays: [1, 2, 4] });
  expect(week.asked).toEqual([
    { day: start, dose: 10, level: 10 },
    { day: start + 1, dose: 10, level: 10 },
    { day: start + 3, dose: 12, level: 12.5 },
  ]);
  expect(week).toMatchObject({ raised: true, found: false, arrival: null });
});

test('an old level that comes back is found, and no raise', () => {
  const week = played({ state: { ...newState(10), lost: [12.5] } });
  expect(week).toMatchObject({ raised: false, found: true, state: { level: 12.5, lost: [] } });
});

test('a checkpoint holds it until a day, and on that no more', () => {
  const practiceDays = [1, 2, 3, 4, 5];
  expect(doses(played({ pointUntil: start + 3 }, { practiceDays }))).toEqual([
    [0, 10],
    [1, 10],
    [2, 10],
    [3, 12],
    [4, 12],
  ]);
});

test('what is due today is decided today, though it is no practice day; in a later week on its first practice', () => {
  const closed = { state: newState(10, false) };
  expect(played(closed, { practiceDays: [4] }).state.raisedOn).toBe(start);
  expect(played(closed, { practiceDays: [4] }, 1).state.raisedOn).toBe(start + 10);
});

test('what was practised today already is not asked for again', () => {
  const state = { ...newState(10), lastOn: start };
  expect(doses(played({ state }, { practiceDays: [1, 2] }))).toEqual([[1, 10]]);
});

test('the goal is come to on the day that asks for it at its level: not by a dose set for one week, nor in a lighter one', () => {
  expect(played({ state: newState(40) }).arrival).toBe(start);
  const set = { week: 0, dose: 90, reason: '' };
  expect(played({ overrules: [set] }).arrival).toBeNull();
  expect(played({ overrules: [set], state: newState(40) }).arrival).toBe(start);
  expect(played({ state: newState(40) }, { lighterEvery: 1 })).toMatchObject({ arrival: null, raised: false });
});

test('a practice that asked for less is no test of the dose', () => {
  const lighter = played({}, { lighterEvery: 1 });
  expect(doses(lighter)[0]).toEqual([0, 6]);
  expect(lighter.state).toMatchObject({ metRun: 0, lastOn: start + 6 });
});
