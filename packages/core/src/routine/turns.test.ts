import * as fc from 'fast-check';
import { axesOf, axisValue, withAxisValue } from '../axis';
import { countOf, doseGivenAs, doseGivings, doseWords, givingOf, repetitionsIn, repetitionsTotal } from '../library';
import { breathe, cycle, eachSide, eachSideBothWays, hold, pattern, timed, together } from '../library/describe';
import { bells, conduct } from '../practice';
import { routine, segment } from '../testing/samples';
import { addTo } from './addTo';
import { evenOut, orderWords, routineUnevenness, rounds, sidesLedger, spanRepetition, timeline, unevenness } from '.';
import { takesTurns } from '../library';

const quiet = (...segments: Parameters<typeof routine>[0]) =>
  ({ ...routine(segments), settleSeconds: 0, changeSeconds: 3 }) as const;

describe('time a side with the repetitions counted (common practice: reeling three minutes a side)', () => {
  const dose = timed(180, 10, eachSide(1));

  test('lasts as long as it says, to the millisecond, whatever the pace', () => {
    for (const pace of [7, 9, 10, 11, 13]) {
      const line = timeline(quiet(segment('a', timed(180, pace, eachSide(1)))));
      expect(line.workMs).toBe(360_000);
      expect(line.spans[0]!.amount).toBeCloseTo(180 / pace, 9);
    }
  });

  test('the ledger counts its circles, the words say both', () => {
    expect(sidesLedger(quiet(segment('a', dose))).left).toMatchObject({ seconds: 180, repetitionsForward: 18 });
    expect(doseWords(dose)).toBe('3:00 min a side, about 18 repetitions at 10 s each');
    expect(doseWords(timed(90, 10, eachSide(2)))).toBe('2 rounds a side × 1:30 min, about 9 repetitions at 10 s each');
  });

  test('grows in its time and its pace', () => {
    expect(axesOf(dose)).toEqual(['time', 'pace', 'stay']);
    const longer = withAxisValue(dose, 'time', 210);
    expect(axisValue(longer, 'time')).toBe(210);
    expect(longer.amounts).toEqual(dose.amounts);
    expect(timeline(quiet(segment('a', withAxisValue(dose, 'pace', 15)))).workMs).toBe(360_000);
  });

  test('each repetition slower fills the same time with fewer of them', () => {
    const slower = { ...dose, slowing: 1.05 };
    const count = countOf(slower, 1);
    expect(count).toBeLessThan(18);
    expect(repetitionsTotal(10, 1.05, count)).toBeCloseTo(180, 6);
  });
});

test('repetitions in a time and the time of repetitions are inverse', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 30, noNaN: true }),
      fc.double({ min: 1, max: 1.2, noNaN: true }),
      fc.double({ min: 1, max: 600, noNaN: true }),
      (first, slowing, seconds) => {
        // What ends within a thousandth of a second counts as whole.
        expect(
          Math.abs(repetitionsTotal(first, slowing, repetitionsIn(first, slowing, seconds)) - seconds),
        ).toBeLessThan(2e-3);
      },
    ),
  );
});

describe('left and right in turn, repetition by repetition (common practice)', () => {
  const taking = segment('a', cycle(6, [...eachSide(3)]), { sideOrder: 'each' });

  test('goes left, right, left, right without a stop between', () => {
    const { spans, changeMs } = timeline(quiet(taking));
    expect(spans.map(({ side, turn, turns }) => `${side} ${turn}/${turns}`)).toEqual([
      'left 1/6',
      'right 2/6',
      'left 3/6',
      'right 4/6',
      'left 5/6',
      'right 6/6',
    ]);
    expect(changeMs).toBe(0);
  });

  test('forward comes before reversed, with a change between', () => {
    const both = segment('a', cycle(6, eachSideBothWays(2)), { sideOrder: 'each' });
    const { spans } = timeline(quiet(both));
    expect(spans.map(({ kind, side, direction }) => (kind === 'change' ? '–' : `${side[0]!}${direction[0]!}`))).toEqual(
      ['lf', 'rf', 'lf', 'rf', '–', 'lr', 'rr', 'lr', 'rr'],
    );
  });

  test('what one side has more is done at the end; the ledger and the length are as of any order', () => {
    const amounts = [
      { side: 'left' as const, direction: 'none' as const, amount: 3 },
      { side: 'right' as const, direction: 'none' as const, amount: 1 },
    ];
    const order = rounds(cycle(6, amounts), 'each').map(({ side }) => side);
    expect(order).toEqual(['left', 'right', 'left', 'left']);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: 9 }), (left, right) => {
        const dose = cycle(5, [
          { ...amounts[0]!, amount: left },
          { ...amounts[1]!, amount: right },
        ]);
        const of = (sideOrder: 'whole' | 'each') => timeline(quiet(segment('a', dose, { sideOrder }))).workMs;
        expect(of('each')).toBe(of('whole'));
      }),
    );
  });

  test('given as time, the last of each side goes as far as its time', () => {
    const line = timeline(quiet(segment('a', timed(20, 6, eachSide(1)), { sideOrder: 'each' })));
    expect(line.workMs).toBe(40_000);
    expect(line.spans.slice(-2).map(({ amount }) => amount)).toEqual([expect.closeTo(1 / 3), expect.closeTo(1 / 3)]);
  });

  test('breaths take turns too, each slower than the last; holds do as in alternating', () => {
    const breaths = { ...breathe(2, pattern(4, 0, 6, 0), 1.1), amounts: eachSide(2) };
    expect(rounds(breaths, 'each').map(({ seconds }) => seconds)).toEqual([10, 10, 11, 11]);
    const holds = hold(30, eachSide(2));
    expect(rounds(holds, 'each')).toEqual(rounds(holds, 'alternating'));
  });

  test('who counts by hand goes on doing so from side to side', () => {
    const line = timeline(quiet(taking));
    const tap = (at: number) => ({ at, action: 'tap' as const });
    const state = conduct(line, [{ at: 0, action: 'start' }, tap(1000), tap(2000)], 60_000);
    expect(state).toMatchObject({ spanIndex: 2, taps: 0 });
  });
});

describe('a start on the teacher’s cue (common practice: begin only when aligned)', () => {
  const waiting = segment('a', hold(30, together(1)), { startsOnCue: true });
  const line = timeline({ ...quiet(waiting), settleSeconds: 10 });

  test('taking up lasts until the cue, and no bell is laid beyond it', () => {
    const waits = conduct(line, [{ at: 0, action: 'start' }], 95_000);
    expect(waits).toMatchObject({ spanIndex: 0, offsetMs: 95_000 });
    expect(bells(line, waits)).toEqual([]);
    const begun = conduct(
      line,
      [
        { at: 0, action: 'start' },
        { at: 95_000, action: 'next' },
      ],
      100_000,
    );
    expect(begun).toMatchObject({ spanIndex: 1, offsetMs: 5000 });
  });

  test('it waits also where no time is planned to take it up', () => {
    const at = timeline({ ...quiet(waiting), settleSeconds: 0 });
    expect(at.spans[0]).toMatchObject({ kind: 'settle', byCue: true, durationMs: 1000 });
  });
});

describe('each repetition slower', () => {
  test('a cycle from 10 s, 4 % slower each, twelve times: 150.26 s (geometric series)', () => {
    const line = timeline(quiet(segment('a', { ...cycle(10, together(12)), slowing: 1.04 })));
    expect(line.workMs).toBe(150_258);
    const span = line.spans[0]!;
    expect(spanRepetition(span, 10_000 + 5200)).toEqual({
      done: 1,
      into: expect.closeTo(0.5, 4),
      lengthMs: expect.closeTo(10_400, 0),
    });
    expect(doseWords({ ...cycle(10, together(12)), slowing: 1.04 })).toBe('12 repetitions, 10 s each, each 4 % slower');
  });
});

describe('given another way', () => {
  test('as long a side as it was, about', () => {
    const circles = cycle(10, eachSide(18));
    expect(doseGivenAs(circles, 'timed')).toMatchObject({ roundSeconds: 180, amounts: eachSide(1) });
    expect(doseGivenAs(timed(180, 10, eachSide(1)), 'cycle')).toMatchObject({
      roundSeconds: null,
      amounts: eachSide(18),
    });
    expect(doseGivenAs(hold(90, together(1)), 'breath')).toMatchObject({ kind: 'breath', amounts: together(10) });
    expect(doseGivenAs(circles, 'breath')).toMatchObject({
      pattern: { inSeconds: expect.closeTo(40 / 9), outSeconds: expect.closeTo(50 / 9) },
      amounts: eachSide(18),
    });
  });

  test('every way leads to every other, keeps the rows that ask for nothing, and stays as it is where it is that already', () => {
    const start = cycle(6, [...eachSide(8), { side: 'left', direction: 'reversed', amount: 0 }]);
    for (const one of doseGivings)
      for (const other of doseGivings) {
        const from = doseGivenAs(start, one);
        const to = doseGivenAs(from, other);
        expect(givingOf(to)).toBe(other);
        expect(to.amounts.map((row) => row.amount > 0)).toEqual([true, true, false]);
        if (one === other) expect(to).toBe(from);
      }
  });
});

describe('even over the whole routine', () => {
  const there = segment('there', cycle(5, [{ side: 'left', direction: 'none', amount: 3 }]));
  const back = segment('back', cycle(5, [{ side: 'right', direction: 'none', amount: 3 }]));

  test('there in one segment and back in a later one is even', () => {
    const same = { exerciseId: 'stepping-clouds' };
    expect(routineUnevenness(quiet({ ...there, ...same }, { ...back, ...same }))).toEqual([]);
    expect(routineUnevenness(quiet({ ...there, ...same }))[0]).toMatchObject({ few: 'right', segmentIds: ['there'] });
  });

  test('what is missing is what is added', () => {
    const short = { ...back, exerciseId: there.exerciseId, dose: addTo(back.dose, 'side', 'right', -1) };
    const value = quiet(there, short);
    expect(routineUnevenness(value)[0]).toMatchObject({ fewAmount: 2, manyAmount: 3, segmentIds: ['there', 'back'] });
    const mended = { ...short, dose: addTo(short.dose, 'side', 'right', 1) };
    expect(routineUnevenness(quiet(there, mended))).toEqual([]);
  });

  test('doses of two kinds are compared by their time', () => {
    const minute = {
      ...back,
      exerciseId: there.exerciseId,
      dose: timed(15, 5, [{ ...back.dose.amounts[0]!, amount: 1 }]),
    };
    expect(routineUnevenness(quiet(there, minute))).toEqual([]);
    const longer = { ...minute, dose: { ...minute.dose, roundSeconds: 20 } };
    expect(routineUnevenness(quiet(there, longer))[0]).toMatchObject({
      unit: 'seconds',
      fewAmount: 15,
      manyAmount: 20,
    });
  });
});

describe('the order of sides and directions in words, to count along on paper', () => {
  const words = (dose: Parameters<typeof segment>[1], sideOrder: 'whole' | 'alternating' | 'each' = 'whole') =>
    orderWords(segment('a', dose, { sideOrder }));

  test('as they are really done', () => {
    expect(words(cycle(6, eachSideBothWays(8)))).toBe(
      'Left forward 8, left reversed 8, right forward 8, right reversed 8.',
    );
    expect(words(cycle(6, eachSideBothWays(8)), 'alternating')).toBe(
      'Left forward 8, right forward 8, left reversed 8, right reversed 8.',
    );
    expect(words(cycle(6, eachSideBothWays(8)), 'each')).toBe(
      'One each in turn, forward: 8 left, 8 right; then reversed: 8 left, 8 right.',
    );
    expect(words(hold(40, eachSide(2)), 'alternating')).toBe('Left 40 s, right 40 s, left 40 s, right 40 s.');
    expect(words(timed(180, 10, eachSide(1)))).toBe('Left 3:00 min, right 3:00 min.');
  });

  test('what both do together beside what one does is said', () => {
    const amounts = [...together(3), { side: 'left', direction: 'none', amount: 2 } as const];
    expect(words(cycle(6, amounts))).toBe('Both 3, left 2.');
  });

  test('nothing where there is one thing to do, and not a page of it', () => {
    expect(words(hold(60, together(3)))).toBe('');
    expect(words(cycle(6, together(8)))).toBe('');
    expect(words(hold(10, eachSide(9)), 'alternating')).toBe('');
  });
});

describe('sides of a dose', () => {
  const row = (side: 'left' | 'right' | 'both', direction: 'forward' | 'reversed' | 'none', amount: number) => ({
    side,
    direction,
    amount,
  });

  test('take turns only where both are asked for, of what is counted and not held', () => {
    const left = [row('left', 'none', 4)];
    const both = [...left, row('right', 'none', 4)];
    expect(takesTurns(cycle(4, both), 'each')).toBe(true);
    expect(takesTurns(cycle(4, both), 'whole')).toBe(false);
    expect(takesTurns(cycle(4, both), 'alternating')).toBe(false);
    expect(takesTurns(cycle(4, left), 'each')).toBe(false);
    expect(takesTurns(cycle(4, [...left, row('right', 'none', 0)]), 'each')).toBe(false);
    expect(takesTurns(hold(30, both, 0), 'each')).toBe(false);
    expect(takesTurns(breathe(6, pattern(4, 0, 6, 0), 1), 'each')).toBe(false);
  });

  test('are evened out upwards: the side and the direction that were missing come in', () => {
    const of = (...rows: ReturnType<typeof row>[]) => evenOut(cycle(4, rows)).amounts;
    expect(of(row('left', 'none', 9), row('right', 'none', 6))).toEqual([
      row('left', 'none', 9),
      row('right', 'none', 9),
    ]);
    expect(of(row('left', 'none', 9))).toEqual([row('left', 'none', 9), row('right', 'none', 9)]);
    expect(of(row('both', 'none', 9))).toEqual([row('both', 'none', 9)]);
    expect(of(row('both', 'forward', 8), row('both', 'reversed', 4))).toEqual([
      row('both', 'forward', 8),
      row('both', 'reversed', 8),
    ]);
    expect(of(row('left', 'forward', 8), row('left', 'reversed', 4))).toEqual([
      row('left', 'forward', 8),
      row('left', 'reversed', 8),
      row('right', 'forward', 8),
      row('right', 'reversed', 8),
    ]);
    expect(of(row('left', 'forward', 8), row('right', 'forward', 8), row('left', 'reversed', 4))).toEqual([
      row('left', 'forward', 8),
      row('right', 'forward', 8),
      row('left', 'reversed', 8),
      row('right', 'reversed', 8),
    ]);
    // What one side does beside what both do together is asked of the other too.
    expect(of(row('both', 'none', 2), row('left', 'none', 3))).toEqual([
      row('both', 'none', 3),
      row('left', 'none', 3),
      row('right', 'none', 3),
    ]);
  });

  test('where one side has more, it goes on without a stop, in sets as they are', () => {
    const more = cycle(6, [row('left', 'none', 1), row('right', 'none', 3)]);
    const kinds = timeline(quiet(segment('a', { ...more, restSeconds: 20 }, { sideOrder: 'each' }))).spans.map(
      ({ kind }) => kind,
    );
    expect(kinds).not.toContain('rest');
    const sets = rounds(timed(20, 6, [row('left', 'none', 1), row('right', 'none', 2)]), 'each');
    expect(new Set(sets.filter(({ set }) => set === 2).map(({ side }) => side))).toEqual(new Set(['right']));
    expect(sets.every(({ seconds }) => seconds > 0)).toBe(true);
  });

  test('are unequal by what is asked of each, and only where sides or ways are told apart', () => {
    const of = (...rows: ReturnType<typeof row>[]) => unevenness(cycle(4, rows));
    expect(of(row('both', 'none', 9))).toEqual([]);
    expect(of(row('both', 'forward', 9))).toEqual([]);
    expect(of(row('left', 'none', 9))).toEqual([
      { what: 'sides', few: 'right', fewAmount: 0, many: 'left', manyAmount: 9 },
    ]);
    expect(of(row('both', 'forward', 3), row('both', 'reversed', 5))).toEqual([
      { what: 'directions', few: 'forward', fewAmount: 3, many: 'reversed', manyAmount: 5 },
    ]);
    expect(of(row('left', 'none', 6), row('right', 'none', 6))).toEqual([]);
  });

  test('are counted in the ledger by what they are: breaths as breaths, repetitions by their way', () => {
    const breaths = {
      ...breathe(6, pattern(4, 0, 6, 0), 1),
      amounts: [row('left', 'none', 6), row('right', 'none', 4)],
    };
    const circles = cycle(5, [row('left', 'forward', 8), row('left', 'reversed', 4)]);
    const ledger = sidesLedger(
      quiet(segment('a', breaths), segment('b', circles), segment('c', hold(20, eachSide(1), 0))),
    );
    expect(ledger.left).toMatchObject({ breaths: 6, repetitionsForward: 8, repetitionsReversed: 4 });
    expect(ledger.right).toMatchObject({ breaths: 4, repetitionsForward: 0, repetitionsReversed: 0 });
    expect(ledger.right.seconds).toBeCloseTo(40 + 20, 6);
  });

  test('are told in the order in which they are done', () => {
    const of = (dose: Parameters<typeof segment>[1], sideOrder: 'whole' | 'alternating' | 'each') =>
      orderWords({ dose, sideOrder });
    const both = [row('left', 'forward', 4), row('right', 'forward', 4)];
    expect(of(cycle(4, both), 'each')).toBe('One each in turn, forward: 4 left, 4 right.');
    expect(of(cycle(4, [...both, row('left', 'reversed', 2), row('right', 'reversed', 0)]), 'each')).toBe(
      'One each in turn, forward: 4 left, 4 right; then reversed: 2 left.',
    );
    expect(of(cycle(4, [row('left', 'none', 4), row('right', 'none', 3)]), 'each')).toBe(
      'One each in turn, 4 left, 3 right.',
    );
    expect(of(hold(20, [row('left', 'none', 2), row('right', 'none', 2)], 0), 'each')).toBe(
      'Left 20 s, right 20 s, left 20 s, right 20 s.',
    );
    expect(of(hold(20, [row('both', 'none', 3)], 0), 'whole')).toBe('');
    expect(of(cycle(4, [row('left', 'none', 4)]), 'whole')).toBe('');
    expect(of(hold(20, [row('left', 'none', 4), row('right', 'none', 4)], 0), 'whole')).toMatch(
      /^(Left 20 s, ){1}(left 20 s, ){3}/,
    );
    expect(of(hold(20, [row('left', 'none', 5), row('right', 'none', 4)], 0), 'whole')).toBe('');
  });
});
