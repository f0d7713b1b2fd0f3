import { breathe, pattern } from './describe';
import { shelf } from '../testing/samples';
import { breathPhaseAt } from '../breath';
import { firstSeconds, fullnessAt, patternKnots, phaseKnots, repetitionAt } from '.';

test('the line of a pattern agrees with its phases', () => {
  const rhythm = pattern(4, 2, 6, 1);
  for (let seconds = 0; seconds < 30; seconds += 0.37) {
    expect(fullnessAt(patternKnots(rhythm), seconds)).toBeCloseTo(breathPhaseAt(rhythm, seconds).fullness, 9);
  }
});

test('parts of no length make no trouble', () => {
  const knots = patternKnots(pattern(3, 0, 3, 0));
  expect([0, 3, 6, 1.5].map((seconds) => fullnessAt(knots, seconds))).toEqual([0, 1, 0, expect.closeTo(0.5, 9)]);
});

test('silk-reeling: out over the first two counts, in over the last two, in one sweep each', () => {
  const knots = phaseKnots(shelf.get('one-hand-reeling')!.phases, 12)!;
  expect(knots).toEqual([
    { at: 0, fullness: 1 },
    { at: 6, fullness: 0 },
    { at: 12, fullness: 1 },
  ]);
  expect(fullnessAt(knots, 3)).toBeCloseTo(0.5, 9);
});

test('a free cycle has no line, and a free part in between holds the breath line level', () => {
  expect(phaseKnots(shelf.get('arm-swings')!.phases, 3)).toBeNull();
  const mixed = phaseKnots(
    [
      {
        name: 'a',
        share: 0.5,
        breath: 'in',
        reversed: '',
        call: '',
        callReversed: '',
        heldBreaths: 0,
        end: null,
        via: [],
        points: [],
      },
      {
        name: 'b',
        share: 0.25,
        breath: 'free',
        reversed: '',
        call: '',
        callReversed: '',
        heldBreaths: 0,
        end: null,
        via: [],
        points: [],
      },
      {
        name: 'c',
        share: 0.25,
        breath: 'out',
        reversed: '',
        call: '',
        callReversed: '',
        heldBreaths: 0,
        end: null,
        via: [],
        points: [],
      },
    ],
    8,
  )!;
  expect(mixed).toEqual([
    { at: 0, fullness: 0 },
    { at: 4, fullness: 1 },
    { at: 6, fullness: 1 },
    { at: 8, fullness: 0 },
  ]);
});

test('in a slowing dose each breath stretches: 10, 11, 12.1 s', () => {
  const dose = breathe(5, pattern(4, 0, 6, 0), 1.1);
  const at = (seconds: number) => repetitionAt(firstSeconds(dose), dose.slowing, seconds);
  expect(at(5)).toEqual({ done: 0, seconds: 5, of: 10 });
  expect(at(15.5)).toEqual({ done: 1, seconds: expect.closeTo(5.5, 9), of: expect.closeTo(11, 9) });
  expect(at(21 + 6.05)).toEqual({ done: 2, seconds: expect.closeTo(6.05, 9), of: expect.closeTo(12.1, 9) });
});
