import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { root } from '../setup.mjs';
import { serve } from './loading.mjs';

const ROUNDS = 7;
/** How much slower a phone is taken to be. */
const SLOWER = 4;
const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];
const kilobytes = (path) => gzipSync(readFileSync(path), { level: 9 }).length / 1024;

/** From the demo: a sheet for eight weeks, and the cue track of its longest routine, with the time that took, ms. */
async function given(browser, address, folder) {
  const page = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
  page.setDefaultTimeout(120_000);
  await page.goto(`${address}/demo`);
  await page.getByRole('heading', { name: 'Practising today' }).waitFor();
  const download = async (name, file) => {
    await page.getByRole('radio', { name }).check();
    const waiting = page.waitForEvent('download');
    const begun = performance.now();
    await page.getByRole('button', { name: 'Download' }).click();
    await (await waiting).saveAs(join(folder, file));
    return performance.now() - begun;
  };
  await page.goto(`${address}/students/demo-student-7?part=give`);
  await download('A sheet for the phone', 'sheet.html');
  await page.goto(`${address}/routines/demo-reeling/give`);
  const spent = await download('A cue track', 'track.zip');
  await page.context().close();
  return spent;
}

/** From the file until its first day stands there, on a processor as slow as a phone’s, ms. */
async function opening(browser, path) {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, offline: true });
  const page = await context.newPage();
  const client = await context.newCDPSession(page);
  await client.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  // The page itself says when it was there: looking from outside takes time of the same slow processor.
  await page.addInitScript(() => {
    const look = () => {
      if (document.querySelector('.today .strong') === null) requestAnimationFrame(look);
      else requestAnimationFrame(() => (globalThis.usableAt = performance.now()));
    };
    requestAnimationFrame(look);
  });
  await page.goto(`file://${path}`);
  await page.waitForFunction(() => globalThis.usableAt);
  const spent = await page.evaluate(() => globalThis.usableAt);
  await context.close();
  return spent;
}

/** What is given home: how large, how soon usable, and how fast a cue track is made against its own length. */
export async function measureSheet(executablePath) {
  const { server, address } = await serve(join(root, 'apps/web/dist/web/browser'));
  const browser = await chromium.launch({ executablePath });
  const folder = mkdtempSync(join(tmpdir(), 'pomek-sheet-'));
  const spent = await given(browser, address, folder);
  const path = join(folder, 'sheet.html');
  const times = [];
  for (let turn = 0; turn <= ROUNDS; turn += 1) {
    const time = await opening(browser, path);
    if (turn > 0) times.push(time);
  }
  await browser.close();
  server.close();
  const size = kilobytes(path);
  const usable = median(times);
  // The length of the sound stands in its head: the sizes of the archive say nothing of it.
  const { unzipSync } = await import('fflate');
  const files = unzipSync(readFileSync(join(folder, 'track.zip')));
  const wav = Object.entries(files).find(([name]) => name.endsWith('.wav'))[1];
  const seconds = new DataView(wav.buffer, wav.byteOffset).getUint32(40, true) / 2 / 11_025;
  const faster = (seconds * 1000) / spent;
  rmSync(folder, { recursive: true });
  return [
    {
      name: 'sheet: one file for a phone, with a student’s weeks (gzip)',
      value: Number(size.toFixed(1)),
      unit: 'kB',
      target: '≤ 320',
      met: size <= 320,
    },
    {
      name: `sheet: opened from the file until it can be begun, processor ${SLOWER} × slower`,
      value: Math.round(usable),
      unit: 'ms',
      target: '≤ 1000',
      met: usable <= 1000,
    },
    {
      name: 'cue track of a routine made, its length against the time it took',
      value: Math.round(faster),
      unit: '×',
      target: '≥ 200',
      met: faster >= 200,
    },
  ];
}
