import fc from 'fast-check';
import { bodyOf, bowGeometry, postureStatics, standardBody } from '../body';
import { builtInExercises, cycleFaults, ExerciseSchema, type Exercise } from '../library';
import { phase, hand, posture } from '../library/describe';
import { breathSchool, builtInSchools, settlePosture, softSchool, stanceOfPosture, strictSchool } from '../schools';
import { centreOfMass3 } from './centreOfMass3';
import { cycleMoment, isPlayable, stillMoment } from './cycleMoment';
import { figurePose } from './figurePose';
import { floorPlan, floorPlanWords } from './floorPlan';
import { lengthOf, minus, type Point3 } from './point3';

const exercise = (id: string): Exercise => builtInExercises.find((entry) => entry.id === id)!;
const bodies = [
  bodyOf({ stature: 1.5, mass: 45 }),
  standardBody,
  bodyOf({ stature: 1.98, mass: 120 }),
  bodyOf({ stature: 1.75, mass: 70, thigh: 0.5, shank: 0.4 }),
];

describe('a pose in space', () => {
  test.each([0, 15, 30, 45, 60, 75, 90])('seen square, the knees stand where the statics put them, at %i°', (bend) => {
    for (const body of bodies) {
      const settled = settlePosture(posture({ kneeBendDeg: bend }), softSchool);
      const pose = figurePose(body, settled, stillMoment({ posture: settled }), 'right', true);
      const statics = postureStatics(body, stanceOfPosture(settled));
      for (const side of ['left', 'right'] as const) {
        expect(pose.legs[side].knee.x).toBeCloseTo(statics.joints.knee.x, 6);
        expect(pose.legs[side].knee.y).toBeCloseTo(statics.joints.knee.y, 6);
      }
      expect(pose.centreOfMass.x).toBeCloseTo(statics.joints.centreOfMass.x, 6);
      expect(pose.headDrop).toBeCloseTo(statics.headDrop, 6);
    }
  });

  test('the centre of mass stands over the point where the weight falls, whatever the posture', () => {
    fc.assert(
      fc.property(
        fc.record({
          kneeBendDeg: fc.double({ min: 0, max: 90, noNaN: true }),
          trunkPitchDeg: fc.double({ min: 0, max: 30, noNaN: true }),
          shoulderRaiseDeg: fc.double({ min: 0, max: 90, noNaN: true }),
          elbowBendDeg: fc.double({ min: 0, max: 90, noNaN: true }),
          weightShare: fc.double({ min: 0.5, max: 1, noNaN: true }),
          stanceWidth: fc.double({ min: 0, max: 2, noNaN: true }),
          ahead: fc.constantFrom(0, 1, 2.5),
        }),
        fc.constantFrom(...bodies),
        fc.constantFrom('left' as const, 'right' as const),
        (change, body, side) => {
          const settled = settlePosture(posture(change), strictSchool);
          const pose = figurePose(body, settled, stillMoment({ posture: settled }), side);
          // Where a leg reaches no further, the body stops short of it.
          const reached = (['left', 'right'] as const).some((foot) => {
            const { hip, ankle } = pose.legs[foot];
            return lengthOf(minus(hip, ankle)) > 0.97 * (body.lengths.shank + body.lengths.thigh);
          });
          if (!reached) {
            expect(pose.centreOfMass.x).toBeCloseTo(pose.weight.x, 3);
            expect(pose.centreOfMass.z).toBeCloseTo(pose.weight.z, 3);
          }
          expect(pose.feet[side].share).toBeCloseTo(change.weightShare, 9);
        },
      ),
      { numRuns: 120 },
    );
  });

  test('the left side at work is the mirror image of the right', () => {
    const settled = settlePosture(exercise('one-hand-reeling').posture, softSchool);
    const moment = cycleMoment(exercise('one-hand-reeling'), softSchool, 0.4)!;
    const right = figurePose(standardBody, settled, moment, 'right');
    const left = figurePose(standardBody, settled, moment, 'left');
    expect(left.legs.left.knee.z).toBeCloseTo(-right.legs.right.knee.z, 9);
    expect(left.arms.left.hand.z).toBeCloseTo(-right.arms.right.hand.z, 9);
    expect(left.turnDeg).toBeCloseTo(-right.turnDeg, 9);
  });

  test('arms keep their bones in every moment of every exercise and school', () => {
    const { upperArm, forearm, hand } = standardBody.lengths;
    const long = (a: Point3, b: Point3): number => lengthOf(minus(a, b));
    for (const school of builtInSchools)
      for (const drill of builtInExercises) {
        const settled = settlePosture(drill.posture, school);
        for (let at = 0; at < 1; at += 1 / 24) {
          const moment = cycleMoment(drill, school, at) ?? stillMoment({ posture: settled });
          const { arms } = figurePose(standardBody, settled, moment, 'right');
          for (const arm of [arms.left, arms.right]) {
            expect(long(arm.elbow, arm.shoulder)).toBeCloseTo(upperArm, 6);
            expect(long(arm.wrist, arm.elbow)).toBeCloseTo(forearm, 6);
            expect(long(arm.hand, arm.wrist)).toBeCloseTo(hand, 6);
          }
        }
      }
  });

  test('hanging arms hang beside the body, a little outward past the hips', () => {
    const still = settlePosture(posture(), softSchool);
    const { arms, legs } = figurePose(standardBody, still, stillMoment({ posture: still }), 'right');
    const { left } = arms;
    expect(left.hand.z).toBeLessThan(left.shoulder.z - 0.05);
    expect(left.hand.z).toBeGreaterThan(left.shoulder.z - 0.2);
    expect(left.hand.x).toBeCloseTo(left.shoulder.x, 6);
    expect(left.hand.y).toBeLessThan(left.elbow.y);
    expect(left.hand.z).toBeLessThan(legs.left.hip.z - 0.1);
  });

  test('in round arms the middle fingers are about a hand-breadth apart (common practice)', () => {
    const settled = settlePosture(exercise('tree-holding').posture, softSchool);
    const { arms } = figurePose(standardBody, settled, stillMoment({ posture: settled }), 'right');
    const gap = arms.right.hand.z - arms.left.hand.z;
    expect(gap).toBeGreaterThan(0.03);
    expect(gap).toBeLessThan(0.16);
  });

  test('a seated figure sits: thighs level, weight under the seat', () => {
    const settled = settlePosture(posture({ seated: true, kneeBendDeg: 90 }), softSchool);
    const pose = figurePose(standardBody, settled, stillMoment({ posture: settled }), 'right');
    expect(Math.abs(pose.legs.left.hip.y - pose.legs.left.knee.y)).toBeLessThan(0.01);
    expect(pose.statics).toBeNull();
    expect(centreOfMass3(pose)).toEqual(pose.centreOfMass);
  });

  test('a lifted foot is off the floor and carries nothing', () => {
    const settled = settlePosture(exercise('empty-full').posture, softSchool);
    const pose = figurePose(standardBody, settled, stillMoment({ posture: settled }), 'left');
    expect(pose.feet.right).toMatchObject({ lifted: true, share: 0 });
    expect(pose.feet.right.heel.y).toBeGreaterThan(0.05);
    expect(pose.feet.left.heel.y).toBe(0);
    expect(pose.weight.z).toBeCloseTo(pose.feet.left.pressure.z, 9);
  });
});

describe('a bow', () => {
  const stance = stanceOfPosture(settlePosture(posture({ kneeBendDeg: 45, weightShare: 0.7 }), softSchool));

  test('the weight falls at 70/30 between the feet, and the front shank is near upright (common practice)', () => {
    const bow = bowGeometry(standardBody, stance, 0.7, 45);
    const front = 0.5 * standardBody.lengths.foot;
    const rear = -0.7 + 0.5 * standardBody.lengths.foot * Math.cos(Math.PI / 4);
    expect(bow.weightX).toBeCloseTo(0.7 * front + 0.3 * rear, 9);
    expect(Math.abs(bow.shankTiltDeg)).toBeLessThan(15);
    expect(bow.kneePastToes).toBeLessThan(0);
    expect(bow.rearBendDeg).toBeLessThan(35);
  });

  test('bones keep their lengths while the rear leg reaches; a step too long says by how much', () => {
    const near = bowGeometry(standardBody, stance, 0.5, 45);
    const { shank, thigh } = standardBody.lengths;
    const length = (a: { x: number; y: number }, b: { x: number; y: number }) => Math.hypot(a.x - b.x, a.y - b.y);
    for (const leg of [near.front, near.rear]) {
      expect(length(leg.ankle, leg.knee)).toBeCloseTo(shank, 4);
      expect(length(leg.knee, leg.hip)).toBeCloseTo(thigh, 4);
    }
    expect(near.tooLong).toBe(0);
    expect(bowGeometry(standardBody, stance, 1.6, 45).tooLong).toBeGreaterThan(0.1);
    expect(() => bowGeometry(standardBody, stance, 3, 45)).toThrow('ahead');
  });
});

describe('cycles', () => {
  const reeling = exercise('one-hand-reeling');

  test('with one foot ahead nobody bobs: in a school of one height the hips keep theirs while the weight goes over', () => {
    const forward = exercise('forward-reeling');
    const settled = settlePosture(forward.posture, softSchool);
    const heights = Array.from({ length: 17 }, (_, index) => {
      const pose = figurePose(standardBody, settled, cycleMoment(forward, softSchool, index / 16)!, 'right');
      return pose.pelvis.y;
    });
    // Half a centimetre cannot be seen.
    expect(Math.max(...heights) - Math.min(...heights)).toBeLessThan(0.005);
  });

  test('in a bow the front leg takes no more than seven tenths, however far the school shifts (common practice)', () => {
    const all = { ...softSchool, fullShift: 'all' as const };
    const weights = Array.from(
      { length: 33 },
      (_, index) => cycleMoment(exercise('forward-reeling'), all, index / 32)!.weight,
    );
    expect(Math.max(...weights)).toBeCloseTo(0.7, 6);
    expect(Math.min(...weights)).toBeCloseTo(0, 6);
    // Who steps pours all of it into the foot that stays.
    const walk = Array.from({ length: 33 }, (_, index) => cycleMoment(exercise('cat-walk'), all, index / 32)!.weight);
    expect(Math.max(...walk)).toBeGreaterThan(0.99);
  });

  test('the four counts of one-hand silk-reeling (common practice)', () => {
    const ends = [0.25, 0.5, 0.75, 1].map((at) => cycleMoment(reeling, softSchool, at - 1e-9)!);
    expect(ends.map((moment) => Math.round(moment.weight * 100))).toEqual([30, 30, 70, 70]);
    expect(ends.map((moment) => Math.round(moment.turnDeg))).toEqual([45, -45, -45, 45]);
    const heights = ends.map((moment) => moment.hand!.up);
    expect(heights[0]).toBeLessThan(0.4);
    expect(heights[2]).toBeGreaterThan(1);
    expect(ends[1]!.hand!.out).toBeCloseTo(0, 6);
  });

  test('shift first, turn after: they never run together, and the knees are still in the turn', () => {
    const settled = settlePosture(reeling.posture, softSchool);
    const pose = (at: number) => {
      const moment = cycleMoment(reeling, softSchool, at)!;
      return { moment, knee: figurePose(standardBody, { ...settled }, moment, 'right').legs.right.knee };
    };
    for (let at = 0.005; at < 1; at += 0.01) {
      const [a, b] = [pose(at - 0.004), pose(at + 0.004)];
      const shifts = Math.abs(a.moment.weight - b.moment.weight) > 1e-6;
      const turns = Math.abs(a.moment.turnDeg - b.moment.turnDeg) > 1e-4;
      if (a.moment.phase === b.moment.phase) expect(shifts && turns).toBe(false);
    }
    const [before, after] = [pose(0.27), pose(0.48)];
    // What an arm that goes to the other side moves the pelvis, cannot be seen of a knee.
    expect(Math.abs(before.knee.x - after.knee.x)).toBeLessThan(0.005);
    expect(Math.abs(before.knee.z - after.knee.z)).toBeLessThan(0.03);
  });

  test('every playable cycle closes: where it ends it begins', () => {
    const playable = builtInExercises.filter(isPlayable);
    expect(playable.length).toBeGreaterThanOrEqual(11);
    for (const entry of playable.filter((found) => !found.phasesSwap)) {
      const [start, end] = [cycleMoment(entry, softSchool, 0)!, cycleMoment(entry, softSchool, 1)!];
      expect(end.weight).toBeCloseTo(start.weight, 6);
      expect(end.turnDeg).toBeCloseTo(start.turnDeg, 6);
      for (const key of ['out', 'forward', 'up'] as const) {
        expect(end.hand?.[key] ?? 0).toBeCloseTo(start.hand?.[key] ?? 0, 9);
      }
    }
    const walk = exercise('cat-walk');
    const [start, end] = [cycleMoment(walk, softSchool, 0)!, cycleMoment(walk, softSchool, 1)!];
    expect(end.weight).toBeCloseTo(1 - start.weight, 6);
    expect(end.ahead).toBeCloseTo(-start.ahead, 6);
    expect(cycleMoment(exercise('tree-holding'), softSchool, 0.5)).toBeNull();
  });

  test('the school shifts whole, or rises with the breath in', () => {
    expect(cycleMoment(reeling, strictSchool, 1)!.weight).toBeCloseTo(1, 6);
    expect(cycleMoment(reeling, breathSchool, 1)!.bendDeg).toBeCloseTo(22, 6);
    expect(cycleMoment(reeling, breathSchool, 0.5 - 1e-9)!.bendDeg).toBeCloseTo(30, 4);
  });

  test('no built-in cycle has a fault; a hand alone and a loaded lift are refused, with their place', () => {
    for (const entry of builtInExercises) {
      expect(cycleFaults(entry)).toEqual([]);
      expect(ExerciseSchema.safeParse(entry).error?.issues ?? []).toEqual([]);
    }
    const [one, ...others] = reeling.phases;
    const alone = {
      ...reeling,
      phases: [one!, { ...others[0]!, end: { ...one!.end!, hand: hand(0, 0.5, 0.5) } }, ...others.slice(1)],
    };
    expect(cycleFaults(alone)[0]).toMatchObject({ phase: 1, kind: 'hand alone' });
    const lifted = {
      ...reeling,
      phases: [phase('Up', 0.5, 'in', { weight: 0.4, lifted: 'working' }), phase('Down', 0.5, 'out', { weight: 0 })],
    };
    expect(cycleFaults(lifted)).toEqual([
      expect.objectContaining({ phase: 0, kind: 'loaded lift', message: expect.stringContaining('40 %') as string }),
    ]);
    const refused = ExerciseSchema.safeParse(alone).error!.issues[0]!;
    expect(refused.path).toEqual(['phases', 1]);
    expect(refused.message).toContain('part 2');
    // Arms that move by themselves are what a warm-up is for.
    expect(cycleFaults({ ...alone, family: 'warm-up' })).toEqual([]);
  });

  test('a foot is lifted only with all the weight on the other leg', () => {
    const wrong = { ...exercise('empty-full'), posture: posture({ weightShare: 0.9, otherLifted: true }) };
    expect(ExerciseSchema.safeParse(wrong).error!.issues[0]!.path).toEqual(['posture', 'otherLifted']);
  });
});

describe('floor marks of a pose', () => {
  test('feet as wide as the posture says, toes as the school has them, weight at 70/30', () => {
    const settled = settlePosture(posture({ stanceWidth: 1.4, weightShare: 0.7 }), breathSchool);
    const plan = floorPlan(figurePose(standardBody, settled, stillMoment({ posture: settled }), 'left'));
    expect(plan.acrossCm).toBeCloseTo(140 * standardBody.lengths.shoulderBreadth, 0);
    expect(plan.feet.left.toesOutDeg).toBe(15);
    const share =
      (plan.weight.rightCm - plan.feet.right.pressure.rightCm) /
      (plan.feet.left.pressure.rightCm - plan.feet.right.pressure.rightCm);
    expect(share).toBeCloseTo(0.7, 2);
    const words = floorPlanWords(plan);
    expect(words[0]).toBe('Heel centres 62 cm apart from side to side');
    expect(words[2]).toBe('left foot turned out 15°, right foot turned out 15°');
    expect(words[3]).toContain('70 / 30 on the left foot');
  });

  test('a bow: the front foot straight ahead, the rear one 45° out (common practice)', () => {
    const settled = settlePosture(exercise('bow-stand').posture, softSchool);
    const plan = floorPlan(figurePose(standardBody, settled, stillMoment({ posture: settled }), 'right'));
    expect(plan.feet.right.toesOutDeg).toBe(0);
    expect(plan.feet.left.toesOutDeg).toBe(45);
    expect(plan.aheadCm).toBeCloseTo(2 * plan.footCm, 0);
    expect(floorPlanWords(plan)[1]).toMatch(/^Right heel 52 cm ahead/);
  });
});
