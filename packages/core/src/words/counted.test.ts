import { counted } from './counted';

test.each([
  [0, 'hold', undefined, '0 holds'],
  [1, 'hold', undefined, '1 hold'],
  [2, 'hold', undefined, '2 holds'],
  [1.5, 'breath', undefined, '1.5 breaths'],
  [1, 'practice has', 'practices have', '1 practice has'],
  [21, 'class', 'classes', '21 classes'],
  [1200, 'record', undefined, '1,200 records'],
])('%s %s', (amount, singular, plural, words) => {
  expect(counted(amount, singular, plural)).toBe(words);
});
