import {
  builtInExercises,
  groupAsRound,
  newSegment,
  roomPath,
  softSchool,
  timeline,
  walkPath,
  type Limb,
  type Routine,
} from '@pomek/core';
import { aRoutine } from '../../../testing/records';
import { layoutRoom } from './room.layout';
import { dropIndex, layoutThread, type ThreadInput } from './thread.layout';
import { panned, wholeView, zoomed } from './thread-view';

const of = (id: string) => builtInExercises.find((exercise) => exercise.id === id)!;
const base: Routine = aRoutine({
  segments: ['joint-circles', 'one-hand-reeling', 'tree-holding'].map((id) => newSegment(id, of(id), softSchool)),
});
const reserve = (share: number): Record<Limb, number> => ({
  'left leg': share,
  'right leg': share,
  'left arm': 1,
  'right arm': 1,
  back: 1,
});
const input = (routine = base, change: Partial<ThreadInput> = {}): ThreadInput => ({
  routine,
  line: timeline(routine),
  names: new Map(routine.segments.map((segment) => [segment.id, segment.id])),
  breathAt: ({ kind }, seconds) => (kind === 'hold' ? (seconds % 4) / 4 : null),
  course: [
    { atSeconds: 0, reserve: reserve(1) },
    { atSeconds: 300, reserve: reserve(0.5) },
    { atSeconds: timeline(routine).totalMs / 1000, reserve: reserve(0) },
  ],
  failureSeconds: 300,
  ...change,
});
const pause = { type: 'rest' as const, id: 'rest', label: '', roundId: null };
const total = timeline(base).totalMs / 1000;
const whole = wholeView(total, 900);

test('every second lies where it belongs: the last block ends at the right edge, lengths are to scale', () => {
  const drawing = layoutThread(input(), whole);
  const last = drawing.segments.at(-1)!;
  expect(last.x + last.width).toBeCloseTo(900, 6);
  const line = timeline(base);
  for (const segment of drawing.segments) {
    const spans = line.spans.filter((span) => span.segmentId === segment.segmentId);
    const seconds = spans.reduce((sum, span) => sum + span.durationMs, 0) / 1000;
    expect(segment.width).toBeCloseTo(seconds * whole.pxPerSecond, 6);
  }
});

test.each([0.01, 1, 6, 24])('marks of the axis leave room for their words in a routine of %d h', (hours) => {
  const drawing = layoutThread(
    input(aRoutine({ segments: [{ ...pause, seconds: hours * 3600 }] })),
    wholeView(hours * 3600, 900),
  );
  expect(drawing.ticks.length).toBeGreaterThan(1);
  for (const [index, { x }] of drawing.ticks.slice(1).entries())
    expect(x - drawing.ticks[index]!.x).toBeGreaterThanOrEqual(70);
});

test('where there is no room for every moment of the reserve, the worst of them is drawn', () => {
  const course = [1, 0.9, 0.1, 0.8, 0.7, 0.7].map((share, index) => ({
    atSeconds: 100 + index,
    reserve: reserve(share),
  }));
  const points = [{ atSeconds: 0, reserve: reserve(1) }, ...course, { atSeconds: total, reserve: reserve(0.6) }];
  const drawing = layoutThread(input(base, { course: points }), whole);
  const bottom = drawing.reserveBottom - 0.1 * (drawing.reserveBottom - drawing.reserveTop);
  const ys = drawing.reserves
    .find((entry) => entry.limb === 'left leg')!
    .path.match(/-?[\d.]+,(-?[\d.]+)/g)!
    .map((pair) => Number(pair.split(',')[1]));
  expect(Math.max(...ys)).toBeCloseTo(bottom, 1);
});

test('a name is cut to its room, with dots, and left out where hardly a word fits', () => {
  const named = (width: number) => {
    const names = new Map(base.segments.map((segment) => [segment.id, 'Holding the tree']));
    const view = { fromSeconds: 0, pxPerSecond: width / total, widthPx: 10_000 };
    return layoutThread(input(base, { names }), view).segments.map((segment) => segment.label);
  };
  expect(named(3000)).toEqual(['Holding the tree', 'Holding the tree', 'Holding the tree']);
  expect(named(10)).toEqual(['', '', '']);
  for (const label of named(600))
    expect(label === '' || label === 'Holding the tree' || label.endsWith('…')).toBe(true);
  expect(named(600).some((label) => label.endsWith('…'))).toBe(true);
});

test('left hangs above the thread, right below, both across it', () => {
  const { blocks, middle } = layoutThread(input(), whole);
  const work = blocks.filter((block) => block.kind === 'work');
  for (const block of work) {
    if (block.side === 'left') expect(block.y + block.height).toBeLessThan(middle);
    if (block.side === 'right') expect(block.y).toBeGreaterThan(middle);
    if (block.side === 'both') expect(block.y + block.height / 2).toBeCloseTo(middle, 6);
  }
  const width = (side: string) =>
    work.filter((block) => block.side === side).reduce((sum, block) => sum + block.width, 0);
  expect(width('left')).toBeCloseTo(width('right'), 0);
  expect(work.find((block) => block.mark === '8 ↺')).toBeDefined();
});

test('near by, the thread rises and sinks with the breath; from afar it is straight', () => {
  const tree = timeline(base).spans.find((span) => span.segmentId === 'tree-holding' && span.amount > 0)!;
  const near = { fromSeconds: tree.startMs / 1000, pxPerSecond: 20, widthPx: 400 };
  const heights = (path: string) => new Set([...path.matchAll(/,(-?[\d.]+)/g)].map((match) => match[1]));
  expect(heights(layoutThread(input(), near).wave).size).toBeGreaterThan(5);
  expect([...heights(layoutThread(input(), whole).wave)]).toEqual(['106']);
});

test('only what is seen is drawn; the reserve leaves the picture, and says where one gives out', () => {
  const near = { fromSeconds: 100, pxPerSecond: 30, widthPx: 300 };
  const drawing = layoutThread(input(), near);
  expect(drawing.blocks.length).toBeLessThan(5);
  expect(drawing.segments).toHaveLength(1);
  const leg = drawing.reserves.find((entry) => entry.limb === 'left leg')!.path;
  expect(leg).toMatch(/^M-3000,170/);
  expect(layoutThread(input(), whole).failure!.x).toBeCloseTo(300 * whole.pxPerSecond, 6);
  expect(layoutThread(input(base, { course: [], failureSeconds: null }), whole)).toMatchObject({
    reserves: [],
    failure: null,
  });
});

test('a round is bracketed over all its times', () => {
  const grouped = groupAsRound(base, new Set(['tree-holding']), 'r', 3);
  const drawing = layoutThread(input(grouped), wholeView(timeline(grouped).totalMs / 1000, 900));
  expect(drawing.rounds).toHaveLength(1);
  expect(drawing.rounds[0]!.words).toBe('3 times');
  expect(drawing.segments.filter((segment) => segment.segmentId === 'tree-holding')).toHaveLength(3);
  const [first, last] = [drawing.segments.find((s) => s.segmentId === 'tree-holding')!, drawing.segments.at(-1)!];
  expect(drawing.rounds[0]!.x).toBeCloseTo(first.x, 6);
  expect(drawing.rounds[0]!.width).toBeCloseTo(last.x + last.width - first.x, 6);
});

test('zooming keeps the moment under the pointer, and never leaves the routine', () => {
  const near = zoomed(whole, 4, 450, total);
  expect(near.fromSeconds + 450 / near.pxPerSecond).toBeCloseTo(450 / whole.pxPerSecond, 6);
  expect(zoomed(near, 0.001, 450, total)).toEqual(whole);
  expect(panned(near, -1e6, total).fromSeconds).toBe(0);
  const end = panned(near, 1e6, total);
  expect(end.fromSeconds + end.widthPx / end.pxPerSecond).toBeCloseTo(total, 6);
});

test('what is dropped goes before the segment whose middle it has not passed', () => {
  const { segments } = layoutThread(input(), whole);
  const middle = (index: number) => (segments[index]!.startMs + segments[index]!.endMs) / 2000;
  expect(dropIndex(segments, 0)).toBe(0);
  expect(dropIndex(segments, middle(1) - 1)).toBe(1);
  expect(dropIndex(segments, middle(1) + 1)).toBe(2);
  expect(dropIndex(segments, 1e6)).toBe(3);
  expect(dropIndex([], 5)).toBe(0);
});

test('the hall is drawn to scale, its front at the top', () => {
  const walk = newSegment('w', of('cat-walk'), softSchool);
  const value = aRoutine({ segments: [walk], room: { width: 8, depth: 6 } });
  const path = roomPath(value, new Map(builtInExercises.map((exercise) => [exercise.id, exercise])), 1.7)!;
  const drawing = layoutRoom(path, 400);
  expect(drawing.height).toBe(300);
  expect(drawing.start).toEqual({ x: 200, y: 150 });
  expect(drawing.ways[0]!.steps).toHaveLength(12);
  // Forward is up the sheet.
  const [, end] = /L([^L]+)$/.exec(drawing.ways[0]!.path)!;
  expect(Number(end!.split(' ')[1])).toBeLessThan(150);
  const turned = walkPath({ x: 0, y: 0, facingDeg: 0 }, [
    { right: 0, forward: 1, turnDeg: 90 },
    { right: 0, forward: 1, turnDeg: 0 },
  ]);
  expect(turned[2]!.x).toBeCloseTo(1, 9);
});

test('a hold in parts is notched where the attention moves on, a range from where on it is enough', () => {
  const tree = newSegment('tree', of('tree-holding'), softSchool);
  const parts = [
    { words: 'hands', share: 1 },
    { words: 'legs', share: 3 },
  ];
  const dose = { ...tree.dose, holdSeconds: 120, least: 60, parts } as typeof tree.dose;
  const reel = newSegment('reel', of('one-hand-reeling'), softSchool);
  const each = { ...reel, sideOrder: 'each' as const, dose: { ...reel.dose, least: 4 } };
  const value = aRoutine({ segments: [{ ...tree, dose }, each] });
  const seconds = timeline(value).totalMs / 1000;
  const { blocks } = layoutThread(input(value), wholeView(seconds, 900));
  const held = blocks.find((block) => block.segmentId === 'tree' && block.kind === 'work')!;
  expect(held.notches.map(({ kind, x }) => [kind, Math.round((x / (120 * (900 / seconds))) * 100)])).toEqual([
    ['part', 25],
    ['enough', 50],
  ]);
  // Taking turns, left hangs above and right below, one by one.
  const turns = blocks.filter((block) => block.segmentId === 'reel' && block.kind === 'work');
  expect(turns.slice(0, 4).map(({ side }) => side)).toEqual(['left', 'right', 'left', 'right']);
  expect(turns.every(({ notches }) => notches.length === 0)).toBe(true);
});

test('the words of what gives out stay inside the drawing and off those of the reserve', () => {
  const at = (x: number, widthPx = 700) =>
    layoutThread(input(base, { failureSeconds: x }), { fromSeconds: 0, pxPerSecond: 1, widthPx }).failure!;
  const high = at(300).wordsY;
  expect(at(300)).toMatchObject({ x: 300, wordsX: 304, anchor: 'start' });
  expect(at(690)).toMatchObject({ wordsX: 686, anchor: 'end', wordsY: high });
  // At the left the name of the reserve stands there already.
  expect(at(10).wordsY).toBeGreaterThan(high + 20);
  expect(at(90, 100).wordsY).toBeGreaterThan(high + 20);
});
