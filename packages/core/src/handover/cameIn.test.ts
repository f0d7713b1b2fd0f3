import { newStill } from '../film/still';
import { log } from '../testing/samples';
import { homeLogsSaid, logsFromHome, stillsWaiting } from './cameIn';

const today = '2026-03-12';
const dayOf = (moment: string): string => moment.slice(0, 10);
const still = (id: string, day: string, change = {}) =>
  newStill({ id, studentId: 'u', day, name: id, width: 1, height: 1, bytes: 1, ...change });
const marks = { head: { x: 1, y: 1 } };

test('what was given back from home is told for three days, the latest practice first, whenever it was practised', () => {
  const logs = [
    log('2026-02-01', { cameInAt: '2026-03-10T08:00:00.000Z' }),
    log('2026-03-01', { cameInAt: '2026-03-12T08:00:00.000Z' }),
    log('2026-03-02', { cameInAt: '2026-03-09T08:00:00.000Z' }),
    log('2026-03-11'),
  ];
  expect(logsFromHome(logs, today, dayOf).map(({ day }) => day)).toEqual(['2026-03-01', '2026-02-01']);
  expect(logsFromHome(logs.slice(2), today, dayOf)).toEqual([]);
});

test('pictures wait on which nothing is marked, or something was only found, for a month', () => {
  const stills = [
    still('old', '2026-02-10'),
    still('plain', '2026-02-11'),
    still('found', '2026-03-12', { marks, found: ['head'] }),
    still('marked', '2026-03-12', { marks }),
  ];
  expect(stillsWaiting(stills, today).map(({ id }) => id)).toEqual(['found', 'plain']);
  expect(stillsWaiting(stills.slice(3), today)).toEqual([]);
});

test('practices from home are said at once, the hardest and what hurt first of all', () => {
  const one = log(today, { effort: null });
  expect(homeLogsSaid([])).toBe('');
  expect(homeLogsSaid([one])).toBe('1 practice from home');
  const hard = log(today, { effort: 8, pain: 2, symptoms: ['faintness'] });
  expect(homeLogsSaid([log(today, { effort: 5 }), hard, hard])).toBe(
    '3 practices from home; the hardest 8 of 10, pain up to 2 of 10, faintness',
  );
});
