import { hold, together } from '../library/describe';
import { routine, segment } from '../testing/samples';
import { roundLines } from './roundLines';

test('what is gone through more than once is said with its names and how often', () => {
  const names: Record<string, string> = { a: 'Empty and full', b: 'Bow stance hold', c: 'Shake out', d: 'Once' };
  const nameOf = ({ id }: { id: string }): string => names[id]!;
  const of = (id: string, roundId: string | null) => segment(id, hold(30, together(1)), { roundId });
  const rounds = [
    { id: 'r', times: 3 },
    { id: 's', times: 2 },
    { id: 't', times: 1 },
    { id: 'gone', times: 4 },
  ];
  const all = routine([of('a', 'r'), of('b', 'r'), of('c', 's'), of('d', 't')], { rounds });
  expect(roundLines(all, nameOf)).toEqual([
    '“Empty and full” and “Bow stance hold” one after the other, 3 times.',
    '“Shake out” 2 times.',
  ]);
  expect(roundLines(routine([of('a', null)]), nameOf)).toEqual([]);
  const three = routine([of('a', 'r'), of('b', 'r'), of('c', 'r')], { rounds: rounds.slice(0, 1) });
  expect(roundLines(three, nameOf)).toEqual([
    '“Empty and full”, “Bow stance hold” and “Shake out” one after the other, 3 times.',
  ]);
});
