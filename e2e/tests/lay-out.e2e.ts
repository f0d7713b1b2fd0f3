import { expect, ownClock, test } from '../support/test';
import { openDemo, total } from '../support/pomek';

test.beforeEach(async ({ page }) => {
  await ownClock(page, '2026-03-12T09:30:00');
});

test('twenty minutes laid out for nobody, for a student and for a class; one is exchanged, one taken, all within what is noted', async ({
  page,
}) => {
  await openDemo(page);
  await page.goto('/routines');
  await page.getByRole('link', { name: 'Lay one out' }).click();
  await page.getByRole('button', { name: /^\W*Lay out$/ }).click();
  const proposals = page.getByRole('article');
  await expect(proposals).toHaveCount(3);
  for (const proposal of await proposals.all()) await expect(proposal).toContainText('20:00 min');

  await page.getByRole('combobox', { name: 'For whom' }).click();
  await page.getByRole('option', { name: 'Mireille Sand' }).click();
  await page.getByRole('button', { name: 'Silk-reeling' }).click();
  await page.getByLabel('Minutes').fill('10');
  await page.getByRole('button', { name: /^\W*Lay out$/ }).click();
  await expect(proposals.first()).toContainText('10:00 min');
  await expect(proposals.first()).toContainText('silk-reeling');
  const third = proposals.first().getByRole('listitem').nth(2);
  const before = await third.locator('strong').innerText();
  await third.getByRole('button', { name: /^Another exercise instead of/ }).click();
  await expect(third.locator('strong')).not.toHaveText(before);
  await expect(proposals.first()).toContainText('10:00 min');
  // What is asked outlives a reload.
  await page.reload();
  await expect(page.getByLabel('Minutes')).toHaveValue('10');
  await page.getByRole('button', { name: /^\W*Lay out$/ }).click();
  await proposals.first().getByRole('button', { name: 'Take this one' }).click();
  await expect(page.getByLabel('Routine', { exact: true })).toHaveValue('10 min: silk-reeling');
  await expect(total(page)).toHaveText('10:00 min');
  await page.getByRole('combobox', { name: 'For whom' }).click();
  await page.getByRole('option', { name: 'Mireille Sand' }).click();
  await expect(page.getByText('at the hardest moment, Mireille Sand:')).toBeVisible();
  await expect(page.locator('pk-findings')).not.toContainText('Danger');

  await page.goto('/routines/lay-out');
  await page.getByRole('combobox', { name: 'For whom' }).click();
  await page.getByRole('option', { name: 'Class: Tuesday beginners' }).click();
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: /^\W*Lay out$/ }).press('Enter');
  await expect(proposals.first()).toContainText(/\d+:\d\d min/);
});
