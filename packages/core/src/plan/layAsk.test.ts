import { builtInExercises } from '../library/builtInExercises';
import { softSchool } from '../schools';
import { log, logLine, person, plan, routine, segment, shelf, strand } from '../testing/samples';
import { hold, together } from '../library/describe';
import { layAsk, type Wished } from './layAsk';

const today = '2026-01-05';
const wished: Wished = {
  seconds: 900,
  wishes: ['standing'],
  alike: false,
  school: softSchool,
  shelf,
  today,
};
const tree = routine([segment('t', hold(60, together(1)), { exerciseId: 'tree-holding' })]);
const goal = plan([strand({ segmentId: 't', exerciseId: 'tree-holding', level: 80 })], { routineId: tree.id });
const practised = (day: string, ...ids: string[]) =>
  log(day, { id: day, startedAt: `${day}T08:00:00.000Z`, lines: ids.map((exerciseId) => logLine(1, { exerciseId })) });

test('nobody in particular is a standard body that has learned nothing', () => {
  const ask = layAsk(wished, []);
  expect(ask.people).toHaveLength(1);
  expect(ask.known.size).toBe(0);
  expect([ask.doses.size, ask.corrected.size, ask.last.length]).toEqual([0, 0, 0]);
  expect(ask.shelf.size).toBe(builtInExercises.length);
});

test('of one person: the doses of the goals today, what was practised last, what is known', () => {
  const one = person(
    {
      routines: [tree],
      plans: [goal],
      logs: [practised('2026-01-02', 'tree-holding'), practised('2026-01-04', 'one-hand-reeling', 'tree-holding')],
    },
    today,
  );
  const ask = layAsk(wished, [one]);
  expect([...ask.doses.keys()]).toEqual(['tree-holding']);
  expect(ask.doses.get('tree-holding')).toMatchObject({ kind: 'hold', holdSeconds: 80 });
  expect(ask.last.map((ids) => [...ids].toSorted())).toEqual([['one-hand-reeling', 'tree-holding'], ['tree-holding']]);
  expect([...ask.known].toSorted()).toEqual(['one-hand-reeling', 'tree-holding']);
});

test('of several: what all have learned, no one’s doses, and nothing that is locked for anyone', () => {
  const one = person({ routines: [tree], plans: [goal], logs: [practised('2026-01-04', 'tree-holding')] }, today);
  const hurt = person(
    {
      student: { ...one.student, id: 'other' },
      logs: [
        {
          ...practised('2026-01-04', 'tree-holding', 'one-hand-reeling'),
          pain: 7,
          painPlace: 'knee',
          painWhere: 'knee',
        },
      ],
    },
    today,
  );
  const ask = layAsk(wished, [one, hurt]);
  expect(ask.doses.size).toBe(0);
  expect([...ask.known]).toEqual(['tree-holding']);
  expect(ask.shelf.has('squat-and-bounce')).toBe(false);
  expect(ask.shelf.size).toBeLessThan(builtInExercises.length);
});

test('what is being corrected is asked for', () => {
  const [point] = shelf.get('empty-full')!.checkpoints;
  const one = person(
    {
      corrections: [
        {
          id: 'c',
          studentId: 's',
          day: '2026-01-03',
          checkpointId: point!.id,
          region: point!.region,
          safety: point!.safety,
          cue: point!.cue,
          helped: null,
          stillId: null,
        },
      ],
    },
    today,
  );
  expect(layAsk(wished, [one]).corrected.has('empty-full')).toBe(true);
});
