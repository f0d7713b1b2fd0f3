import fc from 'fast-check';
import { dayNumber, dayOfNumber } from '../days/dayNumber';
import { copiesToRemove, copyDay, copyFileName } from './copySeries';

const back = (day: string, days: number): string => dayOfNumber(dayNumber(day) - days);
/** What a folder holds after so many days on which a copy was made, or not. */
function folderAfter(first: string, works: readonly boolean[]): string[] {
  let held: string[] = [];
  works.forEach((worked, at) => {
    if (!worked) return;
    const today = back(first, -at);
    held = [...held, today];
    const gone = new Set(copiesToRemove(held, today));
    held = held.filter((day) => !gone.has(day));
  });
  return held;
}

test('a file is told by its day and its browser, and every other file is left alone', () => {
  const name = copyFileName('2026-12-02', 'k3f9');
  expect(name).toBe('pomek-copy-2026-12-02-k3f9.json');
  expect(copyDay(name, 'k3f9')).toBe('2026-12-02');
  const others = [
    'pomek-2026-12-02.json',
    'pomek-copy-2026-12-02-other.json',
    'pomek-copy-2026-02-30-k3f9.json',
    `${name}.crswap`,
    'pomek-copy-2026-12-02-k3f9.json.bak',
    '',
  ];
  expect(others.map((other) => copyDay(other, 'k3f9'))).toEqual(others.map(() => null));
  expect(() => copyFileName('2026-12-02', '../x')).toThrow(RangeError);
});

test('worked every day for three years: seven days, five weeks, twelve months, each year (common practice)', () => {
  // 2024-01-01 was a Monday, 2026-12-31 is a Thursday.
  const held = folderAfter('2024-01-01', Array<boolean>(1096).fill(true));
  expect(held).toEqual([
    '2024-12-31',
    '2025-12-31',
    '2026-01-31',
    '2026-02-28',
    '2026-03-31',
    '2026-04-30',
    '2026-05-31',
    '2026-06-30',
    '2026-07-31',
    '2026-08-31',
    '2026-09-30',
    '2026-10-31',
    '2026-11-30',
    // The Sundays of the weeks before this one, then this week and the last seven days.
    '2026-12-06',
    '2026-12-13',
    '2026-12-20',
    '2026-12-25',
    '2026-12-26',
    '2026-12-27',
    '2026-12-28',
    '2026-12-29',
    '2026-12-30',
    '2026-12-31',
  ]);
});

test('however work falls: the newest stays, a copy of each span stays, and no more than the series', () => {
  fc.assert(
    fc.property(fc.array(fc.boolean(), { minLength: 1, maxLength: 800 }), (works) => {
      const first = '2025-02-10';
      const worked = works.flatMap((did, at) => (did ? [back(first, -at)] : []));
      const held = folderAfter(first, works);
      const last = worked.at(-1);
      if (last === undefined) return;
      expect(held).toContain(last);
      const within = (days: number): string[] => worked.filter((day) => dayNumber(last) - dayNumber(day) < days);
      expect(held).toEqual(expect.arrayContaining(within(7)));
      const months = new Set(
        worked.filter((day) => dayNumber(last) - dayNumber(day) < 330).map((day) => day.slice(0, 7)),
      );
      for (const month of months) expect(held.some((day) => day.startsWith(month))).toBe(true);
      expect(new Set(held.map((day) => day.slice(0, 4)))).toEqual(new Set(worked.map((day) => day.slice(0, 4))));
      expect(held.length).toBeLessThanOrEqual(7 + 5 + 12 + 3);
    }),
    { numRuns: 60 },
  );
});

test('a copy of a day to come, by a clock that was wrong, is left where it is', () => {
  expect(copiesToRemove(['2027-01-01', '2026-12-02', '2026-12-01'], '2026-12-02')).toEqual([]);
  expect(copiesToRemove([], '2026-12-02')).toEqual([]);
});
