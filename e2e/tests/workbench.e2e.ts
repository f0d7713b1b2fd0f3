import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '../support/test';
import { complaints, look, openDemo, openOwn, tabTo, take, total } from '../support/pomek';
import { readPdf } from '../support/pdf';

const thread = (page: Page) => page.getByRole('listbox', { name: /The routine as a thread/ });
const parts = (page: Page) => thread(page).getByRole('option');

test('the longest routine of the demo is built from nothing with the pointer, and each of its steps undone', async ({
  page,
}) => {
  await openOwn(page);
  await page.goto('/routines');
  await page.getByRole('button', { name: 'Build the first routine' }).click();
  await page.getByLabel('Routine', { exact: true }).fill('Thread and turn');
  await page.getByLabel('Routine', { exact: true }).blur();
  const names = [
    'Joint circles',
    'Reaching up with both hands',
    'Shift and turn',
    'One-hand silk-reeling',
    'Two-hand silk-reeling',
    'Empty and full',
    'Shake out',
    'Rub along the inner arms',
  ];
  for (const name of names) await take(page, name);
  await expect(parts(page)).toHaveCount(8);
  await page.getByRole('button', { name: /Rest$/ }).click();
  await expect(parts(page)).toHaveCount(9);
  const length = await total(page).innerText();
  // The rest goes before the two-handed reeling, by dragging it along the thread.
  const from = (await parts(page).last().boundingBox())!;
  const to = (await parts(page).nth(4).boundingBox())!;
  await page.mouse.move(from.x + from.width / 2, from.y + 60);
  await page.mouse.down();
  await page.mouse.move(to.x + 20, to.y + 60, { steps: 5 });
  await page.mouse.up();
  await expect(parts(page).nth(4)).toHaveAttribute('aria-label', /Rest/);
  await expect(total(page)).toHaveText(length);
  await page.reload();
  await expect(parts(page).nth(4)).toHaveAttribute('aria-label', /Rest/);
});

test('a routine of twelve by keyboard, a hundred steps, and undo back to the first state', async ({ page }) => {
  const wrong = complaints(page);
  await openOwn(page);
  await page.goto('/routines');
  await page.getByRole('button', { name: 'Build the first routine' }).click();
  const search = page.getByRole('searchbox', { name: /Search the shelf/ });
  const shelf = page.getByRole('region', { name: 'Shelf of exercises' }).getByRole('button');
  for (const [index, word] of ['joint', 'tree', 'shift and', 'one-hand', 'empty and', 'shake'].entries()) {
    await search.fill(word);
    await expect(shelf.first()).toBeVisible();
    await search.press('Enter');
    await expect(parts(page)).toHaveCount(index + 1);
  }
  await thread(page).focus();
  await page.keyboard.press('Home');
  await page.keyboard.press('Shift+End');
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Control+c');
  await page.keyboard.press('End');
  await page.keyboard.press('Control+v');
  await expect(parts(page)).toHaveCount(12);
  const before = await total(page).innerText();
  await thread(page).focus();
  await page.keyboard.press('Home');
  await page.keyboard.press('ArrowRight');
  for (let step = 0; step < 50; step += 1) {
    // A stand of both sides together is its own mirror image: that is no step.
    await page.keyboard.press('m');
    await page.keyboard.press('Alt+ArrowRight');
    await page.keyboard.press('Alt+ArrowLeft');
  }
  await page.keyboard.press(']');
  await expect(total(page)).not.toHaveText(before);
  // A hundred moves and one longer hold; before them stands the pasting.
  for (let step = 0; step < 101; step += 1) await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Undo / })).toHaveAccessibleName(/^Undo Paste/);
  await expect(total(page)).toHaveText(before);
  await expect(parts(page).nth(1)).toHaveAttribute('aria-label', /Holding the tree/);
  await tabTo(page, thread(page));
  expect(wrong).toEqual([]);
});

test('what is wrong is provoked, read and mended, each in one step', async ({ page }) => {
  await openDemo(page);
  await page.goto('/routines/demo-long-stand');
  const findings = page.locator('pk-findings');
  await page.getByRole('combobox', { name: 'For whom' }).click();
  await page.getByRole('option', { name: 'Mireille Sand' }).click();
  await expect(findings).toContainText('Mireille Sand');
  await thread(page)
    .getByRole('option', { name: /Neutral stance/ })
    .click();
  await page.getByLabel('Bend', { exact: true }).fill('70');
  await look(page, 'Findings');
  await expect(findings).toContainText('Neutral stance: the knees of Mireille Sand are');
  const finding = findings.getByRole('article').filter({ hasText: 'Neutral stance: the knees' });
  await expect(finding.getByRole('button', { name: 'Keep so' })).toHaveCount(0);
  await finding.getByRole('button', { name: /^Up to/ }).click();
  await expect(finding).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(finding).toHaveCount(1);
  await parts(page).first().click();
  await page.keyboard.press('Delete');
  await look(page, 'Findings');
  await expect(findings).toContainText('There is no warm-up at the beginning.');
  await findings.getByRole('button', { name: /Put “Joint circles/ }).click();
  await expect(findings).not.toContainText('There is no warm-up');
  await look(page, 'Hall');
  await page.getByRole('button', { name: 'It is done in a hall' }).click();
  await expect(page.getByText('Nothing in it steps away from its place.')).toBeVisible();
});

test('a routine is fitted to the minutes there are, and left or taken as a whole', async ({ page }) => {
  await openDemo(page);
  await page.goto('/routines/demo-reeling');
  const before = await total(page).innerText();
  await look(page, 'Minutes');
  await page.getByLabel('Fit to').fill('15');
  await page.getByRole('button', { name: 'Fit', exact: true }).click();
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(total(page)).toHaveText(before);
  await page.getByRole('button', { name: 'Fit', exact: true }).click();
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(total(page)).toHaveText(/^(14:[3-5]\d|15:00) min$/);
  await page.keyboard.press('Control+z');
  await expect(total(page)).toHaveText(before);
  await page.getByLabel('Fit to', { exact: true }).fill('2');
  await page.getByRole('button', { name: 'Fit', exact: true }).click();
  await expect(page.locator('pk-fit')).toContainText('takes 3:00 min alone: over by 1:00 min');
});

test('the handout opens as a PDF with what the student needs', async ({ page }) => {
  await openDemo(page);
  await page.goto('/routines/demo-morning');
  await page.getByRole('combobox', { name: 'For whom' }).click();
  await page.getByRole('option', { name: 'Mireille Sand' }).click();
  const made = async (name: string) => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name }).click();
    return readPdf(await readFile(await (await download).path()));
  };
  const student = await made('Handout');
  // As much as is needed to do it from the paper alone.
  expect(student.pages).toBeLessThanOrEqual(4);
  expect(student.text).toContain('The way in');
  expect(student.text).toContain('Stop when');
  expect(student.text).toContain('Morning at the pond');
  expect(student.text).toContain('For Mireille Sand.');
  expect(student.text).toContain('No held breath: blood pressure');
  expect(student.text).toContain('1 hold × 1:00 min');
  expect(student.text).toContain('see a licensed practitioner');
  // Who has a plan for it is given its doses, and told so; the counts are told either way and side.
  await page.goto('/routines/demo-reeling');
  await page.getByRole('combobox', { name: 'For whom' }).click();
  await page.getByRole('option', { name: 'Ilse Marrowby' }).click();
  const planned = await made('Handout');
  expect(planned.text).toMatch(/Doses of the plan on \d+ \w+ \d{4}/);
  expect(planned.text).toMatch(/Left forward \d+, left reversed \d+, right forward \d+, right reversed \d+\./);
  expect(planned.text).toContain('Seen from the front');
  const teacher = await made('Teacher’s');
  expect(teacher.text).toContain('Cue:');
  expect(teacher.text).toContain('Stages');
});

test('the chain of the term: lessons follow the pieces, also after a reload', async ({ page }) => {
  await openDemo(page);
  await page.goto('/routines');
  await page.getByRole('link', { name: 'The pond sequence' }).click();
  await expect(page.getByRole('heading', { name: '5 Carry the bowl' })).toBeVisible();
  await expect(page.getByText('say “your right”, show your own left').first()).toBeVisible();
  await page.getByRole('button', { name: 'This lesson was held' }).click();
  await expect(page.getByRole('heading', { name: '6 Cloud over the hill' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: '6 Cloud over the hill' })).toBeVisible();
  await page.getByLabel('A lesson lasts').fill('15 min');
  await expect(page.getByText('join them and play them in one go').first()).toBeVisible();
});
