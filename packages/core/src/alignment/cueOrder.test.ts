import { point } from '../library/describe';
import { checkpoints, cueOrder } from '.';

const own = (id: string, safety = false) => point(id, 'hands', id, 'test', 'faults', 'cue', safety);
const points = [
  ...checkpoints('feet-flat', 'knees-track', 'crown-up'),
  own('a'),
  own('b'),
  own('c'),
  own('hurts', true),
];
const ids = (corrected: string[], turn: number) => cueOrder(points, new Set(corrected), turn).map(({ id }) => id);

test('what can hurt comes first, its own before the general; then its own points, then the rest', () => {
  expect(ids([], 0)).toEqual(['hurts', 'knees-track', 'a', 'b', 'c', 'feet-flat', 'crown-up']);
});

test('from turn to turn another one comes first, and all have come after a while', () => {
  const first = [0, 1, 2, 3].map((turn) => ids([], turn)[2]);
  expect(first).toEqual(['a', 'b', 'c', 'a']);
  expect(ids([], 1).slice(-2)).toEqual(['crown-up', 'feet-flat']);
});

test('what is being corrected comes before everything, what can hurt of it first; none is lost or doubled', () => {
  expect(ids(['crown-up', 'knees-track'], 5).slice(0, 3)).toEqual(['knees-track', 'crown-up', 'hurts']);
  for (const turn of [-1, 0, 7, 2950])
    expect(ids(['b'], turn).toSorted()).toEqual(points.map(({ id }) => id).toSorted());
});
