import { readFile } from 'node:fs/promises';
import { give } from '../support/give';
import { ordinaryWorld } from '../support/ordinary-world';
import { complaints, openOwn, openPart, takeIn } from '../support/pomek';
import { expect, test, type Page } from '../support/test';

async function openWorld(page: Page): Promise<string[]> {
  const wrong = complaints(page);
  await openOwn(page);
  await page.goto('/files');
  await page
    .getByLabel('Choose a file')
    .setInputFiles({ name: 'people.json', mimeType: 'application/json', buffer: Buffer.from(ordinaryWorld()) });
  await takeIn(page, /^Import 19/);
  return wrong;
}

/** The findings of a routine on somebody’s body. */
async function findingsOf(page: Page, routine: string, name: string) {
  await page.goto(`/routines/${routine}`);
  await expect(async () => {
    await page.getByRole('combobox', { name: 'For whom' }).click();
    await page.getByRole('option', { name }).click({ timeout: 2000 });
  }).toPass();
  const findings = page.locator('pk-findings').getByRole('article');
  await expect(findings.filter({ hasText: name }).first()).toBeVisible();
  return findings;
}

test('what a condition allows is the one number of plan, weeks, Today, hall and calendar', async ({ page }) => {
  const wrong = await openWorld(page);
  await page.goto('/students/petra');
  await expect(page.getByRole('article', { name: 'Holding the tree' })).toContainText(
    '3:00 min is as much as is asked with pregnancy.',
  );
  const goal = page.getByRole('region', { name: 'Holding the tree', exact: true });
  await expect(goal.getByText(/^Not as far as the goal: 3:00 min is as much/)).toBeVisible();
  const weeks = page.getByRole('region', { name: 'Weeks of Holding the tree' });
  await expect(weeks.getByRole('row').nth(1)).toContainText('3:00 min');
  await expect(weeks).not.toContainText(/[4-9]:\d\d min/);
  await page.goto('/practise?student=petra');
  await expect(page.getByText('1 hold × 3:00 min')).toBeVisible();
  await page.goto('/today');
  const today = page.getByRole('region', { name: 'Practising today' }).getByRole('listitem');
  await expect(today.filter({ hasText: 'Petra Lund' })).toContainText('3:05 min');
  await page.goto('/students/petra?part=give');
  const calendar = await readFile(await (await give(page, 'A calendar')).path(), 'utf8');
  expect(calendar).toContain('3:00 min');
  expect(calendar).not.toMatch(/[4-9]:\d\d min/);
  expect(wrong).toEqual([]);
});

test('after a month away one practice does not answer the test that is due; a pain nobody asked about is not a pain of 0', async ({
  page,
}) => {
  const wrong = await openWorld(page);
  await page.goto('/students/gus');
  const card = page.getByRole('article', { name: 'Holding the tree' });
  await expect(card).toContainText('35 days without practice before Tue 10 Mar: test the baseline again');
  // A goal between two steps is asked back.
  await page.getByLabel('Goal', { exact: true }).fill('1:35');
  await expect(page.getByText(/^Steps here are of 10 s; this goal becomes a step of its own/)).toBeVisible();
  await page.getByRole('button', { name: 'Goal: 1:40 min' }).click();
  await expect(page.getByLabel('Goal', { exact: true })).toHaveValue('1:40 min');
  await expect(page.getByText(/^Reached on .*, in time for/)).toBeVisible();
  await page.goto('/students/ida');
  await expect(card).toContainText('Done in full twice in a row');
  await openPart(page, 'Practices');
  await expect(page.getByText('pain not asked').first()).toBeVisible();
  await expect(page.getByText(/pain 0/)).toHaveCount(0);
  // The goal that is proposed is one that can be reached.
  await openPart(page, 'Plan');
  await page.getByText('Give another routine').click();
  await page.getByRole('combobox', { name: 'Routine to give' }).click();
  await page.getByRole('option', { name: 'One stand' }).click();
  await page.getByRole('checkbox', { name: /Holding the tree/ }).check();
  await page.getByRole('button', { name: 'Make the plan' }).click();
  await expect(page.getByRole('heading', { name: 'Plan: One stand' })).toBeVisible();
  await expect(page.getByText(/^Reached on .*, in time for/)).toHaveCount(2);
  expect(wrong).toEqual([]);
});

test('a hold in breaths is looked at like one in seconds; an older body walks without alarm and is told of 27 squats', async ({
  page,
}) => {
  const wrong = await openWorld(page);
  const breaths = await findingsOf(page, 'sixty-breaths', 'Bea Holm');
  await expect(breaths.filter({ hasText: 'asks for 540 s in one stand, but pregnancy is noted' })).toBeVisible();
  await breaths.getByRole('button', { name: 'Instead: 20 breaths, 180 s' }).click();
  await expect(breaths.filter({ hasText: 'pregnancy is noted' })).toHaveCount(0);
  const squats = await findingsOf(page, 'deep-squats', 'Hanna Osk');
  await expect(squats.filter({ hasText: '27 in one go; at 71 years up to about 11 are usual' })).toBeVisible();
  const walk = await findingsOf(page, 'a-walk', 'Hanna Osk');
  await expect(walk.filter({ hasText: /gives out|Danger|can hold/ })).toHaveCount(0);
  expect(wrong).toEqual([]);
});
