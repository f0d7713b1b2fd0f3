import { mkdirSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { findChromium, root } from './setup.mjs';

/** Takes the pictures of docs/screenshots/ from a running demo: npm run pictures -- http://127.0.0.1:4310 */
const base = process.argv[2] ?? 'http://127.0.0.1:4310';
const folder = join(root, 'docs/screenshots');
mkdirSync(folder, { recursive: true });

/** The weeks of a plan come from the worker, some time after the page. */
async function weeksComputed(page) {
  await page.locator('pk-terraces').first().waitFor();
  await page.getByText('Computing the weeks…').waitFor({ state: 'detached', timeout: 60_000 });
  await page.waitForTimeout(1200);
}

const views = [
  {
    name: 'today',
    path: '/today',
    async then(page) {
      await page.getByText('To decide').waitFor();
      await page.getByText(/Looking through the practices/).waitFor({ state: 'detached', timeout: 60_000 });
    },
  },
  {
    name: 'written',
    path: '/exercises/demo-lantern-walk/edit',
    async then(page) {
      await page.getByRole('button', { name: /^Part 2, its end/ }).click();
      await page.locator('pk-body-in-space .making').waitFor({ state: 'detached', timeout: 60_000 });
    },
  },
  { name: 'figure', path: '/exercises/tree-holding' },
  {
    name: 'cycle',
    path: '/exercises/one-hand-reeling',
    async then(page) {
      await page.getByRole('button', { name: 'Cycle', exact: true }).click();
      await page.getByRole('slider').first().fill('62');
      await page.locator('pk-body-in-space .making').waitFor({ state: 'detached', timeout: 60_000 });
      await page.evaluate(() => scrollTo(0, 0));
    },
  },
  { name: 'routine', path: '/routines/demo-reeling' },
  { name: 'chain', path: '/routines/chains/demo-chain' },
  {
    name: 'student',
    path: '/students/demo-student-5',
    then: weeksComputed,
  },
  {
    name: 'season',
    path: '/students/season',
    async then(page) {
      await page.getByRole('table').waitFor();
      await page.waitForTimeout(500);
      await page.locator('progress').waitFor({ state: 'detached', timeout: 60_000 });
    },
  },
  {
    name: 'terraces',
    path: '/students/demo-student-2',
    then: weeksComputed,
  },
  {
    name: 'load',
    path: '/students/demo-student-6',
    async then(page) {
      await page.getByRole('button', { name: 'Practices', exact: true }).click();
      await page.getByRole('link', { name: 'Load', exact: true }).click();
    },
  },
  {
    name: 'class',
    path: '/classes/demo-class-stand',
    async then(page) {
      // Whoever was ticked for a picture before is here already.
      const all = page.getByRole('button', { name: 'All are here' });
      await page.getByRole('checkbox').first().waitFor();
      if (await all.isEnabled()) await all.click();
    },
  },
  { name: 'film', path: '/students/demo-student-3/film/demo-student-3-still-30' },
  {
    name: 'followed',
    path: '/students/demo-student-3?part=film',
    // An outline with tape on its joints goes down and up; where its joints are at first, px.
    async then(page) {
      await page.getByLabel('Picture or film').setInputFiles(join(root, 'e2e/support/squat.webm'));
      await page.getByRole('button', { name: 'Take this moment' }).click();
      const surface = page.getByRole('application');
      await surface.waitFor();
      const box = await surface.boundingBox();
      for (const [x, y] of [
        [300, 600],
        [220, 600],
        [235, 570],
        [240, 455],
        [235, 330],
        [350, 210],
        [300, 260],
        [245, 190],
        [255, 130],
      ]) {
        await page.mouse.click(box.x + (x * box.width) / 480, box.y + (y * box.height) / 640);
        await page.waitForTimeout(200);
      }
      await page.getByRole('combobox', { name: 'Exercise on the picture' }).click();
      await page.getByRole('option', { name: 'Squat and bounce' }).click();
      await page.getByRole('link', { name: 'Follow through the film' }).click();
      await page.getByRole('button', { name: 'Follow through the film' }).click({ timeout: 60_000 });
      await page.getByText('How it moved').waitFor({ timeout: 120_000 });
      await page.getByText(/Following: frame/).waitFor({ state: 'detached', timeout: 120_000 });
      await page.getByRole('button', { name: 'Go to the worst moment: knees' }).click();
    },
  },
  { name: 'give', path: '/students/demo-student-7?part=give' },
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
await page.getByRole('button', { name: 'Discard' }).click();

await page.goto(`${base}/classes/demo-class-stand`);
// Whoever was ticked for a picture before is here already.
const all = page.getByRole('button', { name: 'All are here' });
await page.getByRole('checkbox').first().waitFor();
if (await all.isEnabled()) await all.click();
await page.getByRole('button', { name: 'Go to the hall' }).click();
await page.getByText('Press Begin, or Space.').waitFor();
await page.evaluate(() => document.documentElement.classList.add('hall'));
for (const key of ['Space', ...Array(7).fill('ArrowRight')]) {
  await page.waitForTimeout(150);
  await page.keyboard.press(key);
}
await page.waitForTimeout(3000);
await page.screenshot({ path: join(folder, 'class-hall.png') });
await page.keyboard.press('Escape');
await page.getByRole('button', { name: 'Discard' }).click();

// The sheet, as it lies on a phone: its first page, and its hall.
await page.goto(`${base}/students/demo-student-7?part=give`);
const given = page.waitForEvent('download');
await page.getByRole('radio', { name: 'A sheet for the phone' }).check();
await page.getByRole('button', { name: 'Download' }).click();
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
