import fc from 'fast-check';
import loadHighs from 'highs';
import { cycle, eachSide, hold, together } from '../library/describe';
import { routine, segment } from '../testing/samples';
import { evenOut, runsOutAt, stepsThatFit, timeline, unevenness, walkPath } from '../routine';
import { amountOptions, fitAmounts, fitRoutine, type FitBlock, type FitWish } from '.';

const checkBlocks: FitBlock[] = [
  { ideal: 180, min: 60, max: 300, step: 30, weight: 2 },
  { ideal: 240, min: 120, max: 480, step: 40, weight: 1 },
  { ideal: 150, min: 90, max: 300, step: 15, weight: 1 },
];

const anyBlock = fc
  .record({
    min: fc.integer({ min: 1, max: 12 }),
    more: fc.integer({ min: 0, max: 5 }),
    step: fc.integer({ min: 1, max: 9 }),
    weight: fc.integer({ min: 1, max: 4 }),
    at: fc.nat(5),
  })
  .map(({ min, more, step, weight, at }): FitBlock => ({
    min: min * 5,
    max: min * 5 + more * step,
    step,
    weight,
    ideal: min * 5 + Math.min(at, more) * step,
  }));
const anyCase = fc.record({
  blocks: fc.array(anyBlock, { minLength: 1, maxLength: 4 }),
  fixed: fc.integer({ min: 0, max: 40 }),
  target: fc.integer({ min: 20, max: 420 }),
});

/** Every combination, the plain way. */
function bruteForce(blocks: readonly FitBlock[], fixed: number, target: number) {
  let best: { total: number; cost: number } | null = null;
  const go = (index: number, total: number, cost: number): void => {
    if (total > target) return;
    if (index === blocks.length) {
      const closer = best === null || total > best.total || (total === best.total && cost < best.cost - 1e-12);
      if (closer) best = { total, cost };
      return;
    }
    for (const option of amountOptions(blocks[index]!)) go(index + 1, total + option.seconds, cost + option.cost);
  };
  go(0, fixed, 0);
  return best as { total: number; cost: number } | null;
}

describe('fit to the time', () => {
  test('check value: 180, 160, 165 make 600 with the fixed 95, cost 0.1211', () => {
    const fit = fitAmounts(checkBlocks, 95, 600);
    expect(fit).toMatchObject({ ok: true, chosen: [180, 160, 165], total: 600, cost: expect.closeTo(0.1211, 4) });
  });

  test('equals brute force on small cases', () => {
    fc.assert(
      fc.property(anyCase, ({ blocks, fixed, target }) => {
        const [fit, best] = [fitAmounts(blocks, fixed, target), bruteForce(blocks, fixed, target)];
        expect(fit.ok).toBe(best !== null);
        if (fit.ok && best !== null) {
          expect(fit.total).toBe(best.total);
          expect(fit.cost).toBeCloseTo(best.cost, 9);
        }
      }),
      { numRuns: 300, seed: 4 },
    );
  });

  test('equals a MILP library on 200 small cases', async () => {
    const highs = await loadHighs();
    const cases = fc.sample(anyCase, { numRuns: 200, seed: 21 });
    for (const { blocks, fixed, target } of cases) {
      const fit = fitAmounts(blocks, fixed, target);
      const options = blocks.map(amountOptions);
      const names = options.flatMap((list, block) =>
        list.map((option, index) => ({ name: `x${block}_${index}`, ...option })),
      );
      const sum = (of: (entry: (typeof names)[number]) => number) =>
        names.map((entry) => `${of(entry).toFixed(9)} ${entry.name}`).join(' + ');
      const pick = options
        .map((list, block) => ` c${block}: ${list.map((_, index) => `x${block}_${index}`).join(' + ')} = 1`)
        .join('\n');
      // The total counts a thousand times as much as any cost, so it is closest first and cheapest after.
      const objective = sum((entry) => entry.seconds * 1000 - entry.cost);
      const room = sum((entry) => entry.seconds);
      const problem = [
        `Maximize\n obj: ${objective}`,
        `Subject To\n${pick}\n room: ${room} <= ${target - fixed}`,
        `Binary\n ${names.map((entry) => entry.name).join(' ')}\nEnd`,
      ].join('\n');
      const solved = highs.solve(problem, { mip_rel_gap: 0, mip_abs_gap: 0 });
      expect(fit.ok).toBe(solved.Status === 'Optimal');
      if (!fit.ok) continue;
      const taken = names.filter((entry) => (solved.Columns[entry.name] as { Primal: number }).Primal > 0.5);
      expect(taken.reduce((total, entry) => total + entry.seconds, fixed)).toBe(fit.total);
      expect(taken.reduce((total, entry) => total + entry.cost, 0)).toBeCloseTo(fit.cost, 5);
    }
  });

  test('when nothing fits it says by how much, and impossible input names the block', () => {
    expect(fitAmounts(checkBlocks, 95, 300)).toMatchObject({ ok: false, overBy: 65 });
    expect(() => fitAmounts([{ ...checkBlocks[0]!, step: 0.5 }], 0, 100)).toThrow('step');
    expect(() => fitAmounts([{ ...checkBlocks[0]!, min: 400 }], 0, 100)).toThrow('min');
  });
});

describe('fit of a routine', () => {
  const base = routine(
    [
      segment('a', hold(60, eachSide(2), 20)),
      segment('b', cycle(5, eachSide(9))),
      segment('c', hold(120, together(1))),
    ],
    { settleSeconds: 10, changeSeconds: 5 },
  );
  const wish = { target: 480, held: new Set<string>(), countMultiple: 3, longestHold: new Map<string, number>() };

  test('never passes its target, keeps sides equal and counts to the multiple', () => {
    fc.assert(
      fc.property(fc.integer({ min: 250, max: 1100 }), (target) => {
        const fit = fitRoutine(base, { ...wish, target });
        if (!fit.ok) return fc.pre(false);
        expect(fit.seconds).toBeLessThanOrEqual(target);
        expect(fit.seconds).toBe(timeline(fit.routine).totalMs / 1000);
        for (const part of fit.routine.segments) {
          if (part.type !== 'exercise') continue;
          expect(unevenness(part.dose)).toEqual([]);
          if (part.dose.kind === 'cycle') expect(part.dose.amounts[0]!.amount % 3).toBe(0);
        }
      }),
    );
  });

  test('a held part stays, a longest hold is kept, and it says so when there is no room', () => {
    const fit = fitRoutine(base, { ...wish, target: 700, held: new Set(['b']), longestHold: new Map([['c', 90]]) });
    expect(fit.ok && fit.routine.segments[1]).toBe(base.segments[1]);
    expect(fit.ok && fit.routine.segments[2]).toMatchObject({ dose: { holdSeconds: expect.any(Number) as number } });
    if (fit.ok && fit.routine.segments[2]!.type === 'exercise' && fit.routine.segments[2]!.dose.kind === 'hold') {
      expect(fit.routine.segments[2]!.dose.holdSeconds).toBeLessThanOrEqual(90);
    }
    expect(fitRoutine(base, { ...wish, target: 100 })).toMatchObject({ ok: false });
    expect(evenOut(hold(5, together(1)))).toEqual(hold(5, together(1)));
  });

  describe('lands on the second', () => {
    const rest = { type: 'rest' as const, id: 'r', seconds: 60, label: '', roundId: null };
    const shaken = segment('d', hold(60, together(1)));
    const lived = { ...base, segments: [...base.segments, rest, shaken] };
    const landed = (of: typeof base, target: number, change: Partial<FitWish> = {}) => {
      const fit = fitRoutine(of, { ...wish, target, ...change });
      if (!fit.ok) throw new Error(fit.reason);
      return fit;
    };

    test('at every length between its least and its most', () => {
      for (let target = 420; target <= 900; target += 7)
        expect([target, landed(lived, target).seconds]).toEqual([target, target]);
    });

    test('rests and the times between grow by small shares; what is held fixed and counts stay', () => {
      const all = new Set(['a', 'b', 'c', 'd']);
      const { routine: longer, why } = landed(lived, timeline(lived).totalMs / 1000 + 31, { held: all });
      expect(timeline(longer).totalMs - timeline(lived).totalMs).toBe(31_000);
      expect(why).toBe('');
      expect(longer.segments.filter(({ id }) => id !== 'r' && id !== 'a')).toEqual(
        lived.segments.filter(({ id }) => id !== 'r' && id !== 'a'),
      );
      expect(longer.segments.find(({ id }) => id === 'r')).toMatchObject({ seconds: expect.any(Number) as number });
      expect([longer.settleSeconds >= 10 && longer.settleSeconds <= 15, longer.changeSeconds <= 8]).toEqual([
        true,
        true,
      ]);
    });

    test('a single hold takes the odd second where nothing else comes out even', () => {
      const two = routine([segment('a', cycle(5, together(6))), shaken], { settleSeconds: 10, changeSeconds: 5 });
      const { routine: odd, seconds } = landed(two, timeline(two).totalMs / 1000 + 3, { held: new Set(['a']) });
      expect(seconds).toBe(timeline(two).totalMs / 1000 + 3);
      expect(odd.settleSeconds).toBe(11);
      expect(odd.segments[1]).toMatchObject({ dose: { holdSeconds: 61 } });
      expect(landed(two, timeline(two).totalMs / 1000 + 3, { held: new Set(['a', 'd']) }).seconds).toBe(
        timeline(two).totalMs / 1000 + 2,
      );
    });

    test('says what is in the way, by name, when it stays too short or is too long', () => {
      const names = new Map([['c', 'Holding the tree']]);
      const short = landed(base, 7200, { names, longestHold: new Map([['c', 150.4]]) });
      expect(short.seconds).toBeLessThan(7200);
      expect(short.why).toMatch(
        /^1:\d\d:\d\d h are left: a dose never more than doubles; Holding the tree is held 2:30 min at most\. Add an exercise, or a rest\.$/,
      );
      expect(fitRoutine(base, { ...wish, target: 200, names })).toMatchObject({
        ok: false,
        reason: expect.stringMatching(/The longest that is left is .*, \d/) as string,
      });
    });
  });

  test('sides that are unequal on purpose keep their own counts, and are counted as they are', () => {
    const [left, right] = eachSide(1);
    const uneven = routine([segment('a', cycle(11, [left!, { ...right!, amount: 8 }]))]);
    const wish = { target: 120, held: new Set<string>(), countMultiple: 1, longestHold: new Map<string, number>() };
    // Nine circles of 11 s and a change: they fit two minutes as they are, and are left so.
    const fit = fitRoutine(uneven, wish);
    expect(fit.ok && fit.routine).toEqual(uneven);
    expect(fitRoutine(uneven, { ...wish, target: 60 }).ok).toBe(false);
  });

  test('no dose comes out in fractions of a second, whatever the body allows', () => {
    const one = routine([segment('a', hold(240, together(1)))]);
    const wish = { target: 600, held: new Set<string>(), countMultiple: 1, longestHold: new Map([['a', 154.9116]]) };
    const fit = fitRoutine(one, wish);
    expect(fit.ok && fit.routine.segments[0]).toMatchObject({ dose: { holdSeconds: 150 } });
    const tight = fitRoutine(one, { ...wish, longestHold: new Map([['a', 7.6]]) });
    expect(tight.ok && tight.routine.segments[0]).toMatchObject({ dose: { holdSeconds: 7 } });
  });
});

describe('room', () => {
  const room = { width: 6, depth: 4, margin: 0.5 };
  const middle = { x: 3, y: 2, facingDeg: 0 };
  const sideways = { right: -0.6, forward: 0, turnDeg: 0 };
  test('three steps each way and back (common practice) fit six metres, and one comes home', () => {
    const path = walkPath(middle, [
      sideways,
      sideways,
      sideways,
      ...[1, 2, 3].map(() => ({ ...sideways, right: 0.6 })),
    ]);
    expect(runsOutAt(room, path)).toBeNull();
    expect(path.at(-1)).toEqual({ x: expect.closeTo(3, 9), y: expect.closeTo(2, 9), facingDeg: 0 });
  });

  test('it says at which step the floor ends and how many fit', () => {
    expect(stepsThatFit(room, middle, sideways)).toBe(4);
    expect(
      runsOutAt(
        room,
        walkPath(
          middle,
          Array.from({ length: 8 }, () => sideways),
        ),
      ),
    ).toBe(4);
    expect(stepsThatFit(room, { ...middle, facingDeg: 90 }, { right: 0, forward: 0.5, turnDeg: 0 })).toBe(5);
  });
});
