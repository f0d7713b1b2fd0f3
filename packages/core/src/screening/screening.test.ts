import { breathDoubts, restingRate, slowedPattern } from '../breath';
import { careFor } from '../care';
import { standardPerson } from '../person';
import { breathe, pattern } from '../library/describe';
import { routineFindings } from '../findings';
import { softSchool } from '../schools';
import { routine, segment, shelf } from '../testing/samples';
import { median } from 'simple-statistics';
import {
  chairStandNorm,
  HEAD_LOW,
  isShortOneLeg,
  limitsOf,
  notedCondition,
  notedOwn,
  oneLegNorm,
  OwnLimitsSchema,
  type Condition,
  type Noted,
  type OwnLimits,
} from '.';

/** What a pattern goes beyond for somebody of whom this is noted. */
const beyond = (of: ReturnType<typeof pattern>, restingBreath: number | null, ...noted: Condition[]) =>
  careFor(
    {
      segment: segment('b', breathe(6, of), { exerciseId: 'opening-closing' }),
      exercise: shelf.get('opening-closing')!,
      school: softSchool,
    },
    { ...standardPerson('2026-03-02'), noted: noted.map((one) => notedCondition(one)), restingBreath },
    [...shelf.values()],
  );

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

test('a slow breath and a long pause want a word; a held one is not for some, with the reason', () => {
  const slow = pattern(5, 0, 7, 0);
  expect(breathDoubts(slow, 19.9, null)).toEqual([]);
  expect(breathDoubts(slow, 20.1, null)).toEqual([expect.stringContaining('a quarter of the 20')]);
  const held = pattern(4, 2, 6, 2);
  expect(breathDoubts(held, null, 2)).toEqual([]);
  expect(breathDoubts(held, null, 1)).toHaveLength(1);
  expect(beyond(slow, null, 'pregnancy')).toEqual([]);
  expect(beyond(held, null, 'knee pain', 'poor balance')).toEqual([]);
  // Breath holding is not for these without medical advice (common practice).
  for (const condition of [
    'pregnancy',
    'high blood pressure',
    'heart condition',
    'raised eye pressure',
    'breathing condition',
  ] as const) {
    const [found] = beyond(held, null, 'knee pain', condition);
    expect(found).toMatchObject({ limit: { because: condition }, asks: 'a breath held for 2 s', instead: 'no pause' });
    expect(found!.segment.dose).toMatchObject({ pattern: pattern(4, 0, 6, 0) });
  }
});

describe('slow breath', () => {
  const breathing = [...shelf.values()].filter(({ defaultDose }) => defaultDose.kind === 'breath');

  test('the stock exercises are no doubt at an ordinary rate at rest (12 to 20: nursing handbooks; from memory)', () => {
    expect(breathing.length).toBeGreaterThanOrEqual(5);
    for (const { defaultDose } of breathing) {
      if (defaultDose.kind !== 'breath') continue;
      const last = slowedPattern(defaultDose.pattern, defaultDose.slowing, defaultDose.amounts[0]!.amount);
      for (const resting of [12, 14, 15]) expect(breathDoubts(last, resting, null)).toEqual([]);
    }
  });

  test('the last round of a slowing drill is looked at: twelve rounds, each half as long again', () => {
    const first = pattern(4, 2, 4, 0);
    expect(breathDoubts(first, 14, 10)).toEqual([]);
    const last = slowedPattern(first, 1.5, 12);
    // 2 s, eleven times longer by half.
    expect(last.fullPauseSeconds).toBeCloseTo(2 * 1.5 ** 11, 9);
    expect(breathDoubts(last, 14, 10)).toHaveLength(2);
    const routineOf = routine([
      segment('a', { ...breathe(12, first), slowing: 1.5 }, { exerciseId: 'slowing-breath' }),
    ]);
    const context = {
      routine: routineOf,
      exercises: shelf,
      school: softSchool,
      person: {
        ...standardPerson('2026-03-02'),
        restingBreath: 14,
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
    for (const resting of [14, null]) {
      const [found] = beyond(six, resting, 'breathing condition');
      // Two thirds of fourteen a minute, in half seconds.
      expect(found).toMatchObject({ limit: { name: 'breathShare' }, instead: '10.0 breaths a minute' });
      expect(found!.segment.dose).toMatchObject({ pattern: pattern(3, 0, 3, 0) });
    }
    expect(beyond(pattern(3, 0, 3, 0), 14, 'breathing condition')).toEqual([]);
  });
});

describe('of several limits on the same side the strictest holds', () => {
  const noted = (because: string, side: Noted['side'], limits: Noted['limits']): Noted => ({
    because,
    rule: '',
    side,
    limits,
  });
  const of = (...list: Noted[]) => limitsOf(list).map(({ name, value, because, side }) => [name, value, because, side]);

  test('the lower ceiling, whichever comes first; of alike ones the first', () => {
    const [high, low] = [noted('high', null, { bendDeg: 50 }), noted('low', null, { bendDeg: 30 })];
    expect(of(high, low)).toEqual([['bendDeg', 30, 'low', null]]);
    expect(of(low, high)).toEqual([['bendDeg', 30, 'low', null]]);
    expect(of(low, noted('alike', null, { bendDeg: 30 }))).toEqual([['bendDeg', 30, 'low', null]]);
  });

  test('of the breath the quicker is the stricter', () => {
    const [slow, quick] = [noted('slow', null, { breathShare: 0.5 }), noted('quick', null, { breathShare: 0.8 })];
    expect(of(slow, quick)).toEqual([['breathShare', 0.8, 'quick', null]]);
    expect(of(quick, slow)).toEqual([['breathShare', 0.8, 'quick', null]]);
    expect(of(quick, noted('alike', null, { breathShare: 0.8 }))[0]![2]).toBe('quick');
  });

  test('each side has its own, and what is not set limits nothing', () => {
    const sides = of(
      noted('l', 'left', { bendDeg: 20 }),
      noted('r', 'right', { bendDeg: 40 }),
      noted('b', null, { bendDeg: 60 }),
    );
    expect(sides).toHaveLength(3);
    expect(limitsOf([noted('none', null, { noHeldBreath: false })])).toEqual([]);
    expect(
      limitsOf([noted('first', null, { noHeldBreath: true }), noted('second', null, { noHeldBreath: true })]),
    ).toHaveLength(1);
  });

  test('a side is said with the condition', () => {
    expect(notedCondition('knee pain', 'left').because).toBe('knee pain on the left');
    expect(notedCondition('knee pain').because).toBe('knee pain');
  });

  test('half of what is usual is not short, less is; without a norm nothing is', () => {
    const half = oneLegNorm(50)! / 2;
    expect([isShortOneLeg(half, 50), isShortOneLeg(half - 0.1, 50)]).toEqual([false, true]);
    expect([isShortOneLeg(0, null), isShortOneLeg(0, 12)]).toEqual([false, false]);
  });
});

describe('limits', () => {
  const own = (change: Partial<OwnLimits> = {}): OwnLimits =>
    OwnLimitsSchema.parse({ id: 'own', words: 'a stiff big toe', ...change });
  const noted = (because: string, side: Noted['side'], limits: Noted['limits']): Noted => ({
    because,
    rule: `Rule of ${because}.`,
    side,
    limits,
  });

  test('a teacher’s own limit acts by what it says, and by nothing it leaves free', () => {
    expect(notedOwn(own())).toEqual({
      because: 'a stiff big toe',
      rule: 'Your own limit for this student.',
      side: null,
      limits: {},
    });
    expect(notedOwn(own({ side: 'left', bendDeg: 0 }))).toMatchObject({
      because: 'a stiff big toe, left',
      side: 'left',
      limits: { bendDeg: 0 },
    });
    expect(
      notedOwn(own({ bendDeg: 30, armsDeg: 60, standSeconds: 90, noLift: true, noHeldBreath: true, noHeadLow: true }))
        .limits,
    ).toEqual({ bendDeg: 30, armsDeg: 60, standSeconds: 90, noLift: true, noHeldBreath: true, foldDeg: HEAD_LOW });
    expect(() => own({ words: ' ' })).toThrow('a limit needs a few words');
  });

  test('of two ceilings the lower holds, of two breaths the quicker; of equal ones what was noted first', () => {
    const of = (...all: Noted[]) => limitsOf(all).map(({ name, value, because }) => `${name} ${value} ${because}`);
    const [a, b] = [noted('a', null, { bendDeg: 40 }), noted('b', null, { bendDeg: 20 })];
    expect(of(a, b)).toEqual(['bendDeg 20 b']);
    expect(of(b, a)).toEqual(['bendDeg 20 b']);
    expect(of(noted('a', null, { bendDeg: 20 }), b)).toEqual(['bendDeg 20 a']);
    const [slow, quick] = [noted('a', null, { breathShare: 0.5 }), noted('b', null, { breathShare: 0.7 })];
    expect(of(slow, quick)).toEqual(['breathShare 0.7 b']);
    expect(of(quick, slow)).toEqual(['breathShare 0.7 b']);
    expect(of(quick, noted('c', null, { breathShare: 0.7 }))).toEqual(['breathShare 0.7 b']);
    expect(of(noted('a', null, { noLift: true }), noted('b', null, { noLift: true }))).toEqual(['noLift true a']);
  });

  test('sides are apart, and what is left open or off is no limit', () => {
    const both = limitsOf([
      noted('a', 'left', { bendDeg: 20 }),
      noted('b', 'right', { bendDeg: 30 }),
      noted('c', null, { bendDeg: 40, noLift: false, armsDeg: undefined }),
    ]);
    expect(both.map(({ name, value, side }) => [name, value, side])).toEqual([
      ['bendDeg', 20, 'left'],
      ['bendDeg', 30, 'right'],
      ['bendDeg', 40, null],
    ]);
    expect(both[0]).toMatchObject({ because: 'a', rule: 'Rule of a.' });
    expect(notedCondition('knee pain').because).toBe('knee pain');
    expect(notedCondition('knee pain', 'left')).toMatchObject({ because: 'knee pain on the left', side: 'left' });
    expect(isShortOneLeg(13.5, 65)).toBe(false);
  });
});
