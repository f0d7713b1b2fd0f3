import { bodyOf, standardBody } from '../body';
import { capacityGuess, routineEffort } from '../endurance';
import { breathe, cycle, eachSide, hold, pattern, together } from '../library/describe';
import type { Exercise } from '../library';
import { builtInSchools, softSchool, strictSchool, type School } from '../schools';
import { notedCondition } from '../screening';
import { holdLimits } from '../limits';
import { settlePosture } from '../schools';
import { routine, segment, shelf } from '../testing/samples';
import {
  groupAsRound,
  keepOnPurpose,
  newSegment,
  segmentPosture,
  turnSegment,
  type Routine,
  type Segment,
} from '../routine';
import { unturned } from '../routine/turned';
import { routineFindings, type Finding, type FindingContext, type FindingPerson } from '.';

const person: FindingPerson = {
  name: 'Ama',
  body: standardBody,
  capacity: { kneeNm: 65, shoulderNm: 40, spread: { legs: 1, arms: 1 }, guessed: { legs: false, arms: false } },
  ankleRangeDeg: 38,
  restingBreath: 14,
  noted: [],
  age: null,
  habit: 'active',
  learned: null,
  reached: [],
};
let ids = 0;
const context = (value: Routine, change: Partial<FindingContext> = {}): FindingContext => ({
  routine: value,
  exercises: shelf,
  school: softSchool,
  person,
  effort: null,
  newId: () => `new-${(ids += 1)}`,
  ...change,
});
const of = (exerciseId: string, dose = shelf.get(exerciseId)!.defaultDose, change = {}): Segment =>
  segment(exerciseId, dose, { exerciseId, ...change });
const find = (list: Finding[], key: string): Finding => {
  const found = list.find((finding) => finding.key === key);
  if (found === undefined) throw new Error(`no ${key} among ${list.map((finding) => finding.key).join(' | ')}`);
  return found;
};
/** The finding is there, says its reason, and each of its mends makes it go. */
function provokedAndMended(
  value: Routine,
  key: string,
  grade: Finding['grade'],
  change: Partial<FindingContext> = {},
): Finding {
  const finding = find(routineFindings(context(value, change)), key);
  expect(finding.grade).toBe(grade);
  expect(finding.text).not.toBe('');
  expect(finding.reason).toMatch(/\.$/);
  expect(finding.mends.length).toBeGreaterThan(0);
  for (const mend of finding.mends) {
    const after = mend.command(value);
    expect(after).not.toEqual(value);
    expect(routineFindings(context(after, change)).map((entry) => entry.key)).not.toContain(key);
  }
  return finding;
}

const sided = (left: number, right: number) =>
  cycle(5, [
    { side: 'left', direction: 'none', amount: left },
    { side: 'right', direction: 'none', amount: right },
  ]);

describe('the shape of a routine', () => {
  test('uneven sides, a side never done, a dose of nothing, an exercise that is gone', () => {
    provokedAndMended(routine([of('shoulder-wheel', sided(9, 6))]), 'shoulder-wheel: sides', 'doubt');
    const never = provokedAndMended(routine([of('shoulder-wheel', sided(9, 0))]), 'shoulder-wheel: one side', 'doubt');
    expect(never.text).toBe('Shoulder wheel: taught on the left and never done on the right.');
    const onlyLeft = cycle(5, [{ side: 'left', direction: 'none', amount: 9 }]);
    provokedAndMended(routine([of('shoulder-wheel', onlyLeft)]), 'shoulder-wheel: one side', 'doubt');
    const there = segment('there', cycle(5, [{ side: 'left', direction: 'none', amount: 3 }]), {
      exerciseId: 'shoulder-wheel',
    });
    const back = (amount: number) =>
      segment('back', cycle(5, [{ side: 'right', direction: 'none', amount }]), { exerciseId: 'shoulder-wheel' });
    const even = routineFindings(context(routine([there, back(3)])));
    expect(even.map(({ key }) => key)).toEqual(['no warm-up', 'no closing']);
    const short = provokedAndMended(routine([there, back(2)]), 'back: sides', 'doubt');
    expect(short.text).toBe('Shoulder wheel: 3 left, but 2 right in all.');
    expect(short.mends[0]!.label).toBe('1 more right at its end');
    provokedAndMended(routine([of('tree-holding', hold(60, together(0)))]), 'tree-holding: nothing', 'doubt');
    provokedAndMended(routine([segment('x', hold(60, together(1)), { exerciseId: 'lost' })]), 'x: gone', 'doubt');
    const lax = { ...softSchool, sidesEqual: false };
    const time = { changeSeconds: 20 };
    expect(routineFindings(context(routine([of('shoulder-wheel', sided(9, 6))], time), { school: lax }))).toEqual([]);
  });

  test('sides that take turns where each has its own stand, and a change without time for its way in', () => {
    const turns = routine([of('one-hand-reeling', cycle(11, eachSide(8)), { sideOrder: 'each' })]);
    provokedAndMended(turns, 'one-hand-reeling: takes turns', 'doubt');
    const hurried = provokedAndMended(routine([of('bow-stand')], { changeSeconds: 3 }), 'bow-stand: change', 'note');
    expect(hurried.text).toMatch(/^Bow stance hold: 3 s to change sides; to say how takes \d+ s\.$/);
    const keys = (value: Routine) => routineFindings(context(value)).map(({ key }) => key);
    expect(keys(routine([of('bow-stand')], { changeSeconds: 30 }))).not.toContain('bow-stand: change');
    // Nothing has to be told of a walk that changes sides by itself, or of what has no sides.
    expect(keys(routine([of('tree-holding')], { changeSeconds: 0 }))).not.toContain('tree-holding: change');
    const wave = builtInSchools.find(({ sideOrder }) => sideOrder === 'each')!;
    const own = newSegment('own', shelf.get('one-hand-reeling')!, wave);
    expect(own.sideOrder).toBe('whole');
    expect(routineFindings(context(routine([own]), { school: wave })).map(({ key }) => key)).not.toContain(
      'own: sideOrder',
    );
  });

  test('no warm-up and no closing, once there is work to speak of', () => {
    const work = routine([of('tree-holding'), of('low-lantern')]);
    provokedAndMended(work, 'no warm-up', 'note');
    provokedAndMended(work, 'no closing', 'note');
    expect(routineFindings(context(routine([of('neutral-stance')])))).toEqual([]);
  });

  test('hard on hard, and long bent work without loosening', () => {
    const value = routine([of('joint-circles'), of('squat-and-bounce'), of('bow-sinking'), of('shake-out')]);
    provokedAndMended(value, 'squat-and-bounce: hard', 'note');
    const long = routine([
      of('joint-circles'),
      of('tree-holding', hold(300, together(1))),
      of('low-lantern', hold(360, together(1))),
      of('shake-out'),
    ]);
    provokedAndMended(long, 'low-lantern: long bent', 'note', {
      person: {
        ...person,
        capacity: { kneeNm: 400, shoulderNm: 400, spread: { legs: 1, arms: 1 }, guessed: { legs: false, arms: false } },
      },
    });
  });

  test('what is too long bent by itself is parted, with something loosening between', () => {
    const strong = {
      person: {
        ...person,
        capacity: { kneeNm: 900, shoulderNm: 900, spread: { legs: 1, arms: 1 }, guessed: { legs: false, arms: false } },
      },
    };
    const held = routine([of('joint-circles'), of('low-lantern', hold(1500, together(1))), of('shake-out')]);
    provokedAndMended(held, 'low-lantern: long bent', 'note', strong);
    const mend = routineFindings(context(held, strong)).find((entry) => entry.key === 'low-lantern: long bent')!
      .mends[0]!;
    expect(mend.label).toBe('In 4 parts, “Shake out” between');
    const kinds = mend
      .command(held)
      .segments.map((entry) => (entry.type === 'exercise' ? entry.exerciseId : entry.type));
    expect(kinds.filter((id) => id === 'low-lantern')).toHaveLength(4);
    expect(kinds.filter((id) => id === 'shake-out')).toHaveLength(4);
    const worked = mend
      .command(held)
      .segments.reduce(
        (sum, entry) =>
          entry.type === 'exercise' && entry.exerciseId === 'low-lantern' && entry.dose.kind === 'hold'
            ? sum + entry.dose.holdSeconds
            : sum,
        0,
      );
    expect(worked).toBe(1500);
    const grouped = groupAsRound(held, new Set(['low-lantern']), 'round', 2);
    const parted = routineFindings(context(grouped, strong)).find((entry) => entry.key === 'low-lantern: long bent')!;
    const inRound = parted.mends[0]!.command(grouped).segments.filter((entry) => entry.roundId === 'round');
    expect(inRound).toHaveLength(7);
    const drilled = routine([of('joint-circles'), of('one-hand-reeling', cycle(11, eachSide(60))), of('shake-out')]);
    provokedAndMended(drilled, 'one-hand-reeling: long bent', 'note', strong);
  });

  test('what goes against its school', () => {
    const value = routine([of('one-hand-reeling', undefined, { sideOrder: 'whole' })]);
    provokedAndMended(value, 'one-hand-reeling: sideOrder', 'note', { school: strictSchool });
  });
});

describe('on a body', () => {
  const bent = (degrees: number, id = 'tree-holding') =>
    turnSegment(routine([of(id, hold(20, together(1)))]), id, { kneeBendDeg: degrees });

  test('knees past the toes and bends beyond balance are dangers, and cannot be kept', () => {
    provokedAndMended(bent(60), 'tree-holding: knees', 'danger');
    const stiff = { ...person, ankleRangeDeg: 15 };
    provokedAndMended(bent(45), 'tree-holding: balance', 'danger', { person: stiff });
    const kept = keepOnPurpose(bent(60), 'tree-holding: knees');
    expect(routineFindings(context(kept)).map((finding) => finding.key)).toContain('tree-holding: knees');
    expect(routineFindings(context(bent(60)))[0]!.grade).toBe('danger');
  });

  test('a hold over the school’s budget: ease 0.6, endurance 0.85 (house values)', () => {
    const capacity = {
      kneeNm: 65,
      shoulderNm: 200,
      spread: { legs: 1, arms: 1 },
      guessed: { legs: false, arms: false },
    };
    const value = routine([of('low-lantern', hold(600, together(1)))]);
    const mended = provokedAndMended(value, 'low-lantern: budget', 'danger', { person: { ...person, capacity } });
    const longest = (school: School) =>
      holdLimits({ body: standardBody, capacity }, settlePosture(shelf.get('low-lantern')!.posture, school), school)[0]!
        .seconds;
    const soft = longest(softSchool);
    const strict = longest({ ...softSchool, fatigueRule: 'endurance' });
    expect(strict / soft).toBeCloseTo(0.85 / 0.6, 6);
    expect(mended.mends[0]!.label).toContain('Hold');
  });

  test('arms before legs, in a hold that is within the budget', () => {
    const weakArms = {
      ...person,
      capacity: { kneeNm: 200, shoulderNm: 24, spread: { legs: 1, arms: 1 }, guessed: { legs: false, arms: false } },
    };
    const value = turnSegment(routine([of('tree-holding', hold(60, together(1)))]), 'tree-holding', {
      shoulderRaiseDeg: 50,
    });
    const keys = routineFindings(context(value, { person: weakArms })).map((finding) => finding.key);
    expect(keys.some((key) => key === 'tree-holding: arms' || key === 'tree-holding: budget')).toBe(true);
  });

  test('a step too long for the rear leg, and for taking back', () => {
    const value = turnSegment(routine([of('bow-stand')]), 'bow-stand', { ahead: 5 });
    provokedAndMended(value, 'bow-stand: step', 'doubt');
    const high = turnSegment(routine([of('step-and-return')]), 'step-and-return', { kneeBendDeg: 5 });
    expect(find(routineFindings(context(high)), 'step-and-return: step').text).toContain('can be taken back');
  });

  test('a limb that gives out in the whole', () => {
    const value = routine([of('wide-rider', hold(240, together(3), 5))]);
    const capacity = capacityGuess({ mass: 70, age: 60 });
    const effort = routineEffort(value, shelf, standardBody, capacity, softSchool);
    expect(effort.failure).not.toBeNull();
    const found = find(routineFindings(context(value, { effort })), 'wide-rider: gives out');
    expect(found.mends[0]!.command(value).segments[0]).toMatchObject({ type: 'rest', seconds: 60 });
  });
});

describe('for one person', () => {
  test('a breath slower than a quarter of the resting rate, and a pause the file forbids', () => {
    const slow = routine([of('belly-breathing', breathe(6, pattern(9, 0, 12, 0)))]);
    provokedAndMended(slow, 'belly-breathing: breath', 'doubt');
    const paused = routine([of('belly-breathing', breathe(6, pattern(3, 1, 3, 0)))]);
    const forbidden = { ...person, noted: [notedCondition('high blood pressure')] };
    const found = provokedAndMended(paused, 'belly-breathing: noHeldBreath', 'danger', { person: forbidden });
    expect(found.text).toContain('high blood pressure');
  });

  test('a piece whose prerequisite is not learned; learned or before it in the routine is enough', () => {
    const value = routine([of('two-hand-reeling')]);
    const beginner = { ...person, learned: new Set<string>() };
    provokedAndMended(value, 'two-hand-reeling: before it one-hand-reeling', 'doubt', { person: beginner });
    const knows = { ...person, learned: new Set(['one-hand-reeling']) };
    const keys = (who: FindingPerson, what = value) =>
      routineFindings(context(what, { person: who }))
        .map((finding) => finding.key)
        .join();
    expect(keys(knows)).not.toContain('before it');
    expect(keys(person)).not.toContain('before it');
    expect(
      keys(beginner, routine([of('shift-and-turn'), of('one-hand-reeling'), of('two-hand-reeling')])),
    ).not.toContain('before it one');
  });

  test('a dose the ladder has not reached', () => {
    const value = routine([of('neutral-stance', hold(120, together(1)))]);
    const reached = [{ segmentId: 'neutral-stance', axis: 'time' as const, level: 90 }];
    provokedAndMended(value, 'neutral-stance: ladder time', 'doubt', { person: { ...person, reached } });
  });
});

describe('steps', () => {
  const clouds = shelf.get('cloud-steps')!;
  const wide = {
    ...clouds,
    id: 'wide-clouds',
    phases: clouds.phases.map((phase) => ({
      ...phase,
      end: phase.end && { ...phase.end, stanceWidth: phase.end.stanceWidth! > 0.5 ? 1.3 : 0.3 },
    })),
  };

  test('every stepping drill of the shelf takes steps that can be taken back, in every school', () => {
    for (const school of builtInSchools)
      for (const exercise of [...shelf.values()].filter(({ family }) => family === 'stepping')) {
        const value = routine([of(exercise.id)]);
        const keys = routineFindings(context(value, { school })).map(({ key }) => key);
        expect(keys.filter((key) => key.includes(': step'))).toEqual([]);
      }
  });

  test('a step to the side that is too wide is a doubt, and lower it can be taken back', () => {
    const exercises = new Map([...shelf, [wide.id, wide]]);
    const value = routine([segment('w', wide.defaultDose, { exerciseId: wide.id })]);
    const found = find(routineFindings(context(value, { exercises })), 'w: step aside');
    expect(found.text).toContain('to the side, foot to foot, of 57 cm');
    const mended = found.mends[0]!.command(value);
    expect(routineFindings(context(mended, { exercises })).map(({ key }) => key)).not.toContain('w: step aside');
  });
});

describe('on the floor', () => {
  const hall = (width: number, depth: number, ...segments: Segment[]) => routine(segments, { room: { width, depth } });

  test('a floor that is too small, mended by turning back or by fewer steps', () => {
    const walk = of('cat-walk', cycle(7, eachSide(6)));
    const found = provokedAndMended(hall(6, 3.6, walk), 'cat-walk: room', 'doubt');
    expect(found.mends.map((mend) => mend.label)).toContain('Half of them back again');
    expect(routineFindings(context(routine([walk]))).map((finding) => finding.key)).not.toContain('cat-walk: room');
  });

  test('three steps there and none back end elsewhere; as many back end where one began', () => {
    const there = cycle(8, [
      { side: 'left', direction: 'none', amount: 3 },
      { side: 'right', direction: 'none', amount: 0 },
    ]);
    provokedAndMended(hall(12, 8, of('cloud-steps', there)), 'ends elsewhere', 'note');
    const both = hall(12, 8, of('cloud-steps', cycle(8, eachSide(3))));
    expect(routineFindings(context(both)).map((finding) => finding.key)).not.toContain('ends elsewhere');
  });
});

test('notes and doubts are kept on purpose, one by one', () => {
  const value = routine([of('shoulder-wheel', sided(9, 6)), of('tree-holding')]);
  const keys = (what: Routine) => routineFindings(context(what)).map((finding) => finding.key);
  expect(keys(value)).toContain('shoulder-wheel: sides');
  expect(keys(keepOnPurpose(value, 'shoulder-wheel: sides'))).toEqual(
    keys(value).filter((key) => key !== 'shoulder-wheel: sides'),
  );
});

test('a turned segment stands otherwise than its exercise, and back again', () => {
  const exercise: Exercise = shelf.get('empty-full')!;
  const value = turnSegment(routine([of('empty-full')]), 'empty-full', { weightShare: 0.8 });
  const turned = value.segments[0]!;
  if (turned.type !== 'exercise') throw new Error('no exercise');
  expect(segmentPosture(turned, exercise)).toMatchObject({ weightShare: 0.8, otherLifted: false, kneeBendDeg: 20 });
  expect(turnSegment(value, 'empty-full', { weightShare: null }).segments[0]).toMatchObject({ turned: null });
});

test('turning back is offered only where it keeps one on the floor', () => {
  const labels = (amount: number) => {
    const value = routine([of('cat-walk', cycle(7, eachSide(amount)))], { room: { width: 6, depth: 3.6 } });
    const found = routineFindings(context(value)).find((finding) => finding.key === 'cat-walk: room');
    return found?.mends.map((mend) => mend.label) ?? [];
  };
  expect(labels(4)).toContain('Half of them back again');
  expect(labels(40)).not.toContain('Half of them back again');
  expect(labels(40)).toHaveLength(1);
});

test('what is asked of a taller body is more of the floor', () => {
  const tall = { ...person, body: bodyOf({ stature: 2, mass: 80 }) };
  const value = routine([of('cat-walk', cycle(7, eachSide(2)))], { room: { width: 4, depth: 3.1 } });
  const room = (who: FindingPerson) =>
    routineFindings(context(value, { person: who })).some((finding) => finding.key === 'cat-walk: room');
  expect(room(person)).toBe(false);
  expect(room(tall)).toBe(true);
});

test('where a school keeps the shins plumb a deep stand leans too far, an ordinary one does not', () => {
  const plumb: School = { ...softSchool, shins: 'plumb' };
  const bent = (kneeBendDeg: number) =>
    routine([of('tree-holding', undefined, { turned: { ...unturned, kneeBendDeg } })]);
  const keys = (value: Routine, school = plumb) => routineFindings(context(value, { school })).map(({ key }) => key);
  expect(keys(bent(30))).not.toContain('tree-holding: shins');
  expect(keys(bent(40), softSchool)).not.toContain('tree-holding: shins');
  const leaning = provokedAndMended(bent(40), 'tree-holding: shins', 'note', { school: plumb });
  expect(leaning.text).toMatch(/the shins lean \d+° forward/);
});
