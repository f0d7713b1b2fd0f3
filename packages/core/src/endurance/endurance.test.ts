import fc from 'fast-check';
import { Solver } from 'odex';
import { mean } from 'simple-statistics';
import { bodyOf, centreFractions, standardBody, type Stance } from '../body';
import {
  capacityFromHolds,
  capacityGuess,
  enduranceFromHolds,
  effortFromEndurance,
  enduranceTime,
  equalEffort,
  joints,
  limitingMoment,
  relativeEffort,
  simulateFatigue,
  timeToFailure,
  type FatigueSegment,
  type Joint,
} from '.';

const round: Stance = {
  kneeBendDeg: 30,
  trunkPitchDeg: 0,
  shoulderRaiseDeg: 45,
  elbowBendDeg: 45,
  pressurePoint: 0.5,
  weightShare: 0.5,
};
const anyJoint = fc.constantFrom(...(Object.keys(joints) as Joint[]));

describe('endurance times (Frey Law & Avin 2010, closed form of Frey-Law et al. 2012, both from memory)', () => {
  test('closed form at 40 %: knee 108 s, shoulder 89 s; power law 109 s and 79 s', () => {
    expect([timeToFailure('knee', 0.4), timeToFailure('shoulder', 0.4)].map(Math.round)).toEqual([108, 89]);
    expect(
      [enduranceTime('knee', 0.4), enduranceTime('shoulder', 0.4)].map(({ seconds }) => Math.round(seconds)),
    ).toEqual([109, 79]);
  });

  test('small targets last for ever in the model, and are flagged in the power law', () => {
    expect(timeToFailure('knee', 0.05)).toBe(Number.POSITIVE_INFINITY);
    expect(enduranceTime('knee', 0.1)).toMatchObject({ extrapolated: true, unlimited: false });
    expect(enduranceTime('knee', 0.03)).toMatchObject({ unlimited: true });
  });

  test('endurance falls as effort rises, and its inverse gives the effort back', () => {
    fc.assert(
      fc.property(anyJoint, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (joint, effort) => {
        expect(enduranceTime(joint, effort + 0.01).seconds).toBeLessThan(enduranceTime(joint, effort).seconds);
        expect(timeToFailure(joint, effort + 0.01)).toBeLessThanOrEqual(timeToFailure(joint, effort));
        const { seconds } = enduranceTime(joint, effort);
        if (seconds >= 1) expect(effortFromEndurance(joint, seconds)).toBeCloseTo(effort, 9);
      }),
    );
  });

  test('effort is never below postural tone (house value)', () => {
    expect(relativeEffort(0, 80)).toBe(0.03);
    expect(relativeEffort(-40, 80)).toBe(0.5);
  });
});

/** The three-compartment equations as they stand, for a general ODE library. */
function byOdeLibrary(joint: Joint, segments: readonly FatigueSegment[]): { active: number; fatigued: number }[] {
  const { fatigue, recovery } = joints[joint];
  let state = [0, 0];
  return segments.map(({ target, seconds }) => {
    const rate = target === 0 ? recovery * 15 : recovery;
    const slope = (_time: number, [active, fatigued]: number[]): number[] => {
      const resting = 1 - active! - fatigued!;
      const drive = active! >= target ? 10 * (target - active!) : 10 * Math.min(target - active!, resting);
      return [drive - fatigue * active!, fatigue * active! - rate * fatigued!];
    };
    const solver = new Solver(2);
    solver.absoluteTolerance = 1e-8;
    solver.relativeTolerance = 1e-8;
    solver.maxSteps = 1_000_000;
    state = solver.solve(slope, 0, state, seconds).y;
    return { active: state[0]!, fatigued: state[1]! };
  });
}

const anySegments = (most: number) =>
  fc.array(
    fc.record({
      target: fc.oneof(fc.constant(0), fc.double({ min: 0.02, max: 0.98, noNaN: true })),
      seconds: fc.integer({ min: 1, max: 240 }),
    }),
    { minLength: 1, maxLength: most },
  );

describe('fatigue through a routine', () => {
  test('knee, 30 % for 60 s and 30 s of rest, three holds: 0.258, 0.132, 0.378, 0.194, 0.435', () => {
    const hold = { target: 0.3, seconds: 60 };
    const rest = { target: 0, seconds: 30 };
    const { spans } = simulateFatigue(joints.knee, [hold, rest, hold, rest, hold]);
    const expected = [0.258, 0.132, 0.378, 0.194, 0.435];
    spans.forEach((span, index) => expect(Math.abs(span.fatigued - expected[index]!)).toBeLessThan(0.003));
  });

  test('agrees with an ODE library to 1e-3 in every fraction, also through failure and recovery', () => {
    fc.assert(
      fc.property(anyJoint, anySegments(6), (joint, segments) => {
        const { spans } = simulateFatigue(joints[joint], segments);
        byOdeLibrary(joint, segments).forEach((state, index) => {
          expect(Math.abs(spans[index]!.fatigued - state.fatigued)).toBeLessThan(1e-3);
          expect(Math.abs(spans[index]!.active - state.active)).toBeLessThan(1e-3);
        });
      }),
      { numRuns: 60, seed: 11 },
    );
  });

  test('agrees with it over a whole hour of holds and rests', () => {
    const hour = Array.from({ length: 40 }, (_, index) => ({
      target: index % 2 === 0 ? 0.1 + (index % 7) * 0.08 : 0,
      seconds: 90,
    }));
    const { spans } = simulateFatigue(joints.shoulder, hour);
    byOdeLibrary('shoulder', hour).forEach((state, index) =>
      expect(Math.abs(spans[index]!.fatigued - state.fatigued)).toBeLessThan(1e-3),
    );
  });

  test('fails at the moment of the closed form, and says when', () => {
    for (const [joint, target] of [
      ['knee', 0.4],
      ['shoulder', 0.4],
      ['grip', 0.7],
    ] as const) {
      const { failureAt } = simulateFatigue(joints[joint], [{ target, seconds: 600 }]);
      // The closed form leaves out the first tenths of a second in which the muscle is activated.
      expect(Math.abs(failureAt! - timeToFailure(joint, target))).toBeLessThan(0.5);
    }
    expect(simulateFatigue(joints.knee, [{ target: 0.05, seconds: 3600 }]).failureAt).toBeNull();
  });

  test('cutting a segment in two changes nothing; fractions stay within 0 and 1', () => {
    fc.assert(
      fc.property(anyJoint, anySegments(5), (joint, segments) => {
        const halves = segments.flatMap(({ target, seconds }) => [
          { target, seconds: seconds / 2 },
          { target, seconds: seconds / 2 },
        ]);
        const whole = simulateFatigue(joints[joint], segments);
        const cut = simulateFatigue(joints[joint], halves);
        expect(cut.spans.at(-1)!.fatigued).toBeCloseTo(whole.spans.at(-1)!.fatigued, 6);
        for (const span of cut.spans) {
          expect(span.active).toBeGreaterThanOrEqual(-1e-9);
          expect(span.fatigued).toBeGreaterThanOrEqual(-1e-9);
          expect(span.active + span.fatigued).toBeLessThanOrEqual(1 + 1e-9);
        }
      }),
    );
  });

  test('the reserve runs down to 0 at failure and below it after', () => {
    const fails = timeToFailure('knee', 0.4);
    const reserveAt = (seconds: number) => simulateFatigue(joints.knee, [{ target: 0.4, seconds }]).spans[0]!.reserve;
    expect(reserveAt(1)).toBeGreaterThan(0.95);
    expect(reserveAt(fails)).toBeCloseTo(0, 2);
    expect(reserveAt(fails + 60)).toBeLessThan(0);
  });
});

/** The model's check values count the thigh's centre of mass from the knee; see the tests of the body. */
const checkBody = bodyOf({ stature: 1.7, mass: 70 }, { ...centreFractions, thigh: 1 - centreFractions.thigh });

describe('capacity and exchange: check values (arms 45°/45°, 240 s at 30° stopped by the legs)', () => {
  const test240 = { stance: round, seconds: 240, stoppedBy: 'legs' } as const;
  const capacity = capacityFromHolds(checkBody, [test240], 'legs');

  test('effort 0.262, capacity 65.2 N·m', () => {
    expect(effortFromEndurance('knee', 240)).toBeCloseTo(0.262, 3);
    expect(capacity.momentNm).toBeCloseTo(65.2, 1);
    expect(capacity).toMatchObject({ shallow: false, spread: 1 });
  });

  test('at 45° it lasts 73.9 s, 51.9 to 92.3 for ±5°; with 70 % on one leg at 30° 119 s', () => {
    const at = (change: Partial<Stance>) => enduranceFromHolds(checkBody, [test240], 'legs', { ...round, ...change });
    expect(at({ kneeBendDeg: 45 }).seconds).toBeCloseTo(73.9, 1);
    expect(at({ kneeBendDeg: 45 }).least).toBeCloseTo(51.9, 1);
    expect(at({ kneeBendDeg: 45 }).most).toBeCloseTo(92.3, 1);
    expect(at({ weightShare: 0.7 }).seconds).toBeCloseTo(119, 0);
  });

  test('120 s at 30° exchanges for 37.0 s at 45°', () => {
    const exchange = equalEffort(checkBody, capacity.momentNm, 'legs', round, 120, { ...round, kneeBendDeg: 45 });
    expect(exchange.seconds).toBeCloseTo(37.0, 1);
    expect(exchange.least).toBeLessThan(exchange.seconds);
    expect(exchange.most).toBeGreaterThan(exchange.seconds);
  });

  test('exchanging there and back returns the hold', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 15, max: 80 }),
        fc.integer({ min: 15, max: 80 }),
        fc.integer({ min: 5, max: 900 }),
        (one, two, seconds) => {
          const [from, to] = [one, two].map((kneeBendDeg) => ({ ...round, kneeBendDeg }));
          const there = equalEffort(standardBody, 65, 'legs', from!, seconds, to!);
          expect(equalEffort(standardBody, 65, 'legs', to!, there.seconds, from!).seconds).toBeCloseTo(seconds, 6);
        },
      ),
    );
  });

  test('several tests: the mean of the logarithms, as a statistics library has it; a shallow test is marked', () => {
    const holds = [200, 240, 300].map((seconds) => ({ ...test240, seconds }));
    const logs = holds.map((hold) =>
      Math.log(limitingMoment(standardBody, hold.stance, 'legs') / effortFromEndurance('knee', hold.seconds)),
    );
    const several = capacityFromHolds(standardBody, holds, 'legs');
    expect(several.momentNm).toBeCloseTo(Math.exp(mean(logs)), 9);
    expect(several.spread).toBeGreaterThan(1);
    expect(
      capacityFromHolds(standardBody, [{ ...test240, stance: { ...round, kneeBendDeg: 20 } }], 'legs').shallow,
    ).toBe(true);
    expect(() => capacityFromHolds(standardBody, [test240], 'arms')).toThrow('holds');
  });

  test('a guess falls with age and rises with habit', () => {
    expect(capacityGuess(70, 75).kneeNm).toBeLessThan(capacityGuess(70, 35).kneeNm);
    expect(capacityGuess(70, 35, 'male', 'trained').shoulderNm).toBeGreaterThan(capacityGuess(70, 35).shoulderNm);
  });
});

test('impossible input names the argument', () => {
  expect(() => enduranceTime('knee', 0)).toThrow('effort');
  expect(() => timeToFailure('knee', 1.2)).toThrow('target');
  expect(() => relativeEffort(Number.NaN, 50)).toThrow('momentNm');
  expect(() =>
    simulateFatigue(joints.knee, [
      { target: 0.3, seconds: 10 },
      { target: 2, seconds: 1 },
    ]),
  ).toThrow('segments[1].target');
  expect(() => capacityGuess(70, -4)).toThrow('age');
});
