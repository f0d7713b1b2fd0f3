import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { root } from '../setup.mjs';
import { serve } from './loading.mjs';

const DAYS = 5000;
const A_DAY = 10;
const ROUNDS = 3;
const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];
const round = (value) => Number(value.toFixed(2));

/** Fifty thousand rows of a table as a teacher might keep it. */
function rows() {
  return Array.from({ length: DAYS * A_DAY }, (_, index) => {
    const day = new Date(Date.UTC(2005, 0, 1) + Math.floor(index / A_DAY) * 86_400_000).toISOString().slice(0, 10);
    return { day, exercise: 'Holding the tree', side: 'both', done: 60 + (index % 30), effort: 5, note: '' };
  });
}

/** The same rows put into a bare database in one transaction, ms. */
const rawWrite = (page, records) =>
  page.evaluate(
    (list) =>
      new Promise((resolve, reject) => {
        const open = indexedDB.open(`raw-${Math.random()}`, 1);
        open.onerror = () => reject(open.error);
        open.onupgradeneeded = () => {
          const store = open.result.createObjectStore('rows', { keyPath: 'id' });
          store.createIndex('studentId', 'studentId');
          store.createIndex('day', ['studentId', 'day']);
        };
        open.onsuccess = () => {
          const begun = performance.now();
          const write = open.result.transaction('rows', 'readwrite');
          list.forEach((row, id) => write.objectStore('rows').put({ ...row, id, studentId: 'u' }));
          write.oncomplete = () => {
            const spent = performance.now() - begun;
            open.result.close();
            resolve(spent);
          };
          write.onerror = () => reject(write.error);
        };
      }),
    records,
  );

/** Waits for an element with that text; looks seldom and cheaply, so that looking holds nothing up. */
const ready = (page, text, selector) =>
  page.waitForFunction(
    ([wanted, where]) => [...document.querySelectorAll(where)].some((each) => each.textContent.includes(wanted)),
    [text, selector],
    { polling: 20 },
  );

/** A table of 50,000 rows brought in through the page, against a bare write of the same rows. */
export async function measureTable(executablePath) {
  const { server, address } = await serve(join(root, 'apps/web/dist/web/browser'));
  const browser = await chromium.launch({ executablePath });
  const records = rows();
  const columns = Object.keys(records[0]);
  const text = [columns.join(','), ...records.map((row) => columns.map((name) => row[name]).join(','))].join('\n');
  // From the disk, as a person would: handed over as a buffer it would be put together within the page.
  const folder = mkdtempSync(join(tmpdir(), 'pomek-table-'));
  const file = join(folder, 'many.csv');
  writeFileSync(file, text);
  const found = { ours: [], raw: [], blocked: [] };
  for (let turn = 0; turn < ROUNDS; turn += 1) {
    const context = await browser.newContext({ serviceWorkers: 'block' });
    const page = await context.newPage();
    page.setDefaultTimeout(120_000);
    await page.goto(`${address}/demo`);
    await page.getByRole('heading', { name: 'Practising today' }).waitFor();
    found.raw.push(await rawWrite(page, records));
    await page.goto(`${address}/students/demo-student-7?part=practices`);
    await page.getByRole('button', { name: 'From a table' }).click();
    await page.evaluate(() => {
      window.longest = 0;
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) window.longest = Math.max(window.longest, entry.duration);
      }).observe({ type: 'longtask' });
    });
    const begun = performance.now();
    await page.getByLabel('Choose a table').setInputFiles(file);
    await ready(page, `Keep ${DAYS} practices`, 'pk-csv-import button:enabled');
    await page.locator('pk-csv-import button', { hasText: `Keep ${DAYS} practices` }).click();
    await ready(page, `${DAYS} practices kept`, '[role=status], [role=alert]');
    found.ours.push(performance.now() - begun);
    found.blocked.push(await page.evaluate(() => window.longest));
    await context.close();
  }
  await browser.close();
  server.close();
  rmSync(folder, { recursive: true });
  const ratio = median(found.ours) / median(found.raw);
  return [
    {
      name: `${DAYS * A_DAY} rows of a table brought in, against a bare write of them`,
      value: round(ratio),
      unit: '×',
      target: '≤ 2',
      met: ratio <= 2,
    },
    {
      name: 'longest stretch the page was held up by it, against the whole import',
      value: round(median(found.blocked) / median(found.ours)),
      unit: '×',
    },
    {
      name: 'the same in milliseconds (0: never longer than 50)',
      value: Math.round(median(found.blocked)),
      unit: 'ms',
      target: '≤ 50',
      met: median(found.blocked) <= 50,
    },
  ];
}
