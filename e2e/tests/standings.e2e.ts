import { complaints, openDemo } from '../support/pomek';
import { expect, test, type Page } from '../support/test';

/** Whether the pages opened from now on get their workers. */
const workers = (page: Page, come: boolean): Promise<void> =>
  page.evaluate((word) => sessionStorage.setItem('workers', word), come ? 'come' : 'none');

/** What waits, as Today and the students say it. */
async function whatWaits(page: Page) {
  await page.goto('/today');
  const due = page.getByRole('region', { name: 'To decide' });
  await expect(due.getByRole('listitem').first()).toBeVisible();
  await expect(due.getByRole('status')).toHaveCount(0);
  const today = await due.getByRole('listitem').allInnerTexts();
  await page.goto('/students');
  const rows = page.getByRole('row');
  await expect(rows.nth(1)).toBeVisible();
  await expect(page.getByText('Looking through the practices')).toHaveCount(0);
  return { today, students: await rows.allInnerTexts() };
}

test('what was worked out is there after a reload without work; what is missing says so and can be tried again', async ({
  page,
}) => {
  const wrong = complaints(page);
  await page.addInitScript(() => {
    const Real = Worker;
    globalThis.Worker = class extends Real {
      constructor(address: string | URL, options?: WorkerOptions) {
        super(sessionStorage.getItem('workers') === 'none' ? '/no-worker-here.js' : address, options);
      }
    };
  });
  await openDemo(page);
  const first = await whatWaits(page);
  expect(first.today.join(' ')).toContain('Stop and refer');
  // From here on nothing can be worked out any more: what is kept is enough.
  await workers(page, false);
  expect(await whatWaits(page)).toEqual(first);
  // One person changes: only that one is not known, and it is said.
  await page.getByRole('link', { name: 'Orsolya Venn', exact: true }).click();
  await page.getByRole('button', { name: 'Person', exact: true }).click();
  await page.getByLabel('Note', { exact: true }).fill('Likes to begin slowly.');
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeEnabled();
  await page.goto('/students');
  await expect(page.getByRole('alert')).toContainText(/could not be worked out: .*could not be loaded/);
  await expect(page.getByRole('row', { name: /Orsolya Venn/ })).toContainText('…');
  expect((await page.getByRole('row').allInnerTexts()).filter((row) => !row.includes('Orsolya'))).toEqual(
    first.students.filter((row) => !row.includes('Orsolya')),
  );
  await workers(page, true);
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('row', { name: /Orsolya Venn/ })).not.toContainText('…');
  expect(await page.getByRole('row').allInnerTexts()).toEqual(first.students);
  expect(wrong.filter((text) => !text.includes('404'))).toEqual([]);
});
