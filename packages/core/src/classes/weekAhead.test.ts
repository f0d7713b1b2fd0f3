import { weekAhead } from './weekAhead';

const students = [
  { id: 'ana', practiceDays: [1, 3] },
  { id: 'bo', practiceDays: [3] },
  { id: 'cy', practiceDays: [] },
];
const away = { from: '2026-03-10', to: '2026-03-12' };
const classes = [
  { id: 'late', weekday: 3, startsAt: '19:00' },
  { id: 'early', weekday: 3, startsAt: '09:30' },
];

// Calendar fact: 9 March 2026 is a Monday, common practice.
test('each day has those who practise on its weekday, and its classes in the order in which they begin', () => {
  const week = weekAhead({ students, plans: [], classes }, '2026-03-09');
  expect(week.map(({ day }) => day)).toEqual(
    Array.from({ length: 7 }, (_, at) => `2026-03-${String(9 + at).padStart(2, '0')}`),
  );
  expect(week[0]).toEqual({ day: '2026-03-09', practising: ['ana'], classes: [] });
  expect(week[2]).toEqual({ day: '2026-03-11', practising: ['ana', 'bo'], classes: ['early', 'late'] });
  expect(week.filter(({ practising }) => practising.length > 0)).toHaveLength(2);
});

test('on holiday is who is so in all plans; the days go on over the end of a year', () => {
  const plans = [
    { studentId: 'ana', holidays: [away] },
    { studentId: 'ana', holidays: [] },
    { studentId: 'bo', holidays: [away] },
  ];
  expect(weekAhead({ students, plans, classes }, '2026-03-11', 1)[0]!.practising).toEqual(['ana']);
  expect(weekAhead({ students, plans, classes }, '2026-03-18', 1)[0]!.practising).toEqual(['ana', 'bo']);
  expect(weekAhead({ students, plans, classes }, '2026-12-31', 2)[1]!.day).toBe('2027-01-01');
});

test.each([0, 32, 1.5])('%s days are refused', (days) => {
  expect(() => weekAhead({ students, plans: [], classes }, '2026-03-09', days)).toThrow(
    'days must be between 1 and 31',
  );
});
