import { cycle, eachSide, hold, together } from '../library/describe';
import { log as aLog, routine, segment, shelf } from '../testing/samples';
import {
  handsAgain,
  handsLately,
  handsLine,
  handsOutcomes,
  handsSet,
  handsTests,
  handsTestWords,
  testedStands,
  type HandsTested,
} from './handsTest';
import { PracticeLogSchema } from './log';

const tested = (
  test: HandsTested['test'],
  outcome: HandsTested['outcome'],
  exerciseId: string | null = 'tree-holding',
) => ({
  test,
  outcome,
  exerciseId,
});

test('a test has one outcome in each exercise, in the order of the tests, and none where it is taken back', () => {
  const once = handsSet(handsSet([], 'let fall', 'tree-holding', 'partly'), 'push', 'tree-holding', 'good');
  expect(once).toEqual([tested('push', 'good'), tested('let fall', 'partly')]);
  const other = handsSet(once, 'push', 'bow-stance', 'not yet');
  expect(other.filter(({ test: which }) => which === 'push')).toEqual([
    tested('push', 'good'),
    tested('push', 'not yet', 'bow-stance'),
  ]);
  expect(handsSet(other, 'push', 'tree-holding', 'partly')).toContainEqual(tested('push', 'partly'));
  expect(handsSet(once, 'let fall', 'tree-holding', null)).toEqual([tested('push', 'good')]);
  expect(handsSet(once, 'let fall', null, null)).toEqual(once);
});

test('each outcome of each test is another sentence', () => {
  const all = handsTests.flatMap((which) => handsOutcomes.map((outcome) => handsTestWords[which][outcome]));
  expect(new Set(all).size).toBe(9);
  expect(handsLine([tested('push', 'good'), tested('lift', 'not yet', null)], (id) => shelf.get(id)?.name)).toBe(
    'a slow push: it goes into the floor (Holding the tree); an arm is lifted: the arm is stiff, or lifts itself',
  );
  expect(handsLine([], () => undefined)).toBe('');
});

test('what was found last counts, with what it was before; what was not good is tested again', () => {
  const on = (day: string, hands: HandsTested[]) => ({ day, startedAt: `${day}T08:00:00.000Z`, hands });
  const logs = [
    on('2026-03-01', [tested('push', 'not yet'), tested('lift', 'good')]),
    on('2026-03-09', [tested('push', 'partly'), tested('push', 'good', 'bow-stance')]),
    on('2026-03-05', [tested('push', 'good'), tested('lift', 'partly')]),
  ];
  const lately = handsLately(logs);
  expect(lately).toEqual([
    { tested: tested('push', 'partly'), day: '2026-03-09', before: 'good' },
    { tested: tested('push', 'good', 'bow-stance'), day: '2026-03-09', before: null },
    { tested: tested('lift', 'partly'), day: '2026-03-05', before: 'good' },
  ]);
  expect(handsAgain(lately).map((entry) => entry.tested.test)).toEqual(['push', 'lift']);
});

test('what stands is tested: held exercises first, each once, seated ones not', () => {
  const seated = [...shelf.values()].find(({ posture }) => posture.seated)!;
  const made = routine([
    segment('r', cycle(5, eachSide(4)), { exerciseId: 'one-hand-reeling' }),
    segment('s', hold(60, together(1)), { exerciseId: seated.id }),
    segment('t', hold(60, together(1)), { exerciseId: 'tree-holding' }),
    segment('t2', hold(60, together(1)), { exerciseId: 'tree-holding' }),
    segment('gone', hold(60, together(1)), { exerciseId: 'not-here' }),
  ]);
  expect(testedStands(made, shelf).map(({ exerciseId }) => exerciseId)).toEqual(['tree-holding', 'one-hand-reeling']);
});

test('a log keeps what hands found; one from before has none, and what is no outcome is refused', () => {
  const log = { ...aLog('2026-03-01'), hands: [tested('push', 'good')] };
  expect(PracticeLogSchema.parse(log).hands).toEqual(log.hands);
  const { hands, ...before } = log;
  expect(hands).toHaveLength(1);
  expect(PracticeLogSchema.parse(before).hands).toEqual([]);
  expect(PracticeLogSchema.safeParse({ ...log, hands: [{ ...log.hands[0], outcome: 'so so' }] }).success).toBe(false);
});
