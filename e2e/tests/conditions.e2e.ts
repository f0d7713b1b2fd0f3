import { give, openGive } from '../support/give';
import { conditionsWorld, ownLimit, ruledOut } from '../support/faulty-routine';
import { readPdf } from '../support/pdf';
import { complaints, openOwn, openPart, takeIn } from '../support/pomek';
import { expect, test } from '../support/test';
import { readFileSync } from 'node:fs';

const rows = [...ruledOut, [ownLimit, 'a foot off the floor'] as const];

test('each condition acts: found, mended in one press, done otherwise in the hall and on the handout', async ({
  page,
}) => {
  const wrong = complaints(page);
  await openOwn(page);
  await page.goto('/files');
  await page
    .getByLabel('Choose a file')
    .setInputFiles({ name: 'much.json', mimeType: 'application/json', buffer: Buffer.from(conditionsWorld()) });
  await takeIn(page, /^Import 14/);
  await page.goto('/routines/too-much');
  const findings = page.locator('pk-findings').getByRole('article');
  /** The list folds up when the page below it grows or shrinks: findings still come in. */
  const choose = (name: string) =>
    expect(async () => {
      await page.getByRole('combobox', { name: 'For whom' }).click();
      await page.getByRole('option', { name }).click({ timeout: 2000 });
    }).toPass();

  for (const [condition, asks] of rows)
    await test.step(condition, async () => {
      await choose(`With ${condition}`);
      const found = findings
        .filter({ hasText: asks })
        .filter({ hasText: `${condition} is noted of With ${condition}` });
      await expect(found.first()).toBeVisible();
      await expect(found.first()).toContainText('no diagnosis');
      const several = await found.count();
      await found
        .first()
        .getByRole('button', { name: /^Instead: / })
        .click();
      await expect(found).toHaveCount(several - 1);
      await page.keyboard.press('Control+z');
      await expect(found).toHaveCount(several);
    });

  // On the handout, for three of them.
  for (const condition of ['knee pain', 'heart condition', ownLimit]) {
    await openGive(page, 'too-much', `With ${condition}`);
    const { text } = await readPdf(readFileSync(await (await give(page, 'A page to pin up')).path()));
    expect(text).toMatch(new RegExp(`instead of .* \\(${condition}\\)`));
  }

  // On the way into the hall, for all.
  for (const [condition] of rows) {
    await page.goto(`/practise?student=has-${condition.replaceAll(' ', '-')}&routine=too-much`);
    await expect(page.getByText(`Noted: ${condition}.`)).toBeVisible();
    await expect(page.getByText(new RegExp(`instead of .*\\(${condition}\\)`)).first()).toBeVisible();
  }
  expect(wrong).toEqual([]);
});

test('a side of a condition and a limit of one’s own are written in the student’s file, kept, and act', async ({
  page,
}) => {
  await openOwn(page);
  await page.goto('/students');
  await page.getByRole('button', { name: 'Add the first student' }).click();
  await page.getByLabel('Name').fill('Nela Brisk');
  await openPart(page, 'Body');
  await page.getByLabel('knee pain').check();
  await page.getByRole('combobox', { name: 'Side of knee pain' }).click();
  await page.getByRole('option', { name: 'left' }).click();
  await page.getByLabel('Something else that limits').fill('a sprained wrist');
  await page.keyboard.press('Enter');
  const own = page.getByRole('group', { name: 'Limit: a sprained wrist' });
  await own.getByLabel('Arms at most').fill('30');
  await own.getByLabel('A stand at most').fill('1.5');
  await own.getByLabel('no foot lifted').check();
  // The page is left in the same moment.
  await page.reload();
  await openPart(page, 'Body');
  await expect(own.getByLabel('Arms at most')).toHaveValue('30');
  await expect(own.getByLabel('A stand at most')).toHaveValue('1.5');
  await expect(own.getByLabel('no foot lifted')).toBeChecked();
  await expect(page.getByRole('combobox', { name: 'Side of knee pain' })).toContainText('left');
  await page.goto('/exercises/wide-rider');
  await page.getByRole('combobox', { name: 'On whose body' }).click();
  await page.getByRole('option', { name: 'Nela Brisk' }).click();
  await expect(page.getByText(/knee pain on the left is noted of Nela Brisk: a bend of 20°/)).toBeVisible();
  await page.goto('/exercises/tree-holding');
  await page.getByRole('combobox', { name: 'On whose body' }).click();
  await page.getByRole('option', { name: 'Nela Brisk' }).click();
  await expect(page.getByText(/a sprained wrist is noted of Nela Brisk: arms at 30°/)).toBeVisible();
});
