import fc from 'fast-check';
import {
  duplicateSegment,
  evenOut,
  insertSegment,
  mirrorRoutine,
  moveSegment,
  newRoutine,
  newSegment,
  removeSegment,
  rounds,
  RoutineSchema,
  sidesLedger,
  timeline,
  unevenness,
} from '.';
import { breathe, cycle, eachSide, eachSideBothWays, hold, pattern, together } from '../library/describe';
import { strictSchool } from '../schools';
import { anyRoutine, routine, segment, shelf } from '../testing/samples';

const minutes = (value: number): number => value * 60_000;
const stage = (id: string, length: number) => segment(id, hold(length * 60, together(1), 0));
const stages = (...lengths: number[]) => routine(lengths.map((length, index) => stage(`stage-${index}`, length)));

describe('the time of a routine against sums of the trade (common practice)', () => {
  test('five stages of 10 to 15 min take 50 to 75 min', () => {
    expect(timeline(stages(10, 10, 10, 10, 10)).totalMs).toBe(minutes(50));
    expect(timeline(stages(15, 15, 15, 15, 15)).totalMs).toBe(minutes(75));
  });

  test('all seven, the last two of 10 min, take 70 to 95 min', () => {
    expect(timeline(stages(10, 10, 10, 10, 10, 10, 10)).totalMs).toBe(minutes(70));
    expect(timeline(stages(15, 15, 15, 15, 15, 10, 10)).totalMs).toBe(minutes(95));
  });

  test('silk-reeling: 8 circles each way of 11 s is about three minutes a side', () => {
    const ledger = sidesLedger(routine([segment('a', cycle(11, eachSideBothWays(8)))]));
    expect(ledger.left).toEqual({ seconds: 176, repetitionsForward: 8, repetitionsReversed: 8, breaths: 0 });
    expect(ledger.right).toEqual(ledger.left);
  });

  test('an overhead stretch of three slow breaths at 5 a minute is 36 s', () => {
    expect(timeline(routine([segment('a', breathe(3, pattern(5, 0, 7, 0)))])).totalMs).toBe(36_000);
  });
});

describe('timeline', () => {
  test('a round that slows takes its slowing with it: 12 breaths from 10 s, each 4 % longer', () => {
    const slowing = { ...breathe(12, pattern(4, 1, 4, 1)), slowing: 1.04 };
    expect(timeline(routine([segment('a', slowing)])).totalMs).toBe(150_258);
  });

  test('a change of direction is a change, not a rest, with the time of a change', () => {
    const both = cycle(10, eachSideBothWays(2), 40);
    const line = timeline(routine([segment('a', both)], { settleSeconds: 0, changeSeconds: 7 }));
    expect(line.spans.map((span) => `${span.kind} ${span.side} ${span.direction}`)).toEqual([
      'cycle left forward',
      'change left reversed',
      'cycle left reversed',
      'change right forward',
      'cycle right forward',
      'change right reversed',
      'cycle right reversed',
    ]);
    expect(line.changeMs).toBe(3 * 7000);
    expect(line.restMs).toBe(0);
  });

  test('hand-worked: two holds a side, one side whole, with settle, rests and one change', () => {
    const line = timeline(routine([segment('a', hold(40, eachSide(2), 20))], { settleSeconds: 10, changeSeconds: 5 }));
    expect(line.spans.map((span) => [span.kind, span.side, span.set, span.durationMs / 1000])).toEqual([
      ['settle', 'left', 1, 10],
      ['hold', 'left', 1, 40],
      ['rest', 'left', 1, 20],
      ['hold', 'left', 2, 40],
      ['change', 'right', 1, 5],
      ['hold', 'right', 1, 40],
      ['rest', 'right', 1, 20],
      ['hold', 'right', 2, 40],
    ]);
    expect(line).toMatchObject({ totalMs: 215_000, workMs: 160_000, changeMs: 15_000, restMs: 40_000, talkMs: 0 });
  });

  test('alternating holds go left, right, left, right and need no rest in between', () => {
    const alternating = segment('a', hold(40, eachSide(2), 20), { sideOrder: 'alternating' });
    const line = timeline(routine([alternating], { changeSeconds: 5 }));
    expect(line.spans.filter((span) => span.kind === 'hold').map((span) => span.side)).toEqual([
      'left',
      'right',
      'left',
      'right',
    ]);
    expect(line.totalMs).toBe(175_000);
  });

  test('alternating rows of repetitions change the side after each direction', () => {
    const order = rounds(cycle(2, eachSideBothWays(8)), 'alternating');
    expect(order.map((round) => `${round.side} ${round.direction}`)).toEqual([
      'left forward',
      'right forward',
      'left reversed',
      'right reversed',
    ]);
  });

  test('an amount of nothing takes no time', () => {
    expect(timeline(routine([segment('a', hold(60, together(0)))], { settleSeconds: 10 })).totalMs).toBe(0);
  });

  test('spans follow one another without gaps and the parts add up to the whole', () => {
    fc.assert(
      fc.property(anyRoutine, (value) => {
        const line = timeline(value);
        let at = 0;
        for (const span of line.spans) {
          expect(span.startMs).toBe(at);
          at += span.durationMs;
        }
        expect(line.totalMs).toBe(at);
        expect(line.workMs + line.changeMs + line.restMs + line.talkMs).toBe(line.totalMs);
      }),
    );
  });

  test('the ledger agrees with the spans of each side', () => {
    fc.assert(
      fc.property(anyRoutine, (value) => {
        const { spans } = timeline(value);
        for (const side of ['left', 'right'] as const) {
          const work = spans.filter((span) => span.amount > 0 && span.side === side);
          const seconds = work.reduce((sum, span) => sum + span.durationMs, 0) / 1000;
          expect(sidesLedger(value)[side].seconds).toBeCloseTo(seconds, 2);
        }
      }),
    );
  });
});

describe('mirror', () => {
  test('mirrored twice is the same again, and the ledger changes sides', () => {
    fc.assert(
      fc.property(anyRoutine, (value) => {
        expect(mirrorRoutine(mirrorRoutine(value))).toEqual(value);
        expect(sidesLedger(mirrorRoutine(value)).left).toEqual(sidesLedger(value).right);
        expect(timeline(mirrorRoutine(value)).totalMs).toBe(timeline(value).totalMs);
      }),
    );
  });
});

describe('unequal sides', () => {
  const uneven = cycle(5, [
    { side: 'left', direction: 'none', amount: 9 },
    { side: 'right', direction: 'none', amount: 6 },
  ]);

  test('are found with their amounts', () => {
    expect(unevenness(uneven)).toEqual([{ what: 'sides', few: 'right', fewAmount: 6, many: 'left', manyAmount: 9 }]);
    expect(unevenness(cycle(5, eachSideBothWays(8)))).toEqual([]);
    expect(unevenness(hold(5, together(3)))).toEqual([]);
  });

  test('a missing side and unequal directions are found as well', () => {
    const oneSide = cycle(5, [{ side: 'left', direction: 'forward', amount: 8 }]);
    expect(unevenness(oneSide)[0]).toMatchObject({ few: 'right', fewAmount: 0 });
    expect(evenOut(oneSide).amounts).toHaveLength(2);
    const oneWay = cycle(5, [
      { side: 'both', direction: 'forward', amount: 8 },
      { side: 'both', direction: 'reversed', amount: 3 },
    ]);
    expect(unevenness(oneWay)[0]).toMatchObject({ what: 'directions', few: 'reversed' });
  });

  test('evening out leaves nothing uneven and takes nothing away', () => {
    fc.assert(
      fc.property(anyRoutine, (value) => {
        for (const entry of value.segments) {
          if (entry.type !== 'exercise') continue;
          const mended = evenOut(entry.dose);
          expect(unevenness(mended)).toEqual([]);
          entry.dose.amounts.forEach((row, index) =>
            expect(mended.amounts[index]!.amount).toBeGreaterThanOrEqual(row.amount),
          );
        }
      }),
    );
  });
});

describe('commands', () => {
  const base = routine(['a', 'b', 'c'].map((id) => segment(id, hold(10, together(1)))));
  const ids = (value = base) => value.segments.map((entry) => entry.id).join('');

  test('a new routine and segment take the conventions of their school', () => {
    const empty = newRoutine('x', 'New', strictSchool);
    expect(RoutineSchema.parse(empty)).toMatchObject({ settleSeconds: 5, changeSeconds: 3, segments: [] });
    expect(newSegment('y', shelf.get('bow-stand')!, strictSchool)).toMatchObject({ sideOrder: 'alternating' });
  });

  test('insert, duplicate, move and remove', () => {
    expect(ids(insertSegment(base, segment('d', hold(1, together(1))), 1))).toBe('adbc');
    expect(ids(duplicateSegment(base, 'b', 'z'))).toBe('abzc');
    expect(ids(moveSegment(base, 0, 2))).toBe('bca');
    expect(ids(moveSegment(base, 2, -5))).toBe('cab');
    expect(moveSegment(base, 1, 1)).toBe(base);
    expect(ids(removeSegment(base, 'b'))).toBe('ac');
    expect(ids()).toBe('abc');
  });

  test('a move is undone by the opposite move', () => {
    fc.assert(
      fc.property(anyRoutine, fc.nat(6), fc.nat(6), (value, from, to) => {
        fc.pre(from < value.segments.length && to < value.segments.length);
        expect(moveSegment(moveSegment(value, from, to), to, from)).toEqual(value);
      }),
    );
  });
});
