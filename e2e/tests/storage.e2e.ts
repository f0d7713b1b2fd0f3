import { limitStorage } from '../support/fields';
import { enterHall, openDemo, openPart } from '../support/pomek';
import { expect, test } from '../support/test';

/** How long the browser goes by what it was told of its room before. */
const ASKED_AGAIN_MS = 31_000;

/**
 * The browser's storage is full, by the browser's own limit: it is said, what was typed stays on the
 * screen, one can go on and take everything out, nothing is half written, and all is kept once there is
 * room.
 */
test('a full storage is said, everywhere usable, and nothing is lost or half written', async ({ page }) => {
  await openDemo(page);

  await test.step('in a form', async () => {
    await page.goto('/students/demo-student-3?part=person');
    await expect(page.getByLabel('Name')).toHaveValue('Bertil Anquist');
    await limitStorage(page, 1);
    const full = page.getByText('The browser has no room left');
    await page.waitForTimeout(ASKED_AGAIN_MS);
    await page.getByLabel('Name').fill('Bertil the Patient');
    await page.getByLabel('Note').fill('knows what he does');
    await page.getByLabel('Note').blur();
    await expect(full).toBeVisible();
    await expect(page.getByLabel('Name')).toHaveValue('Bertil the Patient');
    await expect(page.getByLabel('Note')).toHaveValue('knows what he does');
    // The message takes its own room: what stands at the foot of the page can still be pressed.
    await page.getByRole('button', { name: 'Remove this student' }).click({ trial: true });
  });

  await test.step('a picture is refused whole', async () => {
    await openPart(page, 'Film');
    const picture = await page
      .getByRole('img', { name: /seen from the right/ })
      .first()
      .screenshot();
    await page.getByLabel('Picture or film').setInputFiles({ name: 'a.png', mimeType: 'image/png', buffer: picture });
    await expect(page.getByText('The browser has no room left').last()).toBeVisible();
    await expect(page.getByText(/2 pictures/)).toBeVisible();
  });

  await test.step('one goes on, and takes everything out', async () => {
    await page.getByRole('navigation').getByRole('link', { name: 'Files' }).click();
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Export everything' }).click();
    expect((await download).suggestedFilename()).toMatch(/\.json$/);
  });

  const rows = page.locator('li[data-segment]');
  const rest = page.getByRole('button', { name: /\bRest$/ });
  let segments = 0;
  await test.step('a command is refused whole', async () => {
    await page.goto('/routines/demo-reeling');
    await expect(rows.first()).toBeVisible();
    segments = await rows.count();
    await rest.click();
    await expect(page.getByText('Not saved', { exact: true })).toBeVisible();
    await expect(rows).toHaveCount(segments);
  });

  const heading = page.getByRole('heading', { level: 1 });
  await test.step('a practice goes on, and survives a reload', async () => {
    await page.goto('/practise?student=demo-student-8');
    await enterHall(page);
    await page.keyboard.press('Space');
    await expect(page.getByText('This practice is saved beside your data for now.')).toBeVisible();
    await page.keyboard.press('ArrowRight');
    await expect(heading).not.toHaveText(/^Take up/);
    const first = (await heading.textContent())!;
    await page.keyboard.press('ArrowRight');
    // A press has been answered when the heading says so, not when the key is up.
    await expect(heading).not.toHaveText(first);
    const title = await heading.textContent();
    await page.reload();
    await expect(page.getByText('Paused. Space goes on.')).toBeVisible();
    await expect(heading).toHaveText(title!);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'End and log what was done' }).click();
    await page.getByRole('radio', { name: /^Effort 5,/ }).check({ force: true });
    await page.getByLabel('Note').fill('no room');
    await page.getByRole('button', { name: 'Save to the log' }).click();
    await expect(page.getByText('Not saved', { exact: true })).toBeVisible();
    await expect(page.getByLabel('Note')).toHaveValue('no room');
  });

  await test.step('with room again all is kept', async () => {
    await limitStorage(page, null);
    await page.getByRole('button', { name: 'Save to the log' }).click();
    await openPart(page, 'Practices');
    await expect(page.locator('pk-log-list details').first()).toContainText('today');
    await expect(page.locator('pk-log-list details').first()).toContainText('effort 5 of 10');
    await page.goto('/routines/demo-reeling');
    await rest.click();
    await expect(rows).toHaveCount(segments + 1);
    await page.goto('/students/demo-student-3?part=person');
    await expect(heading).toHaveText('Bertil the Patient');
    await page.reload();
    await expect(heading).toHaveText('Bertil the Patient');
    await expect(page.getByLabel('Note')).toHaveValue('knows what he does');
  });
});
