import { cycleEndurance, enduranceTime, keptFatigue, restAllowance, softTimeToFailure, timeToFailure } from '.';

describe('rest within a movement', () => {
  test('the allowance grows with the share of the endurance that was used, and with the load (Rohmert 1973; from memory)', () => {
    // 18·(t/T)^1.4·(f − 0.15)^0.5 by hand: half of the endurance at 0.5: 18 · 0.3789 · 0.5916.
    expect(restAllowance(30, 60, 0.5)).toBeCloseTo(4.035, 2);
    expect(restAllowance(60, 60, 0.4)).toBeCloseTo(9, 9);
    expect(restAllowance(600, 60, 0.15)).toBe(0);
    expect(() => restAllowance(-1, 60, 0.5)).toThrow('seconds');
  });

  test('what never rests keeps all, what does keeps less the longer it rests', () => {
    expect(keptFatigue('knee', [0.4, 0.4, 0.4], 10)).toBe(1);
    expect(keptFatigue('knee', [0.18, 0.18], 10)).toBe(1);
    const kept = [1, 2, 4].map((rests) => keptFatigue('knee', [0.8, ...Array<number>(rests).fill(0.03)], 60));
    expect(kept[0]!).toBeLessThan(1);
    expect(kept[1]!).toBeLessThan(kept[0]!);
    expect(kept[2]!).toBeLessThan(kept[1]!);
  });

  test('just the rest that is allowed for leaves half', () => {
    const [effort, bout] = [0.8, 20];
    const allowance = restAllowance(bout, enduranceTime('knee', effort).seconds, effort);
    const rests = Math.round(100 * allowance);
    const targets = [...Array<number>(100).fill(effort), ...Array<number>(rests).fill(0.03)];
    expect(keptFatigue('knee', targets, bout * (1 + rests / 100))).toBeCloseTo(0.5, 1);
  });

  test('short turns of the same work keep less than long ones: a walk goes on for long, a minute on one leg does not', () => {
    const turns = [0.6, 0.6, 0.03, 0.03];
    expect(keptFatigue('trunk', turns, 4)).toBeLessThan(0.25);
    expect(keptFatigue('trunk', turns, 240)).toBeGreaterThan(0.8);
    expect(cycleEndurance('hip', turns, 4)).toBeGreaterThan(5 * cycleEndurance('hip', turns, 240));
  });
});

describe('endurance without cliffs', () => {
  test('the soft time is the closed form where that ends, joins it, and goes on rising where that has no end', () => {
    expect(softTimeToFailure('knee', 0.4)).toBe(timeToFailure('knee', 0.4));
    expect(timeToFailure('knee', 0.08)).toBe(Number.POSITIVE_INFINITY);
    const efforts = Array.from({ length: 400 }, (_, at) => 0.05 + at * 0.001);
    const times = efforts.map((effort) => softTimeToFailure('knee', effort));
    times.slice(1).forEach((time, at) => {
      expect(time).toBeLessThan(times[at]!);
      // A fiftieth more load is never more than a tenth less time.
      expect(time / times[at]!).toBeGreaterThan(0.9);
    });
  });

  test('one percent of strength changes an answer by a few percent (was: minutes to a day)', () => {
    for (const joint of ['knee', 'shoulder', 'hip', 'trunk', 'ankle'] as const)
      for (let strength = 0.5; strength < 2; strength *= 1.01) {
        const at = (factor: number) =>
          cycleEndurance(
            joint,
            [0.5, 0.35, 0.2, 0.12, 0.05, 0.15, 0.3, 0.45].map((target) => target / factor),
            11,
          );
        const change = at(strength * 1.01) / at(strength);
        expect(change).toBeGreaterThan(1);
        expect(change).toBeLessThan(1.11);
      }
  });
});
