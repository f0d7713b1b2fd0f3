import { readFile } from 'node:fs/promises';
import { expect, test } from '../support/test';
import { complaints, openDemo, tabTo } from '../support/pomek';
import { readPdf } from '../support/pdf';

test('turn a posture with the pointer, on a student, and read what it means', async ({ page }) => {
  const wrong = complaints(page);
  await openDemo(page);
  await page.goto('/exercises/wide-rider');
  const bench = page.getByRole('region', { name: 'The figure' });
  await page.getByRole('combobox', { name: 'On whose body' }).click();
  await page.getByRole('option', { name: 'Orsolya Venn' }).click();
  await expect(bench).toContainText(/From test holds and \d+ practices\./);
  await expect(bench).toContainText('behind the toe line');
  await page.getByLabel('Knee bend, slider').fill('85');
  await expect(bench).toContainText('past the toe line');
  await expect(bench.getByRole('group', { name: /knees bent 85°/ })).toBeVisible();
  await page.getByLabel('Knee bend', { exact: true }).fill('999');
  await expect(page.getByText('Knee bend: from 0 to 120.')).toBeVisible();
  await page.getByRole('button', { name: 'Checkpoint knees: ' }).first().click();
  await expect(bench.locator('pk-checkpoint-card').first()).toContainText('Open the knees as two doors');
  await page.getByRole('button', { name: 'Keep beside, to compare' }).click();
  await page.getByRole('combobox', { name: 'On whose body' }).click();
  await page.getByRole('option', { name: 'Mireille Sand' }).click();
  await expect(bench).toContainText('Now: Mireille Sand');
  await expect(bench).toContainText('Kept: Orsolya Venn');
  expect(wrong).toEqual([]);
});

test('a cycle plays, stops and is scrubbed by keyboard alone', async ({ page }) => {
  await openDemo(page);
  await page.goto('/exercises/one-hand-reeling');
  await tabTo(page, page.getByRole('button', { name: 'Cycle' }));
  await page.keyboard.press('Enter');
  const now = page.locator('[aria-current=step]');
  await expect(now).toContainText('the palm presses down to belly height');
  await tabTo(page, page.getByRole('button', { name: 'Play' }));
  await page.keyboard.press('Space');
  await expect(now).toContainText('Turn the pelvis to the left side');
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Play' })).toBeVisible();
  await tabTo(page, page.getByRole('slider', { name: 'Place in the cycle' }));
  await page.keyboard.press('End');
  await expect(now).toContainText('Turn the pelvis to the right corner, knees still; the arm opens');
  await expect(page.getByText('pelvis 45° to the right')).toBeVisible();
});

test('floor marks go on A4 with a bar of exactly a hundred millimetres', async ({ page }) => {
  await openDemo(page);
  await page.goto('/exercises/bow-stand');
  await page.getByRole('button', { name: 'Floor marks' }).click();
  await expect(page.getByText('Right heel 52 cm ahead of the other')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Print on A4' }).click();
  const read = await readPdf(await readFile(await (await download).path()));
  expect(read.pages).toBe(1);
  expect(read.size[0]).toBeCloseTo(595.28, 1);
  expect(read.size[1]).toBeCloseTo(841.89, 1);
  expect(read.text).toContain('Floor marks for A standard body, scale 1 : 10');
  expect(read.text).toContain('This bar is 100 mm long on paper and stands for 100 cm');
  expect(read.levelLinesMm.some((length) => Math.abs(length - 100) < 0.05)).toBe(true);
  // Who stands on them is there too.
  expect(read.photographs).toBe(1);
});

test('readings of two scales are kept in the file, through a reload and an undo', async ({ page }) => {
  await openDemo(page);
  await page.goto('/exercises/one-hand-reeling');
  const choose = async () => {
    await page.getByRole('combobox', { name: 'On whose body' }).click();
    await page.getByRole('option', { name: 'Bertil Anquist' }).click();
    await page.getByRole('button', { name: 'Two scales', exact: true }).click();
  };
  await choose();
  await page.getByLabel('Left scale shows').fill('35');
  await page.getByLabel('Right scale shows').fill('57');
  await expect(page.getByText('38 / 62')).toBeVisible();
  await page.getByRole('button', { name: 'Save in the file of Bertil Anquist' }).click();
  await expect(page.getByRole('cell', { name: '38 / 62' })).toBeVisible();
  await page.reload();
  await choose();
  await expect(page.getByRole('cell', { name: '8 points' })).toBeVisible();
});

test('another school changes doses, cues and checks, and leaves what was set by hand', async ({ page }) => {
  await openDemo(page);
  await page.goto('/exercises/four-part-breath');
  await expect(page.getByText('pauses 2 s in the breath, the school not at all')).toBeVisible();
  await page.getByRole('combobox', { name: 'As which school teaches it' }).click();
  await page.getByRole('option', { name: 'Breath hall' }).click();
  await expect(page.getByText('pauses 2 s in the breath')).toBeHidden();
  await page.getByRole('link', { name: 'Holding the tree' }).click();
  await page.locator('summary', { hasText: 'Checkpoints' }).click();
  await expect(
    page.getByRole('article', { name: 'Holding the tree' }).getByText(/Closed once the exercise is known/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Schools' }).click();
  await page.getByRole('combobox', { name: 'School', exact: true }).click();
  await page.getByRole('option', { name: 'Breath hall' }).click();
  await expect(page.getByText('The weight gathers in the middle of the foot.')).toBeVisible();
  await page.getByRole('button', { name: 'Level', exact: true }).last().click();
  await expect(page.getByText('The eyes rest level and soft.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('article', { name: 'Holding the tree' }).getByText(/^Level and soft/)).toBeVisible();
});
