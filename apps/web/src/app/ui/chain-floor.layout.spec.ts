import { chainPath, newChain, type Chain } from '@pomek/core';
import { layoutChainFloor } from './chain-floor.layout';

const chain = (ways: readonly (readonly [number, number, number])[], change: Partial<Chain> = {}): Chain => ({
  ...newChain('c', 'Chain'),
  stepMetres: 1,
  pieces: ways.map(([ahead, right, turnDeg], index) => ({
    id: `p${index}`,
    name: `Piece ${index}`,
    seconds: 30,
    side: 'left',
    exerciseId: null,
    travel: { ahead, right, turnDeg },
  })),
  ...change,
});
const laid = (of: Chain, width = 320, height = 320) => layoutChainFloor(chainPath(of, new Map()), { width, height });

test('the front is at the top, and one step has one length whichever way it goes', () => {
  const it = laid(
    chain([
      [2, 0, 90],
      [2, 0, 0],
    ]),
  );
  const [start, first, second] = [it.start, it.stops[0]!.at, it.stops[1]!.at];
  expect(first.y).toBeLessThan(start.y);
  expect(first.x).toBeCloseTo(start.x, 6);
  expect(second.x - first.x).toBeCloseTo(start.y - first.y, 6);
  expect(it.other).toBe('');
  expect(it.arrows).toHaveLength(3);
});

test('pieces that end on one place share their numbers', () => {
  const it = laid(
    chain([
      [1, 0, 0],
      [0, 0, 45],
      [0, 0, -45],
      [1, 0, 0],
      [-1, 0, 0],
    ]),
  );
  expect(it.stops.map(({ words }) => words)).toEqual(['1–3, 5', '4']);
});

test('it goes into the room it is given, and a short way is not drawn large', () => {
  const long = laid(chain([[20, 0, 0]]), 300, 200);
  expect(long.height).toBeCloseTo(200, 6);
  expect(long.width).toBeLessThan(300);
  const short = laid(chain([[1, 0, 0]]), 300, 200);
  expect(short.width).toBeCloseTo(1.2 * 60, 6);
  expect(laid(chain([[1, 0, 90]], { bothSides: true })).other).toMatch(/^M.+L/);
});
