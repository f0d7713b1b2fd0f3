import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { root } from '../setup.mjs';
import { serve } from './loading.mjs';

const ROUNDS = 7;
const TARGET = 1.2;
const LOOKED_AT_MS = 3000;
const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];
const round = (value) => Number(value.toFixed(2));

/** Of each place of the rail, the main thing that stands there when it is open. */
const places = [
  { name: 'Exercises', main: 'pk-figure svg' },
  { name: 'Routines', main: 'pk-routines a[href*="/routines/"]' },
  { name: 'Students', main: 'pk-students a[href*="/students/"]' },
  { name: 'Classes', main: 'pk-classes a[href*="/classes/"]' },
  { name: 'Practise', main: 'main p-select' },
  { name: 'Files', main: 'main p-button' },
];

/** From the press until the main thing stands there, ms; in a page whose cache is empty. */
async function opening(browser, address, { link, main }, before) {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  await page.goto(address);
  await page.locator(before).first().waitFor();
  await page.waitForLoadState('networkidle');
  // As long as a person looks at the day before going on.
  await page.waitForTimeout(LOOKED_AT_MS);
  // The time is taken in the page itself: the next frame in which the main thing is to be seen.
  const spent = await page.evaluate(
    ([name, wanted]) =>
      new Promise((done) => {
        const entry = [...document.querySelectorAll('a')].find((each) => each.textContent.trim() === name);
        const begun = performance.now();
        const look = () => {
          const found = document.querySelector(wanted);
          if (found !== null && found.getBoundingClientRect().height > 0) done(performance.now() - begun);
          else requestAnimationFrame(look);
        };
        entry.click();
        look();
      }),
    [link, main],
  );
  await context.close();
  return spent;
}

/** Each place opened for the first time from Today of the demo, against a bare view that comes when it is asked for. */
export async function measureViews(executablePath) {
  const browser = await chromium.launch({ executablePath });
  const app = await serve(join(root, 'apps/web/dist/web/browser'));
  const bare = await serve(join(root, 'apps/web/dist/bare/browser'));
  const found = new Map([['bare', []], ...places.map(({ name }) => [name, []])]);
  for (let turn = 0; turn <= ROUNDS; turn += 1) {
    const keep = (name, value) => turn > 0 && found.get(name).push(value);
    keep('bare', await opening(browser, bare.address, { link: 'Later', main: 'td' }, 'button'));
    for (const { name, main } of places) {
      const before = 'main a[href*="/students/"]';
      keep(name, await opening(browser, `${app.address}/demo`, { link: name, main }, before));
    }
  }
  await browser.close();
  app.server.close();
  bare.server.close();
  const against = (name) => median(found.get(name).map((value, index) => value / found.get('bare')[index]));
  return places.map(({ name }) => {
    const ratio = against(name);
    return {
      name: `opening ${name} for the first time, against a bare lazy view`,
      value: round(ratio),
      unit: '×',
      target: `≤ ${TARGET}`,
      met: ratio <= TARGET,
    };
  });
}
