import { readFile } from 'node:fs/promises';
import { unzipSync } from 'fflate';
import { expect, test, type Page } from '../support/test';
import { complaints, look, openDemo, openOwn, tabTo, take, total } from '../support/pomek';
import { give, openGive, type Given } from '../support/give';
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
  await expect(finding.getByRole('button', { name: 'Ignore' })).toHaveCount(0);
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
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(total(page)).toHaveText(before);
  await page.getByRole('button', { name: 'Fit', exact: true }).click();
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect(total(page)).toHaveText(/^(14:[3-5]\d|15:00) min$/);
  await page.keyboard.press('Control+z');
  await expect(total(page)).toHaveText(before);
  await page.getByLabel('Fit to', { exact: true }).fill('2');
  await page.getByRole('button', { name: 'Fit', exact: true }).click();
  await expect(page.locator('pk-fit')).toContainText('takes 3:25 min alone: over by 1:25 min');
});

test('papers are made for the person they are for: one page to pin up, and pages to learn and to teach from', async ({
  page,
}) => {
  await openDemo(page);
  const made = async (what: Given) => readPdf(await readFile(await (await give(page, what)).path()));
  await openGive(page, 'demo-morning', 'Mireille Sand');
  const pinned = await made('A page to pin up');
  expect(pinned.pages).toBe(1);
  expect(pinned.text).toContain('For Mireille Sand.');
  expect(pinned.text).toContain('No held breath: blood pressure');
  expect(pinned.text).toContain('1 hold × 1:00 min');
  expect(pinned.text).toContain('Practised');
  expect(pinned.photographs).toBeGreaterThan(5);
  const student = await made('Pages to learn from');
  expect(student.pages).toBeLessThanOrEqual(6);
  expect(student.text).toContain('The way in');
  expect(student.text).toContain('Stop when');
  expect(student.text).toContain('Morning at the pond');
  expect(student.text).toContain('For Mireille Sand.');
  expect(student.text).toContain('No held breath: blood pressure');
  expect(student.text).toContain('1 hold × 1:00 min');
  expect(student.text).toContain('see a licensed practitioner');
  // Who has a plan for it is given its doses, and told so; the counts are told either way and side.
  await openGive(page, 'demo-reeling', 'Ilse Marrowby (has a plan)');
  const planned = await made('Pages to learn from');
  expect(planned.text).toMatch(/Doses of the plan on \d+ \w+ \d{4}/);
  expect(planned.text).toMatch(/Left forward \d+, left reversed \d+, right forward \d+, right reversed \d+\./);
  expect(planned.text).toContain('Seen from the front');
  const teacher = await made('Pages for the teacher');
  expect(teacher.text).toContain('Cue:');
  expect(teacher.text).toContain('Stages');
  // What is seen before is what is given, page for page.
  await page.getByRole('radio', { name: 'A page to pin up' }).check();
  const pages = page.getByRole('img', { name: /^The pages as they are printed: 1$/ });
  await expect(pages.locator('canvas')).toHaveCount(1);
});

test('a whole class is given its papers in one press, each for its own, and a lesson goes home too', async ({
  page,
}) => {
  await openDemo(page);
  await page.getByRole('link', { name: 'Classes' }).click();
  await page.getByRole('link', { name: 'Tuesday beginners', exact: true }).click();
  await page.getByRole('button', { name: 'Give', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Download for 5' })).toBeEnabled();
  await page.getByRole('checkbox', { name: 'Joaquim Tarr' }).uncheck();
  const papers = await readPdf(await readFile(await (await give(page, 'A page to pin up')).path()));
  expect(papers.pages).toBe(4);
  expect(papers.text).toMatch(/lesson \d+/);
  for (const name of ['Pim Halloran', 'Mireille Sand', 'Wilhelmina Frost', 'Orsolya Venn'])
    expect(papers.text).toContain(`For ${name}.`);
  expect(papers.text).not.toContain('Joaquim');
  // Sheets of all in one folder, each told in the file that it was made; one step back takes it all back.
  const folder = await give(page, 'A sheet for the phone');
  expect(folder.suggestedFilename()).toMatch(/\.zip$/);
  const files = Object.keys(unzipSync(await readFile(await folder.path())));
  expect(files.toSorted()).toEqual([
    'mireille-sand-practice.html',
    'orsolya-venn-practice.html',
    'pim-halloran-practice.html',
    'wilhelmina-frost-practice.html',
  ]);
  // It can be tried before it is given, and keeps nothing here.
  const sheet = page.frameLocator('iframe');
  await expect(sheet.getByRole('heading', { name: /^Practice of / })).toBeVisible();
  await sheet
    .getByRole('button', { name: /^Begin, / })
    .first()
    .click();
  await sheet.getByRole('button', { name: 'Begin' }).click();
  expect(await page.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith('pomek-home')))).toEqual(
    [],
  );
  await page.getByRole('radio', { name: 'A week card' }).check();
  await expect(page.getByText(/has no plan for/).first()).toBeVisible();
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
  await page.getByLabel('A lesson lasts').fill('18 min');
  await expect(page.getByText('join them and play them in one go')).toBeVisible();
  // The term is a picture, told in words too, and each of its lessons can be looked at.
  await expect(page.getByRole('img', { name: /^Opening at the pond: .*played in the whole in lesson/ })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Cloud over the hill: new in lesson 6, / })).toBeVisible();
  await page.getByRole('button', { name: /^Lesson 7: Look into the well/ }).click();
  await expect(page.getByRole('heading', { name: '7 Look into the well' })).toBeVisible();
  await page.getByRole('button', { name: 'The previous lesson' }).click();
  await expect(page.getByRole('heading', { name: '6 Cloud over the hill' })).toBeVisible();
});

test('the way of a chain over the floor: a piece gets two steps more, which is drawn, said, kept, and printed with the lesson', async ({
  page,
}) => {
  await openDemo(page);
  await page.goto('/routines/chains/demo-chain');
  const floor = page.getByRole('region', { name: 'The way over the floor' });
  await expect(floor).toContainText('It ends where it began, facing the same way');
  await page.getByRole('button', { name: 'More of piece 5' }).click();
  await expect(page.getByText('On the floor: one step ahead')).toBeVisible();
  await page.getByRole('spinbutton', { name: 'Steps ahead in piece 5' }).fill('3');
  await expect(floor).toContainText(
    'It ends two steps back from where it began: go back there before it begins again.',
  );
  await page.reload();
  await expect(floor.getByRole('img')).toHaveAccessibleName(/two steps back/);
  await floor.getByRole('checkbox', { name: 'The whole is played to both sides' }).check();
  await expect(floor).toContainText('The broken line goes to the other side');
  await expect(page.getByText(/^To the other side: 5 pieces/).first()).toBeAttached();
  await page.getByRole('link', { name: 'Give' }).click();
  await page.getByRole('combobox', { name: 'What is practised' }).click();
  await page.getByRole('option', { name: /The next one, lesson 5/ }).click();
  const paper = await readPdf(await readFile(await (await give(page, 'Pages to learn from')).path()));
  expect(paper.text).toContain('Legs: Carry the bowl, right, 1 of 3; three steps ahead');
  expect(paper.text).toContain('To the other side: Part the reeds, right');
  expect(paper.text).toContain('Played to both sides.');
  expect(paper.text).toMatch(/One person needs \d\.\d m from left to right/);
});
