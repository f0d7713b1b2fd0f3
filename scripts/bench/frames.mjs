import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { root } from '../setup.mjs';
import { serve } from './loading.mjs';

const FRAMES = 180;
const p95 = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length * 0.95)];
const round = (value, digits = 2) => Number(value.toFixed(digits));

/** Time from frame to frame while `act` (the text of a function of the frame's number) runs in each. */
const frames = (page, act) =>
  page.evaluate(
    ([count, text]) =>
      new Promise((resolve) => {
        const work = new Function('number', text);
        const times = [];
        let last = null;
        let number = 0;
        const step = (now) => {
          if (last !== null) times.push(now - last);
          last = now;
          if (number >= count) return resolve(times.slice(5));
          work(number);
          number += 1;
          requestAnimationFrame(step);
        };
        requestAnimationFrame(step);
      }),
    [FRAMES, act],
  );

/** Two hundred segments in the demo's storage, made of those that are there. */
const longRoutine = (page) =>
  page.evaluate(
    () =>
      new Promise((resolve, reject) => {
        const open = indexedDB.open('pomek-demo');
        open.onerror = () => reject(open.error);
        open.onsuccess = () => {
          const store = open.result.transaction('routines', 'readwrite').objectStore('routines');
          store.get('demo-reeling').onsuccess = ({ target: { result } }) => {
            const segments = Array.from({ length: 200 }, (_, index) => ({
              ...result.segments[index % result.segments.length],
              id: `bench-${index}`,
            }));
            store.put({ ...result, id: 'bench', name: 'Bench', segments }).onsuccess = () => {
              open.result.close();
              resolve();
            };
          };
        };
      }),
  );

const drive = {
  figure: `const dial = document.querySelector('input[type=range]');
    dial.value = String(20 + (number % 60));
    dial.dispatchEvent(new Event('input', { bubbles: true }));`,
  zoom: `document.querySelector('pk-thread svg[role=listbox]').dispatchEvent(new WheelEvent('wheel',
    { deltaY: number % 60 < 30 ? -40 : 40, ctrlKey: true, clientX: 700, clientY: 200, bubbles: true, cancelable: true }));`,
  drag: `const board = document.querySelector('pk-thread svg[role=listbox]');
    if (number === 0) {
      board.setPointerCapture = () => undefined;
      board.querySelector('[role=option]').dispatchEvent(new PointerEvent('pointerdown',
        { clientX: 300, clientY: 200, pointerId: 1, bubbles: true, button: 0 }));
    }
    board.dispatchEvent(new PointerEvent('pointermove', { clientX: 300 + number * 3, clientY: 200, pointerId: 1, bubbles: true }));`,
};

/** Frames while the figure is turned and the thread is zoomed and dragged, against empty frames of the same pages. */
export async function measureFrames(executablePath) {
  const { server, address } = await serve(join(root, 'apps/web/dist/web/browser'));
  const browser = await chromium.launch({ executablePath });
  const context = await browser.newContext({ serviceWorkers: 'block', viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.goto(`${address}/demo`);
  await page.getByRole('heading', { name: 'Practising today' }).waitFor({ timeout: 60_000 });
  await longRoutine(page);
  const rows = [];
  const measure = async (name, act) => {
    const empty = p95(await frames(page, ''));
    const busy = p95(await frames(page, act));
    rows.push(
      { name: `${name}: frame time p95, empty`, value: round(empty), unit: 'ms' },
      { name: `${name}: frame time p95, at work`, value: round(busy), unit: 'ms' },
      // A frame comes every 16.7 ms at best: an empty page cannot be beaten.
      {
        name: `${name}: at work / empty`,
        value: round(busy / empty),
        unit: '×',
        target: '≤ 1.1',
        met: busy / empty <= 1.1,
      },
    );
  };
  await page.goto(`${address}/exercises/tree-holding`);
  await page.getByLabel('Knee bend, slider').waitFor();
  await measure('figure turned by its dial', drive.figure);
  await page.goto(`${address}/routines/bench`);
  await page.getByRole('listbox').waitFor();
  await page.waitForTimeout(1500);
  await measure('thread of 200 segments zoomed', drive.zoom);
  await measure('thread of 200 segments dragged', drive.drag);
  await page.goto(`${address}/practise?student=demo-student-1`);
  await page.getByRole('button', { name: 'Go to the hall' }).click();
  await page.getByText('Press Begin, or Space.').waitFor();
  for (const key of ['Space', ...Array(12).fill('ArrowRight')]) {
    await page.keyboard.press(key);
    await page.waitForTimeout(150);
    if (
      (await page.locator('pk-hall-figure').count()) > 0 &&
      (await page.locator('h1').innerText()).startsWith('One-hand')
    )
      break;
  }
  await page.waitForTimeout(500);
  // The practice goes on by itself: nothing is driven.
  const conducting = p95(await frames(page, ''));
  await page.keyboard.press('Space');
  await page.waitForTimeout(300);
  const standing = p95(await frames(page, ''));
  rows.push(
    { name: 'conducting, the figure moving: frame time p95', value: round(conducting), unit: 'ms' },
    {
      name: 'conducting / standing still',
      value: round(conducting / standing),
      unit: '×',
      target: '≤ 1.1',
      met: conducting / standing <= 1.1,
    },
  );
  await browser.close();
  server.close();
  return rows;
}
