import { log, logLine } from '../testing/samples';
import { drillTotals } from '.';

const circles = (side: 'left' | 'right', amount: number, seconds: number) =>
  logLine(1, { exerciseId: 'reel', exerciseName: 'Reeling', kind: 'cycle', side, done: { amount, seconds } });

test('what was done of a drill over the months, by side, the most time first; nothing done is not counted', () => {
  const logs = [
    log('2026-01-05', { id: 'a', lines: [circles('left', 8, 88), circles('right', 8, 88)] }),
    log('2026-02-09', { id: 'b', lines: [circles('left', 16, 176), circles('right', 0, 0)] }),
    log('2026-01-03', { id: 'c', lines: [logLine(1, { done: { amount: 1, seconds: 60 } })] }),
  ];
  const totals = drillTotals(logs);
  expect(totals.map(({ exerciseId, amount, seconds, practices }) => [exerciseId, amount, seconds, practices])).toEqual([
    ['reel', 32, 352, 2],
    ['tree-holding', 1, 60, 1],
  ]);
  expect(totals[0]).toMatchObject({
    firstDay: '2026-01-05',
    sides: [
      { side: 'left', amount: 24, seconds: 264 },
      { side: 'right', amount: 8, seconds: 88 },
    ],
  });
});

test('holds and repetitions of one exercise are counted apart, and all of it adds up', () => {
  const held = logLine(1, { exerciseId: 'reel', done: { amount: 2, seconds: 90 } });
  const logs = [log('2026-01-05', { id: 'a', lines: [circles('left', 8, 88), held] })];
  expect(drillTotals(logs).map(({ kind }) => kind)).toEqual(['hold', 'cycle']);
  const all = drillTotals(logs).reduce((sum, { seconds }) => sum + seconds, 0);
  expect(all).toBe(178);
  expect(drillTotals([])).toEqual([]);
});

test('what was not done at all is left out, what was done for a time or a count is not', () => {
  const of = (amount: number, seconds: number) =>
    drillTotals([log('2026-03-02', { lines: [logLine(1, { done: { amount, seconds } })] })]).length;
  expect([of(0, 0), of(0, 30), of(3, 0), of(3, 30)]).toEqual([0, 1, 1, 1]);
});

test('the first day is the earliest, in whatever order practices come', () => {
  const days = ['2026-03-10', '2026-03-02', '2026-03-05'];
  const logs = days.map((day) => log(day, { id: day, lines: [logLine(1)] }));
  expect(drillTotals(logs)[0]!.firstDay).toBe('2026-03-02');
});
