import { GRAVITY, standardBody } from '../body';
import { TEST_STANCE } from './capacity';
import { posture } from '../library/describe';
import { settlePosture, softSchool, stanceOfPosture } from '../schools';
import { learnedStrength, logNormalBelow, normalBelow } from './learnedStrength';
import {
  bowKnees,
  bowOfPosture,
  jointEffort,
  limitTime,
  logLimitTime,
  postureLoads,
  stanceLoads,
  strengthFor,
  type Loads,
} from './limits';
import { LEAST_EFFORT } from './relativeEffort';
import { kneeShareAt } from './strength';

const round = TEST_STANCE;
const strength = { kneeNm: 105, shoulderNm: 40 };
const loads = stanceLoads(standardBody, round);
const none: Loads = { ...loads, kneeNm: 0, ankleNm: 0, hipNm: 0, shoulderNm: 0, trunkNm: 0 };

test('a deep fold hangs on ligaments: all of the back up to 50°, half at 65°, none from 80° on', () => {
  const back = (trunkPitchDeg: number) => stanceLoads(standardBody, { ...round, trunkPitchDeg });
  const share = (trunkPitchDeg: number, of: number) => back(trunkPitchDeg).trunkNm / of;
  // The moment itself grows with the sine of the pitch and the arms; a hair below and above the bounds nothing jumps.
  expect(share(50.001, back(50).trunkNm)).toBeCloseTo(1, 3);
  expect(share(79.999, back(50).trunkNm)).toBeLessThan(0.001);
  expect(back(85).trunkNm).toBe(0);
  expect(back(65).trunkNm / back(50).trunkNm).toBeGreaterThan(0.4);
  expect(back(65).trunkNm / back(50).trunkNm).toBeLessThan(0.7);
});

test('no moment is tone, a hair of one is more than none', () => {
  expect(jointEffort(none, 'knee', strength)).toBe(LEAST_EFFORT);
  expect(jointEffort({ ...none, kneeNm: -5 }, 'knee', strength)).toBe(LEAST_EFFORT);
  expect(jointEffort({ ...none, kneeNm: 60 }, 'knee', strength)).toBeGreaterThan(0.3);
});

test('on the scale of logarithms it is the same, for any strength, also for what is not loaded', () => {
  for (const by of ['legs', 'arms'] as const) {
    for (const asked of [
      loads,
      none,
      { ...none, kneeNm: -5 },
      stanceLoads(standardBody, { ...round, weightShare: 1, kneeBendDeg: 50 }),
    ]) {
      const line = logLimitTime(asked, by);
      for (const nm of [20, 60, 105, 250]) {
        const given = by === 'legs' ? { kneeNm: nm, shoulderNm: 1 } : { kneeNm: 1, shoulderNm: nm };
        expect(Math.exp(line(Math.log(nm)))).toBeCloseTo(limitTime(asked, given, by).seconds, 3);
      }
    }
  }
});

test('the strength for a time gives that time back; what loads next to nothing tells none', () => {
  for (const seconds of [30, 120, 400]) {
    const knee = strengthFor(loads, seconds, 'legs')!;
    expect(limitTime(loads, { kneeNm: knee, shoulderNm: 1 }, 'legs').seconds).toBeCloseTo(seconds, 3);
    const shoulder = strengthFor(loads, seconds, 'arms')!;
    expect(limitTime(loads, { kneeNm: 1, shoulderNm: shoulder }, 'arms').seconds).toBeCloseTo(seconds, 3);
  }
  expect(strengthFor(none, 60, 'legs')).toBeNull();
  expect(strengthFor({ ...none, shoulderNm: 0.05 }, 60, 'arms')).toBeNull();
  expect(strengthFor({ ...none, shoulderNm: 0.051 }, 60, 'arms')).toBeGreaterThan(0);
});

describe('a bow', () => {
  const bow = settlePosture(posture({ kneeBendDeg: 35, weightShare: 0.6, ahead: 1.8 }), softSchool);

  test('the front knee by what is likely; a foot side by side or lifted needs no geometry', () => {
    const knees = bowKnees(standardBody, bow, bowOfPosture(standardBody, bow));
    expect(postureLoads(standardBody, bow).kneeNm).toBe(knees.front.likely);
    const plain = { ...bow, ahead: 0 };
    expect(postureLoads(standardBody, plain)).toEqual(stanceLoads(standardBody, stanceOfPosture(plain)));
    const lifted = { ...bow, otherLifted: true };
    expect(postureLoads(standardBody, lifted)).toEqual(stanceLoads(standardBody, stanceOfPosture(lifted)));
  });

  test('pressing apart gives the front knee what it takes from the rear one, as far as both may press', () => {
    const geometry = bowOfPosture(standardBody, bow);
    const { front, rear } = bowKnees(standardBody, bow, geometry);
    // The same force along the floor at both knees, each at its own height.
    const pressed = (front.most - front.least) / geometry.front.knee.y;
    expect((rear.most - rear.least) / geometry.rear.knee.y).toBeCloseTo(pressed, 9);
    // In a longer step it may be harder; heavier people press as much harder as they are heavier.
    const heavy = { ...standardBody, mass: standardBody.mass * 1.5 };
    const more = bowKnees(heavy, bow, bowOfPosture(heavy, bow));
    expect(more.front.most / front.most).toBeCloseTo(1.5, 6);
    expect(more.rear.most / rear.most).toBeCloseTo(1.5, 6);
    // With nothing along the floor each knee carries its share of the weight, as far as it is before its pressure.
    const { mass, lengths } = standardBody;
    const at = bow.pressurePoint * lengths.foot;
    const rearAt = at * Math.cos((bow.otherToesOutDeg * Math.PI) / 180) - bow.ahead * lengths.foot;
    const weight = mass * GRAVITY;
    expect(front.least).toBeCloseTo(bow.weightShare * weight * (geometry.front.knee.x - at), 6);
    expect(rear.most).toBeCloseTo((1 - bow.weightShare) * weight * (geometry.rear.knee.x - rearAt), 6);
    // As hard as the foot that carries less may press straight towards its hip.
    const towards = (push: number, from: number, hip: { x: number; y: number }) =>
      Math.abs((push * (hip.x - from)) / hip.y);
    const hardest = Math.min(
      towards(bow.weightShare * weight, at, geometry.front.hip),
      towards((1 - bow.weightShare) * weight, rearAt, geometry.rear.hip),
    );
    expect(pressed).toBeCloseTo(hardest, 6);
    // Where it lies between the bounds, both knees work equally hard.
    const even = { ...bow, kneeBendDeg: 50, weightShare: 0.65, ahead: 2 };
    const both = bowOfPosture(standardBody, even);
    const knees = bowKnees(standardBody, even, both);
    expect(knees.front.likely).toBeGreaterThan(knees.front.least + 0.1);
    expect(knees.front.likely).toBeLessThan(knees.front.most - 0.1);
    expect(knees.front.likely / kneeShareAt(both.frontBendDeg)).toBeCloseTo(
      knees.rear.likely / kneeShareAt(both.rearBendDeg),
      6,
    );
    for (const { likely, least, most } of [front, rear]) {
      expect(likely).toBeGreaterThanOrEqual(Math.min(least, most) - 1e-9);
      expect(likely).toBeLessThanOrEqual(Math.max(least, most) + 1e-9);
    }
  });
});

describe('what is learned of a strength', () => {
  const prior = { momentNm: 30, factor: 1.5 };
  const held = (seconds: number, gaveOut: 'arms' | 'legs' | null = null) => ({ loads, seconds, gaveOut, weight: 1 });
  test('what gave out and what did not are told apart, of the same length too', () => {
    const both = learnedStrength(prior, 'arms', [held(100), held(100, 'arms')]).momentNm;
    const out = learnedStrength(prior, 'arms', [held(100, 'arms')]).momentNm;
    const twice = learnedStrength(prior, 'arms', [held(100, 'arms'), held(100, 'arms')]).momentNm;
    expect(new Set([both, out, twice].map((value) => value.toFixed(4))).size).toBe(3);
    expect(both).toBeGreaterThan(out);
  });

  test('a hold far beyond all that was thought lifts the strength to where it could have been done', () => {
    const { momentNm, least, most } = learnedStrength({ momentNm: 8, factor: 1.2 }, 'arms', [held(900)]);
    expect(momentNm).toBeGreaterThan(12);
    expect(least).toBeLessThan(momentNm);
    expect(most).toBeGreaterThan(momentNm);
    const line = logLimitTime(loads, 'arms');
    expect(line(Math.log(momentNm))).toBeGreaterThan(line(Math.log(8)) + Math.log(3));
    // With a very sure opinion it is still among what can be thought of.
    const sure = learnedStrength({ momentNm: 8, factor: 1.02 }, 'arms', [held(900)]);
    expect(sure.momentNm).toBeGreaterThan(8);
    expect(sure.momentNm).toBeLessThan(momentNm);
    // Seen often enough, it goes far beyond what was thought.
    const often = Array.from({ length: 400 }, () => held(900));
    expect(learnedStrength({ momentNm: 8, factor: 1.02 }, 'arms', often).momentNm).toBeGreaterThan(9.5);
  });

  test('practices without number, and such that contradict each other, still come to a strength', () => {
    const many = [10, 1000].flatMap((seconds) => Array.from({ length: 4000 }, () => held(seconds, 'arms')));
    const { momentNm, least, most } = learnedStrength(prior, 'arms', many);
    // Between ten and a thousand seconds lie a hundred, on the scale of logarithms.
    expect(momentNm / strengthFor(loads, 100, 'arms')!).toBeCloseTo(1, 1);
    expect(least).toBeLessThan(momentNm);
    expect(most).toBeGreaterThan(momentNm);
    expect(most / least).toBeLessThan(1.1);
  });

  test('the normal distribution at its middle and out in its tails', () => {
    expect(normalBelow(0)).toBeCloseTo(0.5, 6);
    expect(normalBelow(-8) + normalBelow(8)).toBeCloseTo(1, 9);
    expect(normalBelow(-8)).toBeLessThan(1e-9);
    // Far out, against the table of Mills’ ratio: ln Φ(−10) = −53.2312852 (from memory); both ways meet at −5.
    expect(logNormalBelow(-10)).toBeCloseTo(-53.23128515, 4);
    expect(Math.abs(logNormalBelow(-5.0001) - logNormalBelow(-4.9999))).toBeLessThan(0.005);
    expect(logNormalBelow(0)).toBeCloseTo(Math.log(0.5), 6);
    // Φ(−6) = 9.8658765e-10 and Φ(−7) = 1.2798125e-12 (tables of the normal distribution; from memory).
    expect(Math.abs(logNormalBelow(-6) - Math.log(9.8658765e-10))).toBeLessThan(6e-5);
    expect(Math.abs(logNormalBelow(-7) - Math.log(1.2798125e-12))).toBeLessThan(1e-5);
    expect(logNormalBelow(-1000)).toBeCloseTo(-500_007.8, 0);
  });
});
