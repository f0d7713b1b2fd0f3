import { readFile } from 'node:fs/promises';
import { expect, ownClock, test } from '../support/test';
import { complaints, openDemo, openPart, smallWorld } from '../support/pomek';

test('a student measured, planned, overruled, away and raised, from intake on', async ({ page }) => {
  const wrong = complaints(page);
  await ownClock(page, '2026-03-02T09:00:00');
  await smallWorld(page);
  const tab = (name: string) => page.getByRole('button', { name, exact: true }).click();
  await tab('Person');
  await page.getByLabel('Height').fill('164');
  await page.getByLabel('Weight').fill('60');
  await page.getByLabel('knee pain').check();
  await expect(page.getByText('Knees bent little, no squats')).toBeVisible();
  await page.getByRole('button', { name: 'Start the clock' }).click();
  await page.clock.fastForward(150_000);
  await page.getByRole('button', { name: 'Stop the clock' }).click();
  // The seconds of the machine itself go on between the two presses.
  await expect(page.getByLabel('Held for')).toHaveValue(/^2:3\d min$/);
  await page.getByRole('button', { name: 'Save it' }).click();
  await expect(page.getByRole('cell', { name: /2:3\d min at 30°, stopped by the legs/ })).toBeVisible();
  await tab('Plan');
  await page.getByRole('button', { name: 'Set week 3 of Holding the tree' }).click();
  await page.getByLabel('Your dose').fill('40 s');
  await page.getByLabel('Your reason, saved with it').fill('Exams');
  await page.getByRole('button', { name: 'Set it', exact: true }).click();
  await expect(page.getByRole('row', { name: /^3 .*40 s.*Set by you: Exams/ })).toBeVisible();
  await page.getByText(/holidays \(0\)/).click();
  await page.getByLabel('Away from').fill('30 March 2026');
  // The last day is chosen from the calendar.
  await page.getByLabel('to', { exact: true }).fill('1 Apr 2026');
  await page.getByRole('button', { name: 'Choose from a calendar' }).last().click();
  await page.locator('.p-datepicker-day').filter({ hasText: /^12$/ }).click();
  await expect(page.getByLabel('to', { exact: true })).toHaveValue('12 Apr 2026');
  await page.getByRole('button', { name: 'Add the holiday' }).click();
  await expect(page.getByRole('cell', { name: /^Holiday: nothing is raised/ }).first()).toBeVisible();
  // Two practices by hand, both met, and the dose goes up.
  await tab('Practices');
  for (const [day, said] of [
    ['2026-02-26', 'Thu 26 Feb'],
    ['2026-02-28', 'Sat 28 Feb'],
  ] as const) {
    await page.getByRole('button', { name: 'Write one down' }).click();
    await page.getByLabel('Day', { exact: true }).fill(day);
    await page.getByLabel('Effort, 0 to 10').fill('4');
    await page.getByRole('combobox', { name: 'Exercise of line 1' }).click();
    await page.getByRole('option', { name: 'Holding the tree' }).click();
    await page.getByLabel('Done in line 1').fill('60');
    await page.getByRole('button', { name: 'Save it', exact: true }).click();
    await expect(page.getByText(`Practice of ${said} saved`)).toBeVisible();
  }
  await tab('Plan');
  await page.getByRole('button', { name: 'Accept', exact: true }).click();
  await expect(page.getByText('Nothing to decide now')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('row', { name: /^3 .*40 s.*Set by you: Exams/ })).toBeVisible();
  await tab('Person');
  await expect(page.getByLabel('Height')).toHaveValue('164');
  expect(wrong).toEqual([]);
});

test('practices come from a table and go out to one', async ({ page }) => {
  await openDemo(page);
  await page.goto('/students/demo-student-7');
  await openPart(page, 'Practices');
  await page.getByRole('button', { name: 'From a table' }).click();
  const text = 'Date;Drill;Done;RPE\n2026-01-03;Holding the tree;1:30;6\n2026-01-04;Holding the tree;soon;6\n';
  await page
    .getByLabel('Choose a table')
    .setInputFiles({ name: 'old.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await expect(page.getByText('1 practice can be saved, 1 line cannot.')).toBeVisible();
  await expect(page.getByText('Line 3: done: “soon” is no time')).toBeVisible();
  await page.getByRole('button', { name: 'Save 1 practice' }).click();
  await expect(page.getByText('Practice of Sat 3 Jan saved')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.locator('pk-log-list').getByRole('button', { name: 'As CSV' }).click();
  const csv = await readFile(await (await download).path(), 'utf8');
  expect(csv.split('\r\n')[0]).toBe('day,exercise,side,done,asked,effort,own effort,pain,pain place,note');
  expect(csv).toContain('2026-01-03,Holding the tree,both,90,90,6,,,,');
});

test('load and corrections of a student, in pictures and in words', async ({ page }) => {
  const wrong = complaints(page);
  await openDemo(page);
  await page.goto('/students/demo-student-4');
  await openPart(page, 'Load');
  await expect(page.getByRole('img', { name: /Load week by week/ })).toBeVisible();
  await expect(page.getByText(/Left \d+:\d\d min, right \d+:\d\d min in four weeks\./)).toBeVisible();
  const totals = page.getByRole('region', { name: 'Totals by exercise' });
  await expect(totals.getByRole('row', { name: /^One-hand silk-reeling/ })).toHaveText(
    /\d+ repetitions\s*left forward \d+, .*right .*\d+ [A-Z][a-z]+ 20\d\d/,
  );
  await openPart(page, 'Corrections');
  await expect(page.getByRole('region', { name: 'To work on now' })).toContainText('hip crease');
  await page.getByRole('combobox', { name: 'Checkpoint that was seen' }).click();
  await page.getByRole('option', { name: /^knees: Quite still/ }).click();
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByRole('region', { name: 'To work on now' })).toContainText('safety point');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('region', { name: 'To work on now' })).not.toContainText('safety point');
  expect(wrong).toEqual([]);
});
