import { readFileSync } from 'node:fs';
import type { Browser } from '@playwright/test';
import { openOwn, runOn, smallWorld } from '../support/pomek';
import { expect, ownClock, test, type Page } from '../support/test';

test.beforeEach(async ({ page }) => {
  await ownClock(page, '2026-03-12T09:30:00');
  // The folder that a teacher would choose in the browser's own window: one of the page's private files stands in for it.
  await page.addInitScript(() => {
    const choose = async (): Promise<FileSystemDirectoryHandle> => {
      const root = await navigator.storage.getDirectory();
      return root.getDirectoryHandle('Backup', { create: true });
    };
    Object.assign(window, { showDirectoryPicker: choose });
  });
});

/** What lies in the folder: the names of files, and how many students and practices each has. */
const inFolder = (page: Page): Promise<{ name: string; students: number }[]> =>
  page.evaluate(async () => {
    const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('Backup', { create: true });
    const found: { name: string; students: number }[] = [];
    for await (const [name, handle] of folder as unknown as AsyncIterable<[string, FileSystemFileHandle]>) {
      const text = await (await handle.getFile()).text();
      found.push({ name, students: (JSON.parse(text) as { contents: { students: [] } }).contents.students.length });
    }
    return found.toSorted((a, b) => a.name.localeCompare(b.name));
  });

/** Files on another machine two days later, where a file is being read. */
async function elsewhere(browser: Browser, name: string, buffer: Buffer): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await ownClock(page, '2026-03-14T09:30:00');
  await openOwn(page);
  await page.getByRole('link', { name: 'Files' }).click();
  await page.locator('#import-file').setInputFiles({ name, mimeType: 'application/octet-stream', buffer });
  return page;
}

test('copies go into a folder by themselves, one for each day, and one of them brings everything back elsewhere', async ({
  page,
  browser,
}) => {
  await smallWorld(page);
  await page.getByRole('link', { name: 'Files' }).click();
  await page.getByRole('button', { name: 'Choose a folder…' }).click();
  const all = page.getByRole('region', { name: 'Keep a copy of everything' });
  await expect(all).toContainText(
    /Copies go into Backup by themselves\. The last: 12 Mar 2026, 09:3\d, \d+ records, .* read back\./,
  );
  const [first] = await inFolder(page);
  expect(first).toEqual({
    name: expect.stringMatching(/^pomek-copy-2026-03-12-[a-z0-9]{6}\.json$/) as unknown,
    students: 1,
  });

  // Another student: the copy of the day takes it in a minute later, with no press, over a reload too.
  await page.getByRole('link', { name: 'Students' }).click();
  await page.getByRole('button', { name: /^\W*New student$/ }).click();
  await page.getByLabel('Name').fill('Tov Ashgrove');
  await page.getByLabel('Name').blur();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tov Ashgrove');
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tov Ashgrove');
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeEnabled();
  await runOn(page, 90);
  await expect.poll(() => inFolder(page)).toEqual([{ name: first!.name, students: 2 }]);

  // The next day has a copy of its own.
  await page.clock.fastForward('24:00:00');
  await page.getByLabel('Name').fill('Tov Ashgrove the younger');
  await page.getByLabel('Name').blur();
  await runOn(page, 90);
  await expect
    .poll(async () => (await inFolder(page)).map(({ name }) => name.slice(0, 21)))
    .toEqual(['pomek-copy-2026-03-12', 'pomek-copy-2026-03-13']);

  const text = await page.evaluate(async (name) => {
    const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('Backup');
    return (await (await folder.getFileHandle(name)).getFile()).text();
  }, first!.name);
  const other = await elsewhere(browser, first!.name, Buffer.from(text));
  await other.getByRole('button', { name: /^Import \d+/ }).click();
  await expect(other.getByText(/records imported/)).toBeVisible();
  await other.getByRole('link', { name: 'Students' }).click();
  await expect(other.locator('pk-students').getByRole('link', { name: 'Nela Brisk' })).toBeVisible();
  await expect(other.locator('pk-students').getByRole('link', { name: 'Tov Ashgrove' })).toBeVisible();
  await other.context().close();
});

test('a folder that is gone is said with the way on, and what was made before stays said', async ({ page }) => {
  await smallWorld(page);
  await page.getByRole('link', { name: 'Files' }).click();
  await page.getByRole('button', { name: 'Choose a folder…' }).click();
  const all = page.getByRole('region', { name: 'Keep a copy of everything' });
  await expect(all).toContainText('read back');
  await page.evaluate(async () => {
    await (await navigator.storage.getDirectory()).removeEntry('Backup', { recursive: true });
  });
  await page.getByRole('button', { name: 'Copy now' }).click();
  await expect(all.getByRole('alert')).toContainText('The last try failed. The folder is not there any more.');
  await page.getByRole('button', { name: 'Another folder…' }).click();
  await expect(all.getByRole('alert')).toHaveCount(0);
  await expect(all).toContainText('read back');
  await page.getByRole('button', { name: 'No more copies there' }).click();
  await expect(page.getByRole('button', { name: 'Choose a folder…' })).toBeVisible();
});

test('the browser is asked to keep what is stored, and its answer is shown; a file tells what it lacks', async ({
  page,
}) => {
  await page.addInitScript(() => {
    let kept = false;
    navigator.storage.persisted = () => Promise.resolve(kept);
    navigator.storage.persist = () => Promise.resolve((kept = 'agrees' in window));
  });
  await smallWorld(page);
  await page.getByRole('link', { name: 'Files' }).click();
  const all = page.getByRole('region', { name: 'Keep a copy of everything' });
  await expect(all).toContainText('This browser may clear your records');
  await page.evaluate(() => Object.assign(window, { agrees: true }));
  await page.getByRole('button', { name: 'Ask it not to clear them' }).click();
  await expect(all).toContainText('This browser has promised not to clear your records.');

  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export everything' }).click();
  const file = await (await downloading).path();
  await page.getByRole('link', { name: 'Students' }).click();
  await page.getByRole('button', { name: /^\W*New student$/ }).click();
  await page.getByLabel('Name').fill('Tov Ashgrove');
  await page.getByLabel('Name').blur();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tov Ashgrove');
  await page.getByRole('link', { name: 'Files' }).click();
  await page.locator('#import-file').setInputFiles(file);
  await expect(page.getByRole('region', { name: 'Preview of the import' })).toContainText(
    'Here and not in the file: 1 student. All of that stays as it is.',
  );
});

test('a copy is locked with a passphrase, and opens elsewhere with it alone', async ({ page, browser }) => {
  await smallWorld(page);
  await page.getByRole('link', { name: 'Files' }).click();
  await page.getByRole('checkbox', { name: 'Lock it with a passphrase' }).check();
  const making = page.getByRole('button', { name: 'Export everything' });
  await expect(making).toBeDisabled();
  await page.getByLabel('Passphrase, 8 letters at least').fill('short');
  await expect(making).toBeDisabled();
  await page.getByLabel('Passphrase, 8 letters at least').fill('three cranes by the pond');
  const downloading = page.waitForEvent('download');
  await making.click();
  const file = await downloading;
  expect(file.suggestedFilename()).toBe('pomek-2026-03-12.jwe');
  const locked = readFileSync(await file.path());
  expect(locked.includes('Nela Brisk')).toBe(false);

  const other = await elsewhere(browser, 'pomek-2026-03-12.jwe', locked);
  const asked = other.getByLabel('pomek-2026-03-12.jwe is locked. Its passphrase:');
  await asked.fill('four cranes by the pond');
  await asked.press('Enter');
  const refused = other.getByRole('alert').filter({ hasText: 'was not imported' });
  await expect(refused).toContainText('This is not the passphrase of the file, or the file is damaged.');
  await asked.fill('three cranes by the pond');
  await other.getByRole('button', { name: 'Open it' }).click();
  await expect(other.getByRole('region', { name: 'Preview of the import' })).toContainText('3 new');
  await expect(refused).toHaveCount(0);
  await other.getByRole('button', { name: 'Import 3' }).click();
  await other.getByRole('link', { name: 'Students' }).click();
  await expect(other.locator('pk-students').getByRole('link', { name: 'Nela Brisk' })).toBeVisible();
  await other.context().close();
});
