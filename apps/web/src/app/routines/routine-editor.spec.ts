import { TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { builtInExercises, newSegment, softSchool, type Routine } from '@pomek/core';
import { aRoutine } from '../../../testing/records';
import { render } from '../../../testing/render';
import { Store } from '../data/store';
import { FirmnessField } from './firmness-field';
import { RoutineEditor } from './routine-editor';
import { Routines } from './routines';

const of = (id: string) => builtInExercises.find((exercise) => exercise.id === id)!;
const routine = aRoutine({
  segments: ['joint-circles', 'tree-holding', 'empty-full'].map((id) => newSegment(`s-${id}`, of(id), softSchool)),
});
const editor = async (value: Routine = routine) => {
  const page = await render(RoutineEditor, { id: 'routine-1' }, { routines: [value] });
  const now = async () => (await page.database.of('routines').get('routine-1'))!;
  const order = async () => (await now()).segments.map((segment) => segment.id);
  return { page, now, order };
};
const row = (page: { element: HTMLElement }, id: string) =>
  page.element.querySelector<HTMLElement>(`[data-segment="${id}"]`)!;

test('shows every segment with its dose and length, and the exact sums', async () => {
  const { page } = await editor();
  // 10 + 80 + 5 + 80, 10 + 60, 10 + 30 + 14 + 30: the change takes as long as its way in
  expect(page.element.querySelector('.total')!.textContent).toBe('5:29 min');
  expect(row(page, 's-joint-circles').textContent).toContain('2:55 min');
  expect(row(page, 's-empty-full').textContent).toContain('1 hold a side × 30 s');
});

test('adds from the shelf, and Enter in the search takes the first found', async () => {
  const { page, now } = await editor();
  await page.press(/^Shake out/);
  expect((await now()).segments.at(-1)).toMatchObject({ exerciseId: 'shake-out', sideOrder: 'whole' });
  const search = page.element.querySelector<HTMLInputElement>('pk-shelf input')!;
  search.value = 'belly';
  search.dispatchEvent(new Event('input'));
  await page.settle();
  search.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
  await page.settle();
  expect((await now()).segments.at(-1)).toMatchObject({ exerciseId: 'belly-breathing' });
  expect(search.value).toBe('');
});

test('the shelf begins with what loosens, is one stop of the Tab key, and arrow keys lead through it', async () => {
  const { page } = await editor();
  const shelf = page.element.querySelector('pk-shelf')!;
  expect(shelf.querySelector('h2')!.textContent).toBe('warm-up');
  const [first, second] = shelf.querySelectorAll('button');
  const stops = () => [...shelf.querySelectorAll('button')].filter(({ tabIndex }) => tabIndex === 0);
  expect(stops()).toEqual([first]);
  const press = async (key: string) => {
    document.activeElement!.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    await page.settle();
  };
  const search = shelf.querySelector('input')!;
  search.focus();
  await press('ArrowDown');
  expect(document.activeElement).toBe(first);
  await press('ArrowDown');
  expect(document.activeElement).toBe(second);
  expect(stops()).toEqual([second]);
  await press('ArrowUp');
  await press('ArrowUp');
  expect(document.activeElement).toBe(search);
  // Where the last one is not among those found any more, the first that is takes its place.
  search.value = 'belly';
  search.dispatchEvent(new Event('input'));
  await page.settle();
  expect(stops()).toHaveLength(1);
});

test('sides are told apart where something is done on one of them', async () => {
  const { page } = await editor();
  expect(page.element.querySelectorAll('pk-routine-summary .side')).toHaveLength(2);
  const both = await editor(aRoutine({ segments: [newSegment('only', of('joint-circles'), softSchool)] }));
  expect(both.page.element.querySelectorAll('pk-routine-summary .side')).toHaveLength(0);
});

test('moves by keyboard and by button, keeps its place at the ends, and undoes', async () => {
  const { page, order } = await editor();
  const press = async (key: string) => {
    row(page, 's-tree-holding')
      .querySelector('.title')!
      .dispatchEvent(new KeyboardEvent('keydown', { key, altKey: true, bubbles: true }));
    await page.settle();
  };
  await press('ArrowUp');
  expect((await order())[0]).toBe('s-tree-holding');
  await press('ArrowUp');
  expect((await order())[0]).toBe('s-tree-holding');
  await press('ArrowDown');
  expect((await order())[1]).toBe('s-tree-holding');
  await TestBed.inject(Store).undo();
  await page.settle();
  expect((await order())[0]).toBe('s-tree-holding');
});

test('changes the dose of the open segment, duplicates and removes it', async () => {
  const { page, now, order } = await editor();
  row(page, 's-tree-holding').querySelector<HTMLElement>('.title')!.click();
  await page.settle();
  await page.fill('Holding time', '2:00');
  expect((await now()).segments[1]).toMatchObject({ dose: { holdSeconds: 120 } });
  expect(page.element.querySelector('.total')!.textContent).toBe('6:29 min');
  await page.fill('Holding time', '3 hours');
  expect((await now()).segments[1]).toMatchObject({ dose: { holdSeconds: 120 } });
  await page.press('Duplicate');
  expect(await order()).toHaveLength(4);
  await page.press('Remove');
  expect(await order()).toHaveLength(3);
});

test('points unequal sides out, evens them out, or keeps them', async () => {
  const uneven = newSegment('s-empty-full', of('empty-full'), softSchool);
  const value = aRoutine({
    segments: [
      {
        ...uneven,
        dose: {
          ...uneven.dose,
          amounts: [
            { side: 'left', direction: 'none', amount: 3 },
            { side: 'right', direction: 'none', amount: 1 },
          ],
        },
      },
    ],
  });
  const { page, now } = await editor(value);
  expect(page.text()).toContain('Empty and full: 3 left, but 1 right.');
  await page.press('Ignore');
  expect((await now()).keptOnPurpose).toEqual(['s-empty-full: sides']);
  expect(page.text()).not.toContain('but 1 right');
  await TestBed.inject(Store).undo();
  await page.settle();
  await page.press('Even out');
  expect((await now()).segments[0]).toMatchObject({ dose: { amounts: [{ amount: 3 }, { amount: 3 }] } });
});

test('an exercise that is gone is named and can be taken out', async () => {
  const { page, order } = await editor(
    aRoutine({ segments: [{ ...routine.segments[1]!, exerciseId: 'gone' } as Routine['segments'][number]] }),
  );
  expect(page.text()).toContain('no longer on the shelf');
  await page.press('Remove it');
  expect(await order()).toEqual([]);
  expect(page.text()).toContain('Nothing in it yet');
});

test('rests and teaching time have a length and a label', async () => {
  const { page, now } = await editor();
  await page.press('Rest');
  await page.fill('Length', '45');
  await page.fill('Label (shown and spoken)', 'Drink');
  expect((await now()).segments.at(-1)).toMatchObject({ type: 'rest', seconds: 45, label: 'Drink' });
});

test('a name of nothing is refused and the old one kept', async () => {
  const { page, now } = await editor();
  await page.fill('Routine', '  ');
  expect((await now()).name).toBe('Evening');
});

test('the list duplicates, mirrors and removes; an empty one says what to do', async () => {
  const page = await render(Routines, {}, { routines: [routine] });
  // Pressed twice it is one copy.
  page.button('Duplicate Evening').click();
  await page.press('Duplicate Evening');
  await page.press('Mirror Evening');
  const all = await page.database.of('routines').toArray();
  expect(all.map((entry) => entry.name).sort()).toEqual(['Evening', 'Evening (copy)', 'Evening (mirrored)']);
  const mirrored = all.find((entry) => entry.name.includes('mirrored'))!.segments[2]!;
  expect(mirrored.type === 'exercise' && mirrored.dose.amounts[0]!.side).toBe('right');
  await page.press('Remove Evening');
  expect(await page.database.of('routines').count()).toBe(2);
  expect((await render(Routines)).text()).toContain('No routine yet');
});

describe('the dose of a segment given otherwise', () => {
  const opened = async (exerciseId: string) => {
    const value = aRoutine({ segments: [newSegment('s', of(exerciseId), softSchool)] });
    const { page, now } = await editor(value);
    row(page, 's').querySelector<HTMLElement>('.title')!.click();
    await page.settle();
    const segment = async () => (await now()).segments[0] as ReturnType<typeof newSegment>;
    return { page, segment };
  };

  test('a drill as time a side with its repetitions counted, and the sides in turn', async () => {
    const { page, segment } = await opened('shoulder-wheel');
    await page.press('Timed, repetitions counted');
    expect((await segment()).dose).toMatchObject({ kind: 'cycle', roundSeconds: 60 });
    await page.fill('Time of a round', '3:00');
    await page.press('One each in turn');
    expect(await segment()).toMatchObject({ sideOrder: 'each', dose: { roundSeconds: 180 } });
    expect(row(page, 's').textContent).toContain('3:00 min a side, about 30 repetitions at 6 s each, one each in turn');
    await page.press('Repetitions');
    expect((await segment()).dose).toMatchObject({ roundSeconds: null });
    // Where the feet stand otherwise for each side there is no time for it.
    expect((await opened('weight-drill-alone')).page.text()).not.toContain('One each in turn');
  });

  test('a hold in parts: the exercise’s own first, then changed, and what is left of it', async () => {
    const { page, segment } = await opened('empty-full');
    const parts = async () => {
      const { dose } = await segment();
      return dose.kind === 'hold' ? dose.parts : [];
    };
    await page.press('Add a part');
    expect(await parts()).toEqual(of('empty-full').attention.map((words) => ({ words, share: 1 })));
    await page.fill('Part 1 of the hold', 'the sole');
    await page.fill('Parts of the time, part 1', '2');
    expect((await parts())[0]).toEqual({ words: 'the sole', share: 2 });
    await page.press('Remove part 2');
    expect(await parts()).toHaveLength(of('empty-full').attention.length - 1);
    expect(await TestBed.inject(Store).undo()).toBeTruthy();
  });

  test('how firm hands or steps are to be: chosen, changed, taken away again', async () => {
    const { page, segment } = await opened('shoulder-wheel');
    const field = page.fixture.debugElement.query(By.directive(FirmnessField)).componentInstance as FirmnessField;
    field['choose']('hands');
    await page.until(/hands 1 to 5 of 10 firm/);
    await page.fill('to', '8');
    expect((await segment()).firmness).toEqual({ of: 'hands', from: 1, to: 8 });
    await page.fill('to', '11');
    expect(page.text()).toContain('to: from 0 to 10.');
    expect((await segment()).firmness!.to).toBe(8);
    field['choose']('steps');
    await page.until(/steps 1 to 8 of 10 firm/);
    field['choose'](null);
    await page.settle();
    expect((await segment()).firmness).toBeNull();
    expect(await TestBed.inject(Store).undo()).toBeTruthy();
  });

  test('there in one segment and back in a later one is not uneven', async () => {
    const one = (id: string, side: 'left' | 'right') => {
      const segment = newSegment(id, of('weight-drill-alone'), softSchool);
      return { ...segment, dose: { ...segment.dose, amounts: [{ side, direction: 'none' as const, amount: 8 }] } };
    };
    const { page } = await editor(aRoutine({ segments: [one('a', 'left'), one('b', 'right')] }));
    expect(page.element.querySelector('.uneven')).toBeNull();
    const alone = await editor(aRoutine({ segments: [one('a', 'left')] }));
    expect(alone.page.element.querySelector('.uneven')).not.toBeNull();
  });
});
