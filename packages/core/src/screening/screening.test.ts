import { breathCare, breathsOfSeconds, restingRate, secondsOfBreaths } from '../breath';
import { pattern } from '../library/describe';
import { median } from 'simple-statistics';
import { chairStandNorm, forbidsHeldBreath, oneLegNorm, screeningDefaults, type Screening } from '.';

const none: Screening = { age: 72, sex: 'female', oneLegSeconds: null, chairStands: null, tandemSeconds: null };

test('one-leg norms by age (Springer et al. 2007, from memory)', () => {
  expect([18, 39, 40, 50, 60, 70, 80, 99].map(oneLegNorm)).toEqual([43, 43, 40, 37, 27, 15, 6, 6]);
  expect(oneLegNorm(12)).toBeNull();
});

test('chair-stand norms by age and sex (CDC STEADI, from memory)', () => {
  expect(
    [60, 65, 70, 75, 80, 85, 90].map((age) => [chairStandNorm(age, 'female'), chairStandNorm(age, 'male')]),
  ).toEqual([
    [12, 14],
    [11, 12],
    [10, 12],
    [10, 11],
    [9, 10],
    [8, 8],
    [4, 7],
  ]);
  expect([59, 95].map((age) => chairStandNorm(age, 'male'))).toEqual([null, null]);
});

test('each result switches its default at its boundary, with a reason', () => {
  expect(screeningDefaults(none)).toEqual({
    chairWithinReach: false,
    noOneLegWork: false,
    higherStance: false,
    reasons: [],
  });
  const of = (change: Partial<Screening>) => screeningDefaults({ ...none, ...change });
  expect(of({ tandemSeconds: 9.9 })).toMatchObject({ chairWithinReach: true, noOneLegWork: true });
  expect(of({ tandemSeconds: 10 }).reasons).toEqual([]);
  expect(of({ oneLegSeconds: 7.4 })).toMatchObject({ chairWithinReach: true, noOneLegWork: false });
  expect(of({ oneLegSeconds: 7.5 }).chairWithinReach).toBe(false);
  expect(of({ oneLegSeconds: 4.9 }).noOneLegWork).toBe(true);
  expect(of({ chairStands: 9 })).toMatchObject({ higherStance: true });
  expect(of({ chairStands: 10 }).higherStance).toBe(false);
  expect(of({ tandemSeconds: 3 }).reasons[0]).toContain('licensed practitioner');
});

test('resting rate: the median interval, hardly moved by a missed tap', () => {
  const taps = [0, 4, 8.2, 12, 16.1, 24, 28];
  expect(restingRate(taps)).toBeCloseTo(60 / median(taps.slice(1).map((tap, index) => tap - taps[index]!)), 9);
  expect(restingRate([0, 4, 8])).toBe(15);
  expect(() => restingRate([0, 4])).toThrow('at least three');
  expect(() => restingRate([0, 4, 4])).toThrow('rise');
});

test('a slow breath is a caution, a held one with certain conditions a refusal with its reason', () => {
  const slow = pattern(5, 0, 7, 0);
  expect(breathCare(slow, 9.9, null, []).grade).toBe('fine');
  expect(breathCare(slow, 10.1, null, [])).toMatchObject({
    grade: 'caution',
    reasons: [expect.stringContaining('half the 10')],
  });
  const held = pattern(4, 2, 6, 2);
  expect(breathCare(held, null, 2, []).grade).toBe('fine');
  expect(breathCare(held, null, 1, []).grade).toBe('caution');
  expect(breathCare(held, null, null, ['knee pain', 'pregnancy'])).toMatchObject({
    grade: 'refused',
    reasons: [expect.stringContaining('pregnancy')],
  });
  expect(breathCare(slow, null, null, ['pregnancy']).grade).toBe('fine');
  expect(forbidsHeldBreath(['poor balance'])).toBeNull();
  // Breath holding is not for these without medical advice (common practice).
  for (const condition of [
    'pregnancy',
    'high blood pressure',
    'heart condition',
    'raised eye pressure',
    'breathing condition',
  ] as const) {
    expect(forbidsHeldBreath(['knee pain', condition])).toBe(condition);
    expect(breathCare(held, null, null, [condition]).grade).toBe('refused');
  }
});

test('holds in breaths and back', () => {
  expect(secondsOfBreaths(3, pattern(5, 0, 7, 0))).toBe(36);
  expect(breathsOfSeconds(35, pattern(5, 0, 7, 0))).toBe(2);
});
