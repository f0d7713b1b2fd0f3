import type { DebugElement } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import {
  builtInExercises,
  limitsPassed,
  newSegment,
  notedCondition,
  plainStage,
  plainStagePosture,
  softSchool,
  standardPerson,
  type Exercise,
} from '@pomek/core';
import { aRoutine } from '../../../testing/records';
import { heard, render } from '../../../testing/render';
import { PersonChoice } from '../data/person-choice';
import { ExerciseEditor } from './exercise-editor';
import { ExerciseSheet } from './exercise-sheet';
import { Exercises } from './exercises';
import { copyOf } from './own-exercise';
import { By } from '@angular/platform-browser';
import { MultiSelect } from 'primeng/multiselect';
import { PhasesEditor } from './phases-editor';
import { StageEditor } from './stage-editor';
import { Select } from 'primeng/select';

const reeling = builtInExercises.find((exercise) => exercise.id === 'one-hand-reeling')!;
const own: Exercise = copyOf(reeling, 'own-1');
/** A choice of a page, by what it is called. */
const selectOf = ({ debugElement }: { debugElement: DebugElement }, label: string): DebugElement =>
  debugElement.queryAll(By.directive(Select)).find(({ componentInstance }) => {
    return (componentInstance as Select).ariaLabel === label;
  })!;

test('the shelf lists the families and opens what is asked for', async () => {
  const page = await render(Exercises, { id: 'one-hand-reeling' });
  expect([...page.element.querySelectorAll('.list h2')].map((entry) => entry.textContent)).toHaveLength(7);
  expect(page.text()).toContain('47 exercises');
  expect(page.element.querySelector('article')!.getAttribute('aria-label')).toBe('One-hand silk-reeling');
  expect((await render(Exercises, { id: 'gone' })).text()).toContain('This exercise is not here');
});

test('a sheet has dose, work, cycle, cautions and safety marks; only own ones can be edited', async () => {
  const page = await render(ExerciseSheet, { exercise: reeling });
  for (const words of [
    '8 repetitions a side each way, 11 s each',
    '5:52 min of work',
    '25 %',
    'Knees: no twist',
    'safety',
  ]) {
    expect(page.text()).toContain(words);
  }
  expect(page.text()).not.toContain('Edit');
  expect((await render(ExerciseSheet, { exercise: own })).text()).toContain('Edit');
});

test('a sheet tells the way in, the repetition either way and on either side, stages and signs', async () => {
  const page = await render(ExerciseSheet, { exercise: reeling, shelf: [...builtInExercises] });
  const parts = () => [...page.element.querySelectorAll('.phases li')].map((part) => part.textContent);
  expect(page.text()).toContain('Turn the right toes out 45°, the left toes slightly in.');
  expect(page.text()).toContain('Comes after Shift and turn, no arms.');
  expect(parts()[0]).toContain('to the left leg; the palm presses down');
  await page.press('Direction in which it is described');
  expect(parts()[0]).toContain('the palm comes in to the neck');
  // A natural school leaves the breath alone; one that links it says where it belongs.
  expect(parts()[0]).not.toContain('breath');
  TestBed.inject(PersonChoice).chooseSchool('school-breath');
  await page.settle();
  expect(parts()[0]).toContain('breath out');
  TestBed.inject(PersonChoice).side.set('left');
  await page.settle();
  expect(page.text()).toContain('Turn the left toes out 45°');
  expect(page.text()).toContain('Enough for today when');
  TestBed.inject(PersonChoice).side.set('right');
});

test('copying makes an own exercise; removing one says where it stood', async () => {
  const page = await render(Exercises, { id: 'one-hand-reeling' });
  await page.press(/Copy as my own/);
  expect((await page.database.of('exercises').toArray())[0]).toMatchObject({ origin: 'own', family: 'reeling' });
  const used = aRoutine({ segments: [{ ...aRoutine().segments[0]!, exerciseId: 'own-1' } as never] });
  const second = await render(Exercises, { id: 'own-1' }, { exercises: [own], routines: [used] });
  await second.press(/Remove/);
  expect(await second.database.of('exercises').count()).toBe(0);
});

describe('the editor', () => {
  const editor = async () => {
    const page = await render(ExerciseEditor, { id: 'own-1' }, { exercises: [own] });
    const now = async () => (await page.database.of('exercises').get('own-1'))!;
    return { page, now };
  };

  test('keeps every whole change at once', async () => {
    const { page, now } = await editor();
    await page.fill('Name', 'Pond circles');
    await page.fill('Knee bend', '40');
    await page.fill('Weight on the working leg', '60');
    await page.fill('Pressure from the heel', '72');
    await page.fill('Easier', 'Sit\n\n Lean ');
    expect(await now()).toMatchObject({
      name: 'Pond circles',
      posture: { kneeBendDeg: 40, weightShare: 0.6, pressurePoint: 0.72 },
      easier: ['Sit', 'Lean'],
    });
    await page.fill('Pressure from the heel', '');
    expect((await now()).posture.pressurePoint).toBeNull();
  });

  test('takes all that is said aloud, and checkpoints of its own', async () => {
    const { page, now } = await editor();
    const type = async (selector: string, text: string) => {
      const field = page.element.querySelector<HTMLInputElement>(selector)!;
      field.value = text;
      field.dispatchEvent(new Event('input'));
      field.dispatchEvent(new Event('blur'));
      field.dispatchEvent(new Event('focusout', { bubbles: true }));
      await page.settle();
    };
    await page.fill('The way in', 'Stand.\nSink.');
    await page.fill('Enough for today when', 'You are warm.');
    await page.fill('The quick way', 'Three');
    await page.fill('Half way through, said aloud', 'The other hand on top.');
    await page.fill('In the day, beside practice', 'At the gate: sink.');
    await page.press('Add a stage');
    const stages = (await now()).stages.length;
    await type(`[aria-label='Stage ${stages}']`, 'In the yard');
    await type(`[aria-label='Done in stage ${stages}']`, 'Slower');
    await type(`[aria-label='Go on from stage ${stages} when']`, 'It is easy');
    await page.press('Add your own checkpoint');
    const { id } = (await now()).checkpoints.at(-1)!;
    await type(`[id='cue-${id}']`, 'Like a pond');
    expect(await now()).toMatchObject({
      wayIn: ['Stand.', 'Sink.'],
      quick: 'Three',
      daily: 'At the gate: sink.',
      halfWay: 'The other hand on top.',
      signs: { enough: ['You are warm.'] },
    });
    expect((await now()).stages.at(-1)).toEqual({
      ...plainStage,
      name: 'In the yard',
      words: 'Slower',
      next: 'It is easy',
    });
    expect((await now()).checkpoints.at(-1)).toMatchObject({ cue: 'Like a pond', region: 'feet', safety: false });
    await page.press(`Remove stage ${stages}`);
    expect((await now()).stages).toHaveLength(stages - 1);
    const own = page.element.querySelectorAll('fieldset.point').length;
    await page.press(`Remove checkpoint ${own}`);
    expect((await now()).checkpoints.map((point) => point.id)).not.toContain(id);
  });

  test('says what else it does to a body, and that acts for whoever has the condition', async () => {
    const { page, now } = await editor();
    const tick = async (movement: string) => {
      page.element.querySelector<HTMLInputElement>(`[id="movement-${movement}"]`)!.click();
      await page.settle();
    };
    await tick('bounces');
    await tick('rolls the back');
    // In the order of the list, however they are ticked.
    expect((await now()).movements).toEqual(['rolls the back', 'bounces']);
    const exercise = await now();
    const drill = { segment: newSegment('a', exercise, softSchool), exercise, school: softSchool };
    const noted = [notedCondition('osteoporosis')];
    const passed = limitsPassed(drill, { ...standardPerson('2026-03-02'), noted }).map(({ name }) => name);
    expect(passed).toEqual(expect.arrayContaining(['noBounce', 'foldDeg']));
    await tick('bounces');
    expect((await now()).movements).toEqual(['rolls the back']);
  });

  test('keeps how far a repetition goes', async () => {
    const { page, now } = await editor();
    await page.fill('and forward', '0.25');
    expect((await now()).travel).toEqual({ out: 0, forward: 0.25, turnDeg: 0 });
  });

  test('says what is not whole yet, keeps the old until it is', async () => {
    const { page, now } = await editor();
    await page.fill('Name', '');
    expect(page.text()).toContain('name: an exercise needs a name');
    expect((await now()).name).toBe(own.name);
    await page.fill('Name', 'Whole again');
    expect(page.text()).not.toContain('Not saved yet');
    expect((await now()).name).toBe('Whole again');
  });

  test('sides, directions and checkpoints are switched', async () => {
    const { page, now } = await editor();
    page.field('Forward and reversed').click();
    await page.settle();
    expect(await now()).toMatchObject({
      hasDirections: false,
      defaultDose: { amounts: [{ side: 'left' }, { side: 'right' }] },
    });
    const before = (await now()).checkpoints.length;
    page.field('eyes').click();
    await page.settle();
    expect((await now()).checkpoints).toHaveLength(before + 1);
    page.field('eyes').click();
    await page.settle();
    expect((await now()).checkpoints).toHaveLength(before);
  });

  test('one that is not there says what to do', async () => {
    expect((await render(ExerciseEditor, { id: 'tree-holding' })).text()).toContain('copy a built-in one first');
  });
});

test('parts of a cycle always add up after adding and removing', async () => {
  const page = await render(PhasesEditor, { phases: reeling.phases });
  const changes = heard(page.fixture.componentInstance.changed);
  await page.press('Add a part');
  await page.press('Remove part 1');
  const heardPhases = changes.map((change) => change(reeling.phases));
  expect(heardPhases.map((phases) => phases.length)).toEqual([5, 3]);
  for (const phases of heardPhases) expect(phases.reduce((sum, phase) => sum + phase.share, 0)).toBeCloseTo(1, 12);
});

test('a part has the checkpoints that are looked at in it, by their words', async () => {
  const { phases, checkpoints } = reeling;
  const page = await render(PhasesEditor, { phases, checkpoints, selected: { part: 2, via: null } });
  const typed = heard(page.fixture.componentInstance.typed);
  expect(page.text()).toContain('Hands: The palm lifts on the centre line, belly to neck.');
  page.fixture.debugElement.query(By.directive(MultiSelect)).triggerEventHandler('ngModelChange', ['knees-track']);
  await page.fill('Called aloud, part 3', 'Lift');
  expect(typed).toEqual([
    { at: [2, 'points'], value: ['knees-track'] },
    { at: [2, 'call'], value: 'Lift', letters: true },
  ]);
});

test('a sheet shows a stage as it is done: its words, its parts and its sign', async () => {
  const page = await render(ExerciseSheet, { exercise: reeling, shelf: [...builtInExercises] });
  const parts = () => [...page.element.querySelectorAll('.phases li')].map((part) => part.textContent.trim());
  const choice = selectOf(page.fixture, 'The stage that is shown');
  choice.triggerEventHandler('ngModelChange', 2);
  await page.settle();
  expect(page.text()).toContain('Turn only. Weight even, hands on the hips');
  expect(parts().map((part) => part.split('\n')[0])).toHaveLength(2);
  expect(parts()[0]).toContain('Turn the pelvis to the left side, knees still');
  expect(page.text()).toContain('Go on when the knees stay where they are in the turn.');
  choice.triggerEventHandler('ngModelChange', null);
  await page.settle();
  expect(parts()).toHaveLength(4);
});

test('what a stage changes is chosen and typed, and gives out one value at a time', async () => {
  const stage = { ...plainStage, name: 'Slow' };
  const page = await render(StageEditor, { stage, number: 2, drill: own });
  const typed = heard(page.fixture.componentInstance.typed);
  await page.press('What stage 2 changes');
  const choose = (label: string, value: unknown) =>
    selectOf(page.fixture, label).triggerEventHandler('ngModelChange', value);
  choose('What moves in stage 2', 'legs');
  choose('Hands in stage 2', 'working');
  choose('Ways in stage 2', 'reversed');
  page.fixture.debugElement.query(By.directive(MultiSelect)).triggerEventHandler('ngModelChange', ['feet']);
  await page.fill('How far it goes', '50');
  await page.fill('On the working leg', '80');
  expect(typed).toEqual([
    { at: ['moves'], value: 'legs' },
    { at: ['hands'], value: 'working' },
    { at: ['way'], value: 'reversed' },
    { at: ['regions'], value: ['feet'] },
    { at: ['size'], value: 0.5 },
    { at: ['posture', 'weightShare'], value: 0.8, create: plainStagePosture },
  ]);
  const breathed = await render(StageEditor, {
    stage,
    number: 1,
    drill: builtInExercises.find(({ id }) => id === 'belly-breathing')!,
  });
  expect(breathed.text()).not.toContain('What moves');
});
