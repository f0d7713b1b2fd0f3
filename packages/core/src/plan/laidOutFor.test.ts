import { layOut, manyCanBeDone } from '../layOut/layOut';
import { softSchool } from '../schools';
import { log, logLine, person, shelf } from '../testing/samples';
import { laidOutFor } from './laidOutFor';
import { layAsk, type Wished } from './layAsk';

const today = '2026-01-05';
const wished: Wished = { seconds: 900, wishes: [], alike: false, school: softSchool, shelf, today };
const names = { name: 'Laid out', newId: () => crypto.randomUUID() };
const well = person({}, today);
/** Somebody whose knee made them stop everything done on their feet. */
const hurt = person(
  {
    student: { ...well.student, id: 'hurt', name: 'Hurt' },
    logs: [
      log('2026-01-04', {
        id: 'stop',
        startedAt: '2026-01-04T08:00:00.000Z',
        lines: [...shelf.keys()].map((exerciseId) => logLine(1, { exerciseId })),
        pain: 7,
        painPlace: 'knee',
        painWhere: 'knee',
      }),
    ],
  },
  today,
);

test('for everybody where that comes out, and then it is the same as for anyone', () => {
  const { proposals, without } = laidOutFor(wished, [well], names);
  expect(without).toEqual([]);
  expect(proposals.map(({ why }) => why)).toEqual(layOut(layAsk(wished, [well]), names).map(({ why }) => why));
});

test('one who may do next to nothing does not keep a class from practising, and is named', () => {
  expect(layOut(layAsk(wished, [well, hurt]), names)).toEqual([]);
  const { proposals, without, ask } = laidOutFor(wished, [well, hurt], names);
  expect(proposals.length).toBeGreaterThan(0);
  expect(without).toEqual([hurt]);
  expect(ask.shelf.size).toBe(shelf.size);
});

test('nobody is left out where it does not help, nor anyone who is alone', () => {
  expect(laidOutFor({ ...wished, seconds: 61 }, [well, hurt], names)).toMatchObject({ proposals: [], without: [] });
  expect(laidOutFor(wished, [hurt], names)).toMatchObject({ proposals: [], without: [] });
});

test('who is in the way is left out, not who can do little besides', () => {
  const student = (id: string, change: Partial<typeof well.student>) =>
    person({ student: { ...well.student, id, ...change } }, today);
  const few = student('few', { conditions: ['poor balance', 'knee pain', 'shoulder pain', 'low back pain'] });
  const heavy = { birthYear: 1930, habit: 'seldom active', massKg: 105, statureCm: 150, capacityFactor: 1 } as const;
  const weak = student('weak', heavy);
  const half = { ...wished, seconds: 1800 };
  const without = (...people: (typeof well)[]) =>
    laidOutFor(half, people, names).without.map(({ student: { id } }) => id);
  // There is more that the weak one can do, and still nothing that lasts half an hour.
  const many = (one: typeof well) => manyCanBeDone(layAsk(half, [one]), names);
  expect(many(weak)).toBeGreaterThan(many(few));
  expect(layOut(layAsk(half, [well, few, weak]), names)).toEqual([]);
  expect(without(well, student('other', {}), few, weak)).toEqual(['weak']);
});
