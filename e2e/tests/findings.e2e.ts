import { expect, test } from '../support/test';
import { complaints, openDemo, takeIn } from '../support/pomek';
import { faultyRoutine } from '../support/faulty-routine';

/** What has to be found in the faulty routine; the text begins each finding. */
const wanted = [
  /Holding the tree: the knees of .* past the toes/,
  /Wide rider stand: 10:00 min is \d+ % of what/,
  /gives out in/,
  /are both hard, with nothing soft between/,
  /Bow stance hold: the step is .* too long for the rear leg/,
  /Bow stance hold: taught on the left and never done on the right/,
  /Empty and full: 2 left, but 1 right/,
  /Neutral stance: its dose is nothing/,
  /Belly breathing asks for a breath held for 8 s, but high blood pressure/,
  /Empty-step walk: the floor ends after/,
  /Low lantern stand: 5:00 min is \d+ % of what the arms of/,
  /has not practised “.*” yet, which comes before it/,
  /There is no warm-up at the beginning/,
  /There is no closing at the end/,
  /The legs are bent for more than/,
];

test('fault after fault is found, and each mend takes it away in one step that can be undone', async ({ page }) => {
  test.slow();
  const wrong = complaints(page);
  await openDemo(page);
  await page.goto('/files');
  await page
    .getByLabel('Choose a file')
    .setInputFiles({ name: 'faulty.json', mimeType: 'application/json', buffer: Buffer.from(faultyRoutine()) });
  await takeIn(page, /^Import 1/);
  await page.goto('/routines/faulty');
  const findings = page.locator('pk-findings');
  await page.getByRole('combobox', { name: 'For whom' }).click();
  await page.getByRole('option', { name: 'Mireille Sand' }).click();
  await expect(findings).toContainText('Mireille Sand');
  for (const text of wanted) await expect(findings).toContainText(text);
  const articles = findings.getByRole('article');
  const texts = await articles.evaluateAll((list) => list.map((entry) => entry.querySelector('p')!.textContent.trim()));
  let mended = 0;
  for (const text of texts) {
    const finding = articles.filter({ hasText: text.replace(/^\w+\s+/, '') });
    const mends = finding.locator('.p-button-outlined');
    for (let nth = 0; nth < (await mends.count()); nth += 1) {
      await mends.nth(nth).click();
      await expect(finding).toHaveCount(0);
      await page.keyboard.press('Control+z');
      await expect(finding).toHaveCount(1);
      mended += 1;
    }
  }
  expect(mended).toBeGreaterThanOrEqual(wanted.length - 2);
  expect(wrong).toEqual([]);
});
