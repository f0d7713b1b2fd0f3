import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Browser, type BrowserContext } from '@playwright/test';
import AxeBuilder from '@axe-core/playwright';
import { unzipSync } from 'fflate';
import { codesOf } from '../support/codes';
import { give, openGive } from '../support/give';
import { expect, ownClock, test, type Page } from '../support/test';
import { openDemo } from '../support/pomek';

const who = 'Pim Halloran';
let folder = '';
test.beforeAll(async () => (folder = await mkdtemp(join(tmpdir(), 'pomek-sheet-'))));
test.afterAll(() => rm(folder, { recursive: true, force: true }));

const openFile = async (page: Page, name = who) => {
  await page.getByRole('link', { name: 'Students' }).click();
  // Today, which is still there for a moment, names people too.
  await page.locator('pk-students').getByRole('link', { name }).click();
};
const part = (page: Page, name: string) => page.getByRole('button', { name, exact: true }).click();

/** Writes the sheet of the student that is open, and gives the path of the file. */
async function sheetOf(page: Page, name: string): Promise<string> {
  await part(page, 'Give');
  const download = await give(page, 'A sheet for the phone');
  expect(download.suggestedFilename()).toMatch(/\.html$/);
  const path = join(folder, name);
  await download.saveAs(path);
  return path;
}

/** A phone without a network that has only the file. */
async function phone(
  browser: Browser,
  width: number,
  height: number,
  colorScheme: 'light' | 'dark' = 'light',
): Promise<{ home: Page; asked: string[] }> {
  const viewport = { width, height };
  const context: BrowserContext = await browser.newContext({ viewport, colorScheme, offline: true });
  const home = await context.newPage();
  const asked: string[] = [];
  home.on('request', (request) => {
    if (!/^(file|data|blob):/.test(request.url())) asked.push(request.url());
  });
  home.on('console', (message) => {
    if (message.type() === 'error') asked.push(message.text());
  });
  home.on('pageerror', (error) => asked.push(error.message));
  return { home, asked };
}

/** A whole practice by the sheet’s own clock, with the answers at its end. */
async function practise(home: Page, path: string, effort: number): Promise<void> {
  await ownClock(home);
  await home.goto(`file://${path}`);
  await home.getByRole('button', { name: /^Begin, / }).click();
  await home.getByRole('button', { name: 'Begin' }).click();
  const done = home.getByRole('heading', { name: /^Done: / });
  for (let minute = 0; minute < 60 && !(await done.isVisible()); minute += 1) {
    await home.clock.fastForward(30_000);
    await home.clock.runFor(300);
    // By feel it waits for whoever does it.
    if (await home.getByText('Next ends it').isVisible()) await home.getByRole('button', { name: 'Next' }).click();
  }
  await expect(done).toBeVisible();
  await home.getByRole('button', { name: `Effort ${effort},` }).click();
  await home.getByRole('button', { name: 'thighs' }).click();
  await expect(home.getByRole('button', { name: 'thighs' })).toHaveAttribute('aria-pressed', 'true');
  await home.getByRole('textbox', { name: 'Note for your teacher' }).fill('Arms warm, früh am Tag');
  await home.getByRole('button', { name: 'Save it' }).click();
  await expect(home.getByText(`effort ${effort}`)).toBeVisible();
}

/** On the smallest phone the practice is done to its end; on the others until it stands in the middle. */
const SMALLEST = 360;

for (const [width, height, scheme] of [
  [SMALLEST, 640, 'light'],
  [390, 844, 'dark'],
  [768, 1024, 'light'],
] as const) {
  const what = width === SMALLEST ? 'conducts a whole practice from the file alone' : 'is read and begun';
  test(`the sheet ${what} at ${width}×${height}, ${scheme}, and outlives a reload`, async ({ page, browser }) => {
    await openDemo(page);
    await openFile(page);
    const path = await sheetOf(page, `sheet-${width}.html`);
    const { home, asked } = await phone(browser, width, height, scheme);
    await ownClock(home);
    await home.goto(`file://${path}`);
    await expect(home.getByRole('heading', { name: `Practice of ${who}` })).toBeVisible();
    // Dark where the phone is set so, and never on paper.
    const ground = () => home.evaluate(() => getComputedStyle(document.documentElement).backgroundColor);
    expect(await ground()).toBe(scheme === 'dark' ? 'rgb(18, 26, 23)' : 'rgb(233, 237, 234)');
    await home.emulateMedia({ media: 'print' });
    expect(await ground()).toBe('rgb(233, 237, 234)');
    await home.emulateMedia({ media: 'screen' });
    // Cautions stand first; nothing is wider than the phone.
    const mind = home.getByRole('region', { name: 'To be minded' });
    expect((await mind.boundingBox())!.y).toBeLessThan(
      (await home.getByRole('button', { name: /^Begin/ }).boundingBox())!.y,
    );
    const fits = () => home.evaluate(() => document.documentElement.scrollWidth <= innerWidth);
    expect(await fits()).toBe(true);
    const accessible = async () => expect((await new AxeBuilder({ page: home }).analyze()).violations).toEqual([]);
    await accessible();
    // An exercise to read, its figure moving.
    await home.getByRole('button', { name: 'Twisting arm swings' }).click();
    const body = home.locator('.shown canvas');
    await expect(body).toBeVisible();
    const before = await body.screenshot();
    await home.clock.runFor(1500);
    expect(before.equals(await body.screenshot())).toBe(false);
    await accessible();
    await home.getByRole('button', { name: 'Back' }).click();
    // The hall: what is pressed next is in sight, and a reload in the middle goes on where it was.
    await home.getByRole('button', { name: /^Begin, / }).click();
    await expect(home.getByRole('button', { name: 'Begin' })).toBeInViewport({ ratio: 1 });
    await home.getByRole('button', { name: 'Begin' }).click();
    await home.clock.fastForward(40_000);
    await home.clock.runFor(1200);
    await home.getByRole('button', { name: 'Pause' }).click();
    const left = await home.locator('.hall header .num').textContent();
    expect(await fits()).toBe(true);
    await accessible();
    await home.reload();
    await expect(home.locator('.hall header .num')).toHaveText(left!);
    if (width !== SMALLEST) {
      expect(asked).toEqual([]);
      await home.context().close();
      return;
    }
    await home.getByRole('button', { name: 'Go on' }).click();
    await home.clock.runFor(1200);
    // Two minutes in which the page is closed are not practised.
    await home.goto('about:blank');
    await home.clock.fastForward(120_000);
    await home.goto(`file://${path}`);
    await expect(home.getByText('Paused.')).toBeVisible();
    const seconds = (words: string | null): number => {
      const [minute, second] = /(\d+):(\d+)/.exec(words!)!.slice(1).map(Number);
      return minute! * 60 + second!;
    };
    const back = seconds(await home.locator('.hall header .num').textContent());
    expect(seconds(left) - back).toBeLessThan(10);
    await home.getByRole('button', { name: 'Go on' }).click();
    await home.getByRole('button', { name: 'Alignment lost' }).click();
    await expect(home.getByText('Alignment lost noted 1 time.')).toBeVisible();
    await home.getByRole('button', { name: 'End…' }).click();
    await home.getByRole('button', { name: 'End and keep' }).click();
    await home.getByRole('button', { name: 'Pain 2,' }).click();
    await home.getByRole('button', { name: 'shoulder', exact: true }).click();
    await home.reload();
    // The answers are there again.
    await home
      .getByRole('button', { name: 'End…' })
      .or(home.getByRole('heading', { name: /^Done/ }))
      .first()
      .waitFor();
    await expect(home.getByRole('button', { name: 'Pain 2,' })).toHaveAttribute('aria-pressed', 'true');
    await accessible();
    await home.getByRole('button', { name: 'Save it' }).click();
    await expect(home.getByText('pain 2')).toBeVisible();
    await expect(home.getByText('Done for today.')).toBeVisible();
    await expect(home.getByText(/^In the day\. /)).toBeVisible();
    await expect(home.getByRole('button', { name: /^Once more, / })).toBeVisible();
    await home.getByRole('button', { name: /^Give it back/ }).click();
    await accessible();
    expect(await fits()).toBe(true);
    expect(asked).toEqual([]);
    await home.context().close();
  });
}

test('the body has the greater part of the hall, upright and laid down, turns, and the outline stands where it cannot be drawn', async ({
  page,
  browser,
}) => {
  await openDemo(page);
  await openFile(page);
  const path = await sheetOf(page, 'sizes.html');
  const { home, asked } = await phone(browser, 390, 844);
  await home.goto(`file://${path}`);
  await home.getByRole('button', { name: /^Begin, / }).click();
  await home.getByRole('button', { name: 'Begin' }).click();
  // What is told before it begins has room of its own.
  await home.getByRole('button', { name: 'Next', exact: true }).click();
  await home.getByRole('button', { name: 'Pause' }).click();
  const canvas = home.locator('.doing canvas');
  for (const [width, height] of [
    [390, 844],
    [844, 390],
    [820, 1180],
    [900, 1200],
    [1280, 800],
  ] as const) {
    await home.setViewportSize({ width, height });
    await expect(canvas).toBeVisible();
    const box = (await canvas.boundingBox())!;
    const shares = width > height ? [0.5, 0.9] : [0.97, 0.44];
    expect(box.width / width).toBeGreaterThan(shares[0]!);
    expect(box.height / height).toBeGreaterThan(shares[1]!);
    for (const name of ['Go on', 'Next', 'Alignment lost', 'End…'])
      await expect(home.getByRole('button', { name, exact: true })).toBeInViewport({ ratio: 1 });
    const big = await home.locator('.big').evaluate((count) => {
      const words = document.createRange();
      words.selectNodeContents(count);
      return { lines: words.getClientRects().length, height: words.getBoundingClientRect().height };
    });
    expect(big.lines).toBe(1);
    expect(big.height).toBeGreaterThan(45);
  }
  const front = await canvas.screenshot();
  await home.getByRole('button', { name: /^Seen/ }).click();
  await home.getByRole('button', { name: /^Seen/ }).click();
  await expect(home.getByRole('button', { name: 'Seen from behind' })).toBeVisible();
  await expect.poll(async () => front.equals(await canvas.screenshot())).toBe(false);
  // The picture is lost: nothing of the practice is.
  await canvas.evaluate((element: HTMLCanvasElement) =>
    element.getContext('webgl2')!.getExtension('WEBGL_lose_context')!.loseContext(),
  );
  await expect(home.locator('.doing .flesh').first()).toBeVisible();
  expect(asked).toEqual([]);
  await home.context().close();

  for (const missing of ['Worker', 'WebGL2RenderingContext'] as const) {
    const { home: other, asked: faults } = await phone(browser, 390, 844);
    await other.addInitScript((name) => {
      Object.defineProperty(globalThis, name, { value: undefined });
    }, missing);
    await other.goto(`file://${path}`);
    await other.getByRole('button', { name: 'Twisting arm swings' }).click();
    const body = other.locator('.shown .flesh').last();
    const before = await body.getAttribute('d');
    await expect.poll(() => body.getAttribute('d')).not.toBe(before);
    expect(faults).toEqual([]);
    await other.context().close();
  }
});

test('the log comes back as a line, as a file, as pictures of codes and by the camera; what is known is not taken twice', async ({
  page,
  browser,
}) => {
  await openDemo(page);
  await openFile(page);
  const path = await sheetOf(page, 'sheet.html');
  const { home } = await phone(browser, 390, 844);
  await practise(home, path, 5);
  await home.getByRole('button', { name: /^Give it back/ }).click();
  const line = await home.getByRole('textbox', { name: 'The line of the log' }).inputValue();
  const waiting = home.waitForEvent('download');
  await home.getByRole('button', { name: 'Save the file' }).click();
  const file = join(folder, 'log.json');
  await (await waiting).saveAs(file);
  const { pictures, film } = await codesOf(home);
  await home.context().close();

  // A message that broke the line; taken in as one step, and taken back.
  await part(page, 'Practices');
  const field = page.getByRole('textbox', { name: 'The line from the message' });
  const said = page.getByRole('region', { name: 'What the log holds' });
  await field.fill(`Hello,\n${line.replace(/(.{60})/g, '$1\n')}\nuntil Friday`);
  await expect(said).toContainText(`Of ${who}: 1 new, 0 already`);
  await expect(said).toContainText('effort 5, “Arms warm, früh am Tag”');
  await said.getByRole('button', { name: 'Import' }).click();
  await expect(page.getByText(`One practice of ${who} imported`)).toBeVisible();
  await part(page, 'Practices');
  await expect(page.getByText('Arms warm, früh am Tag')).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Arms warm, früh am Tag')).toHaveCount(0);

  // The file, from the place of files, where it is nobody’s yet.
  await page.getByRole('link', { name: 'Files' }).click();
  const files = page.getByLabel('File or pictures of codes');
  await files.setInputFiles(file);
  await said.getByRole('button', { name: 'Import' }).click();
  await expect(page.getByText(`One practice of ${who} imported`)).toBeVisible();

  // Pictures of the codes, the last first, while the file may still be on its way in; all of it is known then.
  const codes = pictures.map((buffer, index) => ({ name: `code-${index}.png`, mimeType: 'image/png', buffer }));
  await files.setInputFiles(codes.toReversed());
  await expect(said).toContainText('0 new, 1 already here');
  await expect(page.getByText('there is nothing to import')).toBeVisible();

  // Today names whose practices came in.
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  const cameIn = page.getByRole('region', { name: 'Came in' }).getByRole('listitem').filter({ hasText: who });
  await expect(cameIn).toContainText('1 practice from home; the hardest 5 of 10');
  await page.getByRole('link', { name: 'Files' }).click();
  await page.reload();

  // What is wrong is said, and nothing is written.
  const alert = page.getByRole('alert');
  await field.fill(line.slice(0, -20));
  await expect(alert).toContainText('not whole');
  await field.fill(line.replace(/.{4};$/, 'AAAA;'));
  await expect(alert).toContainText('damaged');
  await expect(alert).toContainText('Nothing was written');
  await field.fill('');
  const strange = JSON.parse(await readFile(file, 'utf8')) as { studentId: string };
  const other = { ...strange, studentId: 'someone-else', sum: undefined };
  await files.setInputFiles({
    name: 'log.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(other)),
  });
  await expect(alert).toContainText('not among your students');

  // The camera: a browser of its own whose camera sees the codes one after the other.
  const seen = join(folder, 'codes.y4m');
  await writeFile(seen, film);
  const own = await chromium.launch({
    executablePath: process.env['CHROMIUM_PATH'] ?? '/usr/bin/chromium',
    args: [
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      `--use-file-for-fake-video-capture=${seen}`,
    ],
  });
  const desk = await (await own.newContext({ baseURL: new URL(page.url()).origin, serviceWorkers: 'block' })).newPage();
  await desk.goto('/demo');
  await desk.getByRole('heading', { name: 'Practising today' }).waitFor();
  await desk.goto('/files');
  await desk.getByRole('button', { name: 'With the camera' }).click();
  await expect(desk.getByRole('region', { name: 'What the log holds' })).toContainText('1 new', { timeout: 60_000 });
  await desk.getByRole('region', { name: 'What the log holds' }).getByRole('button', { name: 'Import' }).click();
  await expect(desk.getByText(`One practice of ${who} imported`)).toBeVisible();
  await own.close();
});

test('a sign to stop locks at home, comes first at the desk, and a hostile name stays a name', async ({
  page,
  browser,
}) => {
  await openDemo(page);
  await openFile(page);
  await part(page, 'Person');
  const hostile = `</script><img src=x onerror="document.title='run'">`;
  await page.getByRole('textbox', { name: 'Name' }).fill(hostile);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(hostile);
  const path = await sheetOf(page, 'hostile.html');
  const { home, asked } = await phone(browser, 390, 844);
  await home.goto(`file://${path}`);
  await expect(home.getByRole('heading', { level: 1 })).toHaveText(`Practice of ${hostile}`);
  await expect(home).toHaveTitle(`Practice of ${hostile}`);
  await home.getByRole('button', { name: /^Begin, / }).click();
  await home.getByRole('button', { name: 'Begin' }).click();
  await home.getByRole('button', { name: 'End…' }).click();
  await home.getByRole('button', { name: 'End and keep' }).click();
  await home.getByRole('button', { name: 'chest pain' }).click();
  await expect(home.getByRole('alert')).toContainText('licensed practitioner');
  await home.getByRole('button', { name: 'Save it' }).click();
  await expect(home.getByRole('alert')).toContainText('See your teacher, and a licensed practitioner');
  await expect(home.getByRole('button', { name: /^Begin/ })).toHaveCount(0);
  await home.getByRole('button', { name: /^Give it back/ }).click();
  const line = await home.getByRole('textbox', { name: 'The line of the log' }).inputValue();
  expect(asked).toEqual([]);
  await home.context().close();
  await part(page, 'Practices');
  await page.getByRole('textbox', { name: 'The line from the message' }).fill(line);
  const said = page.getByRole('region', { name: 'What the log holds' });
  await expect(said.getByRole('alert')).toContainText('Chest pain was noted');
  await said.getByRole('button', { name: 'Import' }).click();
  await part(page, 'Plan');
  await expect(page.getByText('Stop and refer').first()).toBeVisible();
});

test('where the phone keeps nothing it is said, and what was practised can still be given back', async ({
  page,
  browser,
}) => {
  await openDemo(page);
  await openFile(page);
  const path = await sheetOf(page, 'nowhere.html');
  const { home, asked } = await phone(browser, 390, 844);
  await home.addInitScript(() => {
    Object.defineProperty(globalThis, 'localStorage', {
      get: () => {
        throw new DOMException('denied', 'SecurityError');
      },
    });
  });
  await home.goto(`file://${path}`);
  await expect(home.getByRole('alert')).toContainText('saves nothing');
  await home.getByRole('button', { name: /^Begin, / }).click();
  await home.getByRole('button', { name: 'Begin' }).click();
  await home.getByRole('button', { name: 'End…' }).click();
  await home.getByRole('button', { name: 'End and keep' }).click();
  await home.getByRole('button', { name: 'Effort 3,' }).click();
  await home.getByRole('button', { name: 'Save it' }).click();
  await home.getByRole('button', { name: /^Give it back/ }).click();
  await expect(home.getByRole('textbox', { name: 'The line of the log' })).toHaveValue(/^POMEK-LOG-1:1of1:/);
  expect(asked).toEqual([]);
  await home.context().close();
});

test('a cue track of a routine and of a week: sound and words in one archive', async ({ page }) => {
  await openDemo(page);
  const archive = async (): Promise<Record<string, Uint8Array>> => {
    const download = await give(page, 'A cue track');
    expect(download.suggestedFilename()).toMatch(/\.zip$/);
    return unzipSync(await readFile(await download.path()));
  };
  const hasBoth = (files: Record<string, Uint8Array>): void => {
    const names = Object.keys(files);
    expect(names.length).toBeGreaterThanOrEqual(2);
    for (const name of names.filter((each) => each.endsWith('.wav'))) {
      const sound = Buffer.from(files[name]!);
      expect(sound.subarray(0, 4).toString()).toBe('RIFF');
      expect(sound.readUInt32LE(40)).toBe(sound.length - 44);
      const words = Buffer.from(files[name.replace('.wav', '.vtt')]!).toString();
      expect(words).toMatch(/^WEBVTT\n\n00:00:00\.000 --> /);
    }
  };
  await openGive(page, 'demo-reeling');
  const one = await archive();
  expect(Object.keys(one)).toEqual(['thread-and-turn.wav', 'thread-and-turn.vtt']);
  hasBoth(one);
  await openFile(page);
  await part(page, 'Give');
  const week = await archive();
  // Named by the first day of each practice that differs.
  expect(Object.keys(week).every((name) => /^\d{4}-\d\d-\d\d-/.test(name))).toBe(true);
  hasBoth(week);
});
