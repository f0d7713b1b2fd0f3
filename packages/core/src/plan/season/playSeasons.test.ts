import fc from 'fast-check';
import { seededRandom } from '../../random/seededRandom';
import { anySmallSeason, seasonOf } from '../../testing/anySeason';
import { daily, seasonProblem, seasonStart as start, seasonStrand } from '../../testing/seasonSamples';
import { newState } from '../machine/strandState';
import { doseOf } from '../steps';
import { planSeason } from './planSeason';
import { playSeasons, type Habits } from './playSeasons';
import type { Outcome } from './playedSeason';
import type { SeasonCalendar, SeasonProblem, SeasonStrand } from './seasonProblem';

const met: Outcome = { share: 1, kept: 1, effort: 6, asked: 0 };
const half: Outcome = { share: 0.5, kept: 1, effort: 6, asked: 0 };
const every = Array.from({ length: 8 }, () => 1);
const habits = (problem: SeasonProblem, change: Partial<Habits> = {}): Habits => ({
  attendance: every,
  outcomes: problem.strands.map(() => [met]),
  ...change,
});
const at = (level: number, change: Partial<SeasonStrand> & { target?: number } = {}) =>
  seasonStrand({ level, target: 40, ...change });
const play = (problem: SeasonProblem, change: Partial<Habits> = {}, weeks = 4, seasons = 1, random = () => 0) =>
  playSeasons(problem, planSeason(problem, weeks), habits(problem, change), weeks, seasons, random);
const doses = (problem: SeasonProblem, change: Partial<Habits> = {}, weeks = 4) =>
  play(problem, change, weeks).map((strand) => strand.weeks.map(({ middle }) => middle));

/** Weeks of all sorts. */
const anyCalendar: fc.Arbitrary<SeasonCalendar> = fc
  .record({
    practiceDays: fc.constantFrom([1, 2, 3, 4, 5, 6, 7], [1, 3, 5], [2, 4, 6, 7], [3, 7]),
    lighterEvery: fc.constantFrom(0, 0, 2, 3),
    frozen: fc.constantFrom([], [], [1], [0, 3]),
    holiday: fc.constantFrom(null, null, [7, 13], [3, 24], [10, 10]),
    today: fc.integer({ min: 0, max: 6 }),
  })
  .map(({ frozen, holiday, today, ...change }) => ({
    ...daily,
    ...change,
    today: start + today,
    frozenWeeks: new Set(frozen),
    holidays: holiday === null ? [] : [{ from: start + holiday[0], to: start + holiday[1] }],
  }));

test('with every day kept and every dose met it is the plan, whatever the weeks', () => {
  fc.assert(
    fc.property(anySmallSeason, anyCalendar, fc.boolean(), (small, calendar, set) => {
      const of = seasonOf(small);
      const overrules = set ? [{ week: 1, dose: 33, reason: '' }] : [];
      const problem = { ...of, calendar, strands: of.strands.map((strand) => ({ ...strand, overrules })) };
      const season = planSeason(problem, 9);
      fc.pre(season.needless === 0);
      const played = playSeasons(problem, season, habits(problem), 9, 1, () => 0);
      season.strands.forEach(({ weeks, arrival }, index) => {
        const { ladder } = problem.strands[index]!;
        const inTime = arrival !== null && arrival <= problem.strands[index]!.targetDay;
        const whole = Math.max(...weeks.map(({ level }) => doseOf(level, ladder))) >= ladder.target;
        expect(played[index]!.byTargetDay).toBe(inTime && whole ? 1 : 0);
        weeks.slice(0, 9).forEach(({ asked }, week) => {
          const { low, middle, high } = played[index]!.weeks[week]!;
          if (asked.length > 0) expect([week, middle]).toEqual([week, asked[0]!.dose]);
          expect([low, high]).toEqual([middle, middle]);
        });
      });
    }),
    { numRuns: 300, seed: 5 },
  );
});

test('who never comes stays where it is; who comes on one day of the week rises as by that day', () => {
  const problem = seasonProblem([at(10)]);
  const nobody = { attendance: every.map(() => 0) };
  expect(doses(problem, nobody)).toEqual([[10, 10, 10, 10]]);
  // What is eased for a gap is eased by who comes back.
  expect(doses(seasonProblem([at(10, { state: { ...newState(10), lastOn: start - 1 } })]), nobody)).toEqual([
    [10, 10, 10, 10],
  ]);
  const mondays = every.map((_, weekday) => (weekday === 1 ? 1 : 0));
  expect(doses(problem, { attendance: mondays })).toEqual([[10, 10, 12, 12]]);
  // Seen first on the Tuesday, it was met on the Monday and Tuesday before.
  const tuesdays = every.map((_, weekday) => (weekday === 2 ? 1 : 0));
  expect(doses(problem, { attendance: tuesdays }, 6)).toEqual([[10, 10, 12, 12, 15, 15]]);
});

test('doses are what each strand’s own practices make of them', () => {
  const problem = seasonProblem([at(20), at(20, { id: 'b' }), at(20, { id: 'c' }), at(20, { id: 'd' })]);
  const outcomes = [[met], [half], [{ ...met, effort: 8 }], [{ ...met, effort: null }]];
  // Half of it twice running: one rung down, found again by nobody, and once in seven days.
  expect(doses(problem, { outcomes }, 3)).toEqual([
    [20, 25, 31],
    [20, 16, 12],
    [20, 20, 20],
    [20, 20, 20],
  ]);
});

test('of its outcomes one is drawn for each practice', () => {
  const problem = { ...seasonProblem([at(20)]), calendar: { ...daily, practiceDays: [1] } };
  const outcomes = [[half, met, met]];
  let draws = 0;
  // In turn: whether it comes, and what of it.
  const turns = (shares: readonly number[]) => () => ((draws += 1), draws % 2 === 1 ? 0.5 : shares[draws / 2 - 1]!);
  const played = (...shares: readonly number[]) => {
    draws = 0;
    return play(problem, { outcomes }, 3, 1, turns(shares))[0]!.weeks.map(({ middle }) => middle);
  };
  expect(played(0.34, 0.99, 0.5)).toEqual([20, 20, 25]);
  expect(played(0.33, 0.99, 0.5)).toEqual([20, 20, 20]);
  expect(played(0, 0.33, 0.5)).toEqual([20, 20, 16]);
});

test('the band is where the 10th, 50th and 90th of a hundred seasons are, the chance those at the target in time', () => {
  // Who comes in the first week is at 12 in the second: its target, wanted by its Tuesday.
  const target = at(10, { target: 12, targetDay: start + 8 });
  const problem = { ...seasonProblem([target]), calendar: { ...daily, practiceDays: [1, 2] } };
  const of = (kept: number) => {
    let draw = 0;
    // Four days, of which each that is kept draws its outcome too.
    const random = (): number => ((draw += 1) <= 8 * kept ? 0.1 : 0.9);
    return play(problem, { attendance: every.map(() => 0.5) }, 2, 10, random)[0]!;
  };
  const second = (kept: number) => {
    const { low, middle, high } = of(kept).weeks[1]!;
    return [low, middle, high];
  };
  expect(second(0)).toEqual([10, 10, 10]);
  expect(second(1)).toEqual([10, 10, 12]);
  expect(second(4)).toEqual([10, 10, 12]);
  expect(second(5)).toEqual([10, 12, 12]);
  expect(second(8)).toEqual([10, 12, 12]);
  expect(second(9)).toEqual([12, 12, 12]);
  expect([0, 3, 10].map((kept) => of(kept).byTargetDay)).toEqual([0, 0.3, 1]);
});

test('the target counts from the day it is asked for, in a full week, until its own day', () => {
  const chance = (targetDay: number, calendar: Partial<SeasonCalendar> = {}, weeks = 2) => {
    const problem = seasonProblem([at(10, { target: 12, targetDay: start + targetDay })]);
    return play({ ...problem, calendar: { ...daily, ...calendar } }, {}, weeks)[0]!.byTargetDay;
  };
  // Met on Monday and Tuesday, asked for on Wednesday.
  expect([1, 2, 3].map((day) => chance(day))).toEqual([0, 1, 1]);
  expect(chance(13, { practiceDays: [1, 2], lighterEvery: 2 })).toBe(0);
  expect(chance(13, { practiceDays: [1, 2] })).toBe(1);
  // Met on two Tuesdays, it is asked for on the third, whatever weeks are lighter: it is the only practice of each.
  expect([undefined, 3].map((lighterEvery = 0) => chance(20, { practiceDays: [2], lighterEvery }, 4))).toEqual([1, 1]);
  // Met on Tuesday and Thursday of the first week, it would be asked for in the second, a lighter one.
  const twice = { practiceDays: [2, 4], lighterEvery: 2 };
  expect([13, 20].map((day) => chance(day, twice, 4))).toEqual([0, 1]);
  // Who stays away on that day is not asked, but has it in the plan.
  const away = { attendance: every.map((_, weekday) => (weekday <= 2 ? 1 : 0)) };
  const problem = seasonProblem([at(10, { target: 12, targetDay: start + 2 })]);
  expect(play(problem, away, 1)[0]!.byTargetDay).toBe(1);
});

test('what is due today is decided before anything is asked', () => {
  const state = { ...newState(10), lastOn: start - 1, sessions: 2, metRun: 2, goodRun: 2 };
  expect(doses(seasonProblem([at(10, { state })]))[0]!.slice(0, 2)).toEqual([12, 15]);
  const none = { ...daily, practiceDays: [3], holidays: [{ from: start + 2, to: start + 8 }] };
  expect(doses(seasonProblem([at(10, { state })], { calendar: none }))[0]!.slice(0, 2)).toEqual([12, 12]);
  // What opens in a later week opens on its first practice.
  const closed = at(10, { id: 'b', gate: { strand: 0, dose: 12 } });
  const away = { ...daily, holidays: [{ from: start + 7, to: start + 13 }] };
  expect(doses(seasonProblem([at(10), closed], { calendar: away }))[1]).toEqual([0, 0, 10, 12]);
  // And in a week without practice the dose is told that it would ask for.
  const holidays = [{ from: start, to: start + 6 }];
  expect(doses(seasonProblem([at(10)], { calendar: { ...daily, holidays } }))[0]!.slice(0, 2)).toEqual([10, 10]);
});

test('none rises to a level before the week in which the plan has it there', () => {
  const pair = [at(10, { targetDay: start + 60 }), at(10, { id: 'b', target: 15, targetDay: start + 9 })];
  const problem = seasonProblem(pair, { rails: { raisesPerFamily: 1 } });
  // The second fails; the first waits for its own week all the same.
  const outcomes = [[met], [{ ...met, effort: 8 }]];
  expect(doses(problem, { outcomes })).toEqual([
    [10, 10, 12, 15],
    [10, 10, 10, 10],
  ]);
});

test('what the plan never raises, for another needs the minutes, does not rise before that one comes', () => {
  const pair = [at(8, { target: 10, targetDay: start + 3 }), at(12, { id: 'b', target: 15, targetDay: start + 4 })];
  const problem = seasonProblem(pair, { rails: { raisesPerFamily: 1, sessionMinutes: 2.4 } });
  const calendar = { ...daily, today: start + 2 };
  expect(doses({ ...problem, calendar })).toEqual([
    [8, 8, 8, 8],
    [12, 15, 15, 15],
  ]);
});

test('it tells after each hundred seasons how far it has come', () => {
  const problem = seasonProblem([at(10)]);
  const told: number[] = [];
  playSeasons(problem, planSeason(problem), habits(problem), 1, 250, seededRandom(1), (share) => told.push(share));
  expect(told).toEqual([0.4, 0.8]);
});
