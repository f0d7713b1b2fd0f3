import { builtInExercises, newSegment, softSchool, timeline, type Routine } from '@pomek/core';
import { aRoutine } from '../../../testing/records';
import { heard, render } from '../../../testing/render';
import { Thread } from './thread';
import { laidOver } from './thread-view';

const of = (id: string) => builtInExercises.find((exercise) => exercise.id === id)!;
const ids = ['joint-circles', 'tree-holding', 'one-hand-reeling', 'gathering-home'];
const routine: Routine = aRoutine({ segments: ids.map((id) => newSegment(id, of(id), softSchool)) });
const seconds = timeline(routine).totalMs / 1000;

const thread = async (shown = routine) => {
  const page = await render(Thread, {
    routine: shown,
    line: timeline(shown),
    names: new Map(ids.map((id) => [id, of(id).name])),
    breathAt: () => null,
    course: [],
    failureSeconds: null,
    selected: new Set<string>(),
    active: null,
    grades: new Map(),
    secondsOfStep: () => 10,
  });
  const board = page.element.querySelector<SVGElement>('[role=listbox]')!;
  const wheel = async (change: WheelEventInit) => {
    const event = new WheelEvent('wheel', { bubbles: true, cancelable: true, clientX: 450, ...change });
    board.dispatchEvent(event);
    await page.settle();
    return event.defaultPrevented;
  };
  const view = () => page.fixture.componentInstance['view']();
  const options = () => [...page.element.querySelectorAll('[role=option]')];
  return { page, board, wheel, view, options };
};

const pointer = (type: string, clientX: number, change: MouseEventInit = {}) =>
  Object.assign(new MouseEvent(type, { bubbles: true, button: 0, clientX, ...change }), { pointerId: 1 });

test('has an option for every segment, named and numbered, and says its length', async () => {
  const { board, options } = await thread();
  expect(options().map((entry) => entry.getAttribute('aria-label'))).toEqual(
    ids.map((id, index) => `${index + 1} ${of(id).name}`),
  );
  expect(board.getAttribute('aria-label')).toContain('4 segments');
});

test('the wheel zooms with Ctrl around the pointer, pans sideways only when there is more to see', async () => {
  const { wheel, view, options } = await thread();
  const whole = view();
  expect(whole.pxPerSecond * seconds).toBeCloseTo(whole.widthPx, 6);
  expect(await wheel({ deltaY: 30 })).toBe(false);
  expect(await wheel({ deltaX: 30 })).toBe(false);
  expect(view()).toEqual(whole);
  const under = 450 / whole.pxPerSecond;
  expect(await wheel({ deltaY: -300, ctrlKey: true })).toBe(true);
  expect(view().pxPerSecond).toBeCloseTo(whole.pxPerSecond * Math.E, 6);
  expect(view().fromSeconds + 450 / view().pxPerSecond).toBeCloseTo(under, 6);
  expect(options().length).toBeLessThan(4);
  const before = view().fromSeconds;
  expect(await wheel({ deltaX: 60 })).toBe(true);
  expect(view().fromSeconds).toBeCloseTo(before + 60 / view().pxPerSecond, 6);
  await wheel({ deltaX: 99_999 });
  expect(view().fromSeconds + view().widthPx / view().pxPerSecond).toBeCloseTo(seconds, 6);
  await wheel({ deltaY: 9000, ctrlKey: true });
  expect(view().fromSeconds).toBe(0);
  expect(view().pxPerSecond).toBeCloseTo(whole.pxPerSecond, 9);
});

test('a change of the routine leaves the view where it is; another routine is seen as a whole', async () => {
  const { page, wheel, view } = await thread();
  await wheel({ deltaY: -300, ctrlKey: true });
  const near = view();
  page.fixture.componentRef.setInput('routine', { ...routine, name: 'Renamed' });
  await page.settle();
  expect(view()).toEqual(near);
  page.fixture.componentRef.setInput('routine', { ...routine, id: 'another' });
  await page.settle();
  expect(view().pxPerSecond).toBeLessThan(near.pxPerSecond);
});

test('shows the whole again, and brings a segment into view', async () => {
  const { page, wheel, view } = await thread();
  const whole = view();
  page.fixture.componentInstance.reveal('gathering-home');
  expect(view()).toEqual(whole);
  await wheel({ deltaY: -900, ctrlKey: true, clientX: 0 });
  expect(view().fromSeconds).toBe(0);
  page.fixture.componentInstance.reveal('gathering-home');
  const span = timeline(routine).spans.find((entry) => entry.segmentId === 'gathering-home')!;
  expect(view().fromSeconds).toBeGreaterThan(0);
  expect(view().fromSeconds).toBeLessThanOrEqual(span.startMs / 1000);
  page.fixture.componentInstance.whole();
  expect(view()).toEqual(whole);
});

test('a press picks, with Shift up to here, with Ctrl also; a right press does nothing', async () => {
  const { page, options } = await thread();
  const picked = heard(page.fixture.componentInstance.picked);
  options()[1]!.dispatchEvent(pointer('pointerdown', 100));
  options()[2]!.dispatchEvent(pointer('pointerdown', 200, { shiftKey: true }));
  options()[3]!.dispatchEvent(pointer('pointerdown', 300, { ctrlKey: true }));
  options()[0]!.dispatchEvent(pointer('pointerdown', 10, { button: 2 }));
  expect(picked).toEqual([
    { id: 'tree-holding', how: 'alone' },
    { id: 'one-hand-reeling', how: 'through' },
    { id: 'gathering-home', how: 'also' },
  ]);
});

test('a short shake is no drag; a real one drops where the line stands, and can be given up', async () => {
  const { page, board, options } = await thread();
  const dropped = heard(page.fixture.componentInstance.dropped);
  const drag = async (to: number, end: string) => {
    options()[0]!.dispatchEvent(pointer('pointerdown', 5));
    board.dispatchEvent(pointer('pointermove', to));
    await page.settle();
    const caret = page.element.querySelector('.caret') !== null;
    board.dispatchEvent(pointer(end, to));
    await page.settle();
    return caret;
  };
  expect(await drag(7, 'pointerup')).toBe(false);
  expect(dropped).toEqual([]);
  expect(await drag(895, 'pointercancel')).toBe(true);
  expect(dropped).toEqual([]);
  expect(await drag(895, 'pointerup')).toBe(true);
  expect(dropped).toEqual([4]);
});

test('a long thread is stretched while the wheel turns, and drawn anew when it rests or is pressed', async () => {
  const many = Array.from({ length: 30 }, (_, index) => newSegment(`s${index}`, of('empty-full'), softSchool));
  const { page, board, options } = await thread(aRoutine({ segments: many }));
  const zoom = () =>
    board.dispatchEvent(new WheelEvent('wheel', { deltaY: -60, ctrlKey: true, clientX: 0, cancelable: true }));
  const x = () => options()[1]!.querySelector('rect')!.getAttribute('x');
  const drawn = x();
  zoom();
  page.fixture.detectChanges();
  expect(board.style.transform).toMatch(/^translateX\(0.00px\) scaleX\(1\.22/);
  expect(x()).toBe(drawn);
  await new Promise((resolve) => setTimeout(resolve, 200));
  await page.settle();
  expect(board.style.transform).toBe('');
  expect(Number(x())).toBeCloseTo(Number(drawn) * Math.exp(0.2), 0);
  zoom();
  page.fixture.detectChanges();
  expect(board.style.transform).not.toBe('');
  board.dispatchEvent(pointer('pointerdown', 10));
  page.fixture.detectChanges();
  expect(board.style.transform).toBe('');
});

test('a drawing is laid over another view so that each moment falls where that view has it', () => {
  const drawn = { fromSeconds: 10, pxPerSecond: 2, widthPx: 900 };
  const view = { fromSeconds: 40, pxPerSecond: 5, widthPx: 900 };
  const [, shift, scale] = /translateX\((.*)px\) scaleX\((.*)\)/.exec(laidOver(drawn, view))!;
  for (const moment of [0, 50, 200]) {
    const x = (moment - drawn.fromSeconds) * drawn.pxPerSecond;
    expect(x * Number(scale) + Number(shift)).toBeCloseTo((moment - view.fromSeconds) * view.pxPerSecond, 3);
  }
});
