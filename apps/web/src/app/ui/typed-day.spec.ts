import { typedDay } from './typed-day';

test.each([
  ['12 Mar 2026', '2026-03-12'],
  ['  12  march  2026 ', '2026-03-12'],
  ['12.3.2026', '2026-03-12'],
  ['2026-03-12', '2026-03-12'],
  ['1 Feb', '2025-02-01'],
  ['29 Feb 2028', '2028-02-29'],
])('a day is read as it is typed: %s', (text, day) => {
  expect(typedDay(text, '2025-06-30')).toBe(day);
});

// Which of the two is the month cannot be known; the rest is no day.
test.each(['3/4/2026', '30 Feb 2026', '12 Mar 26', '12 Mar 20266', 'March', '12', '', '1 Jan 1', '2026-13-01'])(
  'no day: “%s”',
  (text) => {
    expect(typedDay(text, '2025-06-30')).toBeNull();
  },
);
