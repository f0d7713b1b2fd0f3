import { reachWords } from './reach-words';

const growth = { share: 0.1, weeks: 3 };
const say = (reach: Partial<Parameters<typeof reachWords>[0]>): string =>
  reachWords({ earliestDay: '2026-06-01', inTime: false, doseOnTargetDay: 90, ...reach }, '2026-05-04', 'time', growth);

test('a goal in time, one that comes later with how far it is by its day, and one that never comes', () => {
  expect(say({ inTime: true, earliestDay: '2026-05-01' })).toBe('Reached on 1 May 2026, in time for 4 May 2026');
  expect(say({})).toBe('Out of reach by 4 May 2026: 1:30 min by then. The earliest is 1 Jun 2026');
  // Whoever practises seldom earns a raise in several weeks.
  expect(say({ earliestDay: null })).toBe('Not within three years at 10 % in 3 weeks');
});
