import { TestBed } from '@angular/core/testing';
import { of as stream, throwError } from 'rxjs';
import { builtInExercises, fitRoutine, newChain, newClass, newSegment, softSchool, type Routine } from '@pomek/core';
import { aRoutine, aStudent } from '../../../testing/records';
import { render } from '../../../testing/render';
import { Compute } from '../compute/compute';
import { PersonChoice } from '../data/person-choice';
import { Store } from '../data/store';
import { ChainPage } from './chain-page';
import { RoutineEditor } from './routine-editor';

const of = (id: string) => builtInExercises.find((exercise) => exercise.id === id)!;
const names = ['joint-circles', 'tree-holding', 'empty-full', 'gathering-home'];
const routine: Routine = aRoutine({ segments: names.map((id) => newSegment(id, of(id), softSchool)) });

const bench = async (value = routine, stored = {}) => {
  const page = await render(RoutineEditor, { id: 'routine-1' }, { routines: [value], ...stored });
  const now = async () => (await page.database.of('routines').get('routine-1'))!;
  const order = async () =>
    (await now()).segments.map((segment) => ('exerciseId' in segment ? segment.exerciseId : ''));
  const board = page.element.querySelector<SVGElement>('[role=listbox]')!;
  const key = async (name: string, change: KeyboardEventInit = {}) => {
    board.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true, ...change }));
    await page.settle();
  };
  const chosen = () =>
    [...page.element.querySelectorAll('[role=option][aria-selected=true]')].map((entry) =>
      entry.getAttribute('aria-label'),
    );
  return { page, now, order, key, chosen };
};

describe('the thread by keyboard', () => {
  test('goes along, selects more, moves, and comes to the ends', async () => {
    const { key, order, chosen } = await bench();
    await key('ArrowRight');
    expect(chosen()[0]).toMatch(/^1 Joint circles/);
    await key('ArrowRight');
    await key('ArrowRight', { shiftKey: true });
    expect(chosen()).toHaveLength(2);
    await key('ArrowRight', { altKey: true });
    expect(await order()).toEqual(['joint-circles', 'gathering-home', 'tree-holding', 'empty-full']);
    await key('ArrowLeft', { altKey: true });
    await key('ArrowLeft', { altKey: true });
    expect((await order())[0]).toBe('tree-holding');
    await key('End');
    expect(chosen()[0]).toMatch(/^4 Gathering home/);
    await key('Escape');
    expect(chosen()).toEqual([]);
  });

  test('keys that come faster than the page each count: there and back, and nothing is lost', async () => {
    const { page, key, order } = await bench();
    await key('ArrowRight');
    const before = await order();
    const board = page.element.querySelector('[role=listbox]')!;
    const steps = 12;
    for (let press = 0; press < steps; press += 1) {
      for (const name of ['ArrowRight', 'ArrowRight', 'ArrowLeft', 'ArrowLeft']) {
        board.dispatchEvent(new KeyboardEvent('keydown', { key: name, altKey: true, bubbles: true, cancelable: true }));
      }
    }
    await page.settle();
    expect(await order()).toEqual(before);
    for (let press = 0; press < 4 * steps - 1; press += 1) await TestBed.inject(Store).undo();
    await page.settle();
    expect(await order()).toEqual(['tree-holding', 'joint-circles', 'empty-full', 'gathering-home']);
  });

  test('lengthens in the steps of the dose, splits, mirrors, groups, removes; one undo each', async () => {
    const { page, key, now, order } = await bench();
    await key('Home');
    await key('ArrowRight');
    await key(']');
    expect((await now()).segments[1]).toMatchObject({ dose: { holdSeconds: 70 } });
    await key('s');
    expect(await order()).toHaveLength(5);
    await TestBed.inject(Store).undo();
    await page.settle();
    await key('g');
    expect((await now()).rounds).toMatchObject([{ times: 2 }]);
    expect(page.text()).toContain('in a round of 2');
    await page.fill('Round, times', '3');
    expect((await now()).rounds).toMatchObject([{ times: 3 }]);
    await key('g');
    expect((await now()).rounds).toEqual([]);
    await key('ArrowRight');
    await key('m');
    const mirrored = (await now()).segments[2]!;
    expect(mirrored.type === 'exercise' && mirrored.dose.amounts[0]!.side).toBe('right');
    await key('Delete');
    expect(await order()).toEqual(['joint-circles', 'tree-holding', 'gathering-home']);
  });

  test('copies within a routine and into another', async () => {
    const { key, order } = await bench();
    await key('Home');
    await key('ArrowRight', { shiftKey: true });
    await key('c', { ctrlKey: true });
    await key('End');
    await key('v', { ctrlKey: true });
    expect(await order()).toEqual([...names, 'joint-circles', 'tree-holding']);
    await key('d', { ctrlKey: true });
    expect(await order()).toHaveLength(8);
  });
});

describe('the thread by pointer', () => {
  const pointer = (type: string, x: number, change: MouseEventInit = {}) =>
    Object.assign(new MouseEvent(type, { bubbles: true, clientX: x, button: 0, ...change }), { pointerId: 1 });

  test('a press selects, with Shift up to here; a drag reorders', async () => {
    const { page, order, chosen } = await bench();
    const option = (index: number) => page.element.querySelectorAll('[role=option]')[index]!;
    option(0).dispatchEvent(pointer('pointerdown', 5));
    option(0).dispatchEvent(pointer('pointerup', 5));
    option(1).dispatchEvent(pointer('pointerdown', 500, { shiftKey: true }));
    option(1).dispatchEvent(pointer('pointerup', 500));
    await page.settle();
    expect(chosen().length).toBeGreaterThanOrEqual(1);
    option(0).dispatchEvent(pointer('pointerdown', 5));
    option(0).dispatchEvent(pointer('pointermove', 895));
    option(0).dispatchEvent(pointer('pointerup', 895));
    await page.settle();
    expect((await order()).at(-1)).toBe(chosen().length > 1 ? 'tree-holding' : 'joint-circles');
  });

  test('pulling at its end makes a segment longer, in whole steps', async () => {
    const { page, key, now } = await bench();
    await key('Home');
    await key('ArrowRight');
    const edge = page.element.querySelector('.edge')!;
    edge.dispatchEvent(pointer('pointerdown', 100));
    edge.dispatchEvent(pointer('pointermove', 150));
    expect(page.element.querySelector('.pull')).toBeNull();
    await page.settle();
    expect(page.element.querySelector('.pull')!.textContent).toMatch(/^\s*\+/);
    edge.dispatchEvent(pointer('pointerup', 150));
    await page.settle();
    const grown = (await now()).segments[1]!;
    const seconds = grown.type === 'exercise' && grown.dose.kind === 'hold' ? grown.dose.holdSeconds : 0;
    expect(seconds).toBeGreaterThan(60);
    expect(seconds % 10).toBe(0);
  });
});

test('for a student the dangers of his or her body and file are said', async () => {
  const small = aStudent({
    id: 'ama',
    name: 'Ama Tull',
    statureCm: 150,
    massKg: 50,
    conditions: ['high blood pressure'],
  });
  const paused = newSegment('four-part-breath', of('four-part-breath'), softSchool);
  const held = { ...paused, dose: of('four-part-breath').defaultDose };
  const { page, now } = await bench(aRoutine({ segments: [held] }), { students: [small] });
  TestBed.inject(PersonChoice).chooseStudent('ama');
  await page.settle();
  expect(page.text()).toContain('but high blood pressure is noted of Ama Tull');
  await page.press('Instead: no pause');
  expect((await now()).segments[0]).toMatchObject({ dose: { pattern: { fullPauseSeconds: 0, emptyPauseSeconds: 0 } } });
  expect(page.text()).not.toContain('is noted of Ama Tull');
  TestBed.inject(PersonChoice).chooseStudent(null);
});

test('the posture of a segment is turned, and turned back leaves no trace', async () => {
  const { page, key, now } = await bench();
  await key('Home');
  await key('ArrowRight');
  await key('Enter');
  await page.fill('Bend', '60');
  expect((await now()).segments[1]).toMatchObject({ turned: { kneeBendDeg: 60, weightShare: null } });
  await page.press(/^Findings/);
  expect(page.text()).toContain('the knees of a standard body are');
  await page.press(/^Up to/);
  expect(page.text()).not.toContain('the knees of a standard body are');
  await page.press('Dose');
  await page.fill('Bend', '30');
  expect((await now()).segments[1]).toMatchObject({ turned: null });
});

test('a hand on a chair is ticked, and unticked it leaves no trace', async () => {
  const { page, key, now } = await bench();
  await key('Home');
  await key('ArrowRight');
  await key('Enter');
  const { id } = (await now()).segments[1]!;
  const tick = async () => {
    page.element.querySelector<HTMLInputElement>(`[id="hand-on-${id}"]`)!.click();
    await page.settle();
  };
  await tick();
  expect((await now()).segments[1]).toMatchObject({ turned: { handOn: true, kneeBendDeg: null } });
  await tick();
  expect((await now()).segments[1]).toMatchObject({ turned: null });
});

test('a hold is given in breaths as well', async () => {
  const { page, key, now } = await bench();
  await key('Home');
  await key('ArrowRight');
  await key('Enter');
  await page.fill('In breaths, about', '30');
  expect((await now()).segments[1]).toMatchObject({ dose: { holdSeconds: 129 } });
});

describe('fitting to the time', () => {
  const fitting = async (target: string) => {
    const { page, now } = await bench();
    jest.spyOn(TestBed.inject(Compute), 'result').mockImplementation(((task: string, question: never) => {
      if (task !== 'fit') return throwError(() => new Error('not asked'));
      const {
        routine: value,
        target: seconds,
        held,
        countMultiple,
        longestHold,
      } = question as {
        routine: Routine;
        target: number;
        held: string[];
        countMultiple: number;
        longestHold: [string, number][];
      };
      return stream(
        fitRoutine(value, { target: seconds, held: new Set(held), countMultiple, longestHold: new Map(longestHold) }),
      );
    }) as never);
    await page.press('Minutes');
    await page.fill('Fit to', target);
    await page.press('Fit');
    return { page, now };
  };

  test('shows before and after, and is taken as one step', async () => {
    const { page, now } = await fitting('7');
    expect(page.element.querySelector('pk-fit table')!.textContent).toContain('Holding the tree');
    const before = await now();
    await page.press('Apply');
    expect(await now()).not.toEqual(before);
    await TestBed.inject(Store).undo();
    expect(await now()).toEqual(before);
  });

  test('says which bound is in the way when nothing fits', async () => {
    const { page } = await fitting('1');
    expect(page.element.querySelector('pk-fit .doubt')!.textContent).toMatch(/too long|takes/);
  });
});

test('the hall: steps that fit, and the mend when the floor is too small', async () => {
  const { page, now } = await bench(aRoutine({ segments: [newSegment('cat-walk', of('cat-walk'), softSchool)] }));
  await page.press('Hall');
  await page.press('It is done in a hall');
  expect((await now()).room).toEqual({ width: 8, depth: 6 });
  await page.fill('Depth', '3');
  await page.press(/^Findings/);
  expect(page.text()).toContain('the floor ends after');
  await page.press('Half of them back again');
  await page.press('Hall');
  expect(page.text()).toContain('It ends where it began');
});

test('a chain: pieces, lessons in order, and the next one when a lesson was held', async () => {
  const chain = {
    ...newChain('c', 'Pond'),
    pieces: [{ id: 'p1', name: 'Open', seconds: 20, side: 'left' as const, exerciseId: null, travel: null }],
  };
  const page = await render(ChainPage, { id: 'c' }, { chains: [chain] });
  expect(page.text()).toContain('1 Open');
  expect(page.text()).toContain('say “your left”, show your own right');
  await page.press('Add a piece');
  expect((await page.database.of('chains').get('c'))!.pieces).toHaveLength(2);
  await page.press('More of piece 2');
  await page.press('Move Piece 2 up');
  expect((await page.database.of('chains').get('c'))!.pieces[0]!.name).toBe('Piece 2');
  await page.press('This lesson was held');
  expect((await page.database.of('chains').get('c'))!.nextLesson).toBe(2);
  expect(page.text()).toContain('Repeat: 1 piece');
  const edit = page.fixture.componentInstance['edit'];
  const piece = (await page.database.of('chains').get('c'))!.pieces[0]!;
  edit.set(['pieces', { id: piece.id }, 'exerciseId'], 'one-hand-reeling');
  await page.settle();
  await page.press('Conduct lesson 2');
  const [journal] = await page.database.of('journals').toArray();
  expect(journal).toMatchObject({ studentId: null, routine: { name: 'Pond, lesson 2' } });
  // A piece that is a drill is done by the figure.
  expect(journal!.routine.segments.some((part) => part.type === 'exercise')).toBe(true);
});

test('a chain has its way over the floor: as a drill goes, or as it is written, to both sides, each a step that can be undone', async () => {
  const chain = {
    ...newChain('c', 'Pond'),
    pieces: [
      { id: 'p1', name: 'Open', seconds: 20, side: 'left' as const, exerciseId: null, travel: null },
      { id: 'p2', name: 'Cloud', seconds: 20, side: 'left' as const, exerciseId: 'cloud-steps', travel: null },
    ],
  };
  const page = await render(ChainPage, { id: 'c' }, { chains: [chain] });
  const now = async () => (await page.database.of('chains').get('c'))!;
  // The drill steps to its side: half a step in the usual length.
  await page.until(/It ends half a step to the left from where it began/);
  await page.press('More of piece 1');
  await page.fill('Steps ahead in piece 1', '2');
  await page.until(/two steps ahead, half a step to the left/);
  expect((await now()).pieces[0]!.travel).toEqual({ ahead: 2, right: 0, turnDeg: 0 });
  expect((await now()).pieces[1]!.travel).toBeNull();
  const component = page.fixture.componentInstance;
  component['setWay'](chain.pieces[1]!, 'turnDeg', 180);
  await page.until(/It ends turned: twice through/);
  // What its drill does is where it begins from.
  expect((await now()).pieces[1]!.travel).toMatchObject({ turnDeg: 180, ahead: 0 });
  expect((await now()).pieces[1]!.travel!.right).toBeLessThan(0);
  expect(page.text()).not.toContain('The broken line');
  page.element.querySelector<HTMLInputElement>('#both-sides')!.click();
  await page.until(/Played to both sides\. .*The broken line/s);
  expect((await now()).bothSides).toBe(true);
  expect(page.text()).toContain('To the other side: 1 piece');
  expect(page.element.querySelectorAll('svg .other')).toHaveLength(1);
  expect(await TestBed.inject(Store).undo()).toBe('Change Pond');
  expect((await now()).bothSides).toBe(false);
});

test('the routine looked at for a class: its time, who has less, and down to what everybody can in one step', async () => {
  const tree = newSegment('tree', of('tree-holding'), softSchool);
  if (tree.dose.kind !== 'hold') throw new Error('a hold');
  const long = aRoutine({ segments: [{ ...tree, dose: { ...tree.dose, holdSeconds: 1800 } }] });
  const classes = [{ ...newClass('c', 'Evening class', 2), minutes: 25, roster: ['student-1'] }];
  const { page, now } = await bench(long, { students: [aStudent()], classes });
  localStorage.setItem('pomek.routine-class', 'c');
  await page.press('Class');
  await page.until(/5:10 min over/);
  await page.until(/Nela Brisk ?: Holding the tree/);
  await page.press('Reduce to what everyone can do');
  const [lower] = (await now()).segments as (typeof tree)[];
  expect(lower!.dose).toMatchObject({ kind: 'hold' });
  expect((lower!.dose as { holdSeconds: number }).holdSeconds).toBeLessThan(1800);
  await page.until(/Nobody in it has less/);
  expect(await TestBed.inject(Store).undo()).toBe('Reduce to what everyone in Evening class can do');

  const none = await bench();
  await none.page.press('Class');
  expect(none.page.text()).toContain('No class yet');
});
