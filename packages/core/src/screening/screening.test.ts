import { breathCare, breathsOfSeconds, restingRate, secondsOfBreaths, slowedPattern } from '../breath';
import { standardBody } from '../body';
import { breathe, pattern } from '../library/describe';
import { routineFindings } from '../routine';
import { softSchool } from '../schools';
import { routine, segment, shelf } from '../testing/samples';
import { median } from 'simple-statistics';
import { chairStandNorm, forbidsHeldBreath, isShortOneLeg, oneLegNorm } from '.';

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

test('a one-leg stand is short under half of what is usual at the age; without an age nothing is compared', () => {
  // 60 to 69 years: 27 s.
  expect([13, 14].map((seconds) => isShortOneLeg(seconds, 65))).toEqual([true, false]);
  expect(isShortOneLeg(1, null)).toBe(false);
  expect(isShortOneLeg(1, 12)).toBe(false);
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
  expect(breathCare(slow, 19.9, null, []).grade).toBe('fine');
  expect(breathCare(slow, 20.1, null, [])).toMatchObject({
    grade: 'caution',
    reasons: [expect.stringContaining('a quarter of the 20')],
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

describe('slow breath', () => {
  const breathing = [...shelf.values()].filter(({ defaultDose }) => defaultDose.kind === 'breath');

  test('the stock exercises are no doubt at an ordinary rate at rest (12 to 20: nursing handbooks; from memory)', () => {
    expect(breathing.length).toBeGreaterThanOrEqual(5);
    for (const { defaultDose } of breathing) {
      if (defaultDose.kind !== 'breath') continue;
      const last = slowedPattern(defaultDose.pattern, defaultDose.slowing, defaultDose.amounts[0]!.amount);
      for (const resting of [12, 14, 15]) expect(breathCare(last, resting, null, []).grade).toBe('fine');
    }
  });

  test('the last round of a slowing drill is looked at: twelve rounds, each half as long again', () => {
    const first = pattern(4, 2, 4, 0);
    expect(breathCare(first, 14, 10, []).grade).toBe('fine');
    const last = slowedPattern(first, 1.5, 12);
    // 2 s, eleven times longer by half.
    expect(last.fullPauseSeconds).toBeCloseTo(2 * 1.5 ** 11, 9);
    expect(breathCare(last, 14, 10, [])).toMatchObject({
      grade: 'caution',
      reasons: [expect.any(String), expect.any(String)],
    });
    const routineOf = routine([
      segment('a', { ...breathe(12, first), slowing: 1.5 }, { exerciseId: 'slowing-breath' }),
    ]);
    const context = {
      routine: routineOf,
      exercises: shelf,
      school: softSchool,
      person: {
        name: 'Ama',
        body: standardBody,
        capacity: { kneeNm: 160, shoulderNm: 40, spread: { legs: 1, arms: 1 } },
        ankleRangeDeg: 38,
        restingBreath: 14,
        conditions: [],
        learned: null,
        reached: [],
      },
      effort: null,
      newId: () => 'new',
    };
    const found = routineFindings(context).find(({ key }) => key === 'a: breath')!;
    const even = found.mends.find(({ label }) => label === 'Without slowing')!;
    expect(routineFindings({ ...context, routine: even.command(routineOf) }).map(({ key }) => key)).not.toContain(
      'a: breath',
    );
  });

  test('with a breathing condition the breath is left to itself, counted or not', () => {
    const six = pattern(5, 0, 5, 0);
    expect(breathCare(six, 14, null, ['breathing condition']).grade).toBe('refused');
    expect(breathCare(six, null, null, ['breathing condition']).grade).toBe('refused');
    expect(breathCare(pattern(3, 0, 3, 0), 14, null, ['breathing condition']).grade).toBe('fine');
  });
});
