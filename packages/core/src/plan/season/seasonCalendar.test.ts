import { NEVER } from '../machine/strandState';
import { daily, seasonStart as start, seasonStrand } from '../../testing/seasonSamples';
import { isHoliday, isLighter, pauseOn, sessionDays, weekOfDay } from './seasonCalendar';
import { byGoalDay } from './seasonProblem';

test('weeks of a plan begin with its first day; what was before it is the first week', () => {
  expect([-8, 0, 6, 7, 13, 14].map((days) => weekOfDay(daily, start + days))).toEqual([0, 0, 0, 1, 1, 2]);
});

test('every third week is lighter when every third is to be; none when none is', () => {
  const weeks = (lighterEvery: number) =>
    [0, 1, 2, 3, 4, 5].map((week) => isLighter({ lighterEvery, practiceDays: [1, 3] }, week));
  expect(weeks(3)).toEqual([false, false, true, false, false, true]);
  expect(weeks(1)).toEqual([true, true, true, true, true, true]);
  expect(weeks(0)).not.toContain(true);
  // It would be the only practice of the week.
  expect([0, 1, 2].map((week) => isLighter({ lighterEvery: 1, practiceDays: [4] }, week))).not.toContain(true);
});

test('a holiday lasts from its first day to its last, both in it', () => {
  const holidays = [
    { from: 10, to: 12 },
    { from: 20, to: 20 },
  ];
  expect([9, 10, 11, 12, 13, 19, 20, 21].map((day) => isHoliday({ holidays }, day))).toEqual([
    false,
    true,
    true,
    true,
    false,
    false,
    true,
    false,
  ]);
});

test('nothing is raised in a holiday, a lighter week, a frozen one, told in this order', () => {
  const calendar = {
    ...daily,
    lighterEvery: 2,
    frozenWeeks: new Set([1, 2]),
    holidays: [{ from: start + 8, to: start + 8 }],
  };
  expect([0, 7, 8, 14, 21, 28].map((days) => pauseOn(calendar, NEVER, start + days))).toEqual([
    null,
    'lighter',
    'holiday',
    'frozen',
    'lighter',
    null,
  ]);
});

test('practice is on the chosen weekdays from today on, and on no holiday', () => {
  const calendar = {
    ...daily,
    practiceDays: [1, 3, 7],
    today: start + 2,
    holidays: [{ from: start + 9, to: start + 9 }],
  };
  expect(sessionDays(calendar, 0)).toEqual([start + 2, start + 6]);
  expect(sessionDays(calendar, 1)).toEqual([start + 7, start + 13]);
});

test('the nearest goal comes first, and of two on one day the one told first', () => {
  const days = [40, 20, 30, 20].map((targetDay) => seasonStrand({ level: 1, target: 2, targetDay }));
  expect(byGoalDay(days)).toEqual([1, 3, 2, 0]);
});
