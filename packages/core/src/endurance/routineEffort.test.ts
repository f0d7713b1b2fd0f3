import { postureStatics, standardBody } from '../body';
import { breathe, cycle, eachSide, eachSideBothWays, hold, pattern, together } from '../library/describe';
import type { Dose } from '../library/dose';
import { builtInSchools, settlePosture, softSchool, stanceOfPosture, type School } from '../schools';
import { mirrorRoutine, newSegment, timeline } from '../routine';
import { routine, segment, shelf } from '../testing/samples';
import {
  bowOfPosture,
  capacityGuess,
  cycleEndurance,
  cycleLoads,
  enduranceTime,
  jointCapacity,
  joints,
  limbs,
  movingFlow,
  recoveryFactor,
  relativeEffort,
  routineEffort,
  segmentEffort,
  simulateFatigue,
  keptFatigue,
  softTimeToFailure,
  timeToFailure,
} from '.';

const capacity = capacityGuess({ mass: 70, age: 35 });
const tree = (seconds: number, id = 'a') => segment(id, hold(seconds, together(1)));
const effort = (...segments: Parameters<typeof routine>[0]) =>
  routineEffort(routine(segments), shelf, standardBody, capacity, softSchool);

test('a round-armed stand is limited by the arms, with the endurance of their effort (common practice)', () => {
  const [found] = effort(tree(60)).segments;
  // 7.83 N·m on a guessed capacity of one shoulder
  expect(found).toMatchObject({ limitedBy: 'arms', askedSeconds: 60 });
  expect(found!.enduranceSeconds).toBeCloseTo(
    enduranceTime('shoulder', relativeEffort(7.83, capacity.shoulderNm)).seconds,
    0,
  );
  expect(found!.effort).toBeCloseTo((10 * 60) / found!.enduranceSeconds, 6);
  expect(found!.kneePastToes!).toBeLessThan(0);
});

test('the reserve of a single hold is that of the simulator', () => {
  const target = relativeEffort(7.83, capacity.shoulderNm);
  const [span] = simulateFatigue(joints.shoulder, [{ target, seconds: 60 }]).spans;
  expect(effort(tree(60)).segments[0]!.reserve['left arm']).toBeCloseTo(span!.reserve, 3);
});

test('what came before counts: the same hold has less reserve later, and a rest gives some back', () => {
  const rest = { type: 'rest' as const, id: 'r', seconds: 120, label: '', roundId: null };
  const alone = effort(tree(60)).segments[0]!.reserve['left arm'];
  const after = effort(tree(90), tree(60, 'b')).segments[1]!.reserve['left arm'];
  const rested = effort(tree(90), rest, tree(60, 'b')).segments[1]!.reserve['left arm'];
  expect(after).toBeLessThan(alone);
  expect(rested).toBeGreaterThan(after);
});

test('it says which limb gives out first, where and when', () => {
  const found = effort(tree(60), tree(900, 'long'));
  expect(found.failure).toMatchObject({ limb: 'left arm', segmentId: 'long' });
  const target = relativeEffort(7.83, capacity.shoulderNm);
  const { settleSeconds } = routine([]);
  const { failureAt } = simulateFatigue(joints.shoulder, [
    { target: 0, seconds: settleSeconds },
    { target, seconds: 60 },
    { target: 0, seconds: settleSeconds },
    { target, seconds: 900 },
  ]);
  // From the start of the whole routine, not of the segment.
  expect(found.failure!.atSeconds).toBeCloseTo(failureAt!, 0);
  expect(effort(tree(30)).failure).toBeNull();
});

test('the reserve of a segment is its lowest moment, also when the last repetition ends lighter', () => {
  const spans = [
    { target: 0.5, seconds: 40 },
    { target: 0, seconds: 30 },
  ];
  const run = simulateFatigue(joints.shoulder, spans).spans.map((span) => span.reserve);
  expect(run[0]).toBeLessThan(run[1]!);
  // On the left leg, then on the right: the left one is at its lowest in the middle of the segment.
  const stood = segment('a', hold(40, eachSide(1)), { exerciseId: 'empty-full' });
  const found = routineEffort(routine([stood]), shelf, standardBody, capacity, softSchool);
  const least = Math.min(...found.course.map((point) => point.reserve['left leg']));
  expect(found.segments[0]!.reserve['left leg']).toBeCloseTo(least, 6);
  expect(found.course.at(-1)!.reserve['left leg']).toBeGreaterThan(least);
});

test('one leg tires on its own side, and mirrored on the other', () => {
  const one = routine([segment('a', hold(60, [eachSide(1)[0]!]), { exerciseId: 'empty-full' })]);
  const of = (value = one) => routineEffort(value, shelf, standardBody, capacity, softSchool).segments[0]!.reserve;
  expect(of()['left leg']).toBeLessThan(of()['right leg']);
  expect(of(mirrorRoutine(one))['right leg']).toBeCloseTo(of()['left leg'], 9);
});

test('a shifting cycle tires both legs alike; sitting hardly any', () => {
  const reeling = effort(segment('a', cycle(10, together(12)), { exerciseId: 'shift-and-turn' })).segments[0]!.reserve;
  expect(reeling['left leg']).toBeCloseTo(reeling['right leg'], 1);
  const seated = effort(segment('a', hold(300, together(1)), { exerciseId: 'four-part-breath' })).segments[0]!;
  expect(seated.kneePastToes).toBeNull();
  expect(limbs.every((limb) => seated.reserve[limb] > 0.5)).toBe(true);
});

test('a drill that goes down and comes up tires less than a hold as low', () => {
  const squats = effort(segment('a', cycle(3, together(27)), { exerciseId: 'squat-and-bounce' })).segments[0]!;
  const held = effort(segment('a', hold(81, together(1)), { exerciseId: 'squat-and-bounce' })).segments[0]!;
  expect(squats.reserve['left leg']).toBeGreaterThan(held.reserve['left leg']);
});

describe('drills as they move', () => {
  const circles = (amounts: ReturnType<typeof eachSide>) =>
    effort(segment('a', cycle(11, amounts), { exerciseId: 'one-hand-reeling' })).segments[0]!;

  test('an arm that rests on the hip never gives out first', () => {
    const left = circles([eachSide(40)[0]!]);
    // It tires as little as an arm that hangs.
    const hanging = effort(segment('a', hold(440, together(1)), { exerciseId: 'neutral-stance' })).segments[0]!;
    expect(left.reserve['right arm']).toBeCloseTo(hanging.reserve['right arm'], 1);
    expect(left.reserve['left arm']).toBeLessThan(left.reserve['right arm']);
    for (const limb of limbs) expect(left.reserve['right arm']).toBeGreaterThanOrEqual(left.reserve[limb] - 0.05);
  });

  test('a walk takes turns: both legs tire alike', () => {
    const { reserve } = effort(segment('a', cycle(7, together(20)), { exerciseId: 'cat-walk' })).segments[0]!;
    expect(Math.abs(reserve['left leg'] - reserve['right leg'])).toBeLessThan(0.03);
  });

  test('heel lifts are the calf’s work, a stand on one leg that of the hip', () => {
    const first = (exerciseId: string, dose: Parameters<typeof segment>[1]) =>
      effort(segment('a', dose, { exerciseId })).segments[0]!.joint;
    expect(first('heel-lifts', cycle(6, together(12)))).toBe('ankle');
    expect(first('empty-full', hold(30, eachSide(1)))).toBe('hip');
  });

  test('the school’s pressure and its full shift count', () => {
    const of = (school: (typeof builtInSchools)[number]) =>
      routineEffort(
        routine([segment('a', hold(60, together(1)), { exerciseId: 'neutral-stance' })]),
        shelf,
        standardBody,
        capacity,
        school,
      ).segments[0]!;
    const ball = { ...softSchool, pressure: 'ball' as const };
    expect(of(ball).enduranceSeconds).toBeLessThan(of(softSchool).enduranceSeconds);
    expect(of(ball).joint).toBe('ankle');
  });

  test('each breath of a slowing drill is longer than the one before', () => {
    const slowing = segment('a', breathe(10, pattern(4, 0, 4, 0), 1.1), { exerciseId: 'opening-closing' });
    const even = segment('a', breathe(10, pattern(4, 0, 4, 0)), { exerciseId: 'opening-closing' });
    expect(effort(slowing).course.at(-1)!.atSeconds).toBeGreaterThan(effort(even).course.at(-1)!.atSeconds);
    expect(effort(slowing).segments[0]!.reserve['left arm']).toBeLessThan(
      effort(even).segments[0]!.reserve['left arm'],
    );
  });
});

describe('first doses of the trade never give out on an active adult of forty (common practice)', () => {
  const forty = capacityGuess({ mass: standardBody.mass, age: 40 });
  const each = (exerciseId: string, minutes: number, sides: number) => {
    const { defaultDose } = shelf.get(exerciseId)!;
    if (defaultDose.kind !== 'cycle') throw new Error(`${exerciseId} is no cycle`);
    return Math.round((60 * minutes) / defaultDose.cycleSeconds / sides);
  };
  const doses: readonly (readonly [name: string, exerciseId: string, change: (dose: Dose) => Dose])[] = [
    ['a first unbroken stand of a minute', 'tree-holding', (dose) => ({ ...dose, holdSeconds: 60 }) as Dose],
    ['a first breathing stand of three minutes', 'tree-holding', (dose) => ({ ...dose, holdSeconds: 180 }) as Dose],
    [
      'one-hand silk-reeling, three minutes a side',
      'one-hand-reeling',
      () => cycle(11, eachSide(each('one-hand-reeling', 3, 1))),
    ],
    ['sixteen circles each way and side', 'one-hand-reeling', () => cycle(11, eachSideBothWays(16))],
    ['five minutes of stepping clouds', 'cloud-steps', (dose) => amounts(dose, each('cloud-steps', 5, 2))],
    ['twenty-seven squats', 'squat-and-bounce', (dose) => amounts(dose, 27)],
    ['a minute on one leg, chair beside', 'empty-full', () => hold(60, eachSide(1))],
    ['ten minutes of standing breath', 'belly-breathing', (dose) => amounts(dose, 60)],
  ];
  const amounts = (dose: Dose, amount: number): Dose => ({
    ...dose,
    amounts: dose.amounts.map((row) => ({ ...row, amount })),
  });
  const fails = (school: School, exerciseId: string, dose: Dose): string | null => {
    const value = routine([segment('a', dose, { exerciseId })], { settleSeconds: 10, changeSeconds: 5 });
    const { failure } = routineEffort(value, shelf, standardBody, forty, school);
    return failure === null ? null : `${failure.limb} at ${Math.round(failure.atSeconds)} s`;
  };

  for (const school of builtInSchools) {
    test.each(doses)(`${school.name}: %s`, (_name, exerciseId, change) => {
      expect(fails(school, exerciseId, change(shelf.get(exerciseId)!.defaultDose))).toBeNull();
    });

    test(`${school.name}: what the shelf gives each drill to begin with`, () => {
      const failing = [...shelf.values()].flatMap((exercise) => {
        const { dose } = newSegment('a', exercise, school);
        const found = fails(school, exercise.id, dose);
        return found === null ? [] : [`${exercise.id}: ${found}`];
      });
      expect(failing).toEqual([]);
    });
  }
});

test('the course of the reserve runs from fresh at the start to the end, and dips where the segments say', () => {
  const found = effort(tree(60), tree(120, 'b'));
  expect(found.course[0]).toEqual({
    atSeconds: 0,
    reserve: { 'left leg': 1, 'right leg': 1, 'left arm': 1, 'right arm': 1, back: 1 },
  });
  const line = timeline(routine([tree(60), tree(120, 'b')]));
  expect(found.course.at(-1)!.atSeconds).toBeCloseTo(line.totalMs / 1000, 6);
  const lowest = Math.min(...found.course.map((point) => point.reserve['left arm']));
  expect(lowest).toBeCloseTo(Math.max(0, Math.min(...found.segments.map((entry) => entry.reserve['left arm']))), 9);
});

describe('one segment among others', () => {
  const reel = segment('reel', cycle(6, eachSide(8)), { exerciseId: 'one-hand-reeling' });
  const pause = { type: 'rest' as const, id: 'rest', seconds: 30, label: '', roundId: null };

  test('rests, exercises that are gone and what asks for nothing are told of no effort, and tire nobody', () => {
    const nothing = segment('none', { ...hold(60, together(1)), amounts: [{ ...together(1)[0]!, amount: 0 }] });
    const gone = segment('gone', hold(600, together(1)), { exerciseId: 'gone' });
    const found = effort(pause, gone, nothing, tree(60));
    expect(found.segments.map(({ segmentId }) => segmentId)).toEqual(['a']);
    // Ten minutes of nothing known are rest.
    expect(found.segments[0]!.reserve).toEqual(effort(tree(60)).segments[0]!.reserve);
  });

  test('its own stretch counts: of several holds the longest, of sides in turn all turns together', () => {
    const asked = (of: ReturnType<typeof segment>) => effort(tree(300, 'before'), of).segments[1]!.askedSeconds;
    expect(asked(segment('h', hold(40, together(3))))).toBe(40);
    expect(asked(reel)).toBe(48);
    expect(asked({ ...reel, sideOrder: 'each' })).toBe(96);
    const uneven = {
      ...reel,
      dose: { ...reel.dose, amounts: eachSide(8).map((row, n) => ({ ...row, amount: 8 - 3 * n })) },
    };
    expect(asked(uneven)).toBe(48);
  });

  test('the first limb to give out is named with its joint; what lasts beyond forty minutes does not limit', () => {
    const [stood] = effort(tree(60)).segments;
    expect(stood).toMatchObject({ limitedBy: 'arms', joint: 'shoulder', unlimited: false });
    const one = effort(segment('one', hold(30, eachSide(1)), { exerciseId: 'empty-full' })).segments[0]!;
    expect(one.limitedBy).toBe('legs');
    const sitting = [...shelf.values()].find(({ posture }) => posture.seated)!;
    const seated = effort(segment('sit', hold(60, together(1)), { exerciseId: sitting.id })).segments[0]!;
    expect(seated).toMatchObject({ unlimited: true, kneePastToes: null });
    expect(seated.enduranceSeconds).toBeLessThanOrEqual(24 * 3600);
  });

  test('of two holds the first has its own reserve, not that of the second; taking it up is no work', () => {
    const found = effort(tree(60), tree(60, 'b')).segments;
    expect(found[0]!.reserve['left arm']).toBeGreaterThan(found[1]!.reserve['left arm'] + 0.02);
    const slow = routineEffort(routine([tree(10)], { settleSeconds: 60 }), shelf, standardBody, capacity, softSchool);
    expect(slow.segments[0]!.askedSeconds).toBe(10);
  });

  test('a stoop with hanging arms is work for the back; who leans back works with nothing of it', () => {
    const stooped = (trunkPitchDeg: number) => {
      const drill = shelf.get('tree-holding')!;
      const arms = { shoulderRaiseDeg: 0, elbowBendDeg: 0 };
      const own = { ...drill, id: 'own', posture: { ...drill.posture, ...arms, trunkPitchDeg, kneeBendDeg: 5 } };
      const held = routine([segment('a', hold(60, together(1)), { exerciseId: 'own' })]);
      return routineEffort(held, new Map([['own', own]]), standardBody, capacity, softSchool).segments[0]!;
    };
    expect(stooped(45)).toMatchObject({ limitedBy: 'back', joint: 'trunk' });
    expect(stooped(-10).reserve.back).toBeCloseTo(stooped(0).reserve.back, 6);
  });

  test('a walk begins with the side it is asked for', () => {
    const step = (side: 'left' | 'right', amount: number) =>
      effort(segment('w', cycle(20, [{ side, direction: 'none', amount }]), { exerciseId: 'cat-walk' })).segments[0]!
        .reserve;
    expect(shelf.get('cat-walk')!.phasesSwap).toBe(true);
    const [left, right] = [step('left', 1), step('right', 1)];
    expect(left['left leg']).not.toBeCloseTo(left['right leg'], 3);
    expect(left['left leg']).toBeCloseTo(right['right leg'], 9);
    const drill = shelf.get('cat-walk')!;
    const instants = cycleLoads(standardBody, drill, settlePosture(drill.posture, softSchool), softSchool);
    const works = (role: 'working' | 'other') => Math.max(...instants.map((one) => one[role].hipNm));
    // The leg that does more of the work of one step is the more tired after it.
    expect(Math.sign(left['left leg'] - left['right leg'])).toBe(Math.sign(works('other') - works('working')));
  });

  test('the course goes to its very end, however short the last of it is', () => {
    const last = { type: 'rest' as const, id: 'last', seconds: 1, label: '', roundId: null };
    const found = effort(tree(1200), last);
    expect(found.course.at(-1)!.atSeconds).toBe(timeline(routine([tree(1200), last])).totalMs / 1000);
  });

  test('the knee of a bow stands by both of its feet, that of a plain stance by its own', () => {
    const knee = (id: string) =>
      effort(segment('k', hold(60, together(1)), { exerciseId: id })).segments[0]!.kneePastToes;
    const settled = (id: string) => settlePosture(shelf.get(id)!.posture, softSchool);
    const bows = [...shelf.values()].filter(({ posture }) => posture.ahead > 0 && !posture.seated).map(({ id }) => id);
    expect(bows.length).toBeGreaterThan(0);
    expect(knee(bows[0]!)).toBe(bowOfPosture(standardBody, settled(bows[0]!)).kneePastToes);
    expect(knee('tree-holding')).toBe(
      postureStatics(standardBody, stanceOfPosture(settled('tree-holding'))).kneePastToes,
    );
  });

  test('where sides take turns both limbs tire alike; side after side the first is tired first', () => {
    const reserves = (of: ReturnType<typeof segment>) => effort(of).segments[0]!.reserve;
    const turns = reserves({ ...reel, sideOrder: 'each' });
    expect(turns['left arm']).toBeCloseTo(turns['right arm'], 1);
    const whole = effort({ ...reel, dose: { ...reel.dose, cycleSeconds: 30 } as typeof reel.dose });
    const line = timeline(routine([{ ...reel, dose: { ...reel.dose, cycleSeconds: 30 } as typeof reel.dose }]));
    const half = line.spans.find(({ side, kind }) => side === 'right' && kind === 'cycle')!.startMs / 1000;
    const before = whole.course.filter(({ atSeconds }) => atSeconds <= half).map(({ reserve }) => reserve);
    expect(Math.min(...before.map((one) => one['left arm']))).toBeLessThan(
      Math.min(...before.map((one) => one['right arm'])),
    );
  });

  test('the course of an hour has no more than some two hundred points, whole to its end, and misses no low', () => {
    const long = Array.from({ length: 12 }, (_, n) => ({
      ...reel,
      id: `r${n}`,
      dose: { ...reel.dose, ...cycle(10, eachSide(15)) },
    }));
    const found = effort(...(long as (typeof reel)[]));
    const total = timeline(routine(long)).totalMs / 1000;
    expect(found.course.length).toBeGreaterThan(100);
    expect(found.course.length).toBeLessThan(170);
    expect(found.course.at(-1)!.atSeconds).toBeCloseTo(total, 6);
    const times = found.course.map(({ atSeconds }) => atSeconds);
    expect(times).toEqual(times.toSorted((a, b) => a - b));
    for (const limb of limbs)
      expect(Math.min(...found.course.map(({ reserve }) => reserve[limb]))).toBeCloseTo(
        Math.max(0, Math.min(...found.segments.map(({ reserve }) => reserve[limb]))),
        9,
      );
  });

  test('it gives out in the segment that is on at that moment', () => {
    const found = effort(tree(60), pause, tree(1200, 'long'), tree(30, 'after'));
    expect(found.failure).toMatchObject({ segmentId: 'long', joint: 'shoulder' });
    expect(found.failure!.atSeconds).toBeGreaterThan(90);
    expect(found.failure!.atSeconds).toBeLessThan(1290);
  });
});

describe('how long targets that follow one another last', () => {
  test('of one target it is the hold; of nothing but rest it has no end; the order makes no difference', () => {
    expect(cycleEndurance('knee', [0.4, 0.4, 0.4], 10)).toBeCloseTo(enduranceTime('knee', 0.4).seconds, 6);
    expect(cycleEndurance('knee', [0.4], 10)).toBeCloseTo(enduranceTime('knee', 0.4).seconds, 6);
    expect(cycleEndurance('knee', [0.01, 0.01], 10)).toBeGreaterThanOrEqual(24 * 3600);
    const there = cycleEndurance('shoulder', [0.2, 0.5, 0.1], 10);
    expect(cycleEndurance('shoulder', [0.1, 0.2, 0.5], 10)).toBeCloseTo(there, 6);
    // The heaviest is held less and less of the time: it lasts longer and longer.
    const lasts = [1, 2, 4].map((rests) =>
      cycleEndurance('knee', [0.5, ...Array.from({ length: rests }, () => 0.45)], 10),
    );
    expect(lasts[0]!).toBeGreaterThan(enduranceTime('knee', 0.5).seconds);
    expect(lasts[1]!).toBeGreaterThan(lasts[0]!);
    expect(lasts[2]!).toBeGreaterThan(lasts[1]!);
    expect(cycleEndurance('knee', [2, 2], 10)).toBeCloseTo(enduranceTime('knee', 0.999).seconds, 6);
  });

  test('what moves lets the blood in: recovery up to half of the heaviest moment, as the closed form has it', () => {
    const targets = [0.4, 0.1];
    const free = movingFlow(0.4);
    expect(free).toBeCloseTo(0.2, 9);
    const factor = (recoveryFactor(0.4, free) + recoveryFactor(0.1, free)) / 2;
    const longer = softTimeToFailure('knee', 0.4, 0.25, factor) / timeToFailure('knee', 0.4);
    const lasts = (enduranceTime('knee', 0.4).seconds * longer) / keptFatigue('knee', targets, 10);
    expect(cycleEndurance('knee', targets, 10)).toBeCloseTo(lasts, 6);
    // An arm that moves shares the work among the muscles of its shoulder.
    expect(cycleEndurance('knee', targets, 10, 0.5)).toBeCloseTo(2 * lasts, 6);
    // In a hold of the same targets it would not be let in so far.
    const held = (recoveryFactor(0.4) + recoveryFactor(0.1)) / 2;
    expect(factor).toBeGreaterThan(held);
  });
});

describe('a drill in the fatigue model', () => {
  const left = cycle(6, [{ side: 'left', direction: 'none', amount: 8 }]);
  const reel = segment('reel', left, { exerciseId: 'one-hand-reeling' });

  test('its arm tires instant by instant as the simulator has it, with the recovery of what moves', () => {
    // Somebody weak, in whom half of the heaviest moment is much.
    const weak = { kneeNm: 45, shoulderNm: 12 };
    const drill = shelf.get('one-hand-reeling')!;
    const instants = cycleLoads(standardBody, drill, settlePosture(drill.posture, softSchool), softSchool);
    const strength = jointCapacity('shoulder', weak, 0);
    const targets = instants.map(({ workingArmNm }) =>
      Math.min(1, relativeEffort(Math.max(1e-9, workingArmNm), strength)),
    );
    expect(new Set(targets.map((target) => target.toFixed(3))).size).toBeGreaterThan(2);
    const freeFlow = movingFlow(Math.max(...targets));
    expect(freeFlow).toBeGreaterThan(0.2);
    const seconds = 6 / targets.length;
    // Six tenths of what its rests leave: the work goes round the muscles of the shoulder.
    const keptOf = (all: readonly number[], cycle: number) => 0.6 * keptFatigue('shoulder', all, cycle);
    const alone = keptOf(targets, 6);
    const pieces = Array.from({ length: 8 }, () =>
      targets.map((target) => ({ target, seconds, freeFlow, kept: alone })),
    ).flat();
    const least = Math.min(...simulateFatigue(joints.shoulder, pieces).spans.map(({ reserve }) => reserve));
    const found = routineEffort(routine([reel]), shelf, standardBody, weak, softSchool).segments[0]!;
    expect(found.reserve['left arm']).toBeCloseTo(least, 6);
    // In turns it rests on the hip every other time, and the blood comes in as it does in its own turn.
    const resting = instants.map(({ otherArmNm }) => relativeEffort(otherArmNm, strength));
    const kept = keptOf([...targets, ...resting], 12);
    expect(kept).toBeLessThan(alone);
    const rest = resting.map((target) => ({ target, seconds, freeFlow, kept }));
    const own = targets.map((target) => ({ target, seconds, freeFlow, kept }));
    const turns = simulateFatigue(joints.shoulder, Array.from({ length: 4 }, () => [...own, ...rest]).flat()).spans;
    const each = segment('each', cycle(6, eachSide(4)), { exerciseId: 'one-hand-reeling', sideOrder: 'each' });
    const seen = routineEffort(routine([each]), shelf, standardBody, weak, softSchool).segments[0]!;
    expect(seen.reserve['left arm']).toBeCloseTo(Math.min(...turns.map(({ reserve }) => reserve)), 6);
  });

  test('where sides take turns each limb lasts through the work of both; it is told in its endurance', () => {
    const sided = segment('s', cycle(6, eachSide(8)), { exerciseId: 'one-hand-reeling' });
    // Somebody weak, for whom the drill has an end.
    const weak = { kneeNm: 300, shoulderNm: 9 };
    const endurance = (of: typeof sided) =>
      routineEffort(routine([of]), shelf, standardBody, weak, softSchool).segments[0]!.enduranceSeconds;
    const [whole, turns] = [endurance(sided), endurance({ ...sided, sideOrder: 'each' })];
    expect(whole).toBeLessThan(24 * 3600);
    expect(turns).toBeGreaterThan(whole);
    // Left or right alone asks the same of whichever limb works.
    const right = cycle(6, [{ side: 'right', direction: 'none', amount: 8 }]);
    expect(endurance({ ...sided, dose: right })).toBeCloseTo(endurance({ ...sided, dose: left }), 6);
    expect(whole).toBeCloseTo(endurance({ ...sided, dose: left }), 6);
  });
});

test('a segment by itself is as hard as in a routine of nothing else, for each exercise', () => {
  for (const exercise of shelf.values()) {
    const one = newSegment('one', exercise, softSchool);
    const alone = routine([one]);
    const [found] = routineEffort(alone, shelf, standardBody, capacity, softSchool).segments;
    expect(segmentEffort(alone, one, exercise, standardBody, capacity, softSchool)).toBe(found?.effort ?? 0);
  }
});
