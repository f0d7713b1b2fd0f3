import { cycle, eachSide, hold, together } from '../library/describe';
import { routine, segment, shelf } from '../testing/samples';
import { timeline, type Routine } from '../routine';
import { callNow, calls, CallWordsSchema, usualCalls } from './calls';

const stand = segment('stand', hold(60, together(1)));
const reel = segment('reel', cycle(6, eachSide(8)), { exerciseId: 'one-hand-reeling' });
const evening = routine([stand, { type: 'rest', id: 'rest', seconds: 30, label: '', roundId: null }, reel], {
  settleSeconds: 10,
  changeSeconds: 5,
  name: 'Evening',
});
const nameOf = (of: Routine['segments'][number]) =>
  of.type === 'exercise' ? shelf.get(of.exerciseId)!.name : of.label;
const line = timeline(evening);
const texts = (list: readonly { text: string }[]) => list.map(({ text }) => text);

test('what is taken up and where, changes, the last ones, rests and the end, in order', () => {
  const all = calls(evening, line, usualCalls, nameOf, (span) =>
    span.kind === 'hold' ? [{ offsetMs: 0, text: 'Knees behind the toes.' }] : [],
  );
  expect(texts(all)).toEqual([
    'Get ready: Holding the tree',
    'Knees behind the toes.',
    'Rest',
    'Get ready: One-hand silk-reeling. Left',
    'Three more',
    'The last one',
    'Change. Right',
    'Three more',
    'The last one',
    'Done',
  ]);
  // Eight of six seconds: three more after five of them, the last after seven.
  const left = line.spans.find(({ kind, side }) => kind === 'cycle' && side === 'left')!;
  expect(all.filter(({ spanIndex }) => spanIndex === left.index).map(({ offsetMs }) => offsetMs)).toEqual([
    30_000, 42_000,
  ]);
});

test('the teacher’s own words, and none where none are wanted', () => {
  const own = { ...usualCalls, takeUp: 'Now {name}, {side}.', three: '', end: '{name} is over' };
  const all = texts(calls(evening, line, own, nameOf));
  expect(all[0]).toBe('Now Holding the tree');
  expect(all).toContain('Now One-hand silk-reeling, left');
  expect(all).not.toContain('Three more');
  expect(all.at(-1)).toBe('Evening is over');
  expect(CallWordsSchema.safeParse(usualCalls).success).toBe(true);
});

test('few repetitions are not counted down; where sides take turns the last turns are called', () => {
  const few = routine([segment('few', cycle(6, together(4)))]);
  expect(texts(calls(few, timeline(few), usualCalls, nameOf))).toEqual(['Done']);
  const turns = routine([segment('turns', cycle(6, eachSide(4)), { sideOrder: 'each' })]);
  const spans = timeline(turns).spans;
  const all = calls(turns, timeline(turns), usualCalls, nameOf).slice(0, -1);
  expect(all.map(({ spanIndex, text }) => [spans[spanIndex]!.turn, text])).toEqual([
    [6, 'Three more'],
    [8, 'The last one'],
  ]);
});

test('slower and slower: three more is called when three are left', () => {
  const slow = routine([segment('slow', { ...cycle(6, together(8)), slowing: 1.1 })]);
  const [three] = calls(slow, timeline(slow), usualCalls, nameOf);
  const sum = (count: number) => Array.from({ length: count }, (_, n) => 6 * 1.1 ** n).reduce((a, b) => a + b, 0);
  expect(three!.offsetMs / 1000).toBeCloseTo(sum(5), 2);
});

test('what is due is said once; what was skipped is not called after', () => {
  const all = calls(evening, line, usualCalls, nameOf);
  expect(callNow(all, null, { spanIndex: 0, offsetMs: 0 })).toBe('Get ready: Holding the tree');
  expect(callNow(all, { spanIndex: 0, offsetMs: 0 }, { spanIndex: 0, offsetMs: 100 })).toBeNull();
  const left = line.spans.find(({ kind }) => kind === 'cycle')!.index;
  expect(callNow(all, { spanIndex: 0, offsetMs: 0 }, { spanIndex: left, offsetMs: 0 })).toBeNull();
  expect(callNow(all, { spanIndex: left, offsetMs: 29_950 }, { spanIndex: left, offsetMs: 30_050 })).toBe('Three more');
  expect(callNow(all, { spanIndex: left, offsetMs: 1 }, { spanIndex: left, offsetMs: 45_000 })).toBe('The last one');
  expect(callNow(all, { spanIndex: left, offsetMs: 1 }, { spanIndex: line.spans.length, offsetMs: 0 })).toBe('Done');
});
