import type { GrayFrame } from '@pomek/core';
import { following } from '../../../testing/worker.client';
import { FollowAnswer } from './follow-answer';
import { Following } from './following';

/** A bright spot on a dark ground. */
const spotted = (x: number, y: number): GrayFrame => {
  const data = new Uint8Array(120 * 120).fill(40);
  for (let at = 0; at < data.length; at += 1) {
    const far = Math.hypot((at % 120) - x, Math.floor(at / 120) - y);
    if (far < 6) data[at] = far < 3 ? 250 : 150;
  }
  return { width: 120, height: 120, data };
};
const frame = (x: number): ImageBitmap => ({ width: 120, height: 120, x }) as unknown as ImageBitmap;
const answering = () => new FollowAnswer((bitmap) => spotted((bitmap as unknown as { x: number }).x, 60));

test('points are followed from a beginning on, and another beginning forgets them', () => {
  const answer = answering();
  const begin = { kind: 'begin', from: 'right', marks: { head: { x: 60, y: 60 } }, rest: {}, frame: frame(60) };
  expect(answer.to(begin)).toEqual({ kind: 'found', places: {}, astray: {} });
  const found = answer.to({ kind: 'step', rest: {}, frame: frame(66), last: false });
  expect(found.kind === 'found' && Math.round(found.places.head!.x)).toBe(66);
  answer.to({ ...begin, marks: { 'toe right': { x: 70, y: 60 } }, frame: frame(70) });
  const again = answer.to({ kind: 'step', rest: {}, frame: frame(70), last: true });
  expect(again.kind === 'found' && Object.keys(again.places)).toEqual(['toe right']);
});

test('what cannot be read, and a step before the beginning, come back as words', () => {
  expect(answering().to({ kind: 'step', rest: {}, frame: frame(1), last: false })).toEqual({
    kind: 'error',
    message: 'Nothing is followed yet.',
  });
  expect(answering().to({ kind: 'begin', from: 'above' })).toMatchObject({ kind: 'error' });
  expect(answering().to({ kind: 'step', rest: {}, frame: 5 })).toMatchObject({
    message: expect.stringContaining('a frame is no picture') as string,
  });
});

test('the page asks and gets places, until it lets the worker go', async () => {
  Object.assign(following, { trust: 80, astray: { head: 1 } });
  const asked = new Following();
  const marks = { head: { x: 1, y: 2 } };
  expect(await asked.ask({ kind: 'begin', from: 'right', marks, rest: {}, frame: frame(1) })).toMatchObject({
    places: {},
    astray: {},
  });
  expect(await asked.ask({ kind: 'step', rest: {}, frame: frame(1), last: true })).toMatchObject({
    places: { head: { x: 1, y: 2, trust: 80 } },
    astray: { head: 1 },
  });
  asked.end();
  Object.assign(following, { trust: 100, astray: {} });
});
