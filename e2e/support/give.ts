import type { Download, Page } from '@playwright/test';

/** What can be given, as it is called. */
export type Given =
  | 'A page to pin up'
  | 'Pages to learn from'
  | 'A sheet for the phone'
  | 'A week card'
  | 'A calendar'
  | 'A cue track'
  | 'Pages for the teacher';

/** Chooses what is given where Give is open, and takes the file. */
export async function give(page: Page, what: Given): Promise<Download> {
  await page.getByRole('radio', { name: what }).check();
  // Bodies are drawn without a graphics card here: that takes a while.
  const waiting = page.waitForEvent('download', { timeout: 120_000 });
  await page.getByRole('button', { name: 'Download' }).click();
  return waiting;
}

/** Opens Give at a routine for somebody, or for nobody in particular. */
export async function openGive(page: Page, routineId: string, whom?: string): Promise<void> {
  await page.goto(`/routines/${routineId}/give`);
  if (whom === undefined) return;
  await page.getByRole('combobox', { name: 'For whom' }).click();
  await page.getByRole('option', { name: whom }).click();
}
