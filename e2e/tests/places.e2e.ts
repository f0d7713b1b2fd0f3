import type { Page } from '@playwright/test';
import { openDemo } from '../support/pomek';
import { expect, test } from '../support/test';

/** Every place that a teacher comes to, with what the demo holds. */
const places = [
  '/today',
  '/exercises',
  '/exercises/neutral-stance',
  '/routines',
  '/routines/demo-morning',
  '/routines/demo-morning/give',
  '/routines/demo-reeling',
  '/routines/lay-out',
  '/routines/chains/demo-chain',
  '/students',
  '/students/season',
  '/students/demo-student-1',
  '/students/demo-student-1?part=practices',
  '/students/demo-student-1?part=person',
  '/students/demo-student-1?part=give',
  '/students/demo-student-3?part=film',
  '/students/demo-student-3/film/demo-student-3-still-30',
  '/classes',
  '/classes/demo-class-pond',
  '/classes/demo-class-stand',
  '/practise',
  '/practise?student=demo-student-5',
  '/files',
  '/sources',
  '/ten-minutes',
] as const;

/** The least size of what is written, px, and of what is pressed with a finger, px high. */
const LEAST_TEXT = 12;
const LEAST_TARGET = 40;

/** What is wrong with a page as it stands there: wider than the window, text too small, cut off without a sign, or too small to press. */
const wrongOn = (page: Page, touch: boolean): Promise<string[]> =>
  page.evaluate(
    ({ touch: byTouch, leastText, leastTarget }) => {
      const wrong: string[] = [];
      const words = (element: Element): string =>
        `${element.tagName.toLowerCase()}.${element.getAttribute('class') ?? ''} “${(element.getAttribute('aria-label') ?? element.textContent).trim().slice(0, 40)}”`;
      const isSeen = (element: Element): boolean => {
        const { width, height } = element.getBoundingClientRect();
        return width > 1 && height > 1 && element.checkVisibility({ visibilityProperty: true, opacityProperty: true });
      };
      const over = document.documentElement.scrollWidth - document.documentElement.clientWidth;
      if (over > 0) wrong.push(`${over} px wider than the window`);

      const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      while (texts.nextNode() !== null) {
        const element = texts.currentNode.parentElement;
        if (element === null || texts.currentNode.textContent!.trim() === '' || !isSeen(element)) continue;
        const svg = element.closest('svg');
        const drawn = svg?.viewBox.baseVal.width ?? 0;
        const scale = svg === null || drawn === 0 ? 1 : svg.getBoundingClientRect().width / drawn;
        const size = Number.parseFloat(getComputedStyle(element).fontSize) * scale;
        if (size < leastText - 0.05) wrong.push(`${size.toFixed(1)} px: ${words(element)}`);
      }

      for (const element of document.querySelectorAll('main *')) {
        if (element.children.length > 0 || element.textContent.trim() === '' || !isSeen(element)) continue;
        const cut = element.scrollWidth > element.clientWidth + 1 && getComputedStyle(element).overflowX === 'hidden';
        if (cut && element.closest('[title]') === null)
          wrong.push(`cut off, ${element.clientWidth} of ${element.scrollWidth} px: ${words(element)}`);
      }

      if (!byTouch) return wrong;
      const pressed = 'button, a[href], input, select, textarea, summary, [role=button], [role=combobox]';
      for (const element of document.querySelectorAll(pressed)) {
        if (!isSeen(element) || element.classList.contains('skip')) continue;
        // A link in a sentence is as high as its line; a box is pressed by its label too.
        const sentence = element.tagName === 'A' && getComputedStyle(element).display === 'inline';
        if (sentence && element.parentElement!.textContent.trim().length > element.textContent.trim().length) continue;
        const label =
          element instanceof HTMLInputElement && ['checkbox', 'radio'].includes(element.type)
            ? (element.labels?.[0] ?? element.closest('label'))
            : null;
        const { height } = (label ?? element).getBoundingClientRect();
        if (height < leastTarget - 0.5) wrong.push(`${height.toFixed(0)} px high: ${words(element)}`);
      }
      return wrong;
    },
    { touch, leastText: LEAST_TEXT, leastTarget: LEAST_TARGET },
  );

/** Nothing is further than so many Tabs from where F6 or an arrow key leads. */
const MOST_TABS = 12;

/** What on a page is too far by keys: F6 goes from section to section, arrow keys from row to row. */
async function farOn(page: Page): Promise<string[]> {
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  const starts = new Set<string>();
  const here = (): Promise<string> =>
    page.evaluate(() => {
      const element = document.activeElement as HTMLElement;
      return (element.dataset['place'] ??= String(Math.random()));
    });
  for (let before = await here(), start = ''; !starts.has(start); before = start) {
    if (start !== '') starts.add(start);
    await page.keyboard.press('F6');
    await page.waitForFunction((place) => (document.activeElement as HTMLElement).dataset['place'] !== place, before);
    start = await here();
  }
  return page.evaluate(
    ({ beginnings, most }) => {
      const stops = [
        ...document.querySelectorAll<HTMLElement>('a[href], button, input, select, textarea, summary, [tabindex]'),
      ].filter((stop) => {
        const seen = stop.checkVisibility({ visibilityProperty: true }) && stop.getClientRects().length > 0;
        return stop.tabIndex >= 0 && !stop.matches(':disabled') && seen && stop.closest('[inert]') === null;
      });
      const far: string[] = [];
      let tabs = 0;
      let rowBefore: Element | null = null;
      for (const stop of stops) {
        const row = stop.closest('[pkRowKeys] > *');
        const isStart = beginnings.includes(stop.dataset['place'] ?? '') || (row !== null && row !== rowBefore);
        tabs = isStart ? 0 : tabs + 1;
        rowBefore = row;
        if (tabs === most + 1) far.push((stop.getAttribute('aria-label') ?? stop.textContent).trim().slice(0, 40));
      }
      return far;
    },
    { beginnings: [...starts], most: MOST_TABS },
  );
}

/** How wide and high the windows are in which each place is looked at, with a pointer and with a finger. */
const windows = [
  {
    by: 'pointer',
    sizes: [
      { width: 1280, height: 800 },
      { width: 1920, height: 1080 },
      { width: 900, height: 1200 },
    ],
  },
  {
    by: 'finger',
    sizes: [
      { width: 820, height: 1180 },
      { width: 390, height: 844 },
    ],
  },
] as const;

/** Waits until nothing has changed on the page for so long. */
const settled = (page: Page, quietMs: number): Promise<void> =>
  page.evaluate(
    (quietFor) =>
      new Promise<void>((resolve) => {
        const LATEST_MS = 8000;
        const end = (): void => {
          seen.disconnect();
          resolve();
        };
        let quiet = setTimeout(end, quietFor);
        setTimeout(end, LATEST_MS);
        const seen = new MutationObserver(() => {
          clearTimeout(quiet);
          quiet = setTimeout(end, quietFor);
        });
        seen.observe(document.body, { subtree: true, childList: true, characterData: true });
      }),
    quietMs,
  );

for (const { by, sizes } of windows)
  test.describe(`by ${by}`, () => {
    const touch = by === 'finger';
    test.use({ viewport: sizes[0], hasTouch: touch, isMobile: touch });

    test(`at ${sizes.map(({ width, height }) => `${width} × ${height}`).join(', ')} every place is as wide as the window, nothing is too small to read${touch ? ' or to press' : ''} or cut off`, async ({
      page,
    }) => {
      await openDemo(page);
      for (const place of places) {
        await page.setViewportSize(sizes[0]);
        await page.goto(place);
        await expect(page.getByRole('heading').first()).toBeVisible();
        await settled(page, 400);
        await expect(page.getByRole('status').filter({ hasText: /…$/ })).toHaveCount(0);
        for (const size of sizes) {
          await page.setViewportSize(size);
          await settled(page, 120);
          expect.soft(await wrongOn(page, touch), `${place} at ${size.width}`).toEqual([]);
        }
      }
    });
  });

test('by keys nothing in any place is further than twelve Tabs', async ({ page }) => {
  await openDemo(page);
  for (const place of places) {
    await page.goto(place);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await settled(page, 400);
    // The body comes a moment later than its page.
    await expect(async () => expect(await farOn(page), place).toEqual([])).toPass();
  }
});
