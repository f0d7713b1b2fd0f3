import { DaySchema, MomentSchema } from './daySchema';

test('days and moments lie between 1970 and 2199', () => {
  const isDay = (day: string): boolean => DaySchema.safeParse(day).success;
  expect(['1970-01-01', '2026-03-01', '2199-12-31'].map(isDay)).toEqual([true, true, true]);
  expect(['0001-01-01', '1969-12-31', '2200-01-01', '9999-12-31', '2026-02-30'].map(isDay)).toEqual(
    Array(5).fill(false),
  );
  const isMoment = (moment: string): boolean => MomentSchema.safeParse(moment).success;
  expect(isMoment('2026-03-01T09:00:00+01:00')).toBe(true);
  expect(['0001-01-01T00:00:00Z', '9999-12-31T00:00:00Z', '2026-03-01'].map(isMoment)).toEqual([false, false, false]);
  expect(DaySchema.safeParse('0001-01-01').error!.issues[0]!.message).toBe('a day lies between 1970 and 2199');
});
