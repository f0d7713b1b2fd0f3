import fc from 'fast-check';
import { addDays, formatISO, parseISO } from 'date-fns';
import { defaultRaiseRule, softSchool } from '../schools';
import { hold, together, eachSide } from '../library/describe';
import { log, logLine, plan, planContext, routine, segment, strand, shelf } from '../testing/samples';
import { PlanSchema, type Plan } from '../goals/plan';
import {
  askedDose,
  dosedRoutine,
  doseOn,
  isLighter,
  metShare,
  newStrand,
  planForecast,
  strandEffort,
  weekOf,
  weekReason,
  withRows,
  type PlanContext,
} from '.';
import { weeksToReach } from '../testing/weeksToReach';
import { axesOf, axisValue, withAxisValue } from '../axis';

const dayBack = (day: string): string => formatISO(addDays(parseISO(day), -1), { representation: 'date' });

describe('growth (check values of the raise model)', () => {
  test('from 60 s to 1200 s with 5, 10 and 20 % a week: 62, 32 and 17 weeks', () => {
    expect([0.05, 0.1, 0.2].map((growth) => weeksToReach(60, 1200, growth))).toEqual([62, 32, 17]);
  });

  test('a plan of 1 s steps without lighter weeks takes exactly the weeks of pure growth', () => {
    for (const [growthPerWeek, weeks] of [
      [0.05, 62],
      [0.1, 32],
      [0.2, 17],
    ] as const) {
      const long = plan([strand({ step: 1, target: 1200, targetDay: '2026-01-05' })], {
        growthPerWeek,
        lighterEvery: 0,
      });
      const rule = { ...defaultRaiseRule, loadGrowth: 1 };
      const [only] = planForecast(planContext(long, { rule, practiceDays: [1, 2, 3, 4, 5, 6, 7] })).strands;
      // The first raise comes after the second practice of the first week, each later one a week after it.
      expect(only!.weeks).toHaveLength(weeks + 1);
      expect(only!.weeks.at(-1)!.dose).toBe(1200);
    }
  });
});

const forecastOf = (value: Plan, change: Partial<PlanContext> = {}) => planForecast(planContext(value, change)).strands;
const weeksOf = (value: Plan) => forecastOf(value)[0]!.weeks;

describe('weeks of a plan', () => {
  const value = plan([strand()]);
  const weeks = weeksOf(value);

  test('hand-worked: 60, 65, 70, lighter, 85 …, raises carried until they fill the step of 5 s', () => {
    // 60 · 1.1 = 66, · 1.1 = 72.6, · 1.1 = 79.9 in the middle of the third week, lighter 79.9 · 0.6 = 47.9, then 87.8, 96.6
    expect(weeks.slice(0, 6).map((week) => [week.dose, week.kind])).toEqual([
      [60, 'now'],
      [65, 'raise'],
      [70, 'raise'],
      [45, 'lighter'],
      [85, 'raise'],
      [95, 'raise'],
    ]);
    expect(weeks[1]!.day).toBe('2026-01-12');
  });

  test('a raise smaller than a step is carried and says so', () => {
    const few = strand({ axis: 'breaths', step: 1, start: 4, level: 4, target: 6 });
    const held = plan([few], { lighterEvery: 0 });
    const kinds = weeksOf(held);
    // 4 · 1.1³ = 5.32, · 1.1⁵ = 6.44 capped at 6
    expect(kinds.slice(0, 6).map((week) => [week.dose, week.kind])).toEqual([
      [4, 'now'],
      [4, 'carry'],
      [4, 'carry'],
      [5, 'raise'],
      [5, 'carry'],
      [6, 'raise'],
    ]);
    expect(weekReason(held, few, kinds[1]!)).toContain('5 breaths');
  });

  test('says whether the target is in time and when it could be', () => {
    const soon = forecastOf(plan([strand({ targetDay: '2026-02-02' })]))[0]!;
    expect(soon.inTime).toBe(false);
    expect(soon.earliestDay! > '2026-02-02').toBe(true);
    expect(soon).toMatchObject({ aloneDay: soon.earliestDay, binding: null });
    const late = forecastOf(plan([strand({ targetDay: soon.earliestDay! })]))[0]!;
    expect(late).toMatchObject({ inTime: true, earliestDay: soon.earliestDay, doseOnTargetDay: 180 });
    const [dayBefore] = forecastOf(plan([strand({ targetDay: dayBack(soon.earliestDay!) })]));
    expect(dayBefore!.inTime).toBe(false);
  });

  test('a week is never more than the growth above the one before, for any plan', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 120 }),
        fc.integer({ min: 0, max: 600 }),
        fc.constantFrom(1, 5, 10),
        fc.integer({ min: 0, max: 6 }),
        fc.double({ min: 0.02, max: 0.1, noNaN: true }),
        (start, more, step, lighterEvery, growthPerWeek) => {
          const one = strand({ start, level: start, target: start + more, step });
          const any = plan([one], { lighterEvery, growthPerWeek });
          const told = weeksOf(any);
          told.forEach((week, index, all) => {
            if (index > 0) expect(week.level).toBeLessThanOrEqual(all[index - 1]!.level * (1 + growthPerWeek) + 1e-9);
          });
          for (const week of told.filter(({ kind }) => kind !== 'lighter')) {
            expect(week.dose).toBeLessThanOrEqual(Math.max(step, week.level + 1e-3));
            // On the step, or where it began, or where it is to go.
            const off = Math.abs(week.dose / step - Math.round(week.dose / step));
            if (![start, start + more].includes(week.dose)) expect(off).toBeLessThan(1e-6);
          }
        },
      ),
    );
  });

  test('faster growth is never later', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 60 }), fc.integer({ min: 1, max: 300 }), (start, more) => {
        const one = strand({ start, level: start, target: start + more });
        const count = (growthPerWeek: number): number =>
          weeksOf(plan([one], { growthPerWeek })).findIndex((week) => week.dose >= one.target);
        expect(count(0.1)).toBeLessThanOrEqual(count(0.05));
      }),
    );
  });

  test('a locked strand has no weeks ahead', () => {
    expect(forecastOf(value, { logs: [log('2026-01-05', { symptoms: ['faintness'] })] })[0]).toMatchObject({
      earliestDay: null,
      inTime: false,
      weeks: [{ kind: 'locked' }],
    });
  });

  test('weeks are counted from the start and every fourth is lighter', () => {
    expect(['2025-12-01', '2026-01-05', '2026-01-11', '2026-01-12'].map((day) => weekOf(value, day))).toEqual([
      0, 0, 0, 1,
    ]);
    expect([0, 1, 2, 3, 4, 7].map((week) => isLighter({ ...value, practiceDays: [1, 3] }, week))).toEqual([
      false,
      false,
      false,
      true,
      false,
      true,
    ]);
    expect(isLighter({ lighterEvery: 0, practiceDays: [1, 3] }, 3)).toBe(false);
    expect(doseOn(value, strand({ level: 100 }), '2026-01-28', [1, 3, 5])).toBe(60);
  });
});

describe('doses of a plan in the routine', () => {
  const base = routine([segment('a', hold(60, eachSide(2))), segment('b', hold(30, together(1)))]);

  test('replace only what the strand raises', () => {
    const time = plan([strand({ level: 95 })]);
    expect(dosedRoutine(base, time, '2026-01-05', [1, 3, 5]).segments[0]).toMatchObject({ dose: { holdSeconds: 95 } });
    expect(dosedRoutine(base, time, '2026-01-05', [1, 3, 5]).segments[1]).toEqual(base.segments[1]);
    const count = plan([strand({ axis: 'repetitions', step: 1, level: 3.9 })]);
    const [first] = dosedRoutine(base, count, '2026-01-05', [1, 3, 5]).segments;
    expect(first?.type === 'exercise' && axisValue(first.dose, 'repetitions')).toBe(3);
  });

  test('what is read back from an axis is what was put in', () => {
    for (const exercise of shelf.values()) {
      for (const axis of axesOf(exercise.defaultDose)) {
        expect(axisValue(withAxisValue(exercise.defaultDose, axis, 7), axis)).toBeCloseTo(7, 9);
      }
    }
  });

  test('a new strand starts at the dose of its segment with a step of its size', () => {
    const made = newStrand(
      's',
      segment('a', hold(90, together(1))),
      shelf.get('tree-holding')!,
      'time',
      300,
      '2026-06-01',
      softSchool,
    );
    expect(made).toMatchObject({ start: 90, level: 90, step: 10, target: 300, family: 'standing' });
    expect(made.rows).toEqual([{ side: 'both', direction: 'none' }]);
    // A side that is asked for nothing is none of its rows.
    const [left, right] = eachSide(1);
    const one = segment('a', hold(90, [left!, { ...right!, amount: 0 }]));
    const sided = newStrand('s', one, shelf.get('tree-holding')!, 'time', 300, '2026-06-01', softSchool);
    expect(sided.rows).toEqual([{ side: 'left', direction: 'none' }]);
    expect(PlanSchema.safeParse(plan([{ ...made, target: 20 }])).error?.issues[0]?.path).toEqual([
      'strands',
      0,
      'target',
    ]);
  });
});

describe('what counts as met', () => {
  test('the least of all sides, and only up to the first loss of alignment', () => {
    const lines = [logLine(1, { side: 'left' }), logLine(0.8, { side: 'right' })];
    expect(metShare(log('2026-01-05', { lines }), strand())).toBe(0.8);
    expect(metShare(log('2026-01-05', { lines: [logLine(1, { alignmentKept: 0.6 })] }), strand())).toBe(0.6);
    expect(metShare(log('2026-01-05', { lines: [logLine(2)] }), strand())).toBe(1);
    expect(metShare(log('2026-01-05'), strand({ segmentId: 'other' }))).toBeNull();
  });

  test('one side alone is not the whole, and what asked for nothing has met nothing', () => {
    const rows = (['left', 'right'] as const).map((side) => ({ side, direction: 'none' as const }));
    const left = log('2026-01-05', { lines: [logLine(1, { side: 'left' })] });
    expect(metShare(left, strand({ rows }))).toBe(0);
    expect(metShare(left, strand())).toBe(1);
    const both = log('2026-01-06', { lines: [logLine(1, { side: 'left' }), logLine(1, { side: 'right' })] });
    expect(metShare(both, strand({ rows }))).toBe(1);
    // A strand made before it knew its sides learns them from its practices.
    expect(withRows(strand(), [left, both]).rows).toEqual(rows);
    const nothing = logLine(1, { asked: { amount: 1, seconds: 0 }, done: { amount: 1, seconds: 0 } });
    expect(metShare(log('2026-01-05', { lines: [nothing] }), strand())).toBe(0);
  });

  test('the dose asked for is that of one hold, or of one side; the effort of an exercise goes before that of the practice', () => {
    const three = log('2026-01-05', { lines: [logLine(1, { asked: { amount: 3, seconds: 180 } })] });
    expect(askedDose(three, strand())).toBe(60);
    const sides = [8, 6].map((amount) => logLine(1, { kind: 'cycle', asked: { amount, seconds: 40 } }));
    expect(askedDose(log('2026-01-05', { lines: sides }), strand({ axis: 'repetitions' }))).toBe(6);
    expect(strandEffort(log('2026-01-05', { effort: 5, lines: [logLine(1, { effort: 8 })] }), strand())).toBe(8);
    expect(strandEffort(log('2026-01-05', { effort: 5 }), strand())).toBe(5);
  });
});
