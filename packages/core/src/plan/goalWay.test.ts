import { goalWay, isReached } from './goalWay';

const strand = { axis: 'repetitions', level: 8, start: 6, target: 12, step: 2, gate: null, openedOn: null } as const;

test.each([
  [{}, '8 → 12 repetitions'],
  [{ level: 12 }, '12 repetitions, reached'],
  [{ axis: 'time', level: 60, start: 30, target: 90, step: 5 }, '1:00 min → 1:30 min'],
  [{ axis: 'bend', level: 10, start: 10, target: 25, step: 5 }, 'bend 10° → bend 25°'],
  [{ gate: { strandId: 'first', share: 1 }, level: 6 }, 'not opened → 12 repetitions'],
])('how far a goal is: %j', (changes, words) => {
  const changed = { ...strand, ...changes } as Parameters<typeof goalWay>[0];
  expect(goalWay(changed)).toBe(words);
  expect(isReached(changed)).toBe(words.endsWith(', reached'));
});
