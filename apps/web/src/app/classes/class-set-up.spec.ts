import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { newClass } from '@pomek/core';
import { aStudent } from '../../../testing/records';
import { render } from '../../../testing/render';
import { Editing } from '../data/editing';
import { Store } from '../data/store';
import { ClassSetUp } from './class-set-up';

const type = (element: HTMLElement, text: string): void => {
  const field = element.querySelector('textarea')!;
  field.value = text;
  field.dispatchEvent(new Event('input', { bubbles: true }));
};

test('a class makes its people on the spot, and takes those who are here', async () => {
  const page = await render(
    ClassSetUp,
    () => ({ edit: new Editing('classes', signal('class-1'), ({ name }) => name) }),
    { students: [aStudent()], classes: [newClass('class-1', 'Evening class', 2)] },
  );
  await page.until(/Add people by name/);
  await page.press('Add people by name');
  type(page.element.querySelector('pk-add-names')!, 'Odo Brand\nNela Brisk');
  await page.settle();
  expect(page.text()).toContain('Already here: Nela Brisk; added to the class.');
  await page.press('Add 2 students');
  const odo = (await page.database.of('students').toArray()).find(({ name }) => name === 'Odo Brand')!;
  expect((await page.database.of('classes').get('class-1'))!.roster).toEqual(['student-1', odo.id]);
  await TestBed.inject(Store).undo();
  expect((await page.database.of('classes').get('class-1'))!.roster).toEqual([]);
  expect(await page.database.of('students').count()).toBe(1);
});
