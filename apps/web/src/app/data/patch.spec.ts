import { PlaceGone, patchOf, patched, valueAt } from './patch';

interface Piece {
  readonly id: string;
  readonly name: string;
  readonly seconds: number;
}
interface Thing {
  readonly name: string;
  readonly room: { readonly width: number; readonly depth: number } | null;
  readonly pieces: readonly Piece[];
  readonly rows: readonly { readonly side: string; readonly direction: string; readonly amount: number }[];
}
const at = patchOf<Thing>();
const thing: Thing = {
  name: 'A',
  room: null,
  pieces: [
    { id: 'a', name: 'one', seconds: 5 },
    { id: 'b', name: 'two', seconds: 6 },
  ],
  rows: [
    { side: 'left', direction: 'forward', amount: 1 },
    { side: 'left', direction: 'reversed', amount: 2 },
  ],
};

test('one value is put in, everything beside it stays the very same', () => {
  const after = patched(thing, at(['pieces', { id: 'b' }, 'name'], 'three'));
  expect(after.pieces[1]).toEqual({ id: 'b', name: 'three', seconds: 6 });
  expect(after.pieces[0]).toBe(thing.pieces[0]);
  expect(after.rows).toBe(thing.rows);
  expect(thing.pieces[1]!.name).toBe('two');
});

test('the entry of a list is found by what it is, wherever it has gone', () => {
  const turned = { ...thing, pieces: thing.pieces.toReversed() };
  const patch = at(['pieces', { id: 'b' }, 'seconds'], 9);
  expect(patched(turned, patch).pieces[0]).toMatchObject({ id: 'b', seconds: 9 });
  const row = at(['rows', { side: 'left', direction: 'reversed' }, 'amount'], 8);
  expect(patched(thing, row).rows.map((entry) => entry.amount)).toEqual([1, 8]);
  expect(valueAt(patched(thing, row), row.at)).toBe(8);
});

test('a way through a null begins with what is given for it', () => {
  const patch = at(['room', 'width'], 9, { width: 8, depth: 6 });
  expect(patched(thing, patch).room).toEqual({ width: 9, depth: 6 });
  expect(patched({ ...thing, room: { width: 3, depth: 4 } }, patch).room).toEqual({ width: 9, depth: 4 });
  expect(() => patched(thing, at(['room', 'width'], 9))).toThrow(PlaceGone);
});

test('what was removed is not written, and shows nothing', () => {
  for (const way of [['pieces', { id: 'z' }, 'name'] as const, ['pieces', 7, 'name'] as const]) {
    expect(() => patched(thing, at(way, 'x'))).toThrow('removed elsewhere');
    expect(valueAt(thing, way)).toBeUndefined();
  }
});
