import { aimsOf, boundOf, compareAims, compareGentleness, compareGrowth, endOf } from './aims';
import type { Joint, Label } from './joint';

/** Three strands, the second with the nearest day, the third ended by what its body holds. */
const plain = {
  problem: { strands: [{ targetDay: 100 }, { targetDay: 80 }, { targetDay: 90 }] },
  order: [1, 2, 0],
  lastDay: 140,
  capped: [false, false, true],
};
const joint = plain as unknown as Joint;

test('a goal is late by the days after its own, one that is capped or never reached to the last day; on its day it is in time', () => {
  expect(aimsOf({ ...plain, capped: [false, false, false] } as unknown as Joint, [100, 80, 90])).toEqual({
    late: 0,
    daysLate: 0,
    arrivals: [80, 90, 100],
  });
  expect(aimsOf(joint, [101, 79, 85])).toEqual({ late: 2, daysLate: 1 + 50, arrivals: [79, 85, 101] });
  expect(aimsOf(joint, [500, 83, 85])).toEqual({ late: 3, daysLate: 40 + 3 + 50, arrivals: [83, 85, 500] });
});

test('fewer goals late come before fewer days, those before the earlier first goal, and then the next', () => {
  const aims = (late: number, daysLate: number, ...arrivals: number[]) => ({ late, daysLate, arrivals });
  const better = [
    aims(0, 0, 50, 60),
    aims(0, 0, 50, 61),
    aims(0, 0, 51, 40),
    aims(1, 2, 10, 10),
    aims(1, 3, 9, 9),
    aims(2, 2, 1, 1),
  ];
  for (const [at, one] of better.entries()) {
    expect(compareAims(one, { ...one })).toBe(0);
    for (const worse of better.slice(at + 1)) {
      expect(compareAims(one, worse)).toBeLessThan(0);
      expect(compareAims(worse, one)).toBeGreaterThan(0);
    }
  }
});

test('of seasons equal in days nobody waits for nothing, then it grows more gently, week by week, then the earlier raise', () => {
  const way = (needless: number, growths: number[], path: string) => ({ needless, growths, path }) as never;
  const better = [
    way(0, [5, 3], 'a'),
    way(0, [5, 3], 'b'),
    way(0, [5, 4], 'a'),
    way(0, [6], 'a'),
    way(0, [6, 1], 'a'),
    way(1, [1], 'a'),
  ];
  for (const [at, one] of better.entries()) {
    expect(compareGrowth(one, one)).toBe(0);
    for (const worse of better.slice(at + 1)) {
      expect(compareGrowth(one, worse)).toBeLessThan(0);
      expect(compareGrowth(worse, one)).toBeGreaterThan(0);
    }
  }
  expect(compareGentleness(better[0]!, better[1]!)).toBe(0);
  expect(compareGentleness(better[1]!, better[2]!)).toBeLessThan(0);
  expect(compareGentleness(better[5]!, better[4]!)).toBeGreaterThan(0);
});

test('what is not known yet counts as early as it could come, what never came by how far it came', () => {
  const earliest = (_label: Label, week: number, index: number): number => 10 * week + index;
  expect(
    boundOf({ ...plain, earliest } as unknown as Joint, { nodes: [{}, {}, {}] } as unknown as Label, 4).arrivals,
  ).toEqual([41, 42, 40]);
  const ended = (level: number) =>
    endOf(joint, { arrivals: [-1, 0, 85], nodes: [{ level }, { level: 1 }, { level: 2 }] } as unknown as Label)
      .arrivals;
  expect(ended(4)).toEqual([0, 85, 140 + 1 / 5]);
  expect(ended(9)[2]!).toBeLessThan(ended(4)[2]!);
  expect(ended(9)[2]!).toBeGreaterThan(140);
});
