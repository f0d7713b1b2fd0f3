import { expect, type Locator, type Page } from '@playwright/test';
import { keepDemo, restoreDemo } from './demo-cache';

/** Opens the teacher's own, empty space. */
export async function openOwn(page: Page): Promise<void> {
  await page.goto('/own');
  await expect(page.getByRole('heading', { name: 'To begin with' })).toBeVisible();
}

/** Opens the demo and waits until it is filled: as the app makes it the first time, as it was made then the next. */
export async function openDemo(page: Page): Promise<void> {
  const known = await restoreDemo(page);
  await page.goto('/demo');
  await expect(page.getByRole('heading', { name: 'Practising today' })).toBeVisible();
  if (!known) await keepDemo(page);
  await expect(page.getByText('Demo', { exact: true })).toBeVisible();
}

/** Collects what the page complains of; empty at the end of a good test. */
export function complaints(page: Page): string[] {
  const list: string[] = [];
  page.on('pageerror', (error) => list.push(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error') list.push(message.text());
  });
  return list;
}

/** Takes an exercise from the shelf beside the routine. */
export async function take(page: Page, name: string): Promise<void> {
  await page
    .getByRole('region', { name: 'Shelf of exercises' })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .click();
}

/** Takes in what a file has, and waits until it is said to be there: to leave the page sooner would be to give it up. */
export async function takeIn(page: Page, button: RegExp): Promise<void> {
  await page.getByRole('button', { name: button }).click();
  await expect(page.getByText(/records? imported/)).toBeVisible();
}

/** Enters the hall and waits until it listens to keys. */
export async function enterHall(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Go to the hall' }).click();
  await expect(page.getByText('Press Begin, or Space.')).toBeVisible();
}

/**
 * Stops a running practice and goes from part to part until the wanted one is on. Left running it would go on
 * by itself meanwhile, and on a slow machine the key would then lead past the wanted part.
 */
export async function stopAndGoOnTo(page: Page, wanted: string): Promise<void> {
  const title = page.getByRole('heading', { level: 1 });
  const parts = page.locator('.strip span');
  const at = (): Promise<number> =>
    parts.evaluateAll((blocks) => blocks.findIndex((block) => block.classList.contains('now')));
  const paused = page.locator('.room.paused');
  await expect(paused).toHaveCount(0);
  await page.keyboard.press('Space');
  await expect(paused).toBeVisible();
  for (let on = await title.innerText(); on !== wanted; on = await title.innerText()) {
    const before = await at();
    await page.keyboard.press('ArrowRight');
    await expect.poll(at, `the part after “${on}”`).toBeGreaterThan(before);
  }
}

/** Lets the practice run on by the fake clock, in bits shorter than a sleep of the machine. */
export async function runOn(page: Page, seconds: number): Promise<void> {
  for (let left = seconds; left > 0; left -= 60) {
    await page.clock.fastForward(Math.min(60, left) * 1000);
    await page.waitForTimeout(30);
  }
}

/** Presses Tab until the wanted control has the focus, as a person without a pointer would. */
export async function tabTo(page: Page, wanted: Locator, most = 160): Promise<void> {
  await wanted.waitFor();
  for (let presses = 0; presses < most; presses += 1) {
    if (
      await wanted.evaluate((element) => element === document.activeElement || element.contains(document.activeElement))
    )
      return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`Tab does not lead to ${wanted.toString()}`);
}

/** Replaces the text of the focused field and leaves it. */
export async function typeOver(page: Page, text: string): Promise<void> {
  await page.keyboard.press('Control+A');
  await page.keyboard.type(text);
  await page.keyboard.press('Tab');
}

/** Opens a part of a student’s file, or a section within one. */
export async function openPart(
  page: Page,
  name: 'Plan' | 'Practices' | 'Person' | 'Give' | 'Body' | 'Corrections' | 'Load' | 'Film',
): Promise<void> {
  const within = name === 'Corrections' || name === 'Load' || name === 'Film';
  const part = within ? 'Practices' : name === 'Body' ? 'Person' : name;
  await page.getByRole('group', { name: 'Part of the file' }).getByRole('button', { name: part, exact: true }).click();
  if (within) await page.getByRole('navigation', { name: 'Within the practices' }).getByRole('link', { name }).click();
}

/** Opens a part of the inspector beside a routine. */
export async function look(page: Page, part: 'Dose' | 'Findings' | 'Minutes' | 'Hall' | 'All'): Promise<void> {
  await page
    .getByRole('complementary', { name: 'The inspector' })
    .getByRole('button', { name: new RegExp(`^${part}`) })
    .first()
    .click();
}

export const total = (page: Page): Locator => page.locator('pk-routine-summary .total');

/** Adds a routine of one hold, a student with that routine and a plan; ends in the student's file. */
export async function smallWorld(page: Page): Promise<void> {
  await openOwn(page);
  await page.getByRole('link', { name: 'Build a routine' }).click();
  await page.getByRole('button', { name: 'Build the first routine' }).click();
  await page.getByLabel('Routine', { exact: true }).fill('Short stand');
  await take(page, 'Holding the tree');
  await expect(total(page)).toHaveText('1:10 min');
  await page.getByRole('link', { name: 'Students' }).click();
  await page.getByRole('button', { name: 'Add the first student' }).click();
  await page.getByLabel('Name').fill('Nela Brisk');
  await page.getByLabel('Name').blur();
  await openPart(page, 'Plan');
  await page.getByRole('combobox', { name: 'Routine to give' }).click();
  await page.getByRole('option', { name: 'Short stand' }).click();
  await page.getByLabel(/Holding the tree/).check();
  await page.getByRole('button', { name: 'Make the plan' }).click();
  await expect(page.getByRole('heading', { name: 'Plan: Short stand' })).toBeVisible();
}
