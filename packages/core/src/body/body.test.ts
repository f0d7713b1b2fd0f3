import fc from 'fast-check';
import {
  balanceLimit,
  bodyOf,
  centreFractions,
  massFractions,
  postureStatics,
  retractableStep,
  scaleTargets,
  shareFromScales,
  standardBody,
  toeLineBend,
  type Stance,
} from '.';

const upright: Stance = {
  kneeBendDeg: 30,
  trunkPitchDeg: 0,
  shoulderRaiseDeg: 0,
  elbowBendDeg: 0,
  pressurePoint: 0.5,
  weightShare: 0.5,
};
const statics = (change: Partial<Stance> = {}) => postureStatics(standardBody, { ...upright, ...change });

/**
 * The check values of the model were computed with the thigh's 0.433 counted from the knee. Its text, and
 * the table it names (Winter 2009, from memory), count it from the hip, and so does the program. Both
 * are checked: the model's figures with its own table, to show that everything else agrees, and
 * the program's with Winter's.
 */
const checkBody = bodyOf({ stature: 1.7, mass: 70 }, { ...centreFractions, thigh: 1 - centreFractions.thigh });

describe('posture statics: check values of the model (H 1.70 m, M 70 kg, upright, arms hanging, p 0.5)', () => {
  const check = (change: Partial<Stance> = {}) => postureStatics(checkBody, { ...upright, ...change });
  const arms = { shoulderRaiseDeg: 45, elbowBendDeg: 45 };

  test('30° of bend: shank 18.73°, knee 59.5 mm behind the toes, head down 30.2 mm', () => {
    expect(check().shankTiltDeg).toBeCloseTo(18.73, 2);
    expect(check().kneePastToes * 1000).toBeCloseTo(-59.5, 1);
    expect(check().headDrop * 1000).toBeCloseTo(30.2, 1);
  });

  test('knee moment 21.4 N·m at half the weight, 30.9 at 70 %, 45.3 at all of it', () => {
    const moments = [0.5, 0.7, 1].map((weightShare) => check({ weightShare }).kneeMomentNm);
    expect(moments.map((moment) => Math.round(moment * 10) / 10)).toEqual([21.4, 30.9, 45.3]);
  });

  test('toe-line bend 49.3°; 38.6° on the ball of the foot; 53.8° with arms round', () => {
    expect(toeLineBend(checkBody, upright)).toBeCloseTo(49.3, 1);
    expect(toeLineBend(checkBody, { ...upright, pressurePoint: 0.72 })).toBeCloseTo(38.6, 1);
    expect(toeLineBend(checkBody, { ...upright, ...arms })).toBeCloseTo(53.8, 1);
  });

  test('shoulder moment of one arm 7.83 N·m with arms round, 10.0 straight out', () => {
    expect(check(arms).shoulderMomentNm).toBeCloseTo(7.83, 2);
    expect(check({ shoulderRaiseDeg: 90 }).shoulderMomentNm).toBeCloseTo(10.0, 1);
    expect(check().shoulderMomentNm).toBeCloseTo(0, 9);
  });

  test('at 30° the free foot reaches 0.222 m beyond its hip and can be taken back', () => {
    expect(retractableStep(checkBody, check().headDrop)).toBeCloseTo(0.222, 3);
  });

  test('with the thigh counted from the hip the shank stands at 18.91° and the toe line is met at 48.5°', () => {
    expect(statics().shankTiltDeg).toBeCloseTo(18.91, 2);
    expect(statics().kneeMomentNm).toBeCloseTo(21.76, 1);
    expect(toeLineBend(standardBody, upright)).toBeCloseTo(48.5, 1);
  });

  test('the mass fractions of a whole body sum to 1 (Dempster 1955, from memory)', () => {
    const { trunk, head, ...paired } = massFractions;
    expect(trunk + head + 2 * Object.values(paired).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 12);
  });
});

const anyBody = fc
  .record({
    stature: fc.double({ min: 1.3, max: 2.1, noNaN: true }),
    mass: fc.double({ min: 40, max: 140, noNaN: true }),
  })
  .map(bodyOf);
const anyPose = fc.record({
  trunkPitchDeg: fc.integer({ min: -5, max: 30 }),
  shoulderRaiseDeg: fc.integer({ min: 0, max: 120 }),
  elbowBendDeg: fc.integer({ min: 0, max: 90 }),
  pressurePoint: fc.double({ min: 0.25, max: 0.72, noNaN: true }),
  weightShare: fc.double({ min: 0.3, max: 1, noNaN: true }),
});

describe('properties', () => {
  test('the centre of mass always stands over the pressure point', () => {
    fc.assert(
      fc.property(anyBody, anyPose, fc.integer({ min: 0, max: 110 }), (body, pose, kneeBendDeg) => {
        const { joints } = postureStatics(body, { ...pose, kneeBendDeg });
        expect(joints.centreOfMass.x).toBeCloseTo(pose.pressurePoint * body.lengths.foot, 9);
      }),
    );
  });

  test('more bend never lowers the knee moment once the knee is ahead of the pressure point', () => {
    fc.assert(
      fc.property(anyBody, anyPose, fc.integer({ min: 20, max: 88 }), (body, pose, kneeBendDeg) => {
        const [less, more] = [0, 2].map((add) => postureStatics(body, { ...pose, kneeBendDeg: kneeBendDeg + add }));
        fc.pre(less!.joints.knee.x > pose.pressurePoint * body.lengths.foot);
        expect(more!.kneeMomentNm).toBeGreaterThanOrEqual(less!.kneeMomentNm);
      }),
    );
  });

  test('the toe-line bend does not depend on stature or mass for standard proportions', () => {
    fc.assert(
      fc.property(anyBody, anyPose, (body, pose) => {
        const [own, standard] = [toeLineBend(body, pose), toeLineBend(standardBody, pose)];
        expect(own === null).toBe(standard === null);
        if (own !== null && standard !== null) expect(own).toBeCloseTo(standard, 6);
      }),
    );
  });

  test('at the balance limit the shank tilts by the ankle range', () => {
    const limit = balanceLimit(standardBody, upright, 30)!;
    expect(statics({ kneeBendDeg: limit }).shankTiltDeg).toBeCloseTo(30, 6);
    expect(balanceLimit(standardBody, upright)!).toBeGreaterThan(limit);
  });

  test('a long thigh and a measured shank change the numbers the way one expects', () => {
    const long = bodyOf({ stature: 1.7, mass: 70, thigh: 0.48 });
    expect(postureStatics(long, upright).kneePastToes).toBeGreaterThan(statics().kneePastToes);
    expect(toeLineBend(long, upright)!).toBeLessThan(toeLineBend(standardBody, upright)!);
  });
});

describe('two scales', () => {
  test('two scales: targets and the share read back', () => {
    expect(scaleTargets(70, 0.7)).toEqual({ first: 49, second: expect.closeTo(21, 9) });
    expect(shareFromScales(49, 21, 0.65)).toEqual({ share: 0.7, error: expect.closeTo(0.05, 9) });
  });
});

test('impossible input names the argument and its bounds', () => {
  expect(() => bodyOf({ stature: -1, mass: 70 })).toThrow('stature must be between 0.8 and 2.5');
  expect(() => bodyOf({ stature: 1.7, mass: Number.NaN })).toThrow('mass');
  expect(() => bodyOf({ stature: 1.7, mass: 70, thigh: 1.2 })).toThrow('thigh');
  expect(() => statics({ kneeBendDeg: 151 })).toThrow('kneeBendDeg must be between 0 and 150; it is 151');
  expect(() => statics({ weightShare: 1.1 })).toThrow('weightShare');
  expect(() => balanceLimit(standardBody, upright, 90)).toThrow('ankleRangeDeg');
  expect(() => retractableStep(standardBody, 2)).toThrow('headDrop');
  expect(() => shareFromScales(0, 0, 0.5)).toThrow('first + second');
});
