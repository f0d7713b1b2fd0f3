import { log, logLine } from '../testing/samples';
import { PracticeLogSchema } from './log';

const wrong = (value: unknown): string[] =>
  (PracticeLogSchema.safeParse(value).error?.issues ?? []).map(({ path, message }) => `${path.join('.')}: ${message}`);

test('a practice lasts a day at most, as a whole and in each line', () => {
  const day = 24 * 60 * 60;
  expect(wrong(log('2026-03-01', { practisedSeconds: day }))).toEqual([]);
  expect(wrong(log('2026-03-01', { practisedSeconds: 25 * 60 * 60 }))).toEqual([
    'practisedSeconds: a practice lasts 24 h at most',
  ]);
  const line = (done: { amount: number; seconds: number }) => log('2026-03-01', { lines: [logLine(1, { done })] });
  expect(wrong(line({ amount: 9999, seconds: day }))).toEqual([]);
  expect(wrong(line({ amount: 1, seconds: day + 1 }))).toEqual(['lines.0.done.seconds: a practice lasts 24 h at most']);
  expect(wrong(line({ amount: 1e308, seconds: 1 }))).toEqual([
    'lines.0.done.amount: an exercise is done 9999 times at most',
  ]);
});

test('a practice of another age is refused', () => {
  expect(wrong(log('2026-03-01', { day: '9999-12-31' }))).toEqual(['day: a day lies between 1970 and 2199']);
});
