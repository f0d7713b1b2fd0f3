import { TestBed } from '@angular/core/testing';
import { aStudent } from '../../../testing/records';
import { render } from '../../../testing/render';
import { Store } from '../data/store';
import { ConditionTable } from '../sources/condition-table';
import { StudentFile } from './student-file';

const file = async (cautions: string[]) => {
  const page = await render(
    StudentFile,
    { id: 'student-1', part: 'person' },
    { students: [{ ...aStudent(), id: 'student-1', cautions }] },
  );
  const now = async () => (await page.database.of('students').get('student-1'))!;
  return { page, now };
};

test('a caution that names a condition is offered to be noted, with its side; one press notes it, one undo takes it back', async () => {
  const { page, now } = await file(['Bad left knee', 'Likes to talk']);
  await page.until(/“Bad left knee” names knee pain \(left\), which is not noted yet/);
  expect((await now()).conditions).toEqual([]);
  await page.press('Note knee pain (left)');
  expect(await now()).toMatchObject({ conditions: ['knee pain'], conditionSides: { 'knee pain': 'left' } });
  expect(page.text()).not.toContain('not noted yet');
  await TestBed.inject(Store).undo();
  expect(await now()).toMatchObject({ conditions: [], conditionSides: {} });
});

test('cautions that name nothing say that they change nothing by themselves', async () => {
  const { page } = await file(['Likes to talk']);
  await page.until(/change nothing by themselves/);
  expect(page.text()).not.toContain('not noted yet');
});

test('the table of conditions shows one condition at a time, in any built-in school', async () => {
  const page = await render(ConditionTable, {});
  expect(page.text()).toContain('Wide rider stand');
  expect(page.text()).toContain('knees bent at most 35°');
  await page.press('poor balance');
  expect(page.text()).toContain('a hand on a chair or the wall');
  expect(page.button('poor balance').getAttribute('aria-pressed')).toBe('true');
  expect(page.text()).toMatch(/\d+ exercises stay as they are, and why/);
});
