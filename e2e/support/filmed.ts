import { expect, type Page } from '@playwright/test';
import { openPart } from './pomek';

/** Who is filmed in the demo. */
export const who = 'Bertil Anquist';

export interface Filmed {
  readonly png: Buffer;
  readonly width: number;
  readonly height: number;
  readonly marks: Readonly<Record<string, { readonly x: number; readonly y: number }>>;
}

/** The picture that the demo’s teacher took when the knees went too far, and where its joints truly are. */
export async function filmed(page: Page): Promise<Filmed> {
  const found = await page.evaluate(async () => {
    const open = indexedDB.open('pomek-demo');
    const database = await new Promise<IDBDatabase>((done) => (open.onsuccess = () => done(open.result)));
    const read = <T>(table: string): Promise<T> =>
      new Promise((done) => {
        const asked = database.transaction(table).objectStore(table).get('demo-student-3-still-30');
        asked.onsuccess = () => done(asked.result as T);
      });
    const still = await read<{ width: number; height: number; marks: Record<string, { x: number; y: number }> }>(
      'stills',
    );
    const picture = await read<{ data: string }>('pictures');
    database.close();
    return { ...still, data: picture.data };
  });
  return { ...found, png: Buffer.from(found.data.slice(found.data.indexOf(',') + 1), 'base64') };
}

export const openFilm = async (page: Page): Promise<void> => {
  await page.getByRole('link', { name: 'Students' }).click();
  // Today, which is still there for a moment, may name the same person, and a practice with her.
  await page.locator('pk-students').getByRole('link', { name: who, exact: true }).click();
  await openPart(page, 'Film');
  await expect(page.getByRole('heading', { name: 'Seen on film' })).toBeVisible();
};
