import { mkdirSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { findChromium, root } from './setup.mjs';

/** Takes the pictures of docs/screenshots/ from a running demo: npm run pictures -- http://127.0.0.1:4310 */
const base = process.argv[2] ?? 'http://127.0.0.1:4310';
const folder = join(root, 'docs/screenshots');
mkdirSync(folder, { recursive: true });

const views = [
  { name: 'today', path: '/today' },
  { name: 'exercises', path: '/exercises' },
  { name: 'figure', path: '/exercises/tree-holding' },
  {
    name: 'cycle',
    path: '/exercises/one-hand-reeling',
    async then(page) {
      await page.getByRole('button', { name: 'Cycle', exact: true }).click();
      await page.getByRole('slider').first().fill('62');
      await page.evaluate(() => scrollTo(0, 0));
    },
  },
  { name: 'routine', path: '/routines/demo-reeling' },
  { name: 'chain', path: '/routines/chains/demo-chain' },
  { name: 'student', path: '/students/demo-student-5' },
  {
    name: 'season',
    path: '/students/season',
    async then(page) {
      await page.locator('progress').waitFor({ state: 'detached' });
    },
  },
  {
    name: 'terraces',
    path: '/students/demo-student-2',
    async then(page) {
      await page.locator('pk-terraces').first().waitFor();
      await page.waitForTimeout(1200);
    },
  },
  {
    name: 'load',
    path: '/students/demo-student-6',
    async then(page) {
      await page.getByRole('button', { name: 'Load', exact: true }).click();
    },
  },
  {
    name: 'class',
    path: '/classes/demo-class-stand',
    async then(page) {
      await page.getByRole('button', { name: 'All are here' }).click();
    },
  },
  { name: 'film', path: '/students/demo-student-3/film/demo-student-3-still-30' },
  { name: 'home', path: '/students/demo-student-7?part=home' },
  { name: 'practise', path: '/practise?student=demo-student-8' },
  { name: 'files', path: '/files' },
];

const browser = await chromium.launch({ executablePath: await findChromium() });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`${base}/demo`);
await page.getByRole('heading', { name: 'Practising today' }).waitFor();
for (const { name, path, then } of views) {
  await page.goto(base + path);
  await page.getByRole('heading', { level: 1 }).first().waitFor();
  if (then !== undefined) await then(page);
  await page.waitForTimeout(700);
  await page.screenshot({ path: join(folder, `${name}.png`) });
}
await page.goto(`${base}/practise?student=demo-student-8`);
await page.getByRole('button', { name: 'Go to the hall' }).click();
await page.evaluate(() => document.documentElement.classList.add('hall'));
for (const key of ['Space', 'ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowRight']) {
  await page.waitForTimeout(150);
  await page.keyboard.press(key);
}
await page.waitForTimeout(3000);
await page.screenshot({ path: join(folder, 'conductor-hall.png') });
await page.keyboard.press('Escape');
await page.getByRole('button', { name: 'Drop it' }).click();

await page.goto(`${base}/classes/demo-class-stand`);
await page.getByRole('button', { name: 'Go to the hall' }).click();
await page.getByText('Space begins.').waitFor();
await page.evaluate(() => document.documentElement.classList.add('hall'));
for (const key of ['Space', ...Array(7).fill('ArrowRight')]) {
  await page.waitForTimeout(150);
  await page.keyboard.press(key);
}
await page.waitForTimeout(3000);
await page.screenshot({ path: join(folder, 'class-hall.png') });
await page.keyboard.press('Escape');
await page.getByRole('button', { name: 'Drop it' }).click();

// The sheet, as it lies on a phone: its first page, and its hall.
await page.goto(`${base}/students/demo-student-7?part=home`);
const given = page.waitForEvent('download');
await page.getByRole('button', { name: 'Write the sheet' }).click();
const sheet = join(mkdtempSync(join(tmpdir(), 'pomek-pictures-')), 'sheet.html');
await (await given).saveAs(sheet);
const phones = [];
for (const steps of [[], ['Begin', 'Begin', 'Next', 'Next', 'Next', 'Next', 'Next', 'Next']]) {
  const phone = await browser.newPage({ viewport: { width: 390, height: 780 } });
  await phone.goto(`file://${sheet}`);
  for (const name of steps) await phone.getByRole('button', { name }).first().click();
  await phone.waitForTimeout(2500);
  phones.push((await phone.screenshot()).toString('base64'));
}
await page.setViewportSize({ width: 830, height: 820 });
const shown = phones.map((picture) => `<img src="data:image/png;base64,${picture}">`).join('');
await page.setContent(`<body style="margin:20px;display:flex;gap:20px;background:#7e8f89">${shown}`);
await page.waitForTimeout(300);
await page.screenshot({ path: join(folder, 'sheet.png') });
await browser.close();
