import { expect, ownClock, test, type Page } from '../support/test';
import { openOwn, runOn, tabTo, total, typeOver } from '../support/pomek';

async function goTo(page: Page, words: string): Promise<void> {
  await page.keyboard.press('Control+K');
  const field = page.getByRole('combobox', { name: 'Where to, or what to do' });
  await expect(field).toBeFocused();
  await page.keyboard.type(words);
  await expect(page.getByRole('option', { name: new RegExp(words, 'i') }).first()).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(field).toBeHidden();
}

test('the whole job once, with the keyboard alone', async ({ page }) => {
  await ownClock(page, '2026-03-02T09:00:00');
  await openOwn(page);

  await test.step('build a routine', async () => {
    await goTo(page, 'routines');
    await tabTo(page, page.getByRole('button', { name: 'Build the first routine' }));
    await page.keyboard.press('Enter');
    await tabTo(page, page.getByLabel('Routine', { exact: true }));
    await typeOver(page, 'Keys only');
    await tabTo(page, page.getByRole('searchbox', { name: /Search the shelf/ }));
    for (const words of ['arm swings', 'holding the tree', 'shake out']) {
      await page.keyboard.type(words);
      await page.keyboard.press('Enter');
    }
    const rows = page.locator('li[data-segment]');
    await expect(rows).toHaveCount(3);
    // 10 + 72, 10 + 60, 10 + 60
    await expect(total(page)).toHaveText('3:42 min');
    await tabTo(page, page.getByRole('button', { name: /Holding the tree.*1 hold/ }));
    await page.keyboard.press('Alt+ArrowUp');
    await expect(rows.first()).toContainText('Holding the tree');
    await expect(page.getByRole('button', { name: /Holding the tree.*1 hold/ })).toBeFocused();
    await page.keyboard.press('Alt+ArrowDown');
    await expect(rows.nth(1)).toContainText('Holding the tree');
    await expect(page.getByRole('button', { name: /Holding the tree.*1 hold/ })).toBeFocused();
    await page.keyboard.press('Enter');
    await tabTo(page, page.getByLabel('Holding time'));
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('ArrowUp');
    await expect(total(page)).toHaveText('3:52 min');
    await typeOver(page, '30');
    await expect(total(page)).toHaveText('3:12 min');
    await page.keyboard.press('Control+Z');
    await expect(total(page)).toHaveText('3:42 min');
    await page.keyboard.press('Control+Shift+Z');
    await expect(total(page)).toHaveText('3:12 min');
  });

  await test.step('add a student and give the routine', async () => {
    await goTo(page, 'students');
    await tabTo(page, page.getByRole('button', { name: 'Add the first student' }));
    await page.keyboard.press('Enter');
    await tabTo(page, page.getByRole('group', { name: 'Part of the file' }).getByRole('button', { name: 'Plan' }));
    await page.keyboard.press('Enter');
    await tabTo(page, page.getByRole('combobox', { name: 'Routine to give' }));
    await page.keyboard.press('ArrowDown');
    await expect(page.getByRole('option', { name: 'Keys only' })).toBeVisible();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await tabTo(page, page.getByLabel(/Holding the tree/));
    await page.keyboard.press('Space');
    await tabTo(page, page.getByLabel('Goal for Holding the tree'));
    await typeOver(page, '1:00');
    await tabTo(page, page.getByRole('button', { name: 'Make the plan' }));
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Plan: Keys only' })).toBeVisible();
    await tabTo(page, page.getByRole('group', { name: 'Part of the file' }).getByRole('button', { name: 'Person' }));
    await page.keyboard.press('Enter');
    await tabTo(page, page.getByLabel('Name'));
    await typeOver(page, 'Odo Lark');
    await expect(page.getByRole('heading', { name: 'Odo Lark', level: 1 })).toBeVisible();
  });

  for (const round of [1, 2]) {
    await test.step(`practise it, time ${round}`, async () => {
      await goTo(page, 'odo');
      await tabTo(page, page.getByRole('main').getByRole('link', { name: 'Practise' }));
      await page.keyboard.press('Enter');
      await tabTo(page, page.getByRole('button', { name: 'Go to the hall' }));
      await page.keyboard.press('Enter');
      await expect(page.getByText('Press Begin, or Space.')).toBeVisible();
      await page.keyboard.press('Space');
      await runOn(page, 12);
      await expect(page.getByRole('heading', { name: 'Twisting arm swings' })).toBeVisible();
      await page.keyboard.press('Space');
      await expect(page.getByText('Paused. Space goes on.')).toBeVisible();
      await runOn(page, 100);
      await page.keyboard.press('Space');
      await page.keyboard.press('t');
      await expect(page.getByText('You count: tap at each repetition. The clock is stopped.')).toBeVisible();
      await page.keyboard.press('ArrowRight');
      await expect(page.getByRole('heading', { name: 'Get ready: Holding the tree' })).toBeVisible();
      await page.keyboard.press('ArrowLeft');
      await page.keyboard.press('ArrowRight');
      await runOn(page, 15);
      await expect(page.getByRole('heading', { name: 'Holding the tree', exact: true })).toBeVisible();
      await page.keyboard.press('o');
      await expect(page.getByText('Loosen. Press Go on; the time held still counts.')).toBeVisible();
      await page.keyboard.press('Space');
      await runOn(page, 120);
      await expect(page.getByRole('heading', { name: /^Done/ })).toBeVisible();
      await tabTo(page, page.getByRole('radio', { name: /^Effort 0/ }));
      for (let step = 0; step < 4; step += 1) await page.keyboard.press('ArrowRight');
      await tabTo(page, page.getByRole('button', { name: 'Save to the log' }));
      await page.keyboard.press('Enter');
      await expect(page.getByRole('heading', { name: 'Odo Lark', level: 1 })).toBeVisible();
    });
  }

  await test.step('change the verdict, with a reason', async () => {
    const card = page.getByRole('article', { name: 'Holding the tree' });
    // 30 s and 10 % are 33 s: less than the step of 5 s, so the raise is saved up.
    await expect(card).toContainText('The raise of 10 % is saved up: 33 s of the 35 s.');
    await tabTo(page, card.getByRole('button', { name: 'Change…' }));
    await page.keyboard.press('Enter');
    await tabTo(page, card.getByLabel('Your dose'));
    await typeOver(page, '45');
    await tabTo(page, card.getByLabel('Your reason, saved with it'));
    await page.keyboard.type('stands like a post');
    await tabTo(page, card.getByRole('button', { name: 'Save my dose' }));
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Nothing to decide now' })).toBeVisible();
    await tabTo(page, page.getByRole('group', { name: 'Part of the file' }).getByRole('button', { name: 'Practices' }));
    await page.keyboard.press('Enter');
    await expect(page.getByText('You: stands like a post')).toBeVisible();
    await page.keyboard.press('Control+Z');
    await expect(page.getByText('You: stands like a post')).toBeHidden();
  });
});
