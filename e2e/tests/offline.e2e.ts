import { expect, test } from '../support/test';
import { complaints, openPart, smallWorld } from '../support/pomek';

test.use({ serviceWorkers: 'allow' });

test('works offline after the first load, a reload and every place included', async ({ page, context }) => {
  await smallWorld(page);
  await page.waitForFunction(
    async () => {
      if (navigator.serviceWorker.controller === null) await navigator.serviceWorker.ready;
      const names = (await caches.keys()).filter((name) => name.includes('assets:app:cache'));
      const sizes = await Promise.all(names.map(async (name) => (await (await caches.open(name)).keys()).length));
      const manifest = (await (await fetch('/ngsw.json')).json()) as { assetGroups: { urls: string[] }[] };
      return sizes.reduce((sum, size) => sum + size, 0) >= manifest.assetGroups[0]!.urls.length;
    },
    null,
    { timeout: 60_000 },
  );
  await page.reload();
  await context.setOffline(true);
  const wrong = complaints(page);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Nela Brisk', level: 1 })).toBeVisible();
  for (const place of ['Today', 'Exercises', 'Routines', 'Students', 'Practise', 'Files']) {
    await page.getByRole('navigation').getByRole('link', { name: place }).click();
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  }
  await page.getByRole('button', { name: 'Schools' }).click();
  await expect(page.getByRole('heading', { name: 'When the load is raised' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.goto('/demo');
  await expect(page.getByRole('link', { name: 'Dagny Pellew' }).first()).toBeVisible();
  // A picture is opened, marked and read without any network.
  await page.getByRole('link', { name: 'Students' }).click();
  await page.locator('pk-students').getByRole('link', { name: 'Bertil Anquist', exact: true }).click();
  await openPart(page, 'Film');
  await page.getByRole('link', { name: 'Shift and turn, no arms, from the side' }).last().click();
  await expect(page.getByRole('region', { name: 'Checkpoints' })).toContainText('outside by');
  expect(wrong).toEqual([]);
});
