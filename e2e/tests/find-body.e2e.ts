import { expect, test, type Page } from '../support/test';
import { filmed, openFilm } from '../support/filmed';
import { complaints, openDemo } from '../support/pomek';

// The library draws with WebGL: without a graphics card Chromium does so by software, slowly, where it is let.
test.use({
  serviceWorkers: 'allow',
  launchOptions: {
    executablePath: process.env['CHROMIUM_PATH'] ?? '/usr/bin/chromium',
    args: ['--enable-unsafe-swiftshader', '--ignore-gpu-blocklist'],
  },
});

type Marks = Readonly<Record<string, { readonly x: number; readonly y: number }>>;

/** What is kept of the newest picture of that name. */
const keptStill = (page: Page, name: string): Promise<{ from: string; marks: Marks; found: readonly string[] }> =>
  page.evaluate(async (wanted) => {
    const open = indexedDB.open('pomek-demo');
    const database = await new Promise<IDBDatabase>((done) => (open.onsuccess = () => done(open.result)));
    const asked = database.transaction('stills').objectStore('stills').getAll();
    const all = await new Promise<{ name: string; from: string; marks: Marks; found: string[] }[]>(
      (done) => (asked.onsuccess = () => done(asked.result as never)),
    );
    database.close();
    return all.findLast(({ name: own }) => own === wanted)!;
  }, name);

test('a body is found on a rendered picture, by the real library, offline too; each mark is looked at', async ({
  page,
  context,
}) => {
  const long = { timeout: 150_000 };
  const wrong = complaints(page);
  const asked: string[] = [];
  context.on('request', (request) => asked.push(request.url()));
  await openDemo(page);
  await page.evaluate(() => navigator.serviceWorker.ready);
  const { png, marks } = await filmed(page);
  await openFilm(page);
  expect(asked.filter((url) => url.includes('find-body'))).toEqual([]);
  await page.getByLabel('Picture or film').setInputFiles({ name: 'Found.png', mimeType: 'image/png', buffer: png });
  await page.getByRole('button', { name: 'Find the body' }).click();
  await expect(page.getByText(/points found/)).toBeVisible(long);
  await expect(page.getByText('9 found, each ± 4 cm until it is looked at.')).toBeVisible();
  const found = await keptStill(page, 'Found');
  expect(found.from).toBe('right');

  // Where the joints truly are is known, since the body was computed. Its trunk, hip to shoulder, is some 50 cm.
  const trunk = Math.hypot(
    marks['shoulder right']!.x - marks['hip right']!.x,
    marks['shoulder right']!.y - marks['hip right']!.y,
  );
  const off = Object.entries(marks).map(([name, { x, y }]) => {
    const spot = found.marks[name]!;
    return { name, cm: (50 / trunk) * Math.hypot(spot.x - x, spot.y - y) };
  });
  expect(off.filter(({ cm }) => cm > 7)).toEqual([]);
  expect(off.filter(({ cm }) => cm > 4).length).toBeLessThanOrEqual(2);

  // What is only found is read as wide as it is; looked at, as near as a hand marks.
  const figures = page.getByRole('region', { name: 'Figures' });
  const width = async (): Promise<number> => {
    const words = (await figures.getByRole('row', { name: /shin/i }).first().textContent())!;
    return Number(/± ([\d.]+)/.exec(words)![1]);
  };
  const wide = await width();
  const surface = page.getByRole('application');
  const { width: across } = await page.evaluate(() => {
    const image = document.querySelector<SVGImageElement>('svg.surface image')!;
    return { width: image.width.baseVal.value };
  });
  const box = (await surface.boundingBox())!;
  const at = ({ x, y }: { x: number; y: number }) =>
    [box.x + (x * box.width) / across, box.y + (y * box.width) / across] as const;
  await page.mouse.move(...at(found.marks['toe right']!));
  await page.mouse.down();
  await page.mouse.move(...at(marks['toe right']!), { steps: 4 });
  await page.mouse.up();
  await expect(page.getByText('8 found, each ± 4 cm until it is looked at.')).toBeVisible();
  await surface.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('7 found, each ± 4 cm until it is looked at.')).toBeVisible();
  await page.getByRole('button', { name: 'All are right' }).click();
  await expect(page.getByText('All is marked.')).toBeVisible();
  await expect.poll(width).toBeLessThan(wide - 2);

  // Once fetched, it is there without the net, after a reload too.
  await page.getByRole('button', { name: 'right knee, marked' }).click();
  await surface.focus();
  await page.keyboard.press('Delete');
  await expect(page.getByRole('button', { name: 'right knee, not marked' })).toBeVisible();
  await context.setOffline(true);
  await page.reload();
  await page.getByRole('button', { name: 'Find the body' }).click();
  await expect(page.getByRole('button', { name: 'right knee, found, not looked at' })).toBeVisible(long);
  expect(asked.filter((url) => !/^(http:\/\/127\.0\.0\.1:\d+\/|data:|blob:)/.test(url))).toEqual([]);
  expect(wrong).toEqual([]);
});
