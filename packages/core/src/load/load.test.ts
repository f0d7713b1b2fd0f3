import fc from 'fast-check';
import { mean, sampleStandardDeviation } from 'simple-statistics';
import { recentAgainstUsual, sessionLoad, weekLoad } from '.';
import { predictedEffort } from '../endurance';

const anyWeek = fc.array(fc.integer({ min: 0, max: 900 }), { minLength: 7, maxLength: 7 });

test('check values: days 300, 0, 450, 0, 360, 180, 0 make 1290, monotony 0.970, strain 1251', () => {
  const week = weekLoad([300, 0, 450, 0, 360, 180, 0]);
  expect(week.load).toBe(1290);
  expect(week.monotony).toBeCloseTo(0.97, 3);
  expect(week.strain).toBeCloseTo(1251, 0);
});

test('monotony is what a statistics library makes of it; equal days have none', () => {
  fc.assert(
    fc.property(anyWeek, (days) => {
      const { monotony } = weekLoad(days);
      if (monotony === null) expect(new Set(days).size).toBe(1);
      else expect(monotony).toBeCloseTo(mean(days) / sampleStandardDeviation(days), 9);
    }),
  );
});

test('the last seven days against the mean week of the four before them, by hand', () => {
  const weeks = [9999, 100, 200, 300, 200, 250].flatMap((load) => [load, 0, 0, 0, 0, 0, 0]);
  expect(recentAgainstUsual(weeks)).toEqual({ recent: 250, usual: 200, ratio: 1.25 });
  expect(recentAgainstUsual(Array.from({ length: 60 }, () => 100))).toEqual({ recent: 700, usual: 700, ratio: 1 });
});

test('a class once a week reads the same on every day of its week', () => {
  const days = Array.from({ length: 70 }, (_, day) => (day % 7 === 2 ? 240 : 0));
  const ratios = Array.from({ length: 7 }, (_, more) => recentAgainstUsual(days.slice(0, 56 + more)).ratio);
  expect(ratios).toEqual([1, 1, 1, 1, 1, 1, 1]);
});

test('what is usual is said only after four full weeks with practice, and a pause ends it', () => {
  const weekly = (weeks: number) => Array.from({ length: weeks * 7 }, (_, day) => (day % 7 === 0 ? 100 : 0));
  expect(recentAgainstUsual([])).toEqual({ recent: 0, usual: null, ratio: null });
  expect(recentAgainstUsual(weekly(4)).ratio).toBeNull();
  expect(recentAgainstUsual(weekly(5)).ratio).toBe(1);
  // A steady beginner in week four is told nothing, and never that it is more than usual.
  expect(recentAgainstUsual([...weekly(2), ...weekly(1).fill(0), ...weekly(2)]).ratio).toBeNull();
});

test('effort of a hold: a tenth of its endurance is 1, half is 5, all of it 10', () => {
  expect([10, 50, 100, 300, 1].map((seconds) => predictedEffort(seconds, 100))).toEqual([1, 5, 10, 10, 1]);
  expect(sessionLoad(30, 5)).toBe(150);
});

test('impossible input names the argument', () => {
  expect(() => weekLoad([1, 2])).toThrow('days must be seven');
  expect(() => weekLoad([1, 2, 3, -4, 5, 6, 7])).toThrow('days[3]');
  expect(() => sessionLoad(30, 11)).toThrow('effort');
});

test('a week with every day alike has no monotony to speak of: no variation, no figure', () => {
  expect(weekLoad([50, 50, 50, 50, 50, 50, 50])).toEqual({ load: 350, monotony: null, strain: null });
  expect(weekLoad([50, 50, 50, 50, 50, 50, 51]).monotony).toBeGreaterThan(100);
});
