import { TestBed } from '@angular/core/testing';
import { aLog, aRoutine, aStudent } from '../../../testing/records';
import { heard, render } from '../../../testing/render';
import { Store } from '../data/store';
import { WholeSpace } from '../data/whole-space';
import { RemoveAll } from './remove-all';

const stored = { students: [aStudent()], routines: [aRoutine()], logs: [aLog(), aLog({ id: 'log-2' })] };

test('everything is removed once it was asked twice; a copy is offered first, and nothing is left to undo', async () => {
  const page = await render(RemoveAll, {}, stored);
  const copies = heard(page.fixture.componentInstance.copyWanted);
  await page.press('Remove everything…');
  await page.until(/1 student, 1 routine, 0 classes and 2 practices will be gone/);
  await page.press('Export everything first');
  expect(copies).toHaveLength(1);
  expect(page.button('Remove everything').disabled).toBe(true);
  page.element.querySelector<HTMLInputElement>('#remove-sure')!.click();
  await page.settle();
  await page.press('Remove everything');
  await page.until(/Remove everything…/);
  for (const table of ['students', 'routines', 'logs'] as const) expect(await page.database.of(table).count()).toBe(0);
  expect(await TestBed.inject(Store).undo()).toBeNull();
});

test('it can be left, and begins anew then; what fails removes nothing', async () => {
  const page = await render(RemoveAll, {}, stored);
  await page.press('Remove everything…');
  page.element.querySelector<HTMLInputElement>('#remove-sure')!.click();
  await page.settle();
  await page.press('Cancel');
  await page.press('Remove everything…');
  expect(page.button('Remove everything').disabled).toBe(true);
  page.element.querySelector<HTMLInputElement>('#remove-sure')!.click();
  await page.settle();
  jest.spyOn(TestBed.inject(WholeSpace), 'replace').mockRejectedValue(new Error('No room.'));
  await page.press('Remove everything');
  expect(await page.database.of('students').count()).toBe(1);
  expect(page.text()).toContain('will be gone');
});
