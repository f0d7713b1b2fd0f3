import { log } from '../testing/samples';
import { lastFelt } from './lastFelt';

const felt = (change: Parameters<typeof log>[1]) => lastFelt([log('2026-01-05', change)])?.words;

test('effort and pain in numbers and words, and where it hurt', () => {
  expect(felt({ effort: 5, pain: 2, painWhere: 'left knee', painPlace: 'knee', symptoms: [] })).toBe(
    'effort 5 of 10 (hard), pain 2 of 10 (mild), left knee',
  );
  expect(felt({ effort: 3, pain: 0, painWhere: '', painPlace: null, symptoms: ['faintness'] })).toBe(
    'effort 3 of 10 (moderate), no pain, faintness',
  );
});

test('what was not asked is not none', () => {
  expect(felt({ effort: null, pain: null, painWhere: '', painPlace: null, symptoms: [] })).toBe(
    'effort not noted, pain not asked',
  );
  expect(lastFelt([])).toBeNull();
});

test('it is the last of all, in whatever order they come', () => {
  const days = ['2026-01-03', '2026-01-05', '2026-01-04'];
  const logs = days.map((day) => log(day, { id: day, startedAt: `${day}T08:00:00.000Z` }));
  expect(lastFelt(logs)?.day).toBe('2026-01-05');
});
