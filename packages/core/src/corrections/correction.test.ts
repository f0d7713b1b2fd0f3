import { allCheckpoints } from '../alignment';
import {
  CorrectionSchema,
  correctionCounts,
  correctionQueue,
  newCorrection,
  pointsInWork,
  type Correction,
} from './correction';

const point = (id: string) => allCheckpoints().find((entry) => entry.id === id)!;
let count = 0;
const seen = (id: string, day: string, change: Partial<Correction> = {}): Correction => ({
  ...newCorrection(`c${(count += 1)}`, 'u', point(id), day),
  ...change,
});
const today = '2026-03-29';

test('what can hurt comes first, then from the ground up (common practice)', () => {
  const list = [
    seen('crown-up', '2026-03-20'),
    seen('crown-up', '2026-03-22'),
    seen('feet-flat', '2026-03-10'),
    seen('low-back-long', '2026-03-01'),
    seen('shoulders-hang', '2026-03-28'),
  ];
  expect(correctionCounts(list, today).map((entry) => [entry.region, entry.count])).toEqual([
    ['low back', 1],
    ['feet', 1],
    ['shoulders', 1],
    ['neck and head', 2],
  ]);
  expect(correctionQueue(list, today).map((entry) => entry.region)).toEqual(['low back', 'feet']);
});

test('six weeks count as lately, and what helped is remembered', () => {
  const old = seen('feet-flat', '2026-02-15');
  const young = seen('feet-flat', '2026-02-16', { helped: true, cue: 'Spread the toes.' });
  const [entry] = correctionCounts([old, young], today);
  expect(entry).toMatchObject({ count: 1, last: '2026-02-16', helped: ['Spread the toes.'] });
  expect(correctionCounts([old], today)).toEqual([]);
});

test('a point is worked on until a cue of its last day has helped, whatever the order of the list', () => {
  const open = seen('knees-track', '2026-03-20', { helped: false });
  const better = seen('knees-track', '2026-03-20', { helped: true });
  const again = seen('knees-track', '2026-03-22');
  const working = (...list: Correction[]) => pointsInWork(list, ['knees-track'], today).length;
  expect([working(open), working(open, better), working(better, open)]).toEqual([1, 0, 0]);
  expect([working(better, again), working(again, better)]).toEqual([1, 1]);
  expect(pointsInWork([open], ['feet-flat'], today)).toEqual([]);
});

test('of one region the one seen more often comes first', () => {
  const of = (id: string, day: string) => seen(id, day, { region: 'feet', safety: false });
  const same = [of('crown-up', '2026-03-20'), of('shoulders-hang', '2026-03-10'), of('shoulders-hang', '2026-03-12')];
  for (const order of [same, same.toReversed()])
    expect(correctionCounts(order, today).map((entry) => entry.checkpointId)).toEqual(['shoulders-hang', 'crown-up']);
});

test('only a cue that helped is remembered as one that helps', () => {
  const list = [
    seen('feet-flat', '2026-03-10', { helped: false, cue: 'Press harder.' }),
    seen('feet-flat', '2026-03-11', { helped: null, cue: 'Feel the floor.' }),
    seen('feet-flat', '2026-03-12', { helped: true, cue: 'Spread the toes.' }),
  ];
  expect(correctionCounts(list, today)[0]!.helped).toEqual(['Spread the toes.']);
});

test('what helped another checkpoint on the same day ends nothing here', () => {
  const list = [seen('knees-track', '2026-03-20'), seen('feet-flat', '2026-03-20', { helped: true })];
  expect(pointsInWork(list, ['knees-track'], today)).toHaveLength(1);
});

test('a correction is whole', () => {
  expect(CorrectionSchema.safeParse(seen('knees-track', today)).success).toBe(true);
  expect(seen('knees-track', today).safety).toBe(true);
});
