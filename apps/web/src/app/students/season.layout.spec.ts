import { layoutSeasonLine, type SeasonFrame, type SeasonLine } from './season.layout';

const frame: SeasonFrame = { from: '2026-03-02', weeks: 10, today: '2026-03-18', width: 700, height: 26 };
const line = (change: Partial<SeasonLine> = {}): SeasonLine => ({
  steps: [
    { day: '2026-02-26', dose: 60, kind: 'past' },
    { day: '2026-03-05', dose: 60, kind: 'past' },
    { day: '2026-03-12', dose: 90, kind: 'now' },
  ],
  target: 120,
  targetDay: '2026-04-27',
  ...change,
});

test('all lines share the days across: a week is as wide wherever it begins', () => {
  const { bars, todayX, goalX } = layoutSeasonLine(line(), frame);
  // Ten pixels a day; the first week began before the sheet.
  expect(bars.map(({ x, width }) => [x, width])).toEqual([
    [0, 30],
    [30, 70],
    [100, 70],
  ]);
  expect(todayX).toBe(160);
  expect(goalX).toBe(560);
  expect(bars.map(({ past }) => past)).toEqual([true, true, false]);
});

test('each line is as high as its own goal, or its highest dose where that is more', () => {
  const { bars } = layoutSeasonLine(line(), frame);
  expect(bars[2]!.height / bars[1]!.height).toBeCloseTo(1.5, 9);
  expect(bars[2]!.height).toBeCloseTo((90 / 120) * 24, 9);
  const over = layoutSeasonLine(line({ target: 60 }), frame).bars;
  expect(over[2]!.y).toBeCloseTo(2, 9);
});

test('what lies beyond the sheet is left out, over a change of the clock too', () => {
  const weeks = Array.from({ length: 30 }, (_, week) => ({
    day: `2026-${String(3 + Math.floor(week / 4)).padStart(2, '0')}-${String(1 + 7 * (week % 4)).padStart(2, '0')}`,
    dose: 60,
    kind: 'raise',
  }));
  const { bars, goalX } = layoutSeasonLine(line({ steps: weeks, targetDay: '2026-09-01' }), frame);
  for (const { x, width } of bars) expect(x >= 0 && x + width <= 700 + 1e-9).toBe(true);
  expect(goalX).toBeNull();
});
