import { TestBed } from '@angular/core/testing';
import { aStudent } from '../../../testing/records';
import { render } from '../../../testing/render';
import { Store } from '../data/store';
import { Students } from './students';

const type = (element: HTMLElement, text: string): void => {
  const field = element.querySelector('textarea')!;
  field.value = text;
  field.dispatchEvent(new Event('input', { bubbles: true }));
};

test('a list of names makes students in one step, which is undone as one', async () => {
  const page = await render(Students, {}, { students: [aStudent()] });
  await page.press('Several at once');
  type(page.element.querySelector('pk-add-names')!, 'Odo Brand\nPia Long');
  await page.settle();
  await page.press('Add 2 students');
  const names = (await page.database.of('students').toArray()).map(({ name }) => name);
  expect(names.toSorted()).toEqual(['Nela Brisk', 'Odo Brand', 'Pia Long']);
  expect(await TestBed.inject(Store).undo()).toBe('Add 2 students');
  expect(await page.database.of('students').count()).toBe(1);
});
