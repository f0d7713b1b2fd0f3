import { readFileSync } from 'node:fs';
import { give } from '../support/give';
import { readPdf } from '../support/pdf';
import { complaints, enterHall, openOwn, runOn, tabTo, take, takeIn, typeOver } from '../support/pomek';
import { expect, ownClock, test } from '../support/test';

test('an exercise of one’s own with all that is said aloud: written by keyboard, given away, taken in, printed, practised', async ({
  page,
}) => {
  const wrong = complaints(page);
  await openOwn(page);
  await page.goto('/exercises/one-hand-reeling');
  await page.getByRole('button', { name: 'Copy as my own' }).press('Enter');
  const write = async (label: string, text: string): Promise<void> => {
    await tabTo(page, page.getByLabel(label, { exact: true }), 200);
    await typeOver(page, text);
  };
  await write('Name', 'Pond circle');
  await write('Part 1', 'Press to the {other} bank');
  await write('The other way round, part 1', 'Rise from the {other} bank');
  await write('The way in, a line each', 'Stand by the water.');
  await write('Stage 1', 'Dry');
  await write('You may begin when, a line each', 'The water is still.');
  await write('The quick way', 'Two circles.');
  await tabTo(page, page.getByRole('button', { name: 'Add your own checkpoint' }), 200);
  await page.keyboard.press('Enter');
  const points = page.getByRole('group', { name: /^Your own checkpoint \d+$/ });
  await expect(points).toHaveCount(5);
  await points.last().getByLabel('Wanted').fill('The ripple is round');
  await points.last().getByLabel('Cue').fill('Draw on the water');
  await points.last().getByLabel('Cue').blur();
  await page.getByRole('link', { name: 'Done, show it' }).click();
  const sheet = page.getByRole('article', { name: 'Pond circle' });
  const told = async (): Promise<void> => {
    for (const words of [
      'Press to the left bank',
      'Stand by the water.',
      'Dry.',
      'The water is still.',
      'Two circles.',
      'Draw on the water',
    ])
      await expect(sheet).toContainText(words);
  };
  await told();

  // Given away as a file, and taken in by another.
  await page.getByRole('link', { name: 'Files' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export everything' }).click();
  const file = readFileSync(await (await download).path());
  await page.goto('/exercises');
  await page.getByRole('link', { name: 'Pond circle' }).click();
  await page.getByRole('button', { name: 'Remove' }).click();
  // It is gone from the storage before the page is left.
  await expect(page.getByRole('link', { name: 'Pond circle' })).toHaveCount(0);
  await page.goto('/files');
  await page
    .getByLabel('Choose a file')
    .setInputFiles({ name: 'pond.json', mimeType: 'application/json', buffer: file });
  await takeIn(page, /^Import/);
  await page.goto('/exercises');
  await page.getByRole('link', { name: 'Pond circle' }).click();
  await told();

  // On paper, in both directions.
  await page.getByRole('link', { name: 'Routines' }).click();
  await page.getByRole('button', { name: 'Build the first routine' }).click();
  await take(page, 'Pond circle');
  const routine = page.url();
  await page.getByRole('link', { name: 'Give' }).click();
  const { text } = await readPdf(readFileSync(await (await give(page, 'Pages to learn from')).path()));
  for (const words of [
    'Stand by the water.',
    'Press to the left bank',
    'Rise from the left bank',
    'Reversed, right side; the other is the mirror',
    'Knees: no twist',
    'Stop when',
  ])
    expect(text).toContain(words);

  // In the hall: the way in, then the words of the side and the direction.
  await ownClock(page);
  const id = new URL(routine).pathname.split('/').at(-1)!;
  await page.goto(`/practise?routine=${id}`);
  await enterHall(page);
  await page.keyboard.press('Space');
  await expect(page.getByText('Stand by the water.')).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await runOn(page, 1);
  await expect(page.getByText('Press to the right bank')).toBeVisible();
  // On to the reversed round of that side, and to its last part.
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await runOn(page, 9);
  await expect(page.getByText('Rise from the right bank')).toBeVisible();
  expect(wrong).toEqual([]);
});
