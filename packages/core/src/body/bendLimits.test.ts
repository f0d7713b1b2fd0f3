import fc from 'fast-check';
import {
  balanceLimit,
  bodyOf,
  massFractions,
  postureStatics,
  retractableStep,
  sideStep,
  standardBody,
  toeLineBend,
  type Body,
  type Stance,
} from '.';

const anyBody = fc
  .tuple(fc.double({ min: 1.4, max: 2.05, noNaN: true }), fc.double({ min: 40, max: 130, noNaN: true }))
  .map(([stature, mass]) => bodyOf({ stature, mass }));
const anyPose = fc.record({
  trunkPitchDeg: fc.double({ min: -5, max: 45, noNaN: true }),
  shoulderRaiseDeg: fc.double({ min: 0, max: 120, noNaN: true }),
  elbowBendDeg: fc.double({ min: 0, max: 120, noNaN: true }),
  pressurePoint: fc.double({ min: 0.3, max: 0.75, noNaN: true }),
  weightShare: fc.double({ min: 0.5, max: 1, noNaN: true }),
});
const at = (pose: Omit<Stance, 'kneeBendDeg'>, kneeBendDeg: number): Stance => ({ ...pose, kneeBendDeg });

/** The tilt by plain halving over the centre of mass summed part by part, to hold the closed form against. */
function halvedTilt({ lengths, centres }: Body, stance: Stance): number {
  const rad = (degrees: number): number => (degrees * Math.PI) / 180;
  const arm = Math.PI - rad(stance.shoulderRaiseDeg);
  const forearm = arm - rad(stance.elbowBendDeg);
  const pitch = Math.sin(rad(stance.trunkPitchDeg));
  const centreX = (tilt: number): number => {
    const ankle = lengths.foot / 4;
    const knee = ankle + lengths.shank * Math.sin(tilt);
    const hip = knee + lengths.thigh * Math.sin(tilt - rad(stance.kneeBendDeg));
    const shoulder = hip + lengths.trunk * pitch;
    const elbow = shoulder + lengths.upperArm * Math.sin(arm);
    const wrist = elbow + lengths.forearm * Math.sin(forearm);
    const pairs =
      massFractions.foot * lengths.foot * centres.foot +
      massFractions.shank * (knee + centres.shank * (ankle - knee)) +
      massFractions.thigh * (hip + centres.thigh * (knee - hip)) +
      massFractions.upperArm * (shoulder + centres.upperArm * (elbow - shoulder)) +
      massFractions.forearm * (elbow + centres.forearm * (wrist - elbow)) +
      massFractions.hand * (wrist + centres.hand * lengths.hand * Math.sin(forearm));
    const trunk = massFractions.trunk * (hip + centres.trunk * (shoulder - hip));
    return 2 * pairs + trunk + massFractions.head * (shoulder + lengths.headBeyondShoulder * pitch);
  };
  let [low, high] = [rad(-60), rad(120)];
  for (let step = 0; step < 60; step += 1) {
    const middle = (low + high) / 2;
    if (centreX(middle) > stance.pressurePoint * lengths.foot) high = middle;
    else low = middle;
  }
  return ((low + high) / 2) * (180 / Math.PI);
}

describe('the bend at which something is reached', () => {
  test('at the toe line the knee stands on it, a degree before behind it, for any body and pose', () => {
    fc.assert(
      fc.property(anyBody, anyPose, (body, pose) => {
        const bend = toeLineBend(body, pose);
        fc.pre(bend !== null && bend > 1);
        expect(postureStatics(body, at(pose, bend)).kneePastToes).toBeCloseTo(0, 8);
        expect(postureStatics(body, at(pose, bend - 1)).kneePastToes).toBeLessThan(0);
      }),
    );
  });

  test('at the limit of balance the shank has tilted by the range of the ankle', () => {
    fc.assert(
      fc.property(anyBody, anyPose, fc.double({ min: 12, max: 45, noNaN: true }), (body, pose, range) => {
        const bend = balanceLimit(body, pose, range);
        fc.pre(bend !== null && bend > 0);
        expect(postureStatics(body, at(pose, bend)).shankTiltDeg).toBeCloseTo(range, 6);
      }),
    );
  });

  test('null where it is never reached', () => {
    const pose = { trunkPitchDeg: 0, shoulderRaiseDeg: 0, elbowBendDeg: 0, pressurePoint: 0.5, weightShare: 0.5 };
    expect(balanceLimit(standardBody, { ...pose, pressurePoint: 0 }, 60)).toBeNull();
    expect(() => balanceLimit(standardBody, pose, 61)).toThrow(/ankleRangeDeg/);
  });
});

test('the tilt in closed form is the one found by halving, for any body, pose and bend', () => {
  fc.assert(
    fc.property(anyBody, anyPose, fc.double({ min: 0, max: 120, noNaN: true }), (body, pose, bend) => {
      const stance = at(pose, bend);
      expect(postureStatics(body, stance).shankTiltDeg).toBeCloseTo(halvedTilt(body, stance), 7);
    }),
    { numRuns: 400 },
  );
});

test('hand-worked: a leg of 0.90 m let down by 0.10 m reaches 0.41 m back (√(0.90² − 0.80²))', () => {
  const body = bodyOf({ stature: 1.8, mass: 75, shank: 0.46, thigh: 0.44 });
  expect(retractableStep(body, 0.1)).toBeCloseTo(Math.sqrt(0.81 - 0.64), 9);
  expect(retractableStep(body, 0)).toBe(0);
  expect(() => retractableStep(body, 1)).toThrow(/headDrop/);
});

test('a step to the side: the leg goes out straight from its own hip, ball first', () => {
  // By hand for 1.70 m at 25°, whose head drops 2.1 cm: leg 0.835, ankle 0.066, ankle to ball 0.138 (61.3° before plumb),
  // pointed by 45° adds 0.132; √(0.967² − 0.880²) = 0.401; half of 0.55 hip breadths 0.089.
  expect(sideStep(standardBody, 0.021)).toBeCloseTo(0.49, 2);
  // Standing straight the pointed foot alone reaches a little way out.
  expect(sideStep(standardBody, 0)).toBeLessThan(sideStep(standardBody, 0.02));
  expect(sideStep(standardBody, 0)).toBeGreaterThan(0.3);
  expect(() => sideStep(standardBody, 2)).toThrow('headDrop');
});
