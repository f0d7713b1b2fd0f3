import { GRAVITY, massFractions, standardBody, stanceMoments } from '../body';
import { cycleMoment, isPlayable } from '../figure/cycleMoment';
import { figurePose } from '../figure/figurePose';
import type { Point3 } from '../figure/point3';
import { posture } from '../library/describe';
import { settlePosture, softSchool, stanceOfPosture } from '../schools';
import { shelf } from '../testing/samples';
import { cycleLoads, holdLoads, INSTANTS, isResting } from './drillLoads';
import { bowKnees, bowOfPosture, stanceLoads } from './limits';

const body = standardBody;
const settled = (change: Parameters<typeof posture>[0]) => settlePosture(posture(change), softSchool);
const loadsOf = (id: string) => {
  const drill = shelf.get(id)!;
  const stood = settlePosture(drill.posture, softSchool);
  return { drill, stood, loads: cycleLoads(body, drill, stood, softSchool) };
};

test('a hand rests on hip, thigh or belly, as far as that goes in each direction and no further', () => {
  const edge = { out: 0.75, forward: 0.35, up: 0.5 };
  const resting = [edge, { ...edge, out: -0.75 }, { ...edge, forward: -0.35 }, { ...edge, up: -3 }];
  expect(resting.map(isResting)).toEqual([true, true, true, true]);
  const away = [
    { ...edge, out: 0.76 },
    { ...edge, out: -0.76 },
    { ...edge, forward: 0.36 },
    { ...edge, forward: -0.36 },
    { ...edge, up: 0.51 },
  ];
  expect(away.map(isResting)).toEqual([false, false, false, false, false]);
});

describe('what a held posture asks', () => {
  test('the working leg its share, the other the rest; both arms alike', () => {
    const stood = settled({ kneeBendDeg: 40, weightShare: 0.7, shoulderRaiseDeg: 45 });
    const stance = stanceOfPosture(stood);
    const found = holdLoads(body, stood);
    expect(found.working).toEqual(stanceLoads(body, stance));
    expect(found.other).toEqual(stanceLoads(body, { ...stance, weightShare: 1 - stood.weightShare }));
    const { shoulderNm, trunkNm } = stanceMoments(body, stance);
    expect([found.workingArmNm, found.otherArmNm, found.trunkNm]).toEqual([shoulderNm, shoulderNm, trunkNm]);
  });

  test('a lifted foot carries nothing; who sits loads no leg', () => {
    const nothing = { kneeNm: 0, ankleNm: 0, hipNm: 0 };
    const one = holdLoads(body, settled({ weightShare: 1, otherLifted: true }));
    expect(one.other).toMatchObject(nothing);
    expect(one.working.hipNm).toBeGreaterThan(0);
    const seated = holdLoads(body, settled({ seated: true, kneeBendDeg: 90 }));
    expect(seated.working).toMatchObject(nothing);
    expect(seated.other).toMatchObject(nothing);
  });

  test('in a bow the rear leg by the geometry of both feet, with the toes of each where they are', () => {
    const bow = settled({ kneeBendDeg: 35, weightShare: 0.7, ahead: 1.8, otherToesOutDeg: 45, toesOutDeg: 0 });
    const geometry = bowOfPosture(body, bow);
    const found = holdLoads(body, bow);
    expect(found.other.kneeNm).toBeCloseTo(bowKnees(body, bow, geometry).rear.likely, 6);
    expect(found.other.bendDeg).toBeCloseTo(geometry.rearBendDeg, 6);
    expect(found.other.bendDeg).toBeLessThan(found.working.bendDeg);
  });
});

describe('what a drill asks from instant to instant', () => {
  test('feet side by side: each leg by its share of the weight then', () => {
    const { drill, stood, loads } = loadsOf('empty-full');
    expect(isPlayable(drill)).toBe(loads.length === INSTANTS);
    const shift = loadsOf('shift-and-turn');
    expect(shift.loads).toHaveLength(INSTANTS);
    shift.loads.forEach(({ working, other }, index) => {
      const moment = cycleMoment({ ...shift.drill, posture: shift.stood }, softSchool, (index + 0.5) / INSTANTS)!;
      const stance = { ...stanceOfPosture(shift.stood), kneeBendDeg: moment.bendDeg };
      expect(working.kneeNm).toBeCloseTo(stanceLoads(body, { ...stance, weightShare: moment.weight }).kneeNm, 9);
      expect(other.kneeNm).toBeCloseTo(stanceLoads(body, { ...stance, weightShare: 1 - moment.weight }).kneeNm, 9);
    });
    // From one end to the other the load goes over.
    const knees = shift.loads.map(({ working, other }) => working.kneeNm - other.kneeNm);
    expect(Math.min(...knees)).toBeLessThan(0);
    expect(Math.max(...knees)).toBeGreaterThan(0);
    expect(stood.seated).toBe(false);
  });

  test('one foot before the other: the front leg is the working one or the other, whichever is ahead', () => {
    const { loads, drill, stood } = loadsOf('cat-walk');
    const seen = loads.map(({ working, other }, index) => {
      const moment = cycleMoment({ ...drill, posture: stood }, softSchool, (index + 0.5) / INSTANTS)!;
      return { moment, working, other };
    });
    const lifted = seen.filter(({ moment }) => moment.lifted !== 'none');
    expect(lifted.length).toBeGreaterThan(0);
    for (const { moment, working, other } of lifted) {
      const [up, down] = moment.lifted === 'working' ? [working, other] : [other, working];
      expect(up).toMatchObject({ kneeNm: 0, ankleNm: 0, hipNm: 0 });
      expect(down.hipNm).toBeCloseTo(
        stanceLoads(body, { ...stanceOfPosture(stood), kneeBendDeg: moment.bendDeg, weightShare: 1 }).hipNm,
        9,
      );
    }
    const both = seen.filter(({ moment }) => moment.lifted === 'none' && Math.abs(moment.ahead) >= 0.1);
    expect(both.map(({ moment }) => moment.ahead > 0)).toEqual(expect.arrayContaining([true]));
    for (const { moment, working, other } of both) {
      const [front, rear] = moment.ahead > 0 ? [working, other] : [other, working];
      const share = moment.ahead > 0 ? moment.weight : 1 - moment.weight;
      // The leg with more of the weight does more at the side of the hip.
      expect(Math.sign(front.hipNm - rear.hipNm)).toBe(Math.sign(share - 0.5));
    }
  });

  test('with the working foot behind it is the rear leg, by the toes of each where they are', () => {
    const bow = shelf.get('forward-reeling')!;
    const loadsWith = (ahead: number, weight: number, toesOutDeg: number, otherToesOutDeg: number) => {
      const phases = bow.phases.map((phase) => ({
        ...phase,
        via: [],
        end: { ...phase.end!, ahead, weight, turnDeg: 0, bendDeg: 35, lifted: 'none' as const },
      }));
      const stood = settled({ kneeBendDeg: 35, weightShare: 0.5, ahead: 0, toesOutDeg, otherToesOutDeg });
      return cycleLoads(body, { ...bow, phases }, stood, softSchool)[0]!;
    };
    const before = loadsWith(1.8, 0.65, 0, 45);
    const behind = loadsWith(-1.8, 0.35, 45, 0);
    for (const key of ['kneeNm', 'hipNm', 'ankleNm', 'bendDeg'] as const) {
      expect(behind.other[key]).toBeCloseTo(before.working[key], 6);
      expect(behind.working[key]).toBeCloseTo(before.other[key], 6);
    }
    expect(before.working.hipNm).toBeGreaterThan(before.other.hipNm);
    // Toes turned otherwise are another length of the foot before the knee.
    expect(loadsWith(-1.8, 0.35, 0, 45).working.kneeNm).not.toBeCloseTo(behind.working.kneeNm, 3);
  });

  test('a foot off the floor leaves all to the other one, whatever share it was given', () => {
    const swing = shelf.get('leg-swings')!;
    const phases = swing.phases.map((phase) => ({ ...phase, end: { ...phase.end!, weight: 0.8 } }));
    const stood = settlePosture(swing.posture, softSchool);
    for (const { working, other } of cycleLoads(body, { ...swing, phases }, stood, softSchool)) {
      expect(working.hipNm).toBeCloseTo(stanceLoads(body, { ...stanceOfPosture(stood), weightShare: 1 }).hipNm, 6);
      expect(other).toMatchObject({ kneeNm: 0, ankleNm: 0, hipNm: 0 });
    }
  });

  test.each(['one-hand-reeling', 'shift-and-turn', 'bow-two-hand-reeling'])(
    '%s: each arm by the masses of its parts and how far these are from the shoulder; the back carries both',
    (id) => {
      const { drill, stood, loads } = loadsOf(id);
      const still = stanceLoads(body, stanceOfPosture(stood));
      loads.forEach((now, index) => {
        const moment = cycleMoment({ ...drill, posture: stood }, softSchool, (index + 0.5) / INSTANTS)!;
        const pose = figurePose(body, stood, moment, 'right');
        const turn = (pose.turnDeg * Math.PI) / 180;
        /** Moment at the shoulder, and what of it lies before the pelvis, N·m. */
        const carried = (hand: typeof moment.hand, arm: typeof pose.arms.right) => {
          if (arm.lies) return [0, 0] as const;
          if (hand === null) return [Math.abs(still.shoulderNm), still.shoulderNm] as const;
          if (isResting(hand)) return [0, 0] as const;
          const between = (from: Point3, to: Point3, share: number) => ({
            x: from.x + share * (to.x - from.x) - arm.shoulder.x,
            z: from.z + share * (to.z - from.z) - arm.shoulder.z,
          });
          const { hand: end, wrist } = arm;
          const long = Math.hypot(end.x - wrist.x, end.y - wrist.y, end.z - wrist.z);
          const parts = [
            [massFractions.upperArm, between(arm.shoulder, arm.elbow, body.centres.upperArm)],
            [massFractions.forearm, between(arm.elbow, wrist, body.centres.forearm)],
            [massFractions.hand, between(wrist, end, (body.centres.hand * body.lengths.hand) / long)],
          ] as const;
          const sum = (axis: 'x' | 'z') =>
            parts.reduce((total, [share, place]) => total + share * body.mass * GRAVITY * place[axis], 0);
          return [Math.hypot(sum('x'), sum('z')), sum('x') * Math.cos(turn) + sum('z') * Math.sin(turn)] as const;
        };
        const [working, before] = carried(moment.hand, pose.arms.right);
        const [other, alsoBefore] = carried(moment.otherHand, pose.arms.left);
        expect(now.workingArmNm).toBeCloseTo(working, 6);
        expect(now.otherArmNm).toBeCloseTo(other, 6);
        expect(now.trunkNm).toBeCloseTo(still.trunkNm - 2 * still.shoulderNm + before + alsoBefore, 6);
      });
    },
  );

  test('a drill that goes down and comes up is half the bend half of the time; a held one without parts changes sides', () => {
    const plain = { ...shelf.get('empty-full')!, phases: [] };
    const stood = settlePosture(plain.posture, softSchool);
    const here = holdLoads(body, stood);
    expect(cycleLoads(body, { ...plain, family: 'strength' }, { ...stood, kneeBendDeg: 60 }, softSchool)).toEqual([
      holdLoads(body, { ...stood, kneeBendDeg: 60 }),
      holdLoads(body, { ...stood, kneeBendDeg: 30 }),
    ]);
    expect(cycleLoads(body, { ...plain, family: 'standing' }, stood, softSchool)).toEqual([
      here,
      { ...here, working: here.other, other: here.working },
    ]);
  });

  test('arms by where they hang: a resting one asks nothing, a straight one as much as its weight far out; the back what is before it', () => {
    const { drill, stood, loads } = loadsOf('one-hand-reeling');
    loads.forEach((now, index) => {
      const moment = cycleMoment({ ...drill, posture: stood }, softSchool, (index + 0.5) / INSTANTS)!;
      if (moment.otherHand !== null && isResting(moment.otherHand)) expect(now.otherArmNm).toBe(0);
      // No arm asks more than all of it held straight out: some five hundredths of the body’s weight at its middle.
      const arm = 0.0505 * body.mass * GRAVITY;
      const { upperArm, forearm, hand } = body.lengths;
      expect(now.workingArmNm).toBeLessThan(arm * 0.6 * (upperArm + forearm + hand));
    });
    expect(Math.max(...loads.map(({ workingArmNm }) => workingArmNm))).toBeGreaterThan(2);
    // What the arms ask before the trunk adds to the back, once for each: without them it carries itself alone.
    const still = stanceLoads(body, stanceOfPosture(stood));
    const alone = still.trunkNm - 2 * still.shoulderNm;
    for (const { trunkNm, workingArmNm, otherArmNm } of loads) {
      expect(trunkNm - alone).toBeLessThanOrEqual(workingArmNm + otherArmNm + 1e-9);
      expect(trunkNm - alone).toBeGreaterThanOrEqual(-workingArmNm - otherArmNm - 1e-9);
    }
    expect(Math.max(...loads.map(({ trunkNm }) => trunkNm - alone))).toBeGreaterThan(1);
  });

  test('seated drills load no leg', () => {
    const seated = [...shelf.values()].find((one) => one.posture.seated)!;
    const stood = settlePosture(seated.posture, softSchool);
    for (const { working, other } of cycleLoads(body, seated, stood, softSchool)) {
      expect(working).toMatchObject({ kneeNm: 0, ankleNm: 0, hipNm: 0 });
      expect(other).toMatchObject({ kneeNm: 0, ankleNm: 0, hipNm: 0 });
    }
  });
});
