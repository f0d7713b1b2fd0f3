import { complaints, openDemo } from '../support/pomek';
import { expect, ownClock, test } from '../support/test';

test.beforeEach(async ({ page }) => {
  await ownClock(page, '2026-03-12T09:30:00');
});

test('what waits is decided on Today by keyboard alone, one after the other, and taken back', async ({ page }) => {
  const wrong = complaints(page);
  await openDemo(page);
  await page.goto('/today');
  const due = page.getByRole('region', { name: 'To decide' });
  await expect(due.getByRole('status')).toHaveCount(0);
  const row = due.getByRole('listitem').filter({ hasText: 'Raise' }).filter({ hasNotText: 'Stop and refer' }).first();
  const name = (await row.getByRole('link').first().innerText()).trim();
  const own = due.getByRole('listitem').filter({ hasText: name });
  await own.getByRole('button', { name: `Decide for ${name}` }).press('Enter');
  await expect(own.getByText(/Last practised .*effort/)).toBeVisible();
  const cards = own.getByRole('article');
  let left = await cards.count();
  expect(left).toBeGreaterThan(0);
  while (left > 0) {
    await cards.first().getByRole('button', { name: 'Accept', exact: true }).press('Enter');
    left -= 1;
    await expect(cards).toHaveCount(left);
    // The keyboard goes on where the next answer is given, or at the heading when all is decided.
    await expect
      .poll(() => page.evaluate(() => document.activeElement?.closest('section')?.getAttribute('aria-labelledby')))
      .toBe('due');
  }
  await expect(own).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(own.first()).toBeVisible();
  expect(wrong).toEqual([]);
});

test('an empty space is begun with people, by a list of names, or with a routine that is laid out', async ({
  page,
}) => {
  await page.goto('/own');
  await page.getByRole('link', { name: 'Add your students' }).click();
  await page.getByLabel('Names').fill('Ada North\nBo South');
  await page.getByRole('button', { name: /Add 2/ }).click();
  await expect(page.getByRole('link', { name: 'Ada North' })).toBeVisible();
  await page.goto('/today');
  await expect(page.getByRole('listitem').filter({ hasText: 'With your people' })).toHaveClass(/done/);
  await page.getByRole('link', { name: 'Lay one out' }).click();
  await expect(page.getByLabel('Minutes')).toHaveValue('20');
});
