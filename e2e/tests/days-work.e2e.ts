import { readFile } from 'node:fs/promises';
import { openDemo, openPart, runOn, tabTo } from '../support/pomek';
import { expect, ownClock, test, type Locator, type Page } from '../support/test';

/** The ways in which all is pressed, and the windows in which it is done. */
const ways = ['touch', 'keyboard'] as const;
const sizes = [
  { name: 'a laptop', width: 1280, height: 800 },
  { name: 'a tablet', width: 820, height: 1180 },
  { name: 'a phone', width: 390, height: 844 },
] as const;
/** Whoever has Thursday among the days of practice, and nothing that stops the work. */
const WHO = 'Tamsin Okello';

for (const way of ways)
  for (const { name, width, height } of sizes)
    test.describe(`by ${way}, on ${name}`, () => {
      const touch = way === 'touch';
      test.use({ viewport: { width, height }, hasTouch: touch, isMobile: touch });

      /** Presses something with a finger, or goes there with the Tab key and presses Enter. */
      const press = async (page: Page, wanted: Locator): Promise<void> => {
        if (touch) return wanted.tap();
        await tabTo(page, wanted);
        await page.keyboard.press('Enter');
      };

      test('a day’s work is done: decided, practised, a correction noted, the sheet given', async ({ page }) => {
        await ownClock(page, '2026-03-12T09:30:00');
        await openDemo(page);
        const due = page.getByRole('region', { name: 'To decide' });
        await expect(due.getByRole('status')).toHaveCount(0);

        await test.step('decide on Today', async () => {
          const first = due.getByRole('listitem').filter({ hasText: 'Raise' }).filter({ hasNotText: 'Stop' }).first();
          const whose = (await first.getByRole('link').first().innerText()).trim();
          const row = due.getByRole('listitem').filter({ hasText: whose });
          await press(page, row.getByRole('button', { name: `Decide for ${whose}` }));
          const cards = row.getByRole('article');
          await expect(cards.first()).toBeVisible();
          for (let left = await cards.count(); left > 0; left -= 1) {
            await press(page, cards.first().getByRole('button', { name: 'Accept', exact: true }));
            await expect(cards).toHaveCount(left - 1);
          }
        });

        await test.step('conduct a practice', async () => {
          const row = page
            .getByRole('region', { name: 'Practising today' })
            .getByRole('listitem')
            .filter({ hasText: WHO });
          await press(page, row.getByRole('link', { name: /Practise/ }));
          await press(page, page.getByRole('button', { name: 'Go to the hall' }));
          await expect(page.getByRole('button', { name: 'Begin' })).toBeVisible();
          await press(page, page.getByRole('button', { name: 'Begin' }));
          await runOn(page, 30);
          const title = page.getByRole('heading', { level: 1 });
          const before = await title.innerText();
          await press(page, page.getByRole('button', { name: /^\W*Next$/ }));
          await expect(title).not.toHaveText(before);
          await press(page, page.getByRole('button', { name: /^\W*Pause$/ }));
          await press(page, page.getByRole('button', { name: /^\W*End…$/ }));
          await press(page, page.getByRole('button', { name: 'End and log what was done' }));
          await expect(page.getByRole('heading', { name: /^(Done|Ended)/ })).toBeVisible();
          if (touch) await page.locator('pk-rating').first().locator('label').filter({ hasText: '5' }).tap();
          else {
            await tabTo(page, page.getByRole('radio', { name: /^Effort 0/ }));
            for (let step = 0; step < 5; step += 1) await page.keyboard.press('ArrowRight');
          }
          await press(page, page.getByRole('button', { name: 'Save to the log' }));
          await expect(page.getByRole('heading', { name: WHO, level: 1 })).toBeVisible();
        });

        await test.step('note a correction', async () => {
          if (touch) await openPart(page, 'Corrections');
          else {
            const parts = page.getByRole('group', { name: 'Part of the file' });
            await press(page, parts.getByRole('button', { name: 'Practices', exact: true }));
            const within = page.getByRole('navigation', { name: 'Within the practices' });
            await press(page, within.getByRole('link', { name: 'Corrections' }));
          }
          await press(page, page.getByRole('combobox', { name: 'Checkpoint that was seen' }));
          const knees = page.getByRole('option', { name: /^knees: Quite still/ });
          if (touch) await knees.tap();
          else {
            await page.getByRole('searchbox').last().fill('quite still');
            await expect(knees).toBeVisible();
            await page.keyboard.press('ArrowDown');
            await page.keyboard.press('Enter');
          }
          await press(page, page.getByRole('button', { name: 'Note it' }));
          await expect(page.getByRole('region', { name: 'To work on now' })).toContainText('knees');
        });

        await test.step('give the sheet for the phone', async () => {
          const parts = page.getByRole('group', { name: 'Part of the file' });
          await press(page, parts.getByRole('button', { name: 'Give', exact: true }));
          const sheet = page.getByRole('radio', { name: 'A sheet for the phone' });
          await expect(sheet).toBeVisible();
          if (touch) await page.locator('label').filter({ hasText: 'A sheet for the phone' }).tap();
          else
            for (let step = 0; step < 10 && !(await sheet.isChecked()); step += 1) {
              await tabTo(page, page.getByRole('radio', { checked: true }).first());
              await page.keyboard.press('ArrowDown');
            }
          await expect(sheet).toBeChecked();
          const waiting = page.waitForEvent('download', { timeout: 120_000 });
          await press(page, page.getByRole('button', { name: 'Download' }));
          expect(await readFile(await (await waiting).path(), 'utf8')).toContain(WHO);
        });
      });
    });
