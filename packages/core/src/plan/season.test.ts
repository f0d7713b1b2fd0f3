import fc from 'fast-check';
import loadHighs from 'highs';
import { seededRandom } from '../demo/random';
import { chanceForecast, doseOf, planSeason, weeksToReach, type GuardRails, type SeasonStrand } from '.';

const rails: GuardRails = {
  growth: 0.1,
  loadGrowth: 0.1,
  raisesPerFamily: 1,
  usualLoad: 0,
  baseLoad: 0,
  baseMinutes: 0,
  sessionMinutes: null,
  mostWeeks: 200,
};
const one = (change: Partial<SeasonStrand> = {}): SeasonStrand => ({
  id: 'a',
  family: 'standing',
  level: 60,
  target: 120,
  step: 1e-6,
  loadPerUnit: 1,
  minutesPerUnit: 0.05,
  mostDose: null,
  gate: null,
  ...change,
});

const anyStrand = fc.record({
  family: fc.constantFrom('standing', 'reeling'),
  level: fc.integer({ min: 4, max: 30 }),
  raises: fc.integer({ min: 0, max: 3 }),
  step: fc.constantFrom(1e-6, 1, 2),
  loadPerUnit: fc.integer({ min: 1, max: 6 }),
});
const anySmall = fc.record({
  strands: fc.array(anyStrand, { minLength: 1, maxLength: 3 }),
  loadGrowth: fc.constantFrom(0.04, 0.06, 0.1, 0.2),
  raisesPerFamily: fc.integer({ min: 1, max: 2 }),
  baseLoad: fc.integer({ min: 0, max: 60 }),
});
const build = ({
  strands,
  ...rest
}: {
  strands: { family: string; level: number; raises: number; step: number; loadPerUnit: number }[];
} & Partial<GuardRails>) => ({
  strands: strands.map((strand, index) =>
    one({
      id: `s${index}`,
      family: strand.family,
      level: strand.level,
      target: strand.level * 1.1 ** strand.raises,
      step: strand.step,
      loadPerUnit: strand.loadPerUnit,
    }),
  ),
  rails: { ...rails, ...rest },
});

interface Small {
  levels: number[][];
  doses: number[][];
}
const laddersOf = (strands: readonly SeasonStrand[], growth: number): Small => {
  const levels = strands.map(({ level, target }) => {
    const list = [level];
    while (list.at(-1)! < target - 1e-9) list.push(Math.min(target, list.at(-1)! * (1 + growth)));
    return list;
  });
  return { levels, doses: levels.map((list, index) => list.map((level) => doseOf(level, strands[index]!.step))) };
};

/** Every season, the plain way: all subsets of raises, week by week. */
function bruteForce(strands: readonly SeasonStrand[], own: GuardRails): number | null {
  const { doses } = laddersOf(strands, own.growth);
  const load = (rungs: number[]) =>
    strands.reduce((sum, strand, index) => sum + strand.loadPerUnit * doses[index]![rungs[index]!]!, own.baseLoad);
  let states = new Set([strands.map(() => 0).join()]);
  for (let week = 0; week < 40; week += 1) {
    const next = new Set<string>();
    for (const key of states) {
      const rungs = key.split(',').map(Number);
      if (rungs.every((rung, index) => rung === doses[index]!.length - 1)) return week;
      for (let subset = 0; subset < 2 ** strands.length; subset += 1) {
        const after = rungs.map((rung, index) => rung + ((subset >> index) & 1));
        if (after.some((rung, index) => rung >= doses[index]!.length)) continue;
        const counts = new Map<string, number>();
        after.forEach((rung, index) => {
          if (rung > rungs[index]!) counts.set(strands[index]!.family, (counts.get(strands[index]!.family) ?? 0) + 1);
        });
        if ([...counts.values()].some((count) => count > own.raisesPerFamily)) continue;
        if (load(after) <= (1 + own.loadGrowth) * Math.max(own.usualLoad, load(rungs)) + 1e-9) next.add(after.join());
      }
    }
    if (next.size === states.size && [...next].every((key) => states.has(key))) return null;
    states = next;
  }
  return null;
}

describe('planner', () => {
  test('one strand in steps of nothing takes the weeks of pure growth: 62, 32 and 17 (check values)', () => {
    for (const [growth, weeks] of [
      [0.05, 62],
      [0.1, 32],
      [0.2, 17],
    ] as const) {
      const season = planSeason([one({ target: 1200 })], { ...rails, growth, loadGrowth: growth + 1e-4 });
      expect(season).toMatchObject({ reachedIn: weeks, proven: true });
      expect(weeksToReach(60, 1200, growth)).toBe(weeks);
    }
  });

  test('two of a family take turns, two of two families go together, and the reason is named', () => {
    const two = planSeason([one({ id: 'a' }), one({ id: 'b' })], { ...rails, loadGrowth: 1 });
    expect(two.reachedIn).toBe(16);
    expect(two.weeks[1]!.raised.filter(Boolean)).toHaveLength(1);
    expect(two.weeks[1]!.held).toContain('family');
    expect(planSeason([one({ id: 'a' }), one({ id: 'b', family: 'reeling' })], rails).reachedIn).toBe(8);
  });

  test('a gate opens only after the other strand has come to its dose', () => {
    const gated = one({ id: 'b', family: 'reeling', gate: { strandId: 'a', dose: 90 } });
    const season = planSeason([one({ id: 'a' }), gated], rails);
    const opens = season.weeks.findIndex((week) => week.raised[1]);
    expect(season.weeks[opens - 1]!.levels[0]).toBeGreaterThanOrEqual(90);
    expect(season.weeks[1]!.held[1]).toBe('gate');
    expect(season.reachedIn).toBe(5 + 8);
  });

  test('what cannot be reached says which rail is in the way, and goes as far as it can', () => {
    const capped = planSeason([one({ mostDose: 100 })], rails);
    expect(capped.reachedIn).toBeNull();
    expect(capped.weeks.at(-1)!.levels[0]).toBe(100);
    const long = planSeason([one()], { ...rails, sessionMinutes: 4 });
    expect(long.reachedIn).toBeNull();
    expect(long.weeks.at(-1)!.levels[0]! * 0.05).toBeLessThanOrEqual(4);
    const coarse = planSeason([one({ level: 4, target: 8, step: 1 })], rails);
    expect(coarse.reachedIn).toBeNull();
  });

  test('never breaks a guard rail', () => {
    fc.assert(
      fc.property(anySmall, (small) => {
        const { strands, rails: own } = build(small);
        const { weeks } = planSeason(strands, own);
        weeks.slice(1).forEach((week, index) => {
          expect(week.load).toBeLessThanOrEqual(
            (1 + own.loadGrowth) * Math.max(own.usualLoad, weeks[index]!.load) + 1e-6,
          );
          const counts = new Map<string, number>();
          week.raised.forEach((raised, at) => {
            if (raised) counts.set(strands[at]!.family, (counts.get(strands[at]!.family) ?? 0) + 1);
            expect(week.levels[at]!).toBeLessThanOrEqual(weeks[index]!.levels[at]! * (1 + own.growth) + 1e-9);
          });
          for (const count of counts.values()) expect(count).toBeLessThanOrEqual(own.raisesPerFamily);
        });
      }),
    );
  });

  test('a looser rail is never longer', () => {
    fc.assert(
      fc.property(anySmall, (small) => {
        const { strands, rails: own } = build(small);
        const [tight, loose] = [own, { ...own, loadGrowth: own.loadGrowth * 1.5 }].map(
          (value) => planSeason(strands, value).reachedIn,
        );
        if (tight !== null) expect(loose).not.toBeNull();
        if (tight !== null && loose != null) expect(loose).toBeLessThanOrEqual(tight!);
      }),
    );
  });

  test('equals brute force on 300 small cases, and says it is proven', () => {
    fc.assert(
      fc.property(anySmall, (small) => {
        const { strands, rails: own } = build(small);
        const season = planSeason(strands, own);
        expect(season.reachedIn).toBe(bruteForce(strands, own));
        expect(season.proven).toBe(true);
      }),
      { numRuns: 300, seed: 8 },
    );
  });

  test('equals a MILP library on 200 small cases: its weeks are feasible, one week less is not', async () => {
    const highs = await loadHighs();
    const feasible = (strands: readonly SeasonStrand[], own: GuardRails, weeks: number): boolean => {
      const { doses } = laddersOf(strands, own.growth);
      const name = (strand: number, rung: number, week: number) => `x${strand}_${rung}_${week}`;
      const lines: string[] = [];
      const binaries: string[] = [];
      const gain = (strand: number, rung: number) =>
        strands[strand]!.loadPerUnit * (doses[strand]![rung]! - doses[strand]![rung - 1]!);
      const start = strands.reduce((sum, strand, index) => sum + strand.loadPerUnit * doses[index]![0]!, own.baseLoad);
      for (let week = 1; week <= weeks; week += 1) {
        const load = new Map<string, number>();
        const counts = new Map<string, string[]>();
        strands.forEach((strand, index) => {
          for (let rung = 1; rung < doses[index]!.length; rung += 1) {
            const [now, before] = [name(index, rung, week), name(index, rung, week - 1)];
            binaries.push(now);
            load.set(now, gain(index, rung));
            if (week > 1) {
              lines.push(`${now} - ${before} >= 0`);
              load.set(before, -(1 + own.loadGrowth) * gain(index, rung));
            }
            if (rung > 1) lines.push(week > 1 ? `${now} - ${name(index, rung - 1, week - 1)} <= 0` : `${now} <= 0`);
            counts.set(strand.family, [...(counts.get(strand.family) ?? []), week > 1 ? `${now} - ${before}` : now]);
            if (week === weeks) lines.push(`${now} >= 1`);
          }
        });
        for (const parts of counts.values()) lines.push(`${parts.join(' + ')} <= ${own.raisesPerFamily}`);
        if (load.size > 0)
          lines.push(
            `${[...load].map(([key, value]) => `${value < 0 ? '-' : '+'} ${Math.abs(value).toFixed(9)} ${key}`).join(' ')} <= ${(own.loadGrowth * start + 1e-7).toFixed(9)}`,
          );
      }
      const rows = lines.map((line, index) => ` r${index}: ${line}`).join('\n');
      const problem = `Minimize\n obj: 0 ${binaries[0]!}\nSubject To\n${rows}\nBinary\n ${binaries.join(' ')}\nEnd`;
      return highs.solve(problem).Status === 'Optimal';
    };
    let compared = 0;
    for (const small of fc.sample(anySmall, { numRuns: 400, seed: 31 })) {
      const { strands, rails: own } = build(small);
      const { reachedIn } = planSeason(strands, own);
      if (reachedIn === null || reachedIn === 0 || compared >= 200) continue;
      compared += 1;
      expect(feasible(strands, own, reachedIn)).toBe(true);
      if (reachedIn > 1) expect(feasible(strands, own, reachedIn - 1)).toBe(false);
    }
    expect(compared).toBe(200);
  }, 60_000);

  test('the same input gives the same season, and impossible input names the argument', () => {
    const strands = [one(), one({ id: 'b', target: 200 })];
    expect(planSeason(strands, rails)).toEqual(planSeason(strands, rails));
    expect(() => planSeason([one({ level: -1 })], rails)).toThrow('strands[0].level');
    expect(() => planSeason([one()], { ...rails, growth: Number.NaN })).toThrow('growth');
  });
});

describe('forecast by chance', () => {
  const strand = { rungs: 6, attendance: 0.8, passRate: 0.75, sessionsPerWeek: 1, passesPerRung: 1, mostPerWeek: 1 };
  const seasons = 20_000;
  const bands = chanceForecast([strand], 26, seasons, seededRandom(5))[0]!;

  test('follows the negative binomial distribution when every passed session raises a rung', () => {
    const p = strand.attendance * strand.passRate;
    let reached = 0;
    let term = p ** strand.rungs;
    bands.forEach((band, week) => {
      const sessions = week + 1;
      if (sessions >= strand.rungs) {
        // Chance that the sixth success comes at exactly this session.
        reached += term;
        term *= (sessions / (sessions - strand.rungs + 1)) * (1 - p);
      }
      const error = Math.sqrt(Math.max(1e-9, reached * (1 - reached)) / seasons);
      expect(Math.abs(band.reached - reached)).toBeLessThan(3 * error + 1e-3);
    });
  });

  test('the same seed gives the same bands; bands are ordered and never fall', () => {
    expect(chanceForecast([strand], 26, seasons, seededRandom(5))[0]).toEqual(bands);
    bands.forEach((band, week) => {
      expect(band.low).toBeLessThanOrEqual(band.middle);
      expect(band.middle).toBeLessThanOrEqual(band.high);
      if (week > 0) expect(band.middle).toBeGreaterThanOrEqual(bands[week - 1]!.middle);
    });
  });

  test('tells how far it is, and refuses impossible chances', () => {
    const shares: number[] = [];
    chanceForecast([strand, strand], 4, 10, seededRandom(1), (share) => shares.push(share));
    expect(shares).toEqual([0.5, 1]);
    expect(() => chanceForecast([{ ...strand, passRate: 1.2 }], 4, 10, seededRandom(1))).toThrow('strands[0].passRate');
  });
});
