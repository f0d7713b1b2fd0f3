import type { PracticeLog } from '../practice/log';
import { seededRandom } from '../random/seededRandom';
import { log, logLine, plan, planContext, strand } from '../testing/samples';
import { seasonOfPlan } from './seasonOfPlan';
import { habitsOf, strandChances } from './strandChances';
import type { Strand } from '../goals/plan';
import type { PlanContext } from '.';

// A Monday, four weeks into the plan.
const today = '2026-03-02';
const value = plan([strand({ target: 80, targetDay: '2026-05-04' })], { startsOn: '2026-02-02' });
const habits = (logs: readonly PracticeLog[], of = value, change: Partial<PlanContext> = {}) => {
  const context = planContext(of, { logs, today, ...change });
  return habitsOf(context, seasonOfPlan(context));
};
const days = (...list: string[]) => list.map((day) => log(day));
const mondays = days('2026-02-02', '2026-02-09', '2026-02-16', '2026-02-23');
const wednesdays = days('2026-02-04', '2026-02-11');

describe('how often a weekday is kept', () => {
  test('is told by its own days of late', () => {
    expect(habits([...mondays, ...wednesdays])!.attendance.slice(1, 6)).toEqual([1, 0.5, 0.5, 0.5, 0]);
  });

  test('a practice on another day makes up for one in all of them, and none is kept more than always', () => {
    // Mondays are too few yet: of two weeks, all days speak together.
    const young = plan([strand({ target: 80, targetDay: '2026-05-04' })], { startsOn: '2026-02-16' });
    const four = days('2026-02-16', '2026-02-18', '2026-02-24', '2026-02-26');
    expect(habits(four, young)!.attendance[1]).toBeCloseTo(4 / 6, 12);
    const seven = days(...[16, 17, 18, 19, 20, 21, 22].map((day) => `2026-02-${day}`));
    expect(habits(seven, young)!.attendance[1]).toBe(1);
    expect(habits(mondays, young, { practiceDays: [1, 2, 3, 4, 5] })!.attendance[1]).toBeCloseTo(2 / 10, 12);
  });

  test('speaks for itself from three days on, and all is kept where no day was offered yet', () => {
    const three = plan(value.strands, { startsOn: '2026-02-09' });
    expect(habits([...mondays, ...days('2026-02-10')], three)!.attendance.slice(1, 4)).toEqual([1, 4 / 9, 0]);
    const begun = plan(value.strands, { startsOn: today });
    expect(habits(mondays, begun)!.attendance).toEqual(Array(8).fill(1));
  });

  test('looks back eight weeks, or to the first day of the plan', () => {
    const old = plan(value.strands, { startsOn: '2025-09-01' });
    // Eight Mondays lie in the eight weeks: the one that is exactly so long ago among them.
    expect(habits(days('2026-01-05', '2026-01-12', '2026-01-19', '2026-01-26'), old)!.attendance[1]).toBe(0.5);
    expect(habits(mondays)!.attendance[1]).toBe(1);
  });
});

describe('what a practice comes to', () => {
  const lines = (share: number, change = {}) => ({ lines: [logLine(share, change)] });

  test('is drawn from the strand’s own of late, of this routine, until today', () => {
    const own = [
      log('2026-01-05', { ...lines(0.9), effort: 4 }),
      log('2026-01-04', lines(0.1)),
      log('2026-02-09', lines(1, { alignmentKept: 0.8 })),
      log(today, { ...lines(0.7), effort: null }),
      log('2026-03-03', lines(0.2)),
      log('2026-02-10', { ...lines(0.3), routineId: 'another' }),
      log('2026-02-11', lines(0.6)),
    ];
    expect(habits(own)!.outcomes).toEqual([
      [
        { share: 0.9, kept: 1, effort: 4, asked: 60 },
        { share: 0.8, kept: 0.8, effort: 5, asked: 60 },
        { share: 0.7, kept: 1, effort: null, asked: 60 },
        { share: 0.6, kept: 1, effort: 5, asked: 60 },
      ],
    ]);
  });

  test('a strand without practices has those of all; without any there are no habits', () => {
    const two = plan([...value.strands, strand({ id: 't', segmentId: 'b' })], { startsOn: '2026-02-02' });
    const outcomes = habits(mondays, two)!.outcomes;
    expect(outcomes[1]).toEqual(outcomes[0]);
    expect(outcomes[1]).toHaveLength(4);
    const apart = [...mondays, log('2026-02-24', lines(0.5, { segmentId: 'b' }))];
    expect(habits(apart, two)!.outcomes.map((own) => own.length)).toEqual([4, 1]);
    const elsewhere = mondays.map((one) => ({ ...one, lines: [logLine(1, { segmentId: 'x' })] }));
    expect(habits(elsewhere)).toBeNull();
  });

  test('four practices are enough, three are not', () => {
    expect(habits(mondays.slice(1))).toBeNull();
    expect(habits(mondays)).not.toBeNull();
  });
});

describe('the chance of a strand', () => {
  const chances = (logs: readonly PracticeLog[], strands: Strand[] = value.strands) =>
    strandChances(planContext({ ...value, strands }, { logs, today }), 20, seededRandom(1));

  test('is told with its habits, week by week as far as to the last goal, and at least for one', () => {
    const half = [...mondays, log('2026-02-25', { lines: [logLine(0.5)] })];
    const [one] = chances(half);
    expect(one).toMatchObject({ strandId: 's', passRate: 0.8 });
    expect(one!.attendance).toBeCloseTo((1 + 0.25 + 0) / 3, 12);
    expect(one!.weeks.map(({ week }) => week)).toEqual([4, 5, 6, 7, 8, 9, 10, 11, 12, 13]);
    expect(one!.weeks.slice(0, 2).map(({ day }) => day)).toEqual(['2026-03-02', '2026-03-09']);
    const past = [strand({ targetDay: '2026-02-09' })];
    expect(chances(mondays, past)[0]!.weeks).toHaveLength(1);
    const far = [strand({ targetDay: '2036-02-09' })];
    expect(chances(mondays, far)[0]!.weeks).toHaveLength(156);
    const both = [strand({ targetDay: '2026-03-10' }), strand({ id: 't', segmentId: 'b', targetDay: '2026-03-17' })];
    expect(chances(mondays, both).map(({ weeks }) => weeks.length)).toEqual([3, 3]);
  });

  test('is none without habits', () => {
    expect(chances([])).toEqual([]);
  });
});
