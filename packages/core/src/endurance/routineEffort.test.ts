import { standardBody } from '../body';
import { cycle, eachSide, hold, together } from '../library/describe';
import { mirrorRoutine, timeline } from '../routine';
import { routine, segment, shelf } from '../testing/samples';
import { capacityGuess, enduranceTime, joints, limbs, relativeEffort, routineEffort, simulateFatigue } from '.';

const capacity = capacityGuess(70, 35);
const tree = (seconds: number, id = 'a') => segment(id, hold(seconds, together(1)));
const effort = (...segments: Parameters<typeof routine>[0]) =>
  routineEffort(routine(segments), shelf, standardBody, capacity);

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
  // A bow held left, then right: the left leg is at its lowest in the middle of the segment.
  const bow = segment('a', hold(40, eachSide(1)), { exerciseId: 'bow-stand' });
  const found = routineEffort(routine([bow]), shelf, standardBody, capacity);
  const least = Math.min(...found.course.map((point) => point.reserve['left leg']));
  expect(found.segments[0]!.reserve['left leg']).toBeCloseTo(least, 6);
  expect(found.course.at(-1)!.reserve['left leg']).toBeGreaterThan(least);
});

test('one leg tires on its own side, and mirrored on the other', () => {
  const bow = routine([segment('a', hold(60, [eachSide(1)[0]!]), { exerciseId: 'bow-stand' })]);
  const of = (value = bow) => routineEffort(value, shelf, standardBody, capacity).segments[0]!.reserve;
  expect(of()['left leg']).toBeLessThan(of()['right leg']);
  expect(of(mirrorRoutine(bow))['right leg']).toBeCloseTo(of()['left leg'], 9);
});

test('a shifting cycle tires both legs alike; sitting hardly any', () => {
  const reeling = effort(segment('a', cycle(10, together(12)), { exerciseId: 'shift-and-turn' })).segments[0]!.reserve;
  expect(reeling['left leg']).toBeCloseTo(reeling['right leg'], 1);
  const seated = effort(segment('a', hold(300, together(1)), { exerciseId: 'four-part-breath' })).segments[0]!;
  expect(seated.kneePastToes).toBeNull();
  expect(limbs.every((limb) => seated.reserve[limb] > 0.5)).toBe(true);
});

test('a drill that goes down and comes up tires less than one that stays down', () => {
  const squats = segment('a', cycle(3, together(27)), { exerciseId: 'squat-and-bounce' });
  const squat = shelf.get('squat-and-bounce')!;
  const low = new Map([['squat-and-bounce', { ...squat, family: 'standing' as const }]]);
  const rising = routineEffort(routine([squats]), shelf, standardBody, capacity).segments[0]!;
  const staying = routineEffort(routine([squats]), low, standardBody, capacity).segments[0]!;
  expect(rising.reserve['left leg']).toBeGreaterThan(staying.reserve['left leg']);
});

test('the course of the reserve runs from fresh at the start to the end, and dips where the segments say', () => {
  const found = effort(tree(60), tree(120, 'b'));
  expect(found.course[0]).toEqual({
    atSeconds: 0,
    reserve: { 'left leg': 1, 'right leg': 1, 'left arm': 1, 'right arm': 1 },
  });
  const line = timeline(routine([tree(60), tree(120, 'b')]));
  expect(found.course.at(-1)!.atSeconds).toBeCloseTo(line.totalMs / 1000, 6);
  const lowest = Math.min(...found.course.map((point) => point.reserve['left arm']));
  expect(lowest).toBeCloseTo(Math.max(0, Math.min(...found.segments.map((entry) => entry.reserve['left arm']))), 9);
});
