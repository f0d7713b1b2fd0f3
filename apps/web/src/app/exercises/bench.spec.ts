import { TestBed } from '@angular/core/testing';
import { builtInExercises, breathSchool, softSchool, type Exercise, type Phase } from '@pomek/core';
import { aStudent } from '../../../testing/records';
import { heard, render } from '../../../testing/render';
import { PersonChoice } from '../data/person-choice';
import { CyclePlayer } from './cycle-player';
import { ExerciseSheet } from './exercise-sheet';
import { FigureBench } from './figure-bench';
import { patched } from '../data/patch';
import { KeyframeEditor } from './keyframe-editor';
import { copyOf } from './own-exercise';
import { ScalesDrill } from './scales-drill';

const exercise = (id: string): Exercise => builtInExercises.find((entry) => entry.id === id)!;
const tree = exercise('tree-holding');
const big = aStudent({ id: 'big', name: 'Oda Grand', statureCm: 192, massKg: 100 });

describe('the bench', () => {
  test('the numbers turn the answers, and one press brings back the exercise', async () => {
    const page = await render(FigureBench, { exercise: tree });
    expect(page.text()).toContain('behind the toe line');
    expect(page.text()).toContain('would give out first');
    await page.fill('Knee bend', '80');
    expect(page.text()).toContain('past the toe line');
    expect(page.text()).toContain('as the exercise has it are');
    expect(page.element.querySelector('.danger strong')!.textContent).toContain('past the toe line');
    await page.press('As the exercise has it');
    expect(page.text()).toContain('behind the toe line');
  });

  test('what cannot be is caught at the field and leaves the figure as it was', async () => {
    const page = await render(FigureBench, { exercise: tree });
    const before = page.element.querySelector('pk-figure svg')!.getAttribute('aria-label');
    for (const wrong of ['', '-5', '900']) {
      await page.fill('Knee bend', wrong);
      expect(page.text()).toMatch(/Knee bend: (give a number|from 0 to 120)/);
      expect(page.element.querySelector('pk-figure svg')!.getAttribute('aria-label')).toBe(before);
    }
  });

  test('a checkpoint is read from the figure by pointer and by keyboard', async () => {
    const page = await render(FigureBench, { exercise: tree });
    const pins = [...page.element.querySelectorAll<SVGGElement>('[role=button].pin')];
    expect(pins).toHaveLength(new Set(tree.checkpoints.map(({ region }) => region)).size);
    const knees = pins.find((pin) => pin.getAttribute('aria-label')!.startsWith('Checkpoint knees'))!;
    expect(knees.getAttribute('aria-label')).toContain('Safety point.');
    knees.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await page.settle();
    expect(page.element.querySelector('pk-checkpoint-card')!.textContent).toContain('Falling in, creeping forward');
    knees.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await page.settle();
    expect(page.element.querySelector('pk-checkpoint-card')).toBeNull();
  });

  test('on another body and in another school the answers and the words change', async () => {
    const page = await render(FigureBench, { exercise: tree }, { students: [big] });
    const choice = TestBed.inject(PersonChoice);
    const label = () => page.element.querySelector('pk-figure svg')!.getAttribute('aria-label');
    const before = label();
    choice.chooseStudent('big');
    await page.settle();
    expect(label()).not.toBe(before);
    choice.chooseSchool(breathSchool.id);
    await page.settle();
    const eyes = [...page.element.querySelectorAll('.pin')].find((pin) =>
      pin.getAttribute('aria-label')!.startsWith('Checkpoint eyes'),
    )!;
    expect(eyes.getAttribute('aria-label')).toContain('Closed once the exercise is known');
    choice.chooseStudent(null);
    choice.chooseSchool(softSchool.id);
  });

  test('a posture is kept beside and compared', async () => {
    const page = await render(FigureBench, { exercise: tree });
    await page.press('Keep beside, to compare');
    await page.fill('Knee bend', '80');
    expect(page.text()).toContain('Now: A standard body');
    const [now, kept] = [...page.element.querySelectorAll('pk-answers')].map((entry) => entry.textContent);
    expect(now).toContain('past the toe line');
    expect(kept).toContain('behind the toe line');
    // Both in one picture, the kept one seen through the other.
    expect(page.element.querySelectorAll('pk-body-in-space')).toHaveLength(2);
    await page.press('Through each other');
    expect(page.element.querySelectorAll('pk-body-in-space')).toHaveLength(1);
    expect(page.text()).toContain('Kept, seen through it: A standard body');
    expect(page.element.querySelectorAll('pk-answers')).toHaveLength(2);
    await page.press('End the comparison');
    expect(page.element.querySelectorAll('pk-answers')).toHaveLength(1);
    // What gives out first is marked as tinted.
    expect(page.element.querySelectorAll('pk-answers .tint')).toHaveLength(1);
  });

  test('only an own exercise can keep the posture', async () => {
    const page = await render(FigureBench, { exercise: copyOf(tree, 'own-1') });
    const kept = heard(page.fixture.componentInstance.kept);
    await page.fill('Arms raised', '90');
    await page.press('Save in the exercise');
    expect(kept[0]).toMatchObject({ shoulderRaiseDeg: 90, kneeBendDeg: 30 });
    const built = await render(FigureBench, { exercise: tree });
    await built.fill('Arms raised', '90');
    expect(() => built.button('Save in the exercise')).toThrow();
  });
});

describe('the player', () => {
  const player = async (id = 'one-hand-reeling') => {
    const page = await render(CyclePlayer, {
      exercise: exercise(id),
      person: { body: (await import('@pomek/core')).standardBody },
      school: softSchool,
      working: 'right',
    });
    const here = () => page.element.querySelector('[aria-current=step]')?.textContent ?? '';
    return { page, here };
  };

  test('goes through the parts step by step, forward and back', async () => {
    const { page, here } = await player();
    expect(here()).toContain('the palm presses down to belly height');
    await page.press('To the next part');
    expect(here()).toContain('Turn the pelvis to the left side');
    await page.press('To the next part');
    expect(page.text()).toContain('pelvis 45° to the left');
    await page.press('To the part before');
    await page.press('To the part before');
    expect(here()).toContain('the palm presses down to belly height');
    expect(page.element.querySelectorAll('.count')).toHaveLength(4);
  });

  test('mirrored it is the other side, reversed it runs from the end', async () => {
    const { page, here } = await player();
    expect(page.text()).toContain('70 % on the right foot');
    await page.press('Mirror');
    expect(page.text()).toContain('70 % on the left foot');
    await page.press('Reverse');
    expect(here()).toContain('Turn the pelvis to the right side, knees still; the palm comes in to the neck');
  });

  test('a walk changes sides from cycle to cycle', async () => {
    const { page } = await player('cat-walk');
    expect(page.text()).toContain('0 % on the right foot');
    for (let part = 0; part < 3; part += 1) await page.press('To the next part');
    expect(page.text()).toMatch(/on the (left|right) foot/);
  });
});

test('two scales: targets, readings, error, and the file they are kept in', async () => {
  const page = await render(ScalesDrill, { exercise: tree, share: 0.7, working: 'right' }, { students: [big] });
  expect(page.text()).toContain('49.0 kg');
  await page.fill('Left scale shows', '35');
  await page.fill('Right scale shows', '65');
  expect(page.text()).toContain('35 / 65');
  expect(page.text()).toContain('5 points too much on the left foot');
  expect(page.text()).toContain('Choose a student above');
  TestBed.inject(PersonChoice).chooseStudent('big');
  await page.settle();
  await page.fill('Left scale shows', '31');
  await page.fill('Right scale shows', '69');
  expect(page.text()).toContain('Near enough');
  await page.press('Save in the file of Oda Grand');
  expect(await page.database.of('measures').toArray()).toMatchObject([
    { kind: 'two scales', studentId: 'big', leftKg: 31, rightKg: 69, wantedLeft: expect.closeTo(0.3, 6) as number },
  ]);
  await page.settle();
  expect(page.text()).toContain('1 points');
});

test('what goes against the school is said on the sheet, and kept on purpose in the school', async () => {
  const page = await render(ExerciseSheet, { exercise: exercise('four-part-breath') });
  expect(page.text()).toContain('It pauses 2 s in the breath, the school not at all.');
  await page.press('Ignore it here');
  expect((await page.database.of('schools').get(softSchool.id))!.keptOnPurpose).toEqual(['four-part-breath: pauses']);
  await page.settle();
  expect(page.text()).not.toContain('It pauses 2 s');
});

test('how the body stands at the end of a part is written in numbers', async () => {
  const page = await render(KeyframeEditor, { part: 2, frame: null });
  const typed = heard(page.fixture.componentInstance.typed);
  const after = () => typed.reduce<Pick<Phase, 'end'>>((phase, patch) => patched(phase, patch), { end: null }).end;
  await page.press('Set a position');
  page.fixture.componentRef.setInput('frame', after());
  await page.settle();
  await page.fill('Pelvis turned', '30');
  await page.fill('On the working leg', '80');
  await page.press('Place the working hand');
  await page.fill('Toes out', '40');
  await page.fill('Toes of the other foot', '-8');
  expect(after()).toMatchObject({
    turnDeg: 30,
    weight: 0.8,
    hand: { out: 0.3 },
    toesOutDeg: 40,
    otherToesOutDeg: -8,
    heel: 'none',
    palm: null,
  });
  await page.fill('Back rounded', '35');
  page.fixture.componentRef.setInput('frame', after());
  await page.settle();
  await page.fill('Chest turned to the working side', '-10');
  await page.fill('Other hand: fingers closed', '60');
  expect(after()!.shape).toMatchObject({
    trunk: { leanDeg: null, roundDeg: 35, twistDeg: -10 },
    head: null,
    otherArm: { closed: 0.6, on: null },
  });
  await page.press('Clear the position');
  expect(after()).toBeNull();
});
