import type { Page } from '@playwright/test';
import { expect, ownClock, test } from '../support/test';
import { complaints, openDemo } from '../support/pomek';

/** Opens the file of somebody of the demo. */
async function openFile(page: Page, name: string): Promise<string> {
  await page.goto('/students');
  await page.getByRole('link', { name, exact: true }).first().click();
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
  return new URL(page.url()).pathname.split('/').at(-1)!;
}

test('what is chosen from a plateau is what the plan, Today and the hall then ask for, and one step back undoes it', async ({
  page,
}) => {
  const wrong = complaints(page);
  await ownClock(page, '2026-11-20T09:00:00');
  await openDemo(page);
  await page.goto('/today');
  const due = page
    .getByRole('region', { name: 'To decide' })
    .getByRole('listitem')
    .filter({ hasText: 'Ilse Marrowby' });
  await expect(due).toContainText('The last 6 practices at 30 s were not done in full');
  const id = await openFile(page, 'Ilse Marrowby');
  const card = page.getByRole('article', { name: 'Empty and full' });
  await expect(card).toContainText('30 s');
  /** What the way into the hall asks for. */
  const hall = async (): Promise<string> => {
    await page.goto(`/practise?student=${id}`);
    const row = page.getByRole('listitem').filter({ hasText: 'Empty and full' });
    await expect(row).toBeVisible();
    return (await row.textContent())!;
  };
  const before = await hall();
  await page.goBack();
  const way = card.getByRole('listitem').filter({ hasText: 'What is held, and half steps' });
  await expect(way).toContainText(/Back to \d+ s, which was really held/);
  await expect(way).toContainText(/Going on as in the last weeks, about \d+ s by/);
  const held = /Back to (\d+ s)/.exec((await way.textContent())!)![1]!;
  await way.getByRole('button', { name: /^Apply/ }).click();
  await expect(card).not.toContainText('The last 6 practices');
  await expect(card).toContainText(held);
  await expect(page.getByText('Half steps, half as much a week, up to the goal.')).toBeVisible();
  expect(await hall()).not.toBe(before);
  await expect(page.getByRole('listitem').filter({ hasText: 'Empty and full' })).toContainText(held);
  await page.goto('/today');
  await expect(page.getByRole('region', { name: 'To decide' })).toBeVisible();
  await expect(page.getByText(/Looking through the practices/)).toHaveCount(0);
  await expect(due).toHaveCount(0);
  // After a reload too, and back again.
  await page.keyboard.press('Control+z');
  await expect(due).toContainText('The last 6 practices');
  expect(wrong).toEqual([]);
});

test('two easier weeks: the hall asks for the easier posture at the same dose until they are ended', async ({
  page,
}) => {
  await ownClock(page, '2026-11-20T09:00:00');
  await openDemo(page);
  const id = await openFile(page, 'Ilse Marrowby');
  await page.getByRole('button', { name: 'Apply: Easier for two weeks' }).click();
  await expect(page.getByText(/^Easier for a while: bend \d+° until/).first()).toBeVisible();
  await page.goto(`/practise?student=${id}`);
  const row = page.getByRole('listitem').filter({ hasText: 'Empty and full' });
  await expect(row).toContainText(/bend \d+°/);
  await page.goto(`/students/${id}`);
  await page.getByRole('button', { name: 'End it now' }).click();
  await expect(page.getByText(/^Easier for a while/)).toHaveCount(0);
  await page.goto(`/practise?student=${id}`);
  await expect(row).toBeVisible();
  await expect(row).not.toContainText(/bend/);
});

test('a caution in free words is offered to be noted, and noted it acts on the way into the hall', async ({ page }) => {
  await ownClock(page, '2026-11-20T09:00:00');
  await openDemo(page);
  const id = await openFile(page, 'Ilse Marrowby');
  await page.getByRole('button', { name: 'Person', exact: true }).click();
  await page.getByLabel('Cautions, a line each').fill('Bad left knee');
  await page.getByRole('button', { name: 'Note knee pain (left)' }).click();
  await expect(page.getByText('which is not noted yet')).toHaveCount(0);
  await page.goto(`/practise?student=${id}`);
  await expect(page.getByText('Noted: knee pain on the left.')).toBeVisible();
  await expect(
    page
      .getByRole('listitem')
      .filter({ hasText: /a bend of 20° instead of a bend of \d+° \(knee pain on the left\)/ })
      .first(),
  ).toBeVisible();
});

test('what each condition does can be read on the Sources page, exercise by exercise', async ({ page }) => {
  await openDemo(page);
  await page.goto('/sources');
  const table = page.getByRole('region', { name: 'What conditions do, exercise by exercise' });
  await table.getByRole('button', { name: 'osteoporosis' }).click();
  await expect(table.getByRole('row', { name: /^Roll down and up/ })).toContainText('the back rolled down');
  await table.getByText(/exercises stay as they are, and why/).click();
  await expect(table.getByRole('listitem').filter({ hasText: 'Neutral stance' })).toContainText(
    /trunk|asks for nothing/,
  );
});
