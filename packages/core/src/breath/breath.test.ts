import fc from 'fast-check';
import { breathPeriod, breathPhaseAt, breathRate, breathsWithin, slowingTotal } from '.';
import { pattern } from '../library/describe';

describe('breath arithmetic (check values of the breath model)', () => {
  test('4-4-6-2 has a period of 16 s and 3.75 breaths a minute', () => {
    expect(breathPeriod(pattern(4, 4, 6, 2))).toBe(16);
    expect(breathRate(pattern(4, 4, 6, 2))).toBe(3.75);
  });

  test('12 rounds from 10 s, each 4 % slower, take 150.26 s', () => {
    expect(slowingTotal(10, 1.04, 12)).toBeCloseTo(150.26, 2);
  });

  test('the geometric sum equals adding the rounds up one by one', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 30, noNaN: true }),
        fc.double({ min: 1, max: 1.5, noNaN: true }),
        fc.integer({ min: 0, max: 40 }),
        (first, factor, rounds) => {
          let sum = 0;
          for (let index = 0; index < rounds; index += 1) sum += first * factor ** index;
          expect(slowingTotal(first, factor, rounds)).toBeCloseTo(sum, 3 - Math.ceil(Math.log10(1 + sum)));
        },
      ),
    );
  });

  test('breathsWithin undoes slowingTotal and never overruns', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 30, noNaN: true }),
        fc.double({ min: 1, max: 1.2, noNaN: true }),
        fc.integer({ min: 1, max: 30 }),
        (first, factor, rounds) => {
          expect(breathsWithin(slowingTotal(first, factor, rounds), first, factor)).toBe(rounds);
          expect(breathsWithin(slowingTotal(first, factor, rounds) - 0.01, first, factor)).toBe(rounds - 1);
        },
      ),
    );
  });

  test('impossible input names the argument', () => {
    expect(() => slowingTotal(-1, 1, 3)).toThrow('firstSeconds');
    expect(() => slowingTotal(1, 0, 3)).toThrow('factor');
    expect(() => slowingTotal(1, 1, 2.5)).toThrow('rounds');
    expect(() => breathsWithin(10, 0)).toThrow('firstSeconds');
    expect(() => breathRate(pattern(0, 0, 0, 0))).toThrow('pattern');
  });

  test('the phases follow one another with their own lengths', () => {
    const rhythm = pattern(4, 1, 6, 2);
    const at = (seconds: number) => breathPhaseAt(rhythm, seconds);
    expect(at(0)).toMatchObject({ phase: 'in', fullness: 0, leftSeconds: 4 });
    expect(at(4.5)).toMatchObject({ phase: 'full', fullness: 1, leftSeconds: 0.5 });
    expect(at(8).phase).toBe('out');
    expect(at(8).fullness).toBeCloseTo(0.5, 9);
    expect(at(12)).toMatchObject({ phase: 'empty', fullness: 0, leftSeconds: 1 });
    expect(at(13 + 4.5)).toEqual(at(4.5));
  });
});
