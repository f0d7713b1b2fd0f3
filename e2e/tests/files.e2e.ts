import { readFile, writeFile } from 'node:fs/promises';
import { give } from '../support/give';
import { readPdf } from '../support/pdf';
import { expect, test, type Page } from '../support/test';
import { openDemo, openOwn, smallWorld } from '../support/pomek';

const offer = (page: Page, text: string, name = 'some.json') =>
  page
    .getByLabel('Choose a file', { exact: true })
    .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });

async function exported(page: Page): Promise<string> {
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export everything' }).click();
  return readFile(await (await waiting).path(), 'utf8');
}

test('damaged, foreign and newer files are refused with the place, and nothing changes', async ({ page }) => {
  await smallWorld(page);
  await page.getByRole('link', { name: 'Files' }).click();
  const before = await exported(page);
  const alert = page.getByRole('alert');
  const cut = before.slice(0, 400);
  const wrong = before.replace('"holdSeconds": 60', '"holdSeconds": -60');
  const newer = before.replace(/"version": \d+/, '"version": 999');
  expect(wrong).not.toBe(before);
  expect(newer).not.toBe(before);
  const cases: [string, string | RegExp][] = [
    [cut, /line \d+, column \d+/],
    [wrong, 'contents.routines[0].segments[0].dose.holdSeconds'],
    [newer, 'version 999'],
    ['{"someone": "else"}', 'not a Pomek file'],
    ['', 'The file is empty'],
    ['PK\u0003\u0004 binary \u0000\u0001', /line 1, column/],
  ];
  for (const [text, says] of cases) {
    await offer(page, text);
    await expect(alert).toContainText(says);
    await expect(alert).toContainText('Nothing was changed');
  }
  const strip = (text: string) => text.replace(/"writtenAt": "[^"]*"/, '');
  expect(strip(await exported(page))).toBe(strip(before));
});

test('of an older file what is beyond the limits is named, and all else comes in', async ({ page }) => {
  await smallWorld(page);
  await page.getByRole('link', { name: 'Files' }).click();
  const old = (await exported(page)).replace(/"startsOn": "[^"]*"/, '"startsOn": "0001-01-01"');
  await openDemo(page);
  await page.goto('/files');
  await offer(page, old);
  const preview = page.getByRole('region', { name: 'Preview of the import' });
  await expect(preview.getByRole('row', { name: /plan of Nela Brisk/ })).toContainText(
    'startsOn: a day lies between 1970 and 2199',
  );
  await page.getByRole('button', { name: /^Import \d/ }).click();
  await expect(page.getByText(/records? imported/)).toBeVisible();
  await page.goto('/students');
  await expect(page.locator('pk-students').getByRole('link', { name: 'Nela Brisk' })).toBeVisible();
});

test('a file of 100 MB is refused at once', async ({ page }, info) => {
  await openOwn(page);
  await page.getByRole('link', { name: 'Files' }).click();
  const path = info.outputPath('huge.json');
  await writeFile(path, Buffer.alloc(100 * 1024 * 1024, 32));
  await page.getByLabel('Choose a file', { exact: true }).setInputFiles(path);
  await expect(page.getByRole('alert')).toContainText('The file has 100 MB');
});

test('an import is previewed, chosen from, taken in and undone', async ({ page }) => {
  await smallWorld(page);
  await page.getByRole('link', { name: 'Files' }).click();
  const text = await exported(page);
  await offer(page, text);
  await expect(page.getByRole('button', { name: 'Nothing to import' })).toBeDisabled();
  await page.getByRole('button', { name: 'Cancel' }).click();

  const changed = text.replaceAll('Nela Brisk', 'Nela Broad').replaceAll('"Short stand"', '"Shorter stand"');
  await offer(page, changed);
  await expect(page.getByRole('region', { name: 'Preview of the import' })).toContainText('2 changed');
  await page.getByRole('checkbox', { name: 'Import Shorter stand' }).uncheck();
  await page.getByRole('button', { name: 'Import 1' }).click();
  await page.getByRole('link', { name: 'Students' }).click();
  await expect(page.getByRole('link', { name: 'Nela Broad' })).toBeVisible();
  await expect(page.getByRole('cell', { name: 'Short stand' })).toBeVisible();
  await page.getByRole('button', { name: /^Undo Import/ }).click();
  await expect(page.getByRole('link', { name: 'Nela Brisk' })).toBeVisible();
});

test('what points to nothing is named and left out', async ({ page }) => {
  await smallWorld(page);
  await page.getByRole('link', { name: 'Files' }).click();
  const bundle = JSON.parse(await exported(page)) as { contents: { routines: unknown[]; students: { id: string }[] } };
  bundle.contents.routines = [];
  await openDemo(page);
  await page.getByRole('link', { name: 'Files' }).click();
  await offer(page, JSON.stringify(bundle));
  await expect(page.getByRole('region', { name: 'Preview of the import' })).toContainText('1 cannot be imported');
  await expect(page.getByText(/routineId: routine “.*” is neither here nor in the file/)).toBeVisible();
  await page.getByRole('button', { name: 'Import 1' }).click();
  await page.getByRole('link', { name: 'Students' }).click();
  await expect(page.getByRole('link', { name: 'Nela Brisk' })).toBeVisible();
});

test('one routine and a calendar go out', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('link', { name: 'Files' }).click();
  await page.getByRole('combobox', { name: 'Routine to export' }).click();
  await page.getByRole('option', { name: 'Beside the chair' }).click();
  const first = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export the routine' }).click();
  const routine = await first;
  expect(routine.suggestedFilename()).toBe('beside-the-chair.json');
  const bundle = JSON.parse(await readFile(await routine.path(), 'utf8')) as { contents: Record<string, unknown[]> };
  expect(Object.entries(bundle.contents).map(([kind, list]) => [kind, list.length])).toEqual([
    ['schools', 1],
    ['exercises', 1],
    ['routines', 1],
    ['students', 0],
    ['plans', 0],
    ['logs', 0],
    ['decisions', 0],
    ['measures', 0],
    ['chains', 0],
    ['corrections', 0],
    ['classes', 0],
    ['meetings', 0],
    ['stills', 0],
    ['films', 0],
    ['pictures', 0],
    ['recordings', 0],
  ]);

  await page.getByRole('link', { name: 'Students' }).click();
  await page.locator('pk-students').getByRole('link', { name: 'Mireille Sand' }).click();
  await page.getByRole('button', { name: 'Give', exact: true }).click();
  await page.getByRole('radio', { name: 'A calendar' }).check();
  await page.getByLabel('Weeks').fill('2');
  await expect(page.getByText('10 practice days')).toBeVisible();
  const calendar = await readFile(await (await give(page, 'A calendar')).path(), 'utf8');
  expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(10);
  expect(calendar).toContain('T073000');
  expect(calendar).toContain('SEQUENCE:0');
  await expect(page.getByText('Calendar made')).toBeVisible();
  // Given out again it replaces the first.
  const again = await readFile(await (await give(page, 'A calendar')).path(), 'utf8');
  expect(again.match(/SEQUENCE:1/g)).toHaveLength(10);
  const uids = (text: string) => [...text.matchAll(/UID:(.*)/g)].map(([, uid]) => uid);
  expect(uids(again)).toEqual(uids(calendar));

  // On paper: the days that the calendar has, with boxes, read by a library that did not write it.
  const card = await give(page, 'A week card');
  expect(card.suggestedFilename()).toMatch(/week-card\.pdf$/);
  const { text, size } = await readPdf(await readFile(await card.path()));
  expect(size.map(Math.round)).toEqual([595, 842]);
  expect(text).toContain('Effort, 0 to 10');
  expect(text).toContain('see a licensed practitioner');
});
