import fc from 'fast-check';
import { mean, sampleStandardDeviation } from 'simple-statistics';
import { predictedEffort, recentAgainstUsual, sessionLoad, smoothing, weekLoad } from '.';

const anyWeek = fc.array(fc.integer({ min: 0, max: 900 }), { minLength: 7, maxLength: 7 });

test('check values: days 300, 0, 450, 0, 360, 180, 0 make 1290, monotony 0.970, strain 1251', () => {
  const week = weekLoad([300, 0, 450, 0, 360, 180, 0]);
  expect(week.load).toBe(1290);
  expect(week.monotony).toBeCloseTo(0.97, 3);
  expect(week.strain).toBeCloseTo(1251, 0);
});

test('check values: λ 0.25 for 7 days and 0.0690 for 28', () => {
  expect(smoothing(7)).toBe(0.25);
  expect(smoothing(28)).toBeCloseTo(0.069, 4);
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

test('a constant load is both recent and usual; a jump shows first in the recent one', () => {
  expect(recentAgainstUsual(Array.from({ length: 60 }, () => 100))).toEqual({ recent: 100, usual: 100, ratio: 1 });
  const jump = recentAgainstUsual([...Array.from({ length: 50 }, () => 100), ...Array.from({ length: 7 }, () => 200)]);
  expect(jump.recent).toBeGreaterThan(jump.usual);
  expect(jump.ratio).toBeGreaterThan(1.2);
  expect(recentAgainstUsual([])).toEqual({ recent: 0, usual: 0, ratio: null });
});

test('effort of a hold: a tenth of its endurance is 1, half is 5, all of it 10', () => {
  expect([10, 50, 100, 300, 1].map((seconds) => predictedEffort(seconds, 100))).toEqual([1, 5, 10, 10, 1]);
  expect(sessionLoad(30, 5)).toBe(150);
});

test('impossible input names the argument', () => {
  expect(() => weekLoad([1, 2])).toThrow('days must be seven');
  expect(() => weekLoad([1, 2, 3, -4, 5, 6, 7])).toThrow('days[3]');
  expect(() => sessionLoad(30, 11)).toThrow('effort');
  expect(() => smoothing(0)).toThrow('days');
});
